package mindspool.server.trouble;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import mindspool.core.Text;
import mindspool.core.trouble.Evidence.Habit;
import mindspool.core.trouble.TroubleKnowledge;
import mindspool.server.acts.StoredEditable;
import mindspool.server.calc.TroubleAnswer;
import org.springframework.stereotype.Component;

/** Cases as things that people open, answer and close. */
@Component
class EditableTrouble extends StoredEditable<StoredTrouble> {

  private final TroubleKnowledge table;

  EditableTrouble(TroubleStore.Troubles troubles, TroubleKnowledge table) {
    super("trouble", StoredTrouble.class, troubles);
    this.table = table;
  }

  @Override
  public String title(StoredTrouble trouble) {
    return trouble.title;
  }

  @Override
  public String link(StoredTrouble trouble) {
    return "/trouble/" + trouble.id;
  }

  /** Fields keep ids; a person reads titles. */
  @Override
  public Optional<String> inWords(String field, String before, String after) {
    return switch (field) {
      case "signs" ->
          changes(
              before,
              after,
              id -> table.sign(id).title(),
              (id, said) -> said.toLowerCase(Locale.ROOT));
      case "tests" -> changes(before, after, id -> table.test(id).title(), this::outcome);
      case "facts" -> listed("added ", "taken out ", before, after);
      case "struck" -> listed("struck out ", "counts again ", before, after);
      case "habit" -> Optional.of("read as: " + Habit.valueOf(after).title());
      case "cause" -> Optional.of(after.isEmpty() ? "no cause" : "it was: " + cause(after));
      default -> Optional.empty();
    };
  }

  /** What a cause is called. */
  String cause(String id) {
    return id.equals(Troubles.OTHER) ? "something else" : table.cause(id).title();
  }

  /** What an answer or outcome is called. */
  private interface Said {
    String of(String id, String said);
  }

  private String outcome(String test, String outcome) {
    return TroubleAnswer.outcomes(table.test(test)).stream()
        .filter(it -> it.id().equals(outcome))
        .map(TroubleAnswer.OutcomeView::name)
        .findFirst()
        .orElse(outcome);
  }

  private static Optional<String> changes(
      String before, String after, UnaryOperator<String> title, Said said) {
    Map<String, String> was = Troubles.texts(before);
    Map<String, String> is = Troubles.texts(after);
    List<String> changed = new ArrayList<>();
    is.forEach(
        (id, now) -> {
          if (!now.equals(was.get(id))) {
            changed.add(title.apply(id) + ": " + Text.lowerFirst(said.of(id, now)));
          }
        });
    was.keySet().stream()
        .filter(id -> !is.containsKey(id))
        .forEach(id -> changed.add(title.apply(id) + ": taken back"));
    return Optional.of(String.join("; ", changed));
  }

  private Optional<String> listed(String added, String gone, String before, String after) {
    Set<String> was = Troubles.set(before);
    Set<String> is = Troubles.set(after);
    List<String> changed = new ArrayList<>();
    is.stream().filter(id -> !was.contains(id)).forEach(id -> changed.add(added + fact(id)));
    was.stream().filter(id -> !is.contains(id)).forEach(id -> changed.add(gone + fact(id)));
    return Optional.of(String.join("; ", changed));
  }

  private String fact(String id) {
    return id.equals(Troubles.MOISTURE) ? "the computed moisture" : table.fact(id).title();
  }
}
