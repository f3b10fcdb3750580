package mindspool.core.plan;

import static mindspool.core.plan.Workshops.ROOM;
import static mindspool.core.plan.Workshops.dryer;
import static mindspool.core.plan.Workshops.job;
import static mindspool.core.plan.Workshops.spool;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.drying.LoadForecast;
import org.junit.jupiter.api.Test;

class PlannedCourseTest {

  private static final PlanSpool A = spool("A", "PETG", 1.4);
  private static final PlanSpool B = spool("B", "PETG", 1.2);

  private static DryingPlan plan(PlanJob... jobs) {
    return new DryingPlanner(
            new PlanProblem(
                96,
                List.of(dryer(1, 75, 2, 0)),
                List.of(jobs),
                Attendance.always(96),
                ROOM,
                List.of(),
                Map.of()))
        .best(SearchEffort.ofMoves(2_000), better -> {}, () -> false);
  }

  private static List<Point> course(DryingPlan plan, MoistAir atTheHolder) {
    PlannedLoad load = plan.loads().get(0);
    double mean = A.loaded().start().profile().meanPercent();
    return new PlannedCourse(ROOM, 1_000_000)
        .of(plan, load, "A", mean, (job, fromS, toS) -> ClimateSeries.constant(atTheHolder));
  }

  @Test
  void aPlannedSpoolIsDryWhenItsJobStartsAndWetterWhenItEnds() {
    DryingPlan plan = plan(job(1, 60, 6, A), job(2, 62, 3, B));
    assertThat(plan.loads()).hasSize(1);
    List<Point> points = course(plan, new MoistAir(22, 60));
    assertThat(points.get(0).hour()).isEqualTo(plan.loads().get(0).startH());
    Point start =
        points.stream().filter(point -> point.hour() == 60).reduce((a, b) -> b).orElseThrow();
    Point end = points.get(points.size() - 1);
    assertThat(start.corePercent()).isLessThanOrEqualTo(A.loaded().targetPercent());
    assertThat(end.hour()).isCloseTo(66, within(1e-9));
    assertThat(end.outerPercent()).isGreaterThan(start.outerPercent());
    assertThat(points).isSortedAccordingTo((a, b) -> Double.compare(a.hour(), b.hour()));
  }

  @Test
  void theDamperTheHolderTheMoreItTakesUp() {
    DryingPlan plan = plan(job(1, 60, 6, A));
    List<Point> damp = course(plan, new MoistAir(22, 75));
    List<Point> dry = course(plan, new MoistAir(22, 20));
    assertThat(damp.get(damp.size() - 1).outerPercent())
        .isGreaterThan(dry.get(dry.size() - 1).outerPercent());
  }

  /** The load itself goes as the forecast for the same load says. */
  @Test
  void dryingGoesAsTheForecastOfTheSameLoadDoes() {
    DryingPlan plan = plan(job(1, 60, 6, A), job(2, 62, 3, B));
    PlannedLoad load = plan.loads().get(0);
    LoadForecast forecast =
        LoadForecast.of(
            new DryerLoad(load.spools().stream().map(PlanSpool::loaded).toList()),
            load.dryer().dryer(),
            ROOM,
            OptionalDouble.of(load.setpointC()));
    int index = load.spools().indexOf(A);
    Point early =
        forecast.spools().get(index).curve().stream()
            .filter(point -> point.hour() >= 3)
            .findFirst()
            .orElseThrow();
    double planned =
        course(plan, ROOM).stream()
            .filter(point -> point.hour() - load.startH() >= early.hour() - 0.2)
            .findFirst()
            .orElseThrow()
            .meanPercent();
    assertThat(planned).isCloseTo(early.meanPercent(), within(0.08 * early.meanPercent()));
  }

  /** Of two spools in one load the one that prints out of it stays, the other comes out. */
  @Test
  void whatPrintsOutOfTheDryerStaysDryAndTheOtherComesOut() {
    PlanDryer shut = dryer(1, 75, 2, 0);
    PlanDryer feeding = new PlanDryer(1, "dryer 1", shut.dryer(), shut.fit(), 0, false, true);
    PlanContext context = new PlanContext(Attendance.always(200), new DryTimes(ROOM));
    Slot slot = new Slot(feeding, 0);
    PlanJob longJob = job(1, 50, 40, A);
    PlanJob shortJob = job(2, 52, 4, B);
    List<PlannedJob> jobs =
        List.of(
            new PlannedJob(longJob, context, null).beginningWith(A, slot),
            new PlannedJob(shortJob, context, null).beginningWith(B, slot));
    PlannedLoad load = PlannedLoad.of(slot, jobs);
    DryingPlan plan =
        new DryingPlan(
            List.of(load),
            List.of(
                new DryingPlan.Placement(longJob, A, load, false, true, "", List.of()),
                new DryingPlan.Placement(shortJob, B, load, false, true, "", List.of())),
            0,
            0);
    PlannedCourse courses = new PlannedCourse(ROOM, 0);
    ClimateSeries damp = ClimateSeries.constant(new MoistAir(22, 70));
    List<Point> stays = courses.of(plan, load, "A", 0.2, (job, from, to) -> damp);
    List<Point> leaves = courses.of(plan, load, "B", 0.2, (job, from, to) -> damp);
    assertThat(stays.get(stays.size() - 1).hour()).isCloseTo(90, within(1e-6));
    assertThat(stays.get(stays.size() - 1).outerPercent())
        .isLessThanOrEqualTo(A.loaded().targetPercent());
    assertThat(leaves.get(leaves.size() - 1).hour()).isCloseTo(56, within(1e-6));
    assertThat(leaves.get(leaves.size() - 1).outerPercent())
        .isGreaterThan(leaves.get(leaves.size() - 10).outerPercent());
  }
}
