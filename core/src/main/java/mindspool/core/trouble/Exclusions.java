package mindspool.core.trouble;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import mindspool.core.ResourceTable;

/**
 * What cannot hold at one time: signs, facts and outcomes of tests that exclude one another; common
 * practice. An outcome goes by its test, an equals sign and its own id.
 */
public final class Exclusions {

  private static final String OUTCOME_OF = "=";

  private final List<Rule> rules;

  private Exclusions(List<Rule> rules) {
    this.rules = rules;
  }

  private record Rule(List<String> one, List<String> other, List<String> unless) {

    private boolean binds(Set<String> held) {
      return unless.stream().noneMatch(held::contains);
    }

    private boolean against(String id, Set<String> held) {
      return (one.contains(id) && other.stream().anyMatch(held::contains))
          || (other.contains(id) && one.stream().anyMatch(held::contains));
    }
  }

  /** Two ids that cannot both hold. */
  public record Contradiction(String one, String other) {}

  /**
   * The table that ships with the program.
   *
   * @param isKnown tells an id of the knowledge
   * @throws IllegalStateException for an id that is none
   */
  static Exclusions standard(Predicate<String> isKnown) {
    List<Rule> rules =
        ResourceTable.rows(Exclusions.class, "exclusive.csv").stream()
            .map(
                row ->
                    new Rule(
                        ResourceTable.texts(row, "one"),
                        ResourceTable.texts(row, "other"),
                        ResourceTable.texts(row, "unless")))
            .toList();
    for (Rule rule : rules) {
      for (List<String> ids : List.of(rule.one, rule.other, rule.unless)) {
        for (String id : ids) {
          if (!isKnown.test(id)) {
            throw new IllegalStateException("exclusive.csv: \"" + id + "\" is nothing known");
          }
        }
      }
    }
    return new Exclusions(rules);
  }

  static String outcome(String test, String outcome) {
    return test + OUTCOME_OF + outcome;
  }

  /** Everything that a case says holds: its facts, the signs seen, the outcomes of its tests. */
  static Set<String> held(Evidence evidence) {
    Set<String> held = new LinkedHashSet<>(evidence.facts());
    evidence
        .signs()
        .forEach(
            (id, answer) -> {
              if (answer == Sign.Answer.YES) {
                held.add(id);
              }
            });
    evidence.tests().forEach((test, outcome) -> held.add(outcome(test, outcome)));
    return held;
  }

  /** Whether something cannot hold beside what does. */
  boolean rulesOut(String id, Set<String> held) {
    return rules.stream().anyMatch(rule -> rule.binds(held) && rule.against(id, held));
  }

  /** Pairs of what holds that exclude one another. */
  List<Contradiction> among(Collection<String> held) {
    Set<String> all = new HashSet<>(held);
    return rules.stream()
        .filter(rule -> rule.binds(all))
        .flatMap(
            rule ->
                rule.one.stream()
                    .filter(all::contains)
                    .flatMap(
                        one ->
                            rule.other.stream()
                                .filter(all::contains)
                                .map(other -> new Contradiction(one, other))))
        .toList();
  }
}
