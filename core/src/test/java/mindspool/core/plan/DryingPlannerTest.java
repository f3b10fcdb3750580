package mindspool.core.plan;

import static mindspool.core.plan.Workshops.ROOM;
import static mindspool.core.plan.Workshops.dryer;
import static mindspool.core.plan.Workshops.job;
import static mindspool.core.plan.Workshops.kitchenOven;
import static mindspool.core.plan.Workshops.spool;
import static mindspool.core.plan.Workshops.tight;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import mindspool.core.InvalidValueException;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.LoadForecast;
import mindspool.core.drying.PrintReady;
import mindspool.core.plan.DryingPlan.Placement;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("long")
class DryingPlannerTest {

  /** Changes tried in workshops of one or two jobs, of a few, and of many. */
  private static final long FEW = 2_000;

  private static final long SOME = 10_000;
  private static final long MANY = 20_000;

  /** By moves, not by the clock: the same plan however busy the computer is. */
  private static DryingPlan best(PlanProblem problem, long moves) {
    return new DryingPlanner(problem).best(SearchEffort.ofMoves(moves), plan -> {}, () -> false);
  }

  private static PlanProblem problem(
      List<PlanDryer> dryers, List<PlanJob> jobs, Attendance attendance, Pin... pins) {
    return new PlanProblem(72, dryers, jobs, attendance, ROOM, List.of(pins), Map.of());
  }

  private static Placement of(DryingPlan plan, long jobId) {
    return plan.placements().stream()
        .filter(each -> each.job().id() == jobId)
        .findFirst()
        .orElseThrow();
  }

  /** Whatever the solver says: nothing overlaps, fits, is in time and within attendance. */
  private static void isSound(DryingPlan plan, PlanProblem problem) {
    for (PlannedLoad a : plan.loads()) {
      assertThat(a.spools()).hasSizeLessThanOrEqualTo(a.dryer().fit().slots());
      if (!a.spools().stream().allMatch(a::isTakenOutEarly)) {
        assertThat(a.endH() - a.startH()).isGreaterThanOrEqualTo(a.neededHours() - 1e-9);
      }
      assertThat(problem.attendance().presentAt(a.startH())).isTrue();
      assertThat(problem.attendance().presentAt(a.endH())).isTrue();
      assertThat(a.startH()).isGreaterThanOrEqualTo(a.dryer().freeFromH());
      for (PlanSpool spool : a.spools()) {
        double ceiling =
            spool.loaded().material().dryingCeilingC()
                - a.dryer().dryer().behaviour().hottestAboveSetC();
        assertThat(a.setpointC())
            .isLessThanOrEqualTo(Math.min(ceiling, a.dryer().dryer().ratedMaxC()));
      }
      for (PlannedLoad b : plan.loads()) {
        if (a != b && a.dryer().equals(b.dryer())) {
          assertThat(Math.min(a.endH(), b.endH()))
              .isLessThanOrEqualTo(Math.max(a.startH(), b.startH()));
        }
      }
    }
    for (Placement each : plan.placements()) {
      if (each.served() && each.load() != null) {
        assertThat(each.load().leavesH(each.job())).isLessThanOrEqualTo(each.job().startH());
      }
      assertThat(each.why()).isNotBlank();
    }
  }

  @Test
  void aDrySpoolIsTakenAsItIs() {
    PlanSpool dry = spool("D", "PETG", 0.5);
    PlanSpool wet = spool("W", "PETG", 1.5);
    DryingPlan plan =
        best(
            problem(
                List.of(dryer(1, 75, 2, 0)),
                List.of(job(1, 30, 4, wet, dry)),
                Attendance.always(72)),
            FEW);
    assertThat(of(plan, 1).spool()).isEqualTo(dry);
    assertThat(plan.loads()).isEmpty();
    assertThat(of(plan, 1).why()).contains("dry enough as it is");
  }

  /** Who adds a job for some time this week means soon, not the week's end: common practice. */
  @Test
  void whatMayStartAnyTimeIsDriedSoonAndStillSharesALoad() {
    PlanSpool spool = spool("A", "PETG", 1.3);
    PlanJob soon = job(1, 71, true, 4, spool);
    Placement alone =
        of(
            best(problem(List.of(dryer(1, 60, 1, 0)), List.of(soon), Attendance.always(72)), FEW),
            1);
    assertThat(alone.load().startH()).isLessThan(2);
    PlanJob fixed = job(2, 40, 4, spool("B", "PETG", 1.3));
    DryingPlan both =
        best(
            problem(List.of(dryer(1, 60, 2, 0)), List.of(soon, fixed), Attendance.always(72)), FEW);
    assertThat(both.loads()).hasSize(1);
    assertThat(both.loads().get(0).outH()).isLessThan(40);
  }

  @Test
  void twoThatGoTogetherShareALoad() {
    DryingPlan plan =
        best(
            problem(
                List.of(dryer(1, 75, 2, 0), dryer(2, 75, 2, 0)),
                List.of(
                    job(1, 60, 4, spool("A", "PETG", 1.4)), job(2, 64, 4, spool("B", "PETG", 1.4))),
                Attendance.always(72)),
            SOME);
    assertThat(plan.loads()).hasSize(1);
    assertThat(plan.unserved()).isZero();
    assertThat(of(plan, 1).why()).contains("2 spools in one load");
  }

  /** What the plan says of each load is what the load's own forecast says, in tight dryers too. */
  @ParameterizedTest
  @ValueSource(doubles = {0.3, 1, 4})
  void planAndForecastAgreeInTightDryers(double airChanges) {
    PlanDryer tight = tight(1, airChanges);
    PlanProblem problem =
        new PlanProblem(
            150,
            List.of(tight),
            List.of(
                job(1, 110, 3, spool("A", "PLA", 1.2)), job(2, 112, 3, spool("B", "TPU95A", 1.2))),
            Attendance.always(150),
            ROOM,
            List.of(),
            Map.of());
    for (DryingPlan plan : List.of(best(problem, FEW), new DryingPlanner(problem).first())) {
      for (PlannedLoad load : plan.loads()) {
        double forecast =
            LoadForecast.of(
                    new DryerLoad(load.spools().stream().map(PlanSpool::loaded).toList()),
                    tight.dryer(),
                    ROOM,
                    OptionalDouble.of(load.setpointC()))
                .sureLastHours()
                .orElse(Double.POSITIVE_INFINITY);
        assertThat(load.neededHours() / forecast).isBetween(0.9, 1.1);
        assertThat(load.outH() - load.startH()).isGreaterThanOrEqualTo(0.9 * forecast);
      }
      assertThat(plan.unserved()).isZero();
      // 150 g of 800 print long before the core is dry, and that is said first.
      for (Placement placement : plan.placements()) {
        Matcher said =
            Pattern.compile("^Its 150 g print after ([0-9.]+) h already; dry to the core after")
                .matcher(placement.why());
        assertThat(said.find()).as(placement.why()).isTrue();
        assertThat(Double.parseDouble(said.group(1))).isLessThan(placement.load().neededHours());
      }
    }
  }

  @Test
  void whatCannotBeMetSaysWhyAndTheWayOut() {
    PlanProblem tooSoon =
        problem(
            List.of(dryer(1, 110, 1, 0)),
            List.of(job(1, 3, 4, spool("A", "PA12", 2))),
            Attendance.always(72));
    Placement late = of(best(tooSoon, FEW), 1);
    assertThat(late.served()).isFalse();
    assertThat(late.why()).contains("Drying takes").contains("3 h were left");
    assertThat(late.waysOut()).anyMatch(way -> way.contains("later: A can be out of dryer 1"));

    PlanJob tooLong = job(1, 40, 30, spool("A", "PETG", 1.4));
    Placement open =
        of(
            best(
                problem(List.of(dryer(1, 75, 1, 0)), List.of(tooLong), Attendance.always(72)), FEW),
            1);
    assertThat(open.why()).contains("too wet again").contains("open holder");
    assertThat(open.waysOut()).contains("Print it out of a dry box.");

    Placement cold =
        of(
            best(
                problem(
                    List.of(kitchenOven(1)),
                    List.of(job(1, 40, 3, spool("A", "TPU95A", 2))),
                    Attendance.always(72)),
                FEW),
            1);
    assertThat(cold.why())
        .startsWith("No dryer can dry it")
        .contains("until this oven was measured");

    PlanJob wet = job(1, 40, 3, spool("A", "PETG", 2));
    Placement none = of(best(problem(List.of(), List.of(wet), Attendance.always(72)), FEW), 1);
    assertThat(none.why()).isEqualTo("There is no dryer.");
    assertThat(none.waysOut()).containsExactly("Add a dryer, or take a spool that is dry.");
  }

  /** What a job needs is its own metres below the print limit; a dry core is a wish. */
  @Test
  void whereTheCoreIsNotDryInTimeTheMetresOfTheJobMayPrint() {
    PlanDryer dryer = dryer(1, 75, 1, 0);
    PlanSpool spool = spool("A", "PETG", 1.3);
    DryTimes times = new DryTimes(ROOM);
    double core = times.of(spool, dryer).hours().orElseThrow();
    double prints = times.printHours(spool, dryer, 150);
    assertThat(prints).isLessThan(0.7 * core);
    double startH = 0.5 * (core + prints);
    PlanProblem problem =
        problem(List.of(dryer), List.of(job(1, startH, 2, spool)), Attendance.always(72));
    Placement placement = of(best(problem, FEW), 1);
    assertThat(placement.served()).isTrue();
    assertThat(placement.load().isTakenOutEarly(spool)).isTrue();
    assertThat(placement.load().leavesH(placement.job())).isLessThanOrEqualTo(startH);
    assertThat(placement.why()).contains("its 150 g print").contains("dry it again");
    // The load's own forecast says the same.
    double sure =
        PrintReady.of(
                new DryerLoad(List.of(spool.loaded())),
                List.of(150 / 800.0),
                dryer.dryer(),
                ROOM,
                placement.load().setpointC(),
                placement.load().setpointC())
            .get(0)
            .sureHours()
            .orElseThrow();
    assertThat(placement.load().outH() - placement.load().startH())
        .isGreaterThanOrEqualTo(0.9 * sure);

    // With time enough it is dried to the core.
    PlanProblem patient =
        problem(List.of(dryer), List.of(job(1, core + 6, 2, spool)), Attendance.always(72));
    assertThat(of(best(patient, FEW), 1).load().isTakenOutEarly(spool)).isFalse();

    // A later job of the same spool is not printed from it with its core wet.
    PlanProblem twice =
        problem(
            List.of(dryer),
            List.of(job(1, startH, 2, spool), job(2, core + 30, 2, spool)),
            Attendance.always(72));
    DryingPlan both = best(twice, FEW);
    assertThat(both.unserved()).isZero();
    assertThat(of(both, 2).load().isTakenOutEarly(spool)).isFalse();

    // A job that would be over the limit again before its end is not begun so.
    PlanProblem lengthy =
        problem(List.of(dryer), List.of(job(1, startH, 12, spool)), Attendance.always(72));
    assertThat(of(best(lengthy, FEW), 1).served()).isFalse();
  }

  /** The others of a load stay until they are dry. */
  // Common practice: nylon never gets to 0.2 % in a cool dryer in a damp room, and prints well all
  // the same from the metres that came down far enough.
  @Test
  void whatTheAirNeverDriesToTheCoreIsDriedUntilItsMetresPrint() {
    PlanDryer cool = dryer(1, 58, 1, 0);
    PlanSpool nylon = spool("A", "PA6", 4);
    DryTimes times = new DryTimes(ROOM, Map.of("A", 150.0));
    assertThat(times.of(nylon, cool).toTheCore()).isFalse();
    double prints = times.printHours(nylon, cool, 150);
    assertThat(times.of(nylon, cool).hours()).hasValue(prints);
    PlanProblem problem =
        new PlanProblem(
            168,
            List.of(cool),
            List.of(job(1, prints + 12, 1, nylon)),
            Attendance.always(168),
            ROOM,
            List.of(),
            Map.of());
    DryingPlan plan = best(problem, FEW);
    isSound(plan, problem);
    Placement placed = of(plan, 1);
    assertThat(placed.served()).as(placed.why()).isTrue();
    assertThat(placed.why()).contains("print, nine times in ten").contains("never gets it dry");
    assertThat(plan.loads().get(0).isTakenOutEarly(nylon)).isTrue();

    // Eight hours in the open are too long for what never gets drier than that.
    PlanJob tooLong = job(1, prints + 12, 8, nylon);
    Placement open =
        of(
            best(
                new PlanProblem(
                    168,
                    List.of(cool),
                    List.of(tooLong),
                    Attendance.always(168),
                    ROOM,
                    List.of(),
                    Map.of()),
                FEW),
            1);
    assertThat(open.served()).isFalse();
    assertThat(open.why()).contains("too wet again");
    assertThat(open.waysOut()).contains("Print it out of a dry box.");
  }

  @Test
  void whoseMetresPrintLeavesTheOthersIn() {
    PlanDryer dryer = dryer(1, 75, 2, 0);
    PlanSpool urgent = spool("A", "PETG", 1.3);
    PlanSpool patient = spool("B", "PETG", 1.3);
    DryTimes times = new DryTimes(ROOM);
    double core = times.of(urgent, dryer).hours().orElseThrow();
    double prints = times.printHours(urgent, dryer, 150);
    PlanProblem problem =
        problem(
            List.of(dryer),
            List.of(job(1, prints + 3, 2, urgent), job(2, core + 20, 2, patient)),
            Attendance.always(72),
            new Pin(1, "A", 1L, 0),
            new Pin(2, "B", 1L, 0));
    DryingPlan plan = best(problem, FEW);
    PlannedLoad load = of(plan, 2).load();
    assertThat(plan.unserved()).isZero();
    assertThat(load.leavesH(of(plan, 1).job())).isLessThan(load.outH());
    assertThat(load.leavesH(of(plan, 2).job())).isEqualTo(load.outH());
    assertThat(load.outH()).isGreaterThanOrEqualTo(load.neededHours() - 1e-9);
    isSound(plan, problem);
  }

  /** Joining a load that is planned anyhow is sooner than waiting until the dryer is free. */
  @Test
  void theWayOutMayLeadThroughTheLoadOfAnother() {
    PlanSpool early = spool("A", "PETG", 1.4);
    PlanSpool late = spool("B", "PETG", 1.4);
    Attendance attendance =
        new Attendance(List.of(new Attendance.Window(8, 9), new Attendance.Window(40, 72)));
    DryingPlan plan =
        best(
            problem(
                List.of(dryer(1, 75, 2, 0)),
                List.of(job(1, 6, 2, early), job(2, 60, 2, late)),
                attendance,
                new Pin(2, "B", 1L, 8)),
            FEW);
    Placement missed = of(plan, 1);
    assertThat(missed.served()).isFalse();
    double out = of(plan, 2).load().outH();
    assertThat(missed.waysOut())
        .contains(
            String.format(
                java.util.Locale.ROOT,
                "Start it %.0f h later: A can be out of dryer 1 by then.",
                out - 6));
  }

  @Test
  void aJobWithoutAFreeSpoolSaysWhoHasIt() {
    PlanSpool dry = spool("D", "PETG", 0.5);
    DryingPlan plan =
        best(
            problem(
                List.of(dryer(1, 75, 1, 0)),
                List.of(job(1, 30, 6, dry), job(2, 32, 6, dry)),
                Attendance.always(72)),
            FEW);
    assertThat(plan.unserved()).isEqualTo(1);
    Placement without =
        plan.placements().stream().filter(each -> !each.served()).findFirst().orElseThrow();
    long other = 3 - without.job().id();
    assertThat(without.why()).contains("D is given to job " + other);
  }

  /** Whatever the search gave an unserved job, the reason is about a spool that it could have. */
  @Test
  void anUnservedJobIsToldOfASpoolThatIsThere() {
    for (int variant = 0; variant < 4; variant++) {
      DryingPlan plan =
          best(
              problem(
                  List.of(dryer(1, 110, 1, 0)),
                  List.of(job(1, 0.5 + 0.2 * variant, 4, spool("A", "PA12", 2))),
                  Attendance.always(72)),
              FEW);
      assertThat(of(plan, 1).why()).contains("Drying takes");
    }
    PlanJob huge = job(1, 40, 4, spool("A", "PETG", 1.3));
    PlanJob tooMuch =
        new PlanJob(
            1,
            "sculpture",
            2000,
            40,
            false,
            4,
            huge.candidates(),
            huge.readyAsIs(),
            huge.holdsH(),
            huge.holdsInDryBoxH(),
            false);
    Placement tooShort =
        of(
            best(
                problem(List.of(dryer(1, 110, 1, 0)), List.of(tooMuch), Attendance.always(72)),
                FEW),
            1);
    assertThat(tooShort.why()).isEqualTo("None of its spools has 2000 g left; A has 800 g.");
  }

  @Test
  void pinsAreKeptAndContradictionsRefused() {
    PlanSpool a = spool("A", "PETG", 1.4);
    PlanSpool b = spool("B", "PETG", 1.4);
    List<PlanJob> jobs = List.of(job(1, 60, 4, a), job(2, 64, 4, b));
    List<PlanDryer> dryers = List.of(dryer(1, 75, 2, 0), dryer(2, 75, 2, 0));
    DryingPlan plan =
        best(problem(dryers, jobs, Attendance.always(72), new Pin(1, "A", 2L, 20)), FEW);
    assertThat(of(plan, 1).load().dryer().id()).isEqualTo(2);
    assertThat(of(plan, 1).load().startH()).isEqualTo(20);
    assertThat(of(plan, 1).pinned()).isTrue();
    assertThatThrownBy(
            () ->
                problem(
                    dryers,
                    jobs,
                    Attendance.always(72),
                    new Pin(1, "A", 2L, 20),
                    new Pin(1, "A", 1L, 20)))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("two pins for job 1");
    assertThatThrownBy(() -> problem(dryers, jobs, Attendance.always(72), new Pin(1, "B", 2L, 20)))
        .hasMessageContaining("job 1 on B");
    assertThatThrownBy(
            () ->
                new DryingPlanner(
                    problem(
                        List.of(dryer(1, 75, 1, 0)),
                        jobs,
                        Attendance.always(72),
                        new Pin(1, "A", 1L, 20),
                        new Pin(2, "B", 1L, 21))))
        .hasMessageContaining("job 1")
        .hasMessageContaining("job 2")
        .hasMessageContaining("overlap");
  }

  /** One spool is in one place and prints one job at a time, whatever people pin. */
  @Test
  void pinsOfOneSpoolMustNotContradictEachOther() {
    PlanSpool a = spool("A", "PETG", 1.4);
    List<PlanDryer> dryers = List.of(dryer(1, 75, 2, 0), dryer(2, 75, 2, 0));
    assertThatThrownBy(
            () ->
                new DryingPlanner(
                    problem(
                        dryers,
                        List.of(job(1, 60, 4, a), job(2, 66, 4, a)),
                        Attendance.always(72),
                        new Pin(1, "A", 1L, 20),
                        new Pin(2, "A", 2L, 22))))
        .hasMessageContaining("job 1 in dryer 1")
        .hasMessageContaining("job 2 in dryer 2");
    assertThatThrownBy(
            () ->
                new DryingPlanner(
                    problem(
                        dryers,
                        List.of(job(1, 60, 4, a), job(2, 62, 4, a)),
                        Attendance.always(72),
                        new Pin(1, "A", 1L, 20),
                        new Pin(2, "A", 1L, 20))))
        .hasMessageContaining("both on A at 62.0 h");
  }

  /** People do not pin on the solver's grid. */
  @Test
  void aPinOffTheGridIsKept() {
    PlanSpool a = spool("A", "PETG", 1.4);
    DryingPlan plan =
        best(
            problem(
                List.of(dryer(1, 75, 2, 0)),
                List.of(job(1, 60, 4, a), job(2, 64, 4, spool("B", "PETG", 1.4))),
                Attendance.always(72),
                new Pin(1, "A", 1L, 20.37)),
            FEW);
    assertThat(of(plan, 1).load().startH()).isEqualTo(20.37);
    assertThat(plan.unserved()).isZero();
  }

  /** Nothing that still serves is thrown about when a job is added. */
  @Test
  void replanningLeavesWhatServesInPlace() {
    PlanProblem problem = Workshops.seeded(5, 12, 3, 6, 4);
    DryingPlan first = best(problem, MANY);
    Map<Long, Pin> before = new HashMap<>();
    first
        .placements()
        .forEach(
            each ->
                before.put(
                    each.job().id(),
                    new Pin(
                        each.job().id(),
                        each.spool().code(),
                        each.load() == null ? null : each.load().dryer().id(),
                        each.load() == null ? 0 : each.load().startH())));
    List<PlanJob> more = new ArrayList<>(problem.jobs());
    more.add(job(99, 80, 3, spool("new", "PETG", 1.3)));
    DryingPlan second =
        best(
            new PlanProblem(
                problem.horizonH(),
                problem.dryers(),
                more,
                problem.attendance(),
                ROOM,
                List.of(),
                before),
            MANY);
    long moved =
        second.placements().stream()
            .filter(each -> each.job().id() != 99)
            .filter(
                each -> {
                  Pin old = before.get(each.job().id());
                  Long dryer = each.load() == null ? null : each.load().dryer().id();
                  double start = each.load() == null ? 0 : each.load().startH();
                  return !java.util.Objects.equals(dryer, old.dryerId()) || start != old.startH();
                })
            .count();
    assertThat(moved).isLessThanOrEqualTo(1);
    assertThat(of(second, 99).served()).isTrue();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void plansOfSeededWorkshopsAreSound(long seed) {
    PlanProblem problem = Workshops.seeded(seed, 20, 3, 10, 5);
    isSound(best(problem, SOME), problem);
  }

  /** A plan and what it is worth, by its own count. */
  private record Worth(int unserved, long cost) implements Comparable<Worth> {
    @Override
    public int compareTo(Worth other) {
      return unserved != other.unserved
          ? Integer.compare(unserved, other.unserved)
          : Long.compare(cost, other.cost);
    }
  }

  /** Every way to give each job a spool and a slot, computed without the solver. */
  private static Worth enumerated(PlanProblem problem, List<Slot> slots, PlanContext context) {
    return tried(problem, slots, context, new ArrayList<>());
  }

  private static Worth tried(
      PlanProblem problem, List<Slot> slots, PlanContext context, List<PlannedJob> placed) {
    if (placed.size() == problem.jobs().size()) {
      return worth(placed, context);
    }
    PlanJob job = problem.jobs().get(placed.size());
    Worth best = new Worth(Integer.MAX_VALUE, Long.MAX_VALUE);
    for (PlanSpool spool : job.candidates()) {
      for (Slot slot : slots) {
        placed.add(new PlannedJob(job, context, null).beginningWith(spool, slot));
        Worth found = tried(problem, slots, context, placed);
        placed.remove(placed.size() - 1);
        best = found.compareTo(best) < 0 ? found : best;
      }
    }
    return best;
  }

  private static Worth worth(List<PlannedJob> placed, PlanContext context) {
    for (PlannedLoad each : GreedyPlan.loadsOf(placed)) {
      context.times().follow(each.dryer(), new LinkedHashSet<>(each.spools()));
    }
    List<PlannedLoad> loads = GreedyPlan.loadsOf(placed);
    Worth impossible = new Worth(Integer.MAX_VALUE, Long.MAX_VALUE);
    long cost = 0;
    int unserved = 0;
    for (PlannedLoad a : loads) {
      for (PlannedLoad b : loads) {
        boolean together =
            Math.min(a.endH(), b.endH()) > Math.max(a.startH(), b.startH())
                && (a.dryer().equals(b.dryer())
                    || a.spools().stream().anyMatch(b.spools()::contains));
        if (a != b && together) {
          return impossible;
        }
      }
      if (a.violations() > 0) {
        return impossible;
      }
      cost += Math.round(100 * a.energyKWh()) + 150 + Math.round(4 * a.hotHours());
    }
    for (PlannedJob job : placed) {
      if (job.isDried()) {
        PlannedLoad load =
            loads.stream().filter(each -> each.jobs().contains(job)).findFirst().orElseThrow();
        boolean early = load.isTakenOutEarly(job.spool());
        double margin = job.job().startH() - load.leavesH(job.job());
        unserved += margin < 0 || !(early || job.job().holds(job.spool())) ? 1 : 0;
        cost += early ? 200 : 0;
        cost += Math.round(20 * Math.max(0, Math.min(4, 4 - margin)));
      } else if (!job.job().isReadyAsIs(job.spool())) {
        unserved++;
      }
      for (PlannedJob other : placed) {
        boolean sameSpool = other != job && other.spool().equals(job.spool());
        if (sameSpool
            && other.job().startH() < job.job().endH()
            && job.job().startH() < other.job().endH()) {
          return impossible;
        }
      }
    }
    return new Worth(unserved, cost);
  }

  /** Trying all takes seconds each: one and two slots here, more in the long run. */
  private static IntStream variants() {
    return IntStream.range(Boolean.getBoolean("mindspool.test.long") ? 0 : 4, 6);
  }

  /** For small workshops the best plan is known by trying all; the solver must reach it. */
  @ParameterizedTest
  @MethodSource("variants")
  void reachesTheOptimumKnownByEnumeration(int variant) {
    String[] materials = {"PETG", "ABS", "PLA"};
    List<PlanJob> jobs = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      String material = materials[(i * variant) % 3];
      jobs.add(
          job(
              i + 1,
              14 + 9 * ((i + variant) % 3),
              2,
              spool("A" + i, material, 1.3),
              spool("B" + i, material, 1.1 + 0.1 * variant)));
    }
    Attendance attendance =
        new Attendance(
            List.of(
                new Attendance.Window(0, 1),
                new Attendance.Window(9, 10),
                new Attendance.Window(20, 21)));
    PlanProblem problem =
        problem(List.of(dryer(1, 75, 1 + variant % 2, 0), dryer(2, 110, 1, 2)), jobs, attendance);
    PlanContext context = new PlanContext(attendance, new DryTimes(ROOM));
    List<Slot> slots = new ArrayList<>(List.of(Slot.NONE));
    for (PlanDryer dryer : problem.dryers()) {
      for (double hour : new double[] {0, 0.5, 1, 9, 9.5, 10, 20, 20.5, 21}) {
        if (hour >= dryer.freeFromH()) {
          slots.add(new Slot(dryer, hour));
        }
      }
    }
    Worth optimum = enumerated(problem, slots, context);
    DryingPlan plan = best(problem, SOME);
    assertThat(new Worth(plan.unserved(), plan.costPoints())).isEqualTo(optimum);
  }

  /** First come, first served, each alone, as people do without a plan. */
  private static int servedFirstComeFirstServed(PlanProblem problem) {
    DryTimes times = new DryTimes(ROOM);
    Map<Long, Double> free = new HashMap<>();
    problem.dryers().forEach(dryer -> free.put(dryer.id(), dryer.freeFromH()));
    int served = 0;
    List<PlanJob> inOrder = new ArrayList<>(problem.jobs());
    inOrder.sort(Comparator.comparingLong(PlanJob::id));
    for (PlanJob job : inOrder) {
      PlanSpool spool = job.candidates().get(0);
      if (job.isReadyAsIs(spool)) {
        served++;
        continue;
      }
      PlanDryer dryer =
          problem.dryers().stream()
              .filter(each -> times.of(spool, each).hours().isPresent())
              .min(Comparator.comparingDouble(each -> free.get(each.id())))
              .orElse(null);
      if (dryer == null) {
        continue;
      }
      double start = problem.attendance().nextAt(free.get(dryer.id()));
      double end =
          problem.attendance().nextAt(start + times.of(spool, dryer).hours().getAsDouble());
      free.put(dryer.id(), end);
      served += end <= job.startH() && job.holds(spool) ? 1 : 0;
    }
    return served;
  }

  @Test
  void thePlanServesMoreThanFirstComeFirstServed() {
    int planned = 0;
    int queued = 0;
    for (long seed = 11; seed <= 13; seed++) {
      PlanProblem problem = Workshops.seeded(seed, 24, 3, 14, 4);
      DryingPlan plan = best(problem, SOME);
      planned += problem.jobs().size() - plan.unserved();
      queued += servedFirstComeFirstServed(problem);
    }
    assertThat(planned).isGreaterThan(queued);
  }

  /** Somebody who has seen enough does not wait, and has the first plan at least. */
  @Test
  void aSearchThatIsCancelledAtOnceEndsWithAPlan() {
    PlanProblem problem = Workshops.seeded(2, 24, 3, 14, 4);
    DryingPlan first = new DryingPlanner(problem).first();
    List<DryingPlan> found = new ArrayList<>();
    DryingPlan cancelled =
        new DryingPlanner(problem)
            .best(SearchEffort.ofMoves(SearchEffort.MOST_MOVES), found::add, () -> true);
    assertThat(found.get(0).costPoints()).isEqualTo(first.costPoints());
    assertThat(cancelled.unserved()).isLessThanOrEqualTo(first.unserved());
    isSound(cancelled, problem);
  }
}
