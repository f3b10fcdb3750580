package mindspool.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import mindspool.core.trouble.Evidence.Habit;
import mindspool.core.trouble.Sign.Answer;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Cases drawn from a world in which three links in ten are another step stronger or weaker than the
 * table says and causes are half to twice as common: a person who answers what is asked and does
 * the tests that are proposed finds the cause.
 */
@Tag("long")
class ChangedKnowledgeTest {

  private static final TroubleKnowledge KNOWLEDGE = TroubleKnowledge.standard();
  private static final double[] STEPS = {0.1, 0.25, 0.5, 0.8, 0.95};
  private static final int CASES = 400;
  private static final double MOST_ACTIVE_MINUTES = 60;

  private record World(TroubleKnowledge links, Map<String, Double> weights) {

    static World of(Random random) {
      Map<String, Double> weights = new LinkedHashMap<>();
      KNOWLEDGE
          .causes()
          .forEach(
              cause ->
                  weights.put(
                      cause.id(), cause.weight() * Math.pow(2, 2 * random.nextDouble() - 1)));
      return new World(
          KNOWLEDGE.with(
              (cause, sign, chance) -> {
                int step = Arrays.binarySearch(STEPS, chance);
                if (step < 0 || random.nextDouble() > 0.3) {
                  return chance;
                }
                int other = step + (random.nextBoolean() ? 1 : -1);
                return STEPS[Math.max(0, Math.min(STEPS.length - 1, other))];
              }),
          weights);
    }

    Cause draw(Random random) {
      double at =
          random.nextDouble() * weights.values().stream().mapToDouble(Double::doubleValue).sum();
      for (Map.Entry<String, Double> each : weights.entrySet()) {
        at -= each.getValue();
        if (at < 0) {
          return KNOWLEDGE.cause(each.getKey());
        }
      }
      throw new AssertionError();
    }
  }

  /** What a person sees and does. */
  private static final class Person {
    final Map<String, Answer> truth = new HashMap<>();
    final World world;
    final Cause cause;
    final Random random;
    Evidence evidence;
    double activeMinutes;

    Person(World world, Cause cause, Random random) {
      this.world = world;
      this.cause = cause;
      this.random = random;
      for (Sign sign : KNOWLEDGE.signs()) {
        boolean there = random.nextDouble() < world.links.chance(sign, cause);
        truth.put(sign.id(), there ? Answer.YES : Answer.NO);
      }
    }

    /** Tells up to four signs that are there, and two that are not of those usual with others. */
    boolean tells() {
      List<String> there = new ArrayList<>();
      List<String> absent = new ArrayList<>();
      for (Sign sign : KNOWLEDGE.signs()) {
        (truth.get(sign.id()) == Answer.YES ? there : absent).add(sign.id());
      }
      if (there.isEmpty()) {
        return false;
      }
      java.util.Collections.shuffle(there, random);
      java.util.Collections.shuffle(absent, random);
      Map<String, Answer> told = new LinkedHashMap<>();
      there.stream().limit(4).forEach(id -> told.put(id, Answer.YES));
      absent.stream().limit(2).forEach(id -> told.put(id, Answer.NO));
      evidence = new Evidence(facts(), told, Map.of(), OptionalDouble.empty(), Habit.NONE);
      return true;
    }

    /** What the records know: half of what makes the cause common, and one in thirty by chance. */
    private Set<String> facts() {
      Set<String> facts = new LinkedHashSet<>();
      for (TroubleFact fact : KNOWLEDGE.facts()) {
        double chance = KNOWLEDGE.factor(cause, fact) > 1 ? 0.5 : 0.03;
        if (random.nextDouble() < chance) {
          facts.add(fact.id());
        }
      }
      return facts;
    }

    /** Answers the questions that are asked, then does the test that is proposed. */
    boolean step() {
      CauseRanking ranking = CauseRanking.of(KNOWLEDGE, evidence);
      for (CauseRanking.Question question : ranking.questions()) {
        evidence = evidence.withSign(question.sign().id(), truth.get(question.sign().id()));
        activeMinutes += 0.5;
      }
      Optional<CauseRanking.NextTest> next = CauseRanking.of(KNOWLEDGE, evidence).nextTest();
      if (next.isEmpty() || activeMinutes > MOST_ACTIVE_MINUTES) {
        return false;
      }
      double at = random.nextDouble();
      for (Map.Entry<String, Double> outcome : next.get().test().chances(cause.id()).entrySet()) {
        at -= outcome.getValue();
        if (at < 0) {
          evidence = evidence.withTest(next.get().test().id(), outcome.getKey());
          break;
        }
      }
      activeMinutes += next.get().test().activeMinutes();
      return true;
    }

    int rank() {
      List<CauseRanking.Ranked> causes = CauseRanking.of(KNOWLEDGE, evidence).causes();
      for (int i = 0; i < causes.size(); i++) {
        if (causes.get(i).cause().equals(cause)) {
          return i;
        }
      }
      throw new AssertionError();
    }
  }

  @Test
  void theCauseIsAmongThreeBeforeTestsAndFirstAfterThem() {
    Random random = new Random(41);
    int among = 0;
    int first = 0;
    int cases = 0;
    double[] minutes = new double[CASES];
    while (cases < CASES) {
      World world = World.of(random);
      for (int i = 0; i < 20 && cases < CASES; i++) {
        Person person = new Person(world, world.draw(random), random);
        if (!person.tells()) {
          continue;
        }
        among += person.rank() < 3 ? 1 : 0;
        while (person.step()) {}
        first += person.rank() == 0 ? 1 : 0;
        minutes[cases++] = person.activeMinutes;
      }
    }
    Arrays.sort(minutes);
    assertThat(among / (double) CASES).as("among the first three").isGreaterThanOrEqualTo(0.75);
    assertThat(first / (double) CASES).as("first after tests").isGreaterThanOrEqualTo(0.70);
    assertThat(minutes[CASES / 2]).as("median active minutes").isLessThan(20);
  }
}
