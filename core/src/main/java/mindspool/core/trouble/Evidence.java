package mindspool.core.trouble;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * What is known of a case.
 *
 * @param facts ids of those that hold
 * @param signs what was said of signs, by id
 * @param tests outcomes of those done, by id
 * @param skipped ids of tests that cannot be done here: they tell nothing and are not proposed
 * @param moistureRatio computed moisture of the metres used over what the material prints well
 *     with; none where nobody knows. It stands in for all facts that only hint at moisture.
 * @param habit how the person thinks of water
 */
public record Evidence(
    Set<String> facts,
    Map<String, Sign.Answer> signs,
    Map<String, String> tests,
    Set<String> skipped,
    OptionalDouble moistureRatio,
    Habit habit) {

  /** In the place of an outcome: the test cannot be done here. */
  public static final String SKIPPED = "skipped";

  /** Two habits of the trade, and none. */
  public enum Habit {
    NONE("as the records say", 1),
    WET_FIRST("wet until shown otherwise", 5),
    WET_LAST("wet last", 0.2);

    private final String title;
    private final double factor;

    Habit(String title, double factor) {
      this.title = title;
      this.factor = factor;
    }

    public String title() {
      return title;
    }

    /** How many times as common wet filament is held to be; judgement. */
    public double factor() {
      return factor;
    }
  }

  public Evidence {
    facts = new LinkedHashSet<>(facts);
    signs = new LinkedHashMap<>(signs);
    tests = new LinkedHashMap<>(tests);
    skipped = new LinkedHashSet<>(skipped);
    moistureRatio.ifPresent(ratio -> Require.within("moistureRatio", ratio, 0, 1000, ""));
  }

  /** With {@link #SKIPPED} in the place of the outcome of a test that cannot be done. */
  public Evidence(
      Set<String> facts,
      Map<String, Sign.Answer> signs,
      Map<String, String> tests,
      OptionalDouble moistureRatio,
      Habit habit) {
    this(facts, signs, done(tests), left(tests), moistureRatio, habit);
  }

  private static Map<String, String> done(Map<String, String> tests) {
    Map<String, String> done = new LinkedHashMap<>(tests);
    done.values().removeIf(SKIPPED::equals);
    return done;
  }

  private static Set<String> left(Map<String, String> tests) {
    Set<String> left = new LinkedHashSet<>(tests.keySet());
    left.removeAll(done(tests).keySet());
    return left;
  }

  /** Tests as they were told: outcomes by id, and which cannot be done. */
  public Map<String, String> testsTold() {
    Map<String, String> told = new LinkedHashMap<>(tests);
    skipped.forEach(id -> told.put(id, SKIPPED));
    return told;
  }

  /** Whether nobody need be told of a test any more. */
  boolean isDoneOrSkipped(TroubleTest test) {
    return tests.containsKey(test.id()) || skipped.contains(test.id());
  }

  /** Refuses ids that are not known, and an outcome that a test cannot have. */
  public Evidence checked(TroubleKnowledge knowledge) {
    facts.forEach(knowledge::fact);
    signs.keySet().forEach(knowledge::sign);
    skipped.forEach(knowledge::test);
    tests.forEach(
        (id, outcome) -> {
          TroubleTest test = knowledge.test(id);
          if (!test.outcomeIds().contains(outcome)) {
            throw new InvalidValueException(
                "tests." + id,
                outcome,
                String.join(", ", test.outcomeIds()) + ", " + SKIPPED,
                "Use one of its outcomes.");
          }
        });
    return this;
  }

  Evidence withSign(String id, Sign.Answer answer) {
    Map<String, Sign.Answer> other = new LinkedHashMap<>(signs);
    other.put(id, answer);
    return new Evidence(facts, other, tests, skipped, moistureRatio, habit);
  }

  /** With a test done. */
  public Evidence withTest(String id, String outcome) {
    Map<String, String> other = new LinkedHashMap<>(tests);
    other.put(id, outcome);
    return new Evidence(facts, signs, other, skipped, moistureRatio, habit);
  }

  Evidence withoutFact(String id) {
    Set<String> other = new LinkedHashSet<>(facts);
    other.remove(id);
    return new Evidence(other, signs, tests, skipped, moistureRatio, habit);
  }

  Evidence withoutSign(String id) {
    Map<String, Sign.Answer> other = new LinkedHashMap<>(signs);
    other.remove(id);
    return new Evidence(facts, other, tests, skipped, moistureRatio, habit);
  }

  Evidence withoutTest(String id) {
    Map<String, String> other = new LinkedHashMap<>(tests);
    other.remove(id);
    return new Evidence(facts, signs, other, skipped, moistureRatio, habit);
  }

  /** The same, read with a habit. */
  public Evidence readAs(Habit other) {
    return new Evidence(facts, signs, tests, skipped, moistureRatio, other);
  }
}
