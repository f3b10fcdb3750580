package mindspool.server.print;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.print.GripLearning.Ending;
import mindspool.server.acts.StoredEditable;
import mindspool.server.dry.DryersForPlan;
import org.springframework.stereotype.Component;

/** Prints as things that are started, ended and corrected. */
@Component
class EditableRun extends StoredEditable<PrintRun> {

  private final PrintStore.Runs runs;
  private final DryersForPlan dryers;
  private final SpoolsOfPrints fed;

  EditableRun(PrintStore.Runs runs, DryersForPlan dryers, SpoolsOfPrints fed) {
    super("print", PrintRun.class, runs);
    this.runs = runs;
    this.dryers = dryers;
    this.fed = fed;
  }

  /** A print that is to run again must have its printer, spool and plate for itself. */
  @Override
  protected void check(PrintRun run) {
    List<PrintRun> others =
        run.isRunning() ? runs.findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc() : List.of();
    for (PrintRun other : others) {
      run.sharedWith(other)
          .ifPresent(
              what -> {
                throw new InvalidValueException(
                    "print",
                    run.name,
                    "a print whose " + what + " is free",
                    "%s prints with that %s now: undo its start first, or say how it ended."
                        .formatted(other.name, what));
              });
    }
    if (run.isRunning()) {
      dryers
          .dryingIn(run.code)
          .filter(dryer -> !fed.isFedFrom(run, dryer.id()))
          .ifPresent(
              dryer -> {
                throw new InvalidValueException(
                    "print",
                    run.name,
                    "a print whose spool is free",
                    "%s is dried in %s now: take it out there first."
                        .formatted(run.code, dryer.name()));
              });
    }
    // Only now: what is taken twice is refused in words, and not by the database.
    run.holdPlaces();
  }

  @Override
  public void refuseTakingAway(PrintRun run) {
    if (run.endedS != null) {
      throw new InvalidValueException(
          "print",
          run.name + " (ended, " + run.outcome.title() + ")",
          "a print that still runs",
          "Undo first how it ended; then its start can be undone.");
    }
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
      case "code" -> Optional.of("goes on with " + after);
      case "earlierCodes", "earlierG" -> Optional.of("");
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
    return Set.of("progressPercent", "openPrinterId", "openCode", "openPlateId");
  }
}
