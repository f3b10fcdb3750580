package mindspool.core.trouble;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import mindspool.core.InvalidValueException;
import mindspool.core.trouble.Evidence.Habit;
import mindspool.core.trouble.Sign.Answer;

/**
 * A made-up case to practise on: hidden causes, what the records say, what is seen at once. The
 * same seed and level give the same case, and every question and test the same answer in any order.
 */
public final class PracticeCase {

  /** How hard a case is. */
  public enum Level {
    CLEAR("clear", 4, 1),
    USUAL("as most are", 2, 1),
    VAGUE("vague", 1, 1),
    TWO("two causes at once", 3, 2);

    private final String title;
    private final int seenAtOnce;
    private final int causes;

    Level(String title, int seenAtOnce, int causes) {
      this.title = title;
      this.seenAtOnce = seenAtOnce;
      this.causes = causes;
    }

    public String title() {
      return title;
    }
  }

  /** Half of what makes a cause common is in the records, and few other things. */
  private static final double FACT_OF_CAUSE = 0.6;

  private static final double OTHER_FACT = 0.03;

  /** A cause that shows fewer signs often is nothing to practise on. */
  private static final int LEAST_SIGNS = 2;

  private static final double QUESTION_MINUTES = 0.5;

  /** A small print takes so much filament; common practice, g. */
  private static final double PRINT_G = 8;

  private static final int MOST_STEPS = 60;

  /** Draws of facts and signs before other causes are taken. */
  private static final int MOST_TRIALS = 1000;

  private final TroubleKnowledge knowledge;
  private final long seed;
  private final List<Cause> causes = new ArrayList<>();
  private final Set<String> facts = new LinkedHashSet<>();
  private final Map<String, Answer> truth = new LinkedHashMap<>();
  private final List<Sign> seenAtOnce = new ArrayList<>();
  private final OptionalDouble moistureRatio;

  private PracticeCase(TroubleKnowledge knowledge, long seed, Level level) {
    this.knowledge = knowledge;
    this.seed = seed;
    RandomGenerator random = new SplittableRandom(31 * seed + level.ordinal());
    boolean fits = false;
    while (!fits) {
      drawCauses(random, level);
      // Causes that always show what excludes one another are no pair.
      for (int trial = 0; !fits && trial < MOST_TRIALS; trial++) {
        drawFacts(random);
        drawSigns(random);
        fits = knowledge.exclusions().among(held()).isEmpty();
      }
    }
    seenAtOnce.addAll(seenAtOnce(level));
    boolean wet = causes.stream().anyMatch(cause -> cause.id().equals(CausePosterior.WET));
    // Wet ones are past the limit mostly; others are dry or a little damp.
    moistureRatio =
        OptionalDouble.of(wet ? 1.1 + 2.5 * random.nextDouble() : 0.1 + 0.9 * random.nextDouble());
  }

  /** A case of a seed. */
  public static PracticeCase of(TroubleKnowledge knowledge, long seed, Level level) {
    return new PracticeCase(knowledge, seed, level);
  }

  private Cause draw(RandomGenerator random) {
    List<Cause> known =
        knowledge.causes().stream()
            .filter(
                cause ->
                    knowledge.signs().stream()
                            .filter(sign -> knowledge.link(cause, sign).orElse(0) >= 0.5)
                            .count()
                        >= LEAST_SIGNS)
            .toList();
    double at = random.nextDouble() * known.stream().mapToDouble(Cause::weight).sum();
    for (Cause cause : known) {
      at -= cause.weight();
      if (at < 0) {
        return cause;
      }
    }
    return known.get(known.size() - 1);
  }

  private void drawCauses(RandomGenerator random, Level level) {
    causes.clear();
    while (causes.size() < level.causes) {
      Cause drawn = draw(random);
      if (!causes.contains(drawn)) {
        causes.add(drawn);
      }
    }
  }

  private void drawFacts(RandomGenerator random) {
    facts.clear();
    for (TroubleFact fact : knowledge.facts()) {
      boolean fits = causes.stream().anyMatch(cause -> knowledge.factor(cause, fact) > 1);
      boolean excludes = causes.stream().anyMatch(cause -> knowledge.factor(cause, fact) < 0.5);
      double chance = excludes ? 0 : fits ? FACT_OF_CAUSE : OTHER_FACT;
      if (random.nextDouble() < chance) {
        facts.add(fact.id());
      }
    }
  }

  private void drawSigns(RandomGenerator random) {
    truth.clear();
    Cause[] together = causes.toArray(Cause[]::new);
    for (Sign sign : knowledge.signs()) {
      boolean shows = random.nextDouble() < knowledge.chance(sign, together);
      truth.put(sign.id(), shows ? Answer.YES : Answer.NO);
    }
    // A print that shows nothing of its cause is no case.
    for (Cause cause : causes) {
      if (there().stream().noneMatch(sign -> knowledge.link(cause, sign).isPresent())) {
        Sign usual =
            knowledge.signs().stream()
                .max(Comparator.comparingDouble(sign -> knowledge.link(cause, sign).orElse(0)))
                .orElseThrow();
        truth.put(usual.id(), Answer.YES);
      }
    }
  }

  private List<Sign> there() {
    return knowledge.signs().stream().filter(sign -> truth.get(sign.id()) == Answer.YES).toList();
  }

  /** All that holds of the case, by id. */
  Set<String> held() {
    Set<String> held = new LinkedHashSet<>(facts);
    there().forEach(sign -> held.add(sign.id()));
    return held;
  }

  /** How much a sign is one of the hidden causes'; 0 for a stray. */
  double ofCauses(Sign sign) {
    return causes.stream()
        .mapToDouble(cause -> knowledge.link(cause, sign).orElse(0))
        .max()
        .orElse(0);
  }

  /** What of it is seen at once: the usual first, strays always the fewer. */
  private List<Sign> seenAtOnce(Level level) {
    List<Sign> there = new ArrayList<>(there());
    there.sort(Comparator.comparingDouble(sign -> -ofCauses(sign)));
    int shown = (int) there.stream().filter(sign -> ofCauses(sign) > 0).count();
    return there.subList(0, Math.min(level.seenAtOnce, Math.min(there.size(), 2 * shown - 1)));
  }

  /** What was asked or tested, in order. */
  public record Step(boolean test, String id) {}

  /** A step with its answer and what it cost so far. */
  public record Answered(Step step, String answer, double minutes, double grams) {}

  /**
   * How a step left the ranking.
   *
   * @param leader the cause that led after it
   * @param share of the first hidden cause
   */
  public record Standing(Step step, Cause leader, double share) {}

  /**
   * What came of it.
   *
   * @param right whether all hidden causes were named
   * @param way how the ranking stood after each step
   * @param shortest steps that the program would have taken
   * @param shortestMinutes and what they cost
   * @param misled the habit that would have named another cause; none where neither would
   */
  public record Review(
      List<Cause> causes,
      boolean right,
      List<Standing> way,
      List<Answered> shortest,
      double shortestMinutes,
      Set<Habit> misled) {}

  public List<Sign> seenAtOnce() {
    return List.copyOf(seenAtOnce);
  }

  /** Ids of what the records know. */
  public Set<String> facts() {
    return Set.copyOf(facts);
  }

  public double moistureRatio() {
    return moistureRatio.orElseThrow();
  }

  List<Cause> causes() {
    return List.copyOf(causes);
  }

  private Evidence begin() {
    Map<String, Answer> seen = new LinkedHashMap<>();
    seenAtOnce.forEach(sign -> seen.put(sign.id(), Answer.YES));
    return new Evidence(facts, seen, Map.of(), moistureRatio, Habit.NONE);
  }

  /** Answers to steps; refuses ids that are not known and more steps than anybody takes. */
  public List<Answered> answers(List<Step> steps) {
    if (steps.size() > MOST_STEPS) {
      throw new InvalidValueException(
          "steps", steps.size() + " steps", "up to " + MOST_STEPS, "Name a cause.");
    }
    List<Answered> answers = new ArrayList<>();
    double minutes = 0;
    double grams = 0;
    for (Step step : steps) {
      if (step.test) {
        TroubleTest test = knowledge.test(step.id);
        minutes += test.activeMinutes();
        grams += PRINT_G * test.cost();
        answers.add(new Answered(step, outcome(test), minutes, grams));
      } else {
        minutes += QUESTION_MINUTES;
        answers.add(
            new Answered(step, truth.get(knowledge.sign(step.id).id()).name(), minutes, grams));
      }
    }
    return answers;
  }

  /** What a test comes out as here, whenever it is done. */
  private String outcome(TroubleTest test) {
    RandomGenerator random = new SplittableRandom(seed * 1_000_003 + test.id().hashCode());
    double at = random.nextDouble();
    // Of two causes at once the one shows that changes the outcome most.
    Map<String, Double> chances = test.chances(causes.get(0).id());
    if (causes.size() > 1) {
      Map<String, Double> other = test.chances(causes.get(1).id());
      double first = chances.values().stream().mapToDouble(it -> it).max().orElse(0);
      double second = other.values().stream().mapToDouble(it -> it).max().orElse(0);
      boolean tells =
          test.outcomes().stream().anyMatch(it -> it.byCause().containsKey(causes.get(1).id()));
      boolean firstTells =
          test.outcomes().stream().anyMatch(it -> it.byCause().containsKey(causes.get(0).id()));
      if (tells && (!firstTells || second > first)) {
        chances = other;
      }
    }
    // What is there rules some outcomes out: the same lines twice are at the same heights.
    Set<String> held = held();
    Map<String, Double> possible = new LinkedHashMap<>(chances);
    possible
        .keySet()
        .removeIf(it -> knowledge.exclusions().rulesOut(Exclusions.outcome(test.id(), it), held));
    at *= possible.values().stream().mapToDouble(it -> it).sum();
    String last = "";
    for (Map.Entry<String, Double> each : possible.entrySet()) {
      last = each.getKey();
      at -= each.getValue();
      if (at < 0) {
        return last;
      }
    }
    return last;
  }

  private Evidence after(Evidence before, Answered answered) {
    return answered.step.test
        ? before.withTest(answered.step.id, answered.answer)
        : before.withSign(answered.step.id, Answer.valueOf(answered.answer));
  }

  /**
   * Looks back once causes were named.
   *
   * @param named ids of causes; refuses ids that are not known
   */
  public Review review(List<Step> steps, Set<String> named) {
    named.forEach(knowledge::cause);
    List<Standing> way = new ArrayList<>();
    Evidence evidence = begin();
    for (Answered answered : answers(steps)) {
      evidence = after(evidence, answered);
      way.add(standing(answered.step, evidence));
    }
    List<Answered> shortest = shortest();
    Set<Habit> misled = new LinkedHashSet<>();
    for (Habit habit : List.of(Habit.WET_FIRST, Habit.WET_LAST)) {
      String leads = CauseRanking.of(knowledge, begin().readAs(habit)).causes().get(0).cause().id();
      String plain = CauseRanking.of(knowledge, begin()).causes().get(0).cause().id();
      if (isHidden(plain) && !isHidden(leads)) {
        misled.add(habit);
      }
    }
    return new Review(
        causes(),
        causes.stream().allMatch(cause -> named.contains(cause.id())),
        way,
        shortest,
        shortest.isEmpty() ? 0 : shortest.get(shortest.size() - 1).minutes,
        misled);
  }

  private boolean isHidden(String id) {
    return causes.stream().anyMatch(cause -> cause.id().equals(id));
  }

  private Standing standing(Step step, Evidence evidence) {
    CauseRanking ranking = CauseRanking.of(knowledge, evidence);
    double share =
        ranking.causes().stream()
            .filter(ranked -> ranked.cause().equals(causes.get(0)))
            .mapToDouble(CauseRanking.Ranked::share)
            .sum();
    return new Standing(step, ranking.causes().get(0).cause(), share);
  }

  /** What the program asks and tests until it proposes nothing more. */
  private List<Answered> shortest() {
    List<Step> steps = new ArrayList<>();
    Evidence evidence = begin();
    while (steps.size() < MOST_STEPS) {
      CauseRanking ranking = CauseRanking.of(knowledge, evidence);
      Step next =
          ranking.questions().stream()
              .findFirst()
              .map(question -> new Step(false, question.sign().id()))
              .or(() -> ranking.nextTest().map(test -> new Step(true, test.test().id())))
              .orElse(null);
      if (next == null) {
        break;
      }
      steps.add(next);
      List<Answered> answers = answers(steps);
      evidence = after(evidence, answers.get(answers.size() - 1));
    }
    return answers(steps);
  }
}
