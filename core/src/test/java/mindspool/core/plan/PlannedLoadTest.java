package mindspool.core.plan;

import static mindspool.core.plan.Workshops.ROOM;
import static mindspool.core.plan.Workshops.dryer;
import static mindspool.core.plan.Workshops.job;
import static mindspool.core.plan.Workshops.kitchenOven;
import static mindspool.core.plan.Workshops.spool;
import static mindspool.core.plan.Workshops.tight;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.LoadForecast;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Loads as a plan computes them, held against the full forecast with shared air. */
class PlannedLoadTest {

  private static final Attendance ALWAYS = Attendance.always(500);

  private static PlannedLoad load(
      Attendance attendance, PlanDryer dryer, double start, PlanSpool... in) {
    PlanContext context = new PlanContext(attendance, new DryTimes(ROOM));
    Slot slot = new Slot(dryer, start);
    long[] id = {0};
    return PlannedLoad.of(
        slot,
        Stream.of(in)
            .map(
                spool ->
                    new PlannedJob(job(++id[0], 90, 2, spool), context, null)
                        .beginningWith(spool, slot))
            .toList());
  }

  @Test
  void theMostDelicateSetsTheSetpointAndTheSlowestTheTime() {
    PlanSpool petg = spool("P", "PETG", 1.3);
    PlanSpool abs = spool("A", "ABS", 1.3);
    PlanDryer dryer = dryer(1, 110, 2, 0);
    PlannedLoad both = load(ALWAYS, dryer, 0, petg, abs);
    assertThat(both.setpointC()).isEqualTo(load(ALWAYS, dryer, 0, petg).setpointC());
    assertThat(both.neededHours())
        .isGreaterThanOrEqualTo(load(ALWAYS, dryer, 0, petg).neededHours());
    assertThat(load(ALWAYS, dryer, 0, abs).setpointC()).isGreaterThan(both.setpointC());
    assertThat(both.violations()).isZero();
  }

  /** The loads that a plan keeps are followed in the air that they share. */
  @ParameterizedTest
  @CsvSource({
    "PETG, PETG, 0.3",
    "PETG, PETG, 6",
    "PLA, TPU95A, 1",
    "PLA, TPU95A, 20",
    "ABS, ASA, 0.3",
    "PA12, PETG, 1",
    "PA12, PA12, 4",
    "PC, ABS, 2",
    "TPU95A, TPU95A, 0.5",
    "PLA, PLA, 0.5"
  })
  void aFollowedLoadAgreesWithItsForecast(String one, String other, double airChanges) {
    PlanSpool a = spool("A", one, 1.2);
    PlanSpool b = spool("B", other, 1.2);
    PlanDryer dryer = tight(1, airChanges);
    DryTimes times = new DryTimes(ROOM);
    Set<PlanSpool> both = new LinkedHashSet<>(List.of(a, b));
    times.follow(dryer, both);
    DryTimes.Together followed = times.together(dryer, both);
    OptionalDouble full =
        LoadForecast.of(
                new DryerLoad(List.of(a.loaded(), b.loaded())),
                dryer.dryer(),
                ROOM,
                OptionalDouble.of(followed.setpointC()))
            .sureLastHours();
    if (full.isEmpty()) {
      assertThat(followed.neededHours()).isInfinite();
      assertThat(followed.violations()).isEqualTo(1);
    } else {
      assertThat(followed.neededHours() / full.getAsDouble()).isBetween(0.9, 1.1);
    }
  }

  @Test
  void coolerTakesLongerAsDiffusionSlows() {
    DryTimes times = new DryTimes(ROOM);
    PlanSpool abs = spool("A", "ABS", 1.3);
    PlanDryer dryer = dryer(1, 110, 2, 0);
    double best = times.of(abs, dryer).wantedC();
    double at = times.hours(abs, dryer, best);
    assertThat(times.hours(abs, dryer, best + 5)).isEqualTo(at);
    assertThat(times.hours(abs, dryer, best - 10)).isBetween(1.3 * at, 3 * at);
    assertThat(times.hours(abs, dryer, best - 30)).isGreaterThan(3 * at);
  }

  @Test
  void itEndsWhenSomebodyIsThere() {
    Attendance attendance =
        new Attendance(List.of(new Attendance.Window(0, 2), new Attendance.Window(40, 41)));
    PlannedLoad load = load(attendance, dryer(1, 110, 1, 0), 1, spool("A", "ABS", 1.3));
    assertThat(load.endH()).isEqualTo(40);
    assertThat(load.hotHours()).isCloseTo(39, within(1e-9));
    assertThat(load.violations()).isZero();
    Attendance gone = new Attendance(List.of(new Attendance.Window(0, 2)));
    assertThat(load(gone, dryer(1, 110, 1, 0), 1, spool("A", "ABS", 1.3)).violations())
        .isEqualTo(1);
    assertThat(load(attendance, dryer(1, 110, 1, 0), 10, spool("A", "ABS", 1.3)).violations())
        .isEqualTo(1);
  }

  @Test
  void everythingThatCannotBeDoneIsCounted() {
    PlanSpool a = spool("A", "ABS", 1.3);
    PlanSpool b = spool("B", "ABS", 1.3);
    assertThat(load(ALWAYS, dryer(1, 110, 1, 0), 0, a, b).violations()).isEqualTo(1);
    assertThat(load(ALWAYS, dryer(1, 110, 1, 5), 2, a).violations()).isEqualTo(1);
    // Soft filament in an oven that nobody measured is refused, and never dry.
    assertThat(load(ALWAYS, kitchenOven(1), 0, spool("C", "TPU95A", 2)).violations()).isEqualTo(2);
  }

  @Test
  void moreSpoolsTakeMoreEnergyButLessThanApart() {
    PlanSpool a = spool("A", "ABS", 1.3);
    PlanSpool b = spool("B", "ABS", 1.3);
    PlanDryer dryer = dryer(1, 110, 2, 0);
    double one = load(ALWAYS, dryer, 0, a).energyKWh();
    double two = load(ALWAYS, dryer, 0, a, b).energyKWh();
    assertThat(two).isGreaterThan(one).isLessThan(2 * one);
  }

  @Test
  void overlapsAreOfOneDryerOnly() {
    PlanSpool a = spool("A", "ABS", 1.3);
    PlannedLoad early = load(ALWAYS, dryer(1, 110, 1, 0), 0, a);
    PlannedLoad later = load(ALWAYS, dryer(1, 110, 1, 0), 1, a);
    PlannedLoad elsewhere = load(ALWAYS, dryer(2, 110, 1, 0), 1, a);
    assertThat(early.overlapH(later)).isCloseTo(early.endH() - 1, within(1e-9));
    assertThat(early.overlapH(elsewhere)).isZero();
  }

  /** What would be wet again in its holder stays in a dryer that feeds out; others come out. */
  @Test
  void aJobPrintsOutOfADryerThatFeedsOut() {
    PlanSpool a = spool("A", "ABS", 1.3);
    PlanSpool b = spool("B", "ABS", 1.3);
    PlanDryer dryer = feeding(dryer(1, 110, 2, 0));
    PlanContext context = new PlanContext(ALWAYS, new DryTimes(ROOM));
    Slot slot = new Slot(dryer, 2);
    PlannedJob longJob = new PlannedJob(job(1, 40, 30, a), context, null).beginningWith(a, slot);
    PlannedJob shortJob = new PlannedJob(job(2, 44, 3, b), context, null).beginningWith(b, slot);
    PlannedLoad load = PlannedLoad.of(slot, List.of(longJob, shortJob));
    assertThat(load.outH()).isCloseTo(2 + load.neededHours(), within(1e-9));
    assertThat(load.endH()).isEqualTo(70);
    assertThat(Served.of(load)).noneMatch(Served::fails);
    PlannedLoad shut =
        PlannedLoad.of(
            new Slot(dryer(1, 110, 2, 0), 2),
            List.of(
                new PlannedJob(job(1, 40, 30, a), context, null)
                    .beginningWith(a, new Slot(dryer(1, 110, 2, 0), 2))));
    assertThat(shut.endH()).isEqualTo(shut.outH()).isLessThan(40);
    assertThat(Served.of(shut)).allMatch(Served::fails);
    assertThat(load.energyKWh()).isGreaterThan(shut.energyKWh());
  }

  private static PlanDryer feeding(PlanDryer dryer) {
    return new PlanDryer(
        dryer.id(),
        dryer.name(),
        dryer.dryer(),
        dryer.fit(),
        dryer.freeFromH(),
        dryer.outOfOrder(),
        true);
  }
}
