package mindspool.core.trouble;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Why a cause stands where it stands.
 *
 * @param pushes what raises or lowers it, the strongest first
 * @param instead what would have to be otherwise for another cause to lead; empty where nothing
 *     single would do
 */
public record CauseReasons(Cause cause, List<Push> pushes, List<Instead> instead) {

  /** Smaller pushes are not told, powers of ten. */
  private static final double LEAST_LOG10 = 0.1;

  /** A cause that is less likely than this now is no rival; judgement. */
  private static final double LEAST_SHARE = 0.02;

  private static final int MOST_PUSHES = 8;
  private static final int MOST_INSTEAD = 4;

  /** Kinds of what is known. */
  public enum Kind {
    FACT,
    MOISTURE,
    HABIT,
    SIGN,
    TEST
  }

  /**
   * Something known, and what it does to the odds of the cause against all others.
   *
   * @param id of fact, sign or test
   * @param title in words
   * @param log10 by how many powers of ten the odds go up; negative for down
   */
  public record Push(Kind kind, String id, String title, double log10) {}

  /**
   * What would put another cause first.
   *
   * @param id of fact, sign or test
   * @param title in words
   * @param leader the cause that would lead then
   */
  public record Instead(Kind kind, String id, String title, Cause leader) {}

  static CauseReasons of(
      TroubleKnowledge knowledge, Evidence evidence, CausePosterior posterior, Cause cause) {
    int index = posterior.causes().indexOf(cause);
    double odds = posterior.logOdds(index);
    Cause leader = posterior.causes().get(posterior.best());
    List<Push> pushes = new ArrayList<>();
    List<Instead> instead = new ArrayList<>();
    for (Without without : withouts(knowledge, evidence)) {
      CausePosterior then = CausePosterior.of(knowledge, without.evidence);
      double push = (odds - then.logOdds(index)) / Math.log(10);
      if (Math.abs(push) >= LEAST_LOG10) {
        pushes.add(new Push(without.kind, without.id, without.title, push));
      }
      Cause other = then.causes().get(then.best());
      if (!other.equals(leader)) {
        instead.add(new Instead(without.kind, without.id, "without: " + without.title, other));
      }
    }
    for (Sign sign : knowledge.signs()) {
      if (instead.size() < MOST_INSTEAD && !evidence.signs().containsKey(sign.id())) {
        CausePosterior then =
            CausePosterior.of(knowledge, evidence.withSign(sign.id(), Sign.Answer.YES));
        Cause other = then.causes().get(then.best());
        if (!other.equals(leader) && posterior.share(then.best()) > LEAST_SHARE) {
          instead.add(new Instead(Kind.SIGN, sign.id(), "with: " + sign.title(), other));
        }
      }
    }
    pushes.sort(Comparator.comparingDouble(push -> -Math.abs(push.log10)));
    return new CauseReasons(
        cause,
        List.copyOf(pushes.subList(0, Math.min(MOST_PUSHES, pushes.size()))),
        List.copyOf(instead.subList(0, Math.min(MOST_INSTEAD, instead.size()))));
  }

  private record Without(Kind kind, String id, String title, Evidence evidence) {}

  private static List<Without> withouts(TroubleKnowledge knowledge, Evidence evidence) {
    List<Without> all = new ArrayList<>();
    for (String fact : evidence.facts()) {
      all.add(
          new Without(Kind.FACT, fact, knowledge.fact(fact).title(), evidence.withoutFact(fact)));
    }
    if (evidence.moistureRatio().isPresent()) {
      all.add(
          new Without(
              Kind.MOISTURE,
              "moisture",
              "computed moisture of the metres used",
              new Evidence(
                  evidence.facts(),
                  evidence.signs(),
                  evidence.tests(),
                  evidence.skipped(),
                  OptionalDouble.empty(),
                  evidence.habit())));
    }
    if (evidence.habit() != Evidence.Habit.NONE) {
      all.add(
          new Without(
              Kind.HABIT,
              "habit",
              "the habit \"" + evidence.habit().title() + "\"",
              evidence.readAs(Evidence.Habit.NONE)));
    }
    evidence
        .signs()
        .forEach(
            (id, answer) -> {
              if (answer != Sign.Answer.UNSURE) {
                String title = knowledge.sign(id).title();
                all.add(
                    new Without(
                        Kind.SIGN,
                        id,
                        answer == Sign.Answer.YES ? title : "not: " + title,
                        evidence.withoutSign(id)));
              }
            });
    evidence
        .tests()
        .forEach(
            (id, outcome) ->
                all.add(
                    new Without(
                        Kind.TEST,
                        id,
                        knowledge.test(id).title()
                            + ": "
                            + outcomeTitle(knowledge.test(id), outcome),
                        evidence.withoutTest(id))));
    return all;
  }

  private static String outcomeTitle(TroubleTest test, String outcome) {
    Optional<TroubleTest.Outcome> known =
        test.outcomes().stream().filter(it -> it.id().equals(outcome)).findFirst();
    return known.map(TroubleTest.Outcome::title).orElse("nothing of it");
  }
}
