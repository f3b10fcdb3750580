package mindspool.server.print;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.print.GripLearning.Ending;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Prints as things that are started, ended and corrected. */
@Component
class EditableRun extends StoredEditable<PrintRun> {

  EditableRun(PrintStore.Runs runs) {
    super("print", PrintRun.class, runs);
  }

  @Override
  public String title(PrintRun run) {
    return run.name;
  }

  @Override
  public String link(PrintRun run) {
    return "/print/runs/" + run.id;
  }

  /** What people said of its end, as they would tell it. */
  @Override
  public Optional<String> inWords(String field, String before, String after) {
    return switch (field) {
      case "outcome" ->
          Optional.of(
              after.isEmpty()
                  ? "prints again"
                  : (before.isEmpty() ? "ended, " : "came out ")
                      + PrintRun.Outcome.valueOf(after).title());
      case "ending" -> Optional.of(after.isEmpty() ? "" : atThePlate(Ending.valueOf(after)));
      case "signs" ->
          Optional.of(
              after.isEmpty()
                  ? "nothing else was seen"
                  : Arrays.stream(after.split(","))
                      .map(PrintSign::titleOf)
                      .collect(Collectors.joining(" and ", "seen: ", "")));
      case "usedG" ->
          Optional.of(after.isEmpty() ? "" : "used %.0f g".formatted(Double.parseDouble(after)));
      // Said by the outcome, or counted by the program.
      case "endedS", "usedBy", "hours", "chamberMeanC", "roomMeanC" -> Optional.of("");
      default -> Optional.empty();
    };
  }

  private static String atThePlate(Ending ending) {
    return switch (ending) {
      case HELD -> "all corners held";
      case CORNER_LIFTED -> "a corner lifted";
      case PLATE_LIFTED -> "the plate rose with it";
      case CAME_OFF -> "it came off the plate";
    };
  }

  @Override
  public Set<String> ownFields() {
    return Set.of("progressPercent");
  }
}
