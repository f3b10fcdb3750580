package mindspool.core.plan;

import static mindspool.core.plan.Workshops.ROOM;
import static mindspool.core.plan.Workshops.dryer;
import static mindspool.core.plan.Workshops.job;
import static mindspool.core.plan.Workshops.spool;
import static org.assertj.core.api.Assertions.assertThat;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import ai.timefold.solver.core.api.solver.SolutionManager;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.solver.SolverConfig;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Each rule alone: which it complains of, and which not. */
@Tag("long")
class PlanRulesTest {

  private static final SolutionManager<PlanDraft, HardMediumSoftLongScore> RULES =
      SolutionManager.create(
          SolverFactory.<PlanDraft>create(
              new SolverConfig()
                  .withSolutionClass(PlanDraft.class)
                  .withEntityClasses(PlannedJob.class)
                  .withConstraintProviderClass(PlanRules.class)));

  private static final PlanContext CONTEXT =
      new PlanContext(Attendance.always(300), new DryTimes(ROOM));
  private static final PlanDryer ONE = dryer(1, 110, 1, 0);
  private static final PlanDryer TWO = dryer(2, 110, 2, 0);
  private static final PlanSpool A = spool("A", "ABS", 1.3);
  private static final PlanSpool B = spool("B", "ABS", 1.3);
  private static final PlanSpool DRY = spool("D", "ABS", 0.5);

  private static PlannedJob placed(PlanJob job, PlanSpool spool, Slot slot) {
    return new PlannedJob(job, CONTEXT, null).beginningWith(spool, slot);
  }

  private static PlannedJob moved(PlanJob job, PlanSpool spool, Slot slot, Slot before) {
    return new PlannedJob(job, CONTEXT, before).beginningWith(spool, slot);
  }

  /** Points by rule, without those that complain of nothing. */
  private static Map<String, String> complaints(PlannedJob... jobs) {
    PlanDraft draft =
        new PlanDraft(
            new ArrayList<>(List.of(jobs)),
            Stream.concat(Stream.of(Slot.NONE), Stream.of(jobs).map(PlannedJob::slot))
                .distinct()
                .toList(),
            List.of(A, B, DRY));
    Map<String, String> found = new TreeMap<>();
    RULES
        .explain(draft)
        .getConstraintMatchTotalMap()
        .values()
        .forEach(
            total -> {
              if (!total.getScore().isZero()) {
                found.put(
                    total.getConstraintRef().constraintName(), total.getScore().toShortString());
              }
            });
    return found;
  }

  @Test
  void aDrySpoolTakenAsItIsCostsNothing() {
    assertThat(complaints(placed(job(1, 20, 2, DRY), DRY, Slot.NONE))).isEmpty();
  }

  @Test
  void aWetSpoolTakenAsItIsLeavesItsJobUnserved() {
    assertThat(complaints(placed(job(1, 20, 2, A), A, Slot.NONE)))
        .containsOnly(Map.entry("every job finds its filament dry", "-1medium"));
  }

  @Test
  void aLoadInTimeCostsEnergyHandsAndHotHoursOnly() {
    assertThat(complaints(placed(job(1, 60, 2, A), A, new Slot(ONE, 0))))
        .containsOnlyKeys("few loads", "few hot hours", "little energy")
        .containsEntry("few loads", "-150soft");
  }

  @Test
  void justInTimeCostsMarginAndTooLateIsUnserved() {
    double end =
        PlannedLoad.of(new Slot(ONE, 0), List.of(placed(job(1, 60, 2, A), A, new Slot(ONE, 0))))
            .endH();
    assertThat(complaints(placed(job(1, end + 1, 2, A), A, new Slot(ONE, 0))))
        .containsEntry("margin before the job", "-60soft")
        .doesNotContainKey("dried in time and dry to the end");
    assertThat(complaints(placed(job(1, end - 1, 2, A), A, new Slot(ONE, 0))))
        .containsEntry("dried in time and dry to the end", "-1medium");
  }

  @Test
  void aJobLongerThanItsSpoolHoldsIsUnserved() {
    assertThat(complaints(placed(job(1, 60, 30, A), A, new Slot(ONE, 0))))
        .containsEntry("dried in time and dry to the end", "-1medium");
  }

  @Test
  void twoLoadsAtATimeInOneDryerAreImpossible() {
    assertThat(
            complaints(
                placed(job(1, 90, 2, A), A, new Slot(ONE, 0)),
                placed(job(2, 90, 2, B), B, new Slot(ONE, 1))))
        .containsEntry("one load at a time in a dryer", "-1hard");
    assertThat(
            complaints(
                placed(job(1, 90, 2, A), A, new Slot(ONE, 0)),
                placed(job(2, 90, 2, B), B, new Slot(ONE, 40))))
        .doesNotContainKey("one load at a time in a dryer");
  }

  @Test
  void moreReelsThanSlotsAreImpossible() {
    assertThat(
            complaints(
                placed(job(1, 90, 2, A), A, new Slot(ONE, 0)),
                placed(job(2, 90, 2, B), B, new Slot(ONE, 0))))
        .containsEntry("every load can be done", "-1hard");
    assertThat(
            complaints(
                placed(job(1, 90, 2, A), A, new Slot(TWO, 0)),
                placed(job(2, 90, 2, B), B, new Slot(TWO, 0))))
        .doesNotContainKey("every load can be done")
        .containsEntry("few loads", "-150soft");
  }

  @Test
  void oneSpoolIsNotInTwoDryersAtATime() {
    assertThat(
            complaints(
                placed(job(1, 90, 2, A), A, new Slot(ONE, 0)),
                placed(job(2, 120, 2, A), A, new Slot(TWO, 1))))
        .containsEntry("one spool in one dryer at a time", "-1hard");
  }

  @Test
  void aSpoolPrintsOneJobAtATimeAndIsNotDriedMeanwhile() {
    assertThat(
            complaints(
                placed(job(1, 20, 5, DRY), DRY, Slot.NONE),
                placed(job(2, 22, 5, DRY), DRY, Slot.NONE)))
        .containsOnly(Map.entry("one job at a time on a spool", "-1hard"));
    assertThat(
            complaints(
                placed(job(1, 5, 5, A), A, Slot.NONE),
                placed(job(2, 90, 5, A), A, new Slot(ONE, 4))))
        .containsEntry("no spool is dried while it prints", "-1hard");
  }

  @Test
  void aSpoolHoldsOnlyWhatIsOnIt() {
    // 150 g each, 800 g on the spool.
    PlannedJob[] six =
        Stream.iterate(1, i -> i <= 6, i -> i + 1)
            .map(i -> placed(job(i, 10 * i, 2, DRY), DRY, Slot.NONE))
            .toArray(PlannedJob[]::new);
    assertThat(complaints(six)).containsOnly(Map.entry("enough on the spool", "-1hard"));
  }

  @Test
  void aSpoolThatDoesNotServeIsImpossible() {
    assertThat(complaints(placed(job(1, 20, 2, A), DRY, Slot.NONE)))
        .containsEntry("only spools that serve the job", "-1hard");
  }

  @Test
  void oneDryingMayServeTwoJobsOfOneSpool() {
    PlannedJob first = placed(job(1, 60, 2, A), A, new Slot(ONE, 0));
    assertThat(complaints(first, placed(job(2, 70, 3, A), A, Slot.NONE)))
        .doesNotContainKey("every job finds its filament dry");
    // Together they print longer than it holds in the open.
    assertThat(complaints(first, placed(job(2, 70, 19, A), A, Slot.NONE)))
        .containsEntry("every job finds its filament dry", "-1medium");
  }

  @Test
  void movingWhatWasPlannedCosts() {
    Slot slot = new Slot(ONE, 0);
    assertThat(complaints(moved(job(1, 60, 2, A), A, slot, slot)))
        .doesNotContainKey("no needless moves");
    assertThat(complaints(moved(job(1, 60, 2, A), A, slot, new Slot(ONE, 5))))
        .containsEntry("no needless moves", "-150soft");
  }

  /** The first plan and what is said of it agree with the rules, before anything is bettered. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void theFirstPlanIsPossibleAndWhatIsSaidOfItIsTrue(long seed) {
    PlanProblem problem = Workshops.seeded(seed, 40, 6, 25, 7);
    DryingPlanner planner = new DryingPlanner(problem);
    PlanDraft draft = planner.beginning();
    DryingPlan first = planner.explained(draft);
    HardMediumSoftLongScore score = RULES.explain(draft).getScore();
    assertThat(score.hardScore()).isZero();
    assertThat(first.unserved()).isEqualTo(-score.mediumScore());
    assertThat(first.costPoints()).isEqualTo(-score.softScore());
  }
}
