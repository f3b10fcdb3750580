package mindspool.core.trouble;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * The causes of a case in order, what they leave unexplained, whether two are at work, what to test
 * next and what to try.
 *
 * <p>The next test is the one that narrows most for its minutes; cheap remedies come in the order
 * of share over effort, as in decision-theoretic trouble-shooting (Heckerman, Breese and Rommelse
 * 1995, from memory).
 */
public final class CauseRanking {

  /** Above this it is settled. */
  private static final double SETTLED = 0.85;

  /** Bounds of the words for shares; judgement. */
  private static final double LIKELY = 0.6;

  private static final double POSSIBLE = 0.25;
  private static final double LESS_LIKELY = 0.05;

  /** Less is not worth a test, bits. */
  private static final double LEAST_GAIN_BITS = 0.05;

  /** A pair is named where it is at least half as likely as the best single cause, log10. */
  private static final double PAIR_LOG10 = -0.3;

  /** Two at once are rarer than chance would have it. */
  private static final double PAIR_PRIOR = 0.5;

  private static final int PAIRED = 8;
  private static final int MOST_REMEDIES = 6;
  private static final double REMEDY_BEGIN_MINUTES = 2;
  private static final double WORTH_TRYING = 0.03;

  /** A test that takes no longer is offered whenever it splits the first two, min. */
  private static final double QUICK_MINUTES = 2;

  /** An outcome that comes more often than not, and so much more often with one than another. */
  private static final double MOSTLY = 0.5;

  private static final double APART = 0.4;

  /** Answering a question takes about so long, min; judgement. */
  private static final double QUESTION_MINUTES = 0.5;

  private static final int MOST_QUESTIONS = 3;

  /** So many times likelier with a cause than without, an outcome speaks for it. */
  private static final double SPEAKS_FOR = 2;

  private final TroubleKnowledge knowledge;
  private final Evidence evidence;
  private final CausePosterior posterior;
  private final List<Ranked> causes;

  /** Found when it is first asked for. */
  private Optional<NextTest> proposed;

  private CauseRanking(TroubleKnowledge knowledge, Evidence evidence) {
    this.knowledge = knowledge;
    this.evidence = evidence;
    posterior = CausePosterior.of(knowledge, evidence);
    causes =
        IntStream.range(0, posterior.causes().size())
            .mapToObj(
                i ->
                    new Ranked(
                        posterior.causes().get(i), posterior.share(i), word(posterior.share(i))))
            .sorted(Comparator.comparingDouble(Ranked::share).reversed())
            .toList();
  }

  /** Ranks the causes of a case; refuses ids that are not known. */
  public static CauseRanking of(TroubleKnowledge knowledge, Evidence evidence) {
    return new CauseRanking(knowledge, evidence.checked(knowledge));
  }

  /** A cause with its share and the word for it. */
  public record Ranked(Cause cause, double share, String word) {}

  /** Two causes that together explain the case about as well as one. */
  public record Pair(Cause first, Cause second, double log10Odds) {}

  /**
   * What to test next.
   *
   * @param gainBits by how much it narrows on average
   * @param confirms the cause that it is to confirm before a remedy; none where it only narrows
   */
  public record NextTest(TroubleTest test, double gainBits, Optional<Cause> confirms) {

    public String why() {
      return confirms
          .map(cause -> "Its remedy costs time or parts; this tells first whether it is that.")
          .orElse("It tells most for its minutes.");
    }
  }

  /**
   * What could be tried.
   *
   * @param effortMinutes of work
   * @param testFirst a test that should speak for it before; none where one did or none is needed
   */
  public record Remedy(
      Cause cause, double share, double effortMinutes, Optional<TroubleTest> testFirst) {}

  /** A sign that is worth asking for, and by how much it narrows on average. */
  public record Question(Sign sign, double gainBits) {}

  /** The word for a share. */
  public static String word(double share) {
    if (share > SETTLED) {
      return "very likely";
    }
    if (share > LIKELY) {
      return "likely";
    }
    if (share > POSSIBLE) {
      return "possible";
    }
    return share > LESS_LIKELY ? "less likely" : "unlikely";
  }

  /** All known causes, the likeliest first. */
  public List<Ranked> causes() {
    return causes;
  }

  /** Share of a cause that is not in the table. */
  public double unknownShare() {
    return posterior.unknownShare();
  }

  /** Whether nothing was said yet that tells causes apart. */
  public boolean isUntold() {
    return CausePosterior.answered(knowledge, evidence).isEmpty() && evidence.tests().isEmpty();
  }

  /** Signs that are there and that the likeliest cause does not show. */
  public List<Sign> unexplained() {
    Cause best = causes.get(0).cause();
    return evidence.signs().entrySet().stream()
        .filter(each -> each.getValue() == Sign.Answer.YES)
        .map(each -> knowledge.sign(each.getKey()))
        .filter(sign -> knowledge.link(best, sign).isEmpty())
        .toList();
  }

  /** Two causes at once, where they explain it about as well as the best one alone. */
  public Optional<Pair> pair() {
    List<Integer> order =
        IntStream.range(0, posterior.causes().size())
            .boxed()
            .sorted(Comparator.comparingDouble(i -> -posterior.share(i)))
            .toList();
    if (CausePosterior.answered(knowledge, evidence).size() < 2) {
      return Optional.empty();
    }
    Pair best = null;
    double single = posterior.log(order.get(0));
    // A cause that is hopeless alone can be just what the best one lacks.
    for (int first : order.subList(0, PAIRED)) {
      for (int second : order) {
        if (first != second) {
          double odds = (pairLog(first, second) - single) / Math.log(10);
          if (odds > PAIR_LOG10 && (best == null || odds > best.log10Odds)) {
            best = new Pair(posterior.causes().get(first), posterior.causes().get(second), odds);
          }
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private double pairLog(int first, int second) {
    Cause a = posterior.causes().get(first);
    Cause b = posterior.causes().get(second);
    double log = Math.log(posterior.prior(first) * posterior.prior(second) * PAIR_PRIOR);
    List<Sign> answered = CausePosterior.answered(knowledge, evidence);
    for (Sign sign : answered) {
      long family = answered.stream().filter(it -> it.family().equals(sign.family())).count();
      double chance = knowledge.chance(sign, a, b);
      boolean yes = evidence.signs().get(sign.id()) == Sign.Answer.YES;
      log += CausePosterior.tempered((int) family) * Math.log(yes ? chance : 1 - chance);
    }
    for (Map.Entry<String, String> done : evidence.tests().entrySet()) {
      TroubleTest test = knowledge.test(done.getKey());
      log +=
          Math.log(
              Math.max(
                  test.chances(a.id()).get(done.getValue()),
                  test.chances(b.id()).get(done.getValue())));
    }
    return log;
  }

  /** What to test next; none where it is settled or no test would tell enough. */
  public Optional<NextTest> nextTest() {
    if (proposed == null) {
      proposed = findNextTest();
    }
    return proposed;
  }

  private Optional<NextTest> findNextTest() {
    Ranked best = causes.get(0);
    if (best.share() > SETTLED) {
      return testFirst(best.cause())
          .map(test -> new NextTest(test, posterior.gainBits(test), Optional.of(best.cause())));
    }
    return knowledge.tests().stream()
        .filter(test -> !evidence.isDoneOrSkipped(test))
        .map(test -> new NextTest(test, posterior.gainBits(test), Optional.empty()))
        .filter(next -> next.gainBits() >= LEAST_GAIN_BITS)
        .max(Comparator.comparingDouble(next -> next.gainBits() / next.test().effortMinutes()))
        .filter(next -> !isTryingCheaper(best, next.test()));
  }

  /** Whether to try the likely cause's remedy is less work than the test. */
  private static boolean isTryingCheaper(Ranked best, TroubleTest test) {
    return best.share() > LIKELY
        && !best.cause().wantsTestFirst()
        && best.cause().remedyMinutes() + REMEDY_BEGIN_MINUTES <= test.effortMinutes();
  }

  /** A test of at most two minutes that tells the first two apart, beside the next one. */
  public Optional<NextTest> quickTest() {
    Cause first = causes.get(0).cause();
    Cause second = causes.get(1).cause();
    String next = nextTest().map(it -> it.test().id()).orElse("");
    return knowledge.tests().stream()
        .filter(test -> test.activeMinutes() + test.waitMinutes() <= QUICK_MINUTES)
        .filter(test -> !evidence.isDoneOrSkipped(test) && !test.id().equals(next))
        .filter(test -> splits(test, first, second))
        .map(test -> new NextTest(test, posterior.gainBits(test), Optional.empty()))
        .max(Comparator.comparingDouble(NextTest::gainBits));
  }

  private static boolean splits(TroubleTest test, Cause first, Cause second) {
    Map<String, Double> one = test.chances(first.id());
    Map<String, Double> other = test.chances(second.id());
    return one.entrySet().stream()
        .anyMatch(
            each ->
                Math.max(each.getValue(), other.get(each.getKey())) > MOSTLY
                    && Math.abs(each.getValue() - other.get(each.getKey())) > APART);
  }

  /** The test that should speak for a cause before its remedy; none where one did already. */
  private Optional<TroubleTest> testFirst(Cause cause) {
    if (!cause.wantsTestFirst()
        || evidence.tests().entrySet().stream().anyMatch(it -> speaks(cause, it))) {
      return Optional.empty();
    }
    return knowledge.tests().stream()
        .filter(test -> !evidence.isDoneOrSkipped(test))
        .filter(test -> test.outcomes().stream().anyMatch(it -> speaks(cause, test, it.id())))
        .min(Comparator.comparingDouble(TroubleTest::effortMinutes));
  }

  private boolean speaks(Cause cause, Map.Entry<String, String> done) {
    return speaks(cause, knowledge.test(done.getKey()), done.getValue());
  }

  private static boolean speaks(Cause cause, TroubleTest test, String outcome) {
    return test.outcomes().stream()
        .filter(it -> it.id().equals(outcome))
        .anyMatch(
            it ->
                it.byCause().getOrDefault(cause.id(), 0.0)
                    > Math.max(MOSTLY, SPEAKS_FOR * it.usual()));
  }

  /** What could be tried, the most promising for its effort first. */
  public List<Remedy> remedies() {
    return causes.stream()
        .limit(2 * MOST_REMEDIES)
        .filter(ranked -> ranked.share() >= WORTH_TRYING)
        .map(
            ranked ->
                new Remedy(
                    ranked.cause(),
                    ranked.share(),
                    ranked.cause().remedyMinutes(),
                    testFirst(ranked.cause())))
        .sorted(
            Comparator.comparingDouble(
                remedy -> -remedy.share() / (remedy.effortMinutes() + REMEDY_BEGIN_MINUTES)))
        .limit(MOST_REMEDIES)
        .toList();
  }

  /** Pairs of what was told, found or recorded that cannot both hold. */
  public List<Exclusions.Contradiction> contradictions() {
    return knowledge.exclusions().among(Exclusions.held(evidence));
  }

  /** What holds, by its id, in words. */
  public String title(String id) {
    return knowledge.title(id);
  }

  /** Questions that tell most, the first one most; none once it is settled. */
  public List<Question> questions() {
    return questions(sign -> true);
  }

  /** The same while it prints: nobody has the part in the hand, nor another print beside it. */
  public List<Question> questionsWhilePrinting() {
    return questions(sign -> sign.needs() == Sign.Needs.LOOK);
  }

  private List<Question> questions(Predicate<Sign> canBeSeen) {
    if (causes.get(0).share() > SETTLED) {
      return List.of();
    }
    double byTest =
        nextTest().map(next -> next.gainBits() / next.test().effortMinutes()).orElse(0.0);
    Set<String> held = Exclusions.held(evidence);
    return knowledge.signs().stream()
        .filter(sign -> !evidence.signs().containsKey(sign.id()))
        .filter(sign -> canBeSeen.test(sign))
        .filter(sign -> !knowledge.exclusions().rulesOut(sign.id(), held))
        .map(sign -> new Question(sign, posterior.gainBits(sign)))
        .filter(it -> it.gainBits() >= LEAST_GAIN_BITS / 2)
        .filter(it -> it.gainBits() / QUESTION_MINUTES > byTest)
        .sorted(Comparator.comparingDouble(Question::gainBits).reversed())
        .limit(MOST_QUESTIONS)
        .toList();
  }

  /** What speaks for and against a cause. */
  public CauseReasons reasons(String causeId) {
    return CauseReasons.of(knowledge, evidence, posterior, knowledge.cause(causeId));
  }

  /** The same case for somebody of a habit. */
  public CauseRanking readAs(Evidence.Habit habit) {
    return habit == evidence.habit() ? this : new CauseRanking(knowledge, evidence.readAs(habit));
  }
}
