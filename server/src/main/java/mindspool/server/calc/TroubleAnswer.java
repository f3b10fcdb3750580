package mindspool.server.calc;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import mindspool.core.trouble.Cause;
import mindspool.core.trouble.CauseRanking;
import mindspool.core.trouble.CauseReasons;
import mindspool.core.trouble.Evidence.Habit;
import mindspool.core.trouble.Sign;
import mindspool.core.trouble.TroubleTest;
import mindspool.server.http.MayBeNull;

/**
 * A ranking as it is answered.
 *
 * @param causes all of them, the likeliest first
 * @param unknownShare of a cause that is not in the table
 * @param unexplained signs that are there and that the first cause does not show
 * @param pair two causes at once, where they explain it about as well as one
 * @param nextTest null where it is settled, or trying is cheaper
 * @param quickTest of at most two minutes, which splits the first two
 * @param questions signs that are worth asking for
 * @param contradictions of what was told, found or recorded, two that cannot both hold
 * @param remedies the most promising for its effort first
 * @param habits what would lead for somebody of a habit
 */
public record TroubleAnswer(
    List<CauseView> causes,
    double unknownShare,
    List<String> unexplained,
    @MayBeNull CausePairView pair,
    @MayBeNull ProposedTestView nextTest,
    @MayBeNull ProposedTestView quickTest,
    List<QuestionView> questions,
    List<ContradictionView> contradictions,
    List<CauseRemedyView> remedies,
    List<HabitView> habits) {

  /** A cause with its share and the word for it. */
  public record CauseView(String id, String name, String group, double share, String word) {

    static CauseView of(CauseRanking.Ranked ranked) {
      return new CauseView(
          ranked.cause().id(),
          ranked.cause().title(),
          ranked.cause().group(),
          ranked.share(),
          ranked.word());
    }
  }

  /** Two causes; {@code log10Odds} against the best single one. */
  public record CausePairView(
      String firstId, String first, String secondId, String second, double log10Odds) {}

  /** What a test can come out as. */
  public record OutcomeView(String id, String name) {}

  /**
   * A test.
   *
   * @param minutes of work
   * @param waitMinutes beside it
   * @param costsPart whether it takes a small print
   * @param confirms name of the cause that it is to confirm before its remedy; null otherwise
   */
  public record ProposedTestView(
      String id,
      String name,
      String why,
      double minutes,
      double waitMinutes,
      boolean costsPart,
      double gainBits,
      List<String> steps,
      List<OutcomeView> outcomes,
      String meaning,
      @MayBeNull String confirms) {

    static ProposedTestView of(CauseRanking.NextTest next) {
      TroubleTest test = next.test();
      return new ProposedTestView(
          test.id(),
          test.title(),
          next.why(),
          test.activeMinutes(),
          test.waitMinutes(),
          test.cost() > 0,
          next.gainBits(),
          test.steps(),
          TroubleAnswer.outcomes(test),
          test.meaning(),
          next.confirms().map(Cause::title).orElse(null));
    }
  }

  /** All outcomes of a test. */
  public static List<OutcomeView> outcomes(TroubleTest test) {
    List<OutcomeView> views =
        new ArrayList<>(
            test.outcomes().stream().map(it -> new OutcomeView(it.id(), it.title())).toList());
    if (!test.coversAll()) {
      views.add(new OutcomeView(TroubleTest.NONE, test.outcomeTitle(TroubleTest.NONE)));
    }
    return views;
  }

  /**
   * A sign that is worth asking for.
   *
   * @param needs what must be at hand to tell; null where a look at the printer will do
   */
  public record QuestionView(String id, String name, double gainBits, @MayBeNull String needs) {}

  /** Two things that cannot both hold: signs, facts, or outcomes of tests as "test=outcome". */
  public record ContradictionView(String id, String name, String otherId, String otherName) {}

  /** What could be tried; {@code testFirst} should speak for it before, null where none need. */
  public record CauseRemedyView(
      String cause,
      String name,
      String remedy,
      String prevention,
      double share,
      double minutes,
      @MayBeNull String testFirst) {}

  /** What would lead for somebody who thinks so of water. */
  public record HabitView(
      String id, String name, String cause, String causeName, double wetShare) {}

  /** Something known, and by how many powers of ten it raises or lowers the odds of a cause. */
  public record PushView(String kind, String id, String name, double log10) {}

  /** What would put another cause first. */
  public record InsteadView(String kind, String id, String name, String cause, String causeName) {}

  /** Why a cause stands where it does. */
  public record ReasonsView(String cause, List<PushView> pushes, List<InsteadView> instead) {

    /** Reasons as they are answered. */
    public static ReasonsView of(CauseReasons reasons) {
      return new ReasonsView(
          reasons.cause().id(),
          reasons.pushes().stream()
              .map(it -> new PushView(it.kind().name(), it.id(), it.title(), it.log10()))
              .toList(),
          reasons.instead().stream()
              .map(
                  it ->
                      new InsteadView(
                          it.kind().name(),
                          it.id(),
                          it.title(),
                          it.leader().id(),
                          it.leader().title()))
              .toList());
    }
  }

  /** A ranking as it is answered; {@code readAs} ranks the same case with a habit. */
  public static TroubleAnswer of(CauseRanking ranking) {
    return of(ranking, ranking.questions());
  }

  /** The same with the questions that somebody can answer where they stand. */
  public static TroubleAnswer of(CauseRanking ranking, List<CauseRanking.Question> questions) {
    return new TroubleAnswer(
        ranking.causes().stream().map(CauseView::of).toList(),
        ranking.unknownShare(),
        ranking.unexplained().stream().map(Sign::id).toList(),
        ranking
            .pair()
            .map(
                pair ->
                    new CausePairView(
                        pair.first().id(),
                        pair.first().title(),
                        pair.second().id(),
                        pair.second().title(),
                        pair.log10Odds()))
            .orElse(null),
        ranking.nextTest().map(ProposedTestView::of).orElse(null),
        ranking.quickTest().map(ProposedTestView::of).orElse(null),
        questions.stream().map(TroubleAnswer::question).toList(),
        ranking.contradictions().stream()
            .map(
                it ->
                    new ContradictionView(
                        it.one(), ranking.title(it.one()), it.other(), ranking.title(it.other())))
            .toList(),
        ranking.remedies().stream()
            .map(
                it ->
                    new CauseRemedyView(
                        it.cause().id(),
                        it.cause().title(),
                        it.cause().remedy(),
                        it.cause().prevention(),
                        it.share(),
                        it.effortMinutes(),
                        it.testFirst().map(TroubleTest::title).orElse(null)))
            .toList(),
        Arrays.stream(Habit.values()).map(habit -> habit(ranking, habit)).toList());
  }

  private static QuestionView question(CauseRanking.Question question) {
    Sign sign = question.sign();
    return new QuestionView(
        sign.id(),
        sign.title(),
        question.gainBits(),
        sign.needs() == Sign.Needs.LOOK ? null : sign.needs().title());
  }

  private static HabitView habit(CauseRanking ranking, Habit habit) {
    CauseRanking other = ranking.readAs(habit);
    Optional<CauseRanking.Ranked> wet =
        other.causes().stream().filter(it -> it.cause().id().equals("wet")).findFirst();
    return new HabitView(
        habit.name(),
        habit.title(),
        other.causes().get(0).cause().id(),
        other.causes().get(0).cause().title(),
        wet.map(CauseRanking.Ranked::share).orElse(0.0));
  }
}
