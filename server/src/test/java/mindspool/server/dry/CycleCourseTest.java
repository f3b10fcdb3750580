package mindspool.server.dry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import mindspool.server.air.DryerRuns.DryerRun;
import mindspool.server.dry.CycleCourse.Stage;
import org.junit.jupiter.api.Test;

/** What a cycle's facts say of its heat; hours from its start. */
class CycleCourseTest {

  private static final long START = 1_700_000_000L;

  private final List<CycleFact> facts = new ArrayList<>();
  private long number;

  private static DryingCycle cycle() {
    DryingCycle cycle = new DryingCycle();
    cycle.id = 1L;
    cycle.atS = START;
    cycle.hours = 8;
    cycle.setpointC = 60;
    cycle.startC = 60;
    cycle.biasK = -1;
    cycle.warmingS = 600;
    return cycle;
  }

  private static long at(double hour) {
    return START + Math.round(3600 * hour);
  }

  private CycleFact fact(CycleFact.Kind kind, double hour) {
    CycleFact fact = new CycleFact(1, kind, at(hour), at(hour));
    fact.id = ++number;
    facts.add(fact);
    return fact;
  }

  private CycleCourse course(boolean turnsItselfOff) {
    return new CycleCourse(cycle(), facts, List.of(), turnsItselfOff);
  }

  private static List<String> spans(List<DryerRun> runs) {
    return runs.stream()
        .map(
            run ->
                "%.1f-%.1f@%.0f"
                    .formatted(
                        (run.fromS() - START) / 3600, (run.toS() - START) / 3600, run.airC()))
        .toList();
  }

  @Test
  void heatsForItsHoursAtTheTrueTemperature() {
    CycleCourse course = course(true);
    assertThat(spans(course.runs(at(2)))).containsExactly("0.0-8.0@59");
    assertThat(course.stage(at(2))).isEqualTo(Stage.RUNNING);
    assertThat(course.stage(at(9))).isEqualTo(Stage.OVER);
    assertThat(course.plannedEndS(at(2))).isEqualTo(at(8));
  }

  @Test
  void aDryerWithoutTimerHeatsUntilSomebodyStopsIt() {
    assertThat(spans(course(false).runs(at(11)))).containsExactly("0.0-11.0@59");
    fact(CycleFact.Kind.STOPPED, 9);
    assertThat(spans(course(false).runs(at(11)))).containsExactly("0.0-9.0@59");
    assertThat(course(false).stage(at(11))).isEqualTo(Stage.STOPPED);
  }

  @Test
  void pausesAreMadeUpForAtTheEnd() {
    fact(CycleFact.Kind.PAUSED, 2);
    assertThat(course(true).stage(at(3))).isEqualTo(Stage.PAUSED);
    assertThat(course(true).plannedEndS(at(3))).isEqualTo(at(9));
    fact(CycleFact.Kind.RESUMED, 5);
    assertThat(spans(course(true).runs(at(6)))).containsExactly("0.0-2.0@59", "5.0-11.0@59");
    assertThat(course(true).plannedEndS(at(6))).isEqualTo(at(11));
  }

  @Test
  void aSwitchOffIsAPauseAndStopsTheHeatAtOnce() {
    fact(CycleFact.Kind.TOO_HOT, 3);
    fact(CycleFact.Kind.SWITCHED_OFF, 3);
    assertThat(course(true).isPaused()).isTrue();
    assertThat(spans(course(true).runs(at(4)))).containsExactly("0.0-3.0@59");
  }

  @Test
  void aPowerCutLeavesAGapAndIsMadeUpFor() {
    CycleFact cut = fact(CycleFact.Kind.WITHOUT_POWER, 4);
    cut.untilS = at(5);
    assertThat(spans(course(true).runs(at(6)))).containsExactly("0.0-4.0@59", "5.0-9.0@59");
    assertThat(course(true).plannedEndS(at(6))).isEqualTo(at(9));
  }

  @Test
  void aNewSetpointGoesOnWarm() {
    fact(CycleFact.Kind.SETPOINT, 3).amount = 50.0;
    List<DryerRun> runs = course(true).runs(at(4));
    assertThat(spans(runs)).containsExactly("0.0-3.0@59", "3.0-8.0@49");
    assertThat(runs.get(0).warmingTimeS()).isEqualTo(600);
    assertThat(runs.get(1).warmingTimeS()).isZero();
    assertThat(course(true).setpointC()).isEqualTo(50);
  }

  @Test
  void hoursMayBeSetAnew() {
    fact(CycleFact.Kind.HOURS, 1).amount = 12.0;
    assertThat(course(true).plannedEndS(at(2))).isEqualTo(at(12));
  }

  @Test
  void whatIsInsideFollowsFromWhatWentInAndOut() {
    fact(CycleFact.Kind.ADDED, 0).code = "A";
    fact(CycleFact.Kind.ADDED, 1).code = "B";
    fact(CycleFact.Kind.REMOVED, 4).code = "A";
    assertThat(course(true).inside()).containsOnlyKeys("B");
    assertThat(course(true).inside().get("B")).isEqualTo(at(1));
    assertThat(course(true).codes()).containsExactly("A", "B");
  }

  @Test
  void whatWasTakenBackCountsForNothing() {
    fact(CycleFact.Kind.PAUSED, 2).undoneBy = 3L;
    assertThat(spans(course(true).runs(at(4)))).containsExactly("0.0-8.0@59");
    fact(CycleFact.Kind.STOPPED, 5).undoneBy = 6L;
    assertThat(course(true).isOpen()).isTrue();
  }
}
