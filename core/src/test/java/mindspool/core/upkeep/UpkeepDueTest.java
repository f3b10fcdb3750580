package mindspool.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import mindspool.core.procedure.Procedure;
import mindspool.core.upkeep.UpkeepDue.State;
import org.junit.jupiter.api.Test;

class UpkeepDueTest {

  private static final long DAY_S = 86_400;
  private static final long NOW_S = 1_800_000_000L;

  private static Use print(double daysAgo, double hours, double kg) {
    return new Use(NOW_S - Math.round(daysAgo * DAY_S), hours, kg, 0, 0, 0);
  }

  /** Worked by hand: 2.1 % in 42 days, so that the 3 % from 7 to 10 take 60. */
  @Test
  void aCounterThatTheMachineKeepsIsForetoldAtItsUsualRate() {
    List<Use> uses = new ArrayList<>();
    for (int day = 0; day < 42; day++) {
      uses.add(new Use(NOW_S - Math.round((day + 0.5) * DAY_S), 1, 0.1, 0.1, 0.0005, 0));
    }
    UpkeepDue counted = UpkeepDue.of(Map.of(Counter.BORE, 10.0), uses, NOW_S - 60 * DAY_S, NOW_S);
    assertThat(counted.binding().used()).isEqualTo(2.1, within(1e-9));
    UpkeepDue kept = counted.with(Counter.BORE, 7, NOW_S);
    assertThat((kept.dueS().orElseThrow() - NOW_S) / (double) DAY_S).isEqualTo(60, within(1e-3));
    assertThat(counted.with(Counter.BORE, 10, NOW_S).dueS()).hasValue(NOW_S);
    UpkeepDue unused = UpkeepDue.of(Map.of(Counter.BORE, 10.0), List.of(), NOW_S - DAY_S, NOW_S);
    assertThat(unused.with(Counter.BORE, 5, NOW_S).dueS()).isEmpty();
  }

  /** Worked by hand: 90 of 100 h is soon; 2.5 h a day leaves four days. */
  @Test
  void theRateOfTheLastWeeksTellsWhenItIsDue() {
    List<Use> uses = new ArrayList<>();
    for (int day = 0; day < 36; day++) {
      uses.add(print(day + 0.5, 2.5, 0.05));
    }
    UpkeepDue due = UpkeepDue.of(Map.of(Counter.HOURS, 100.0), uses, NOW_S - 40 * DAY_S, NOW_S);
    assertThat(due.binding().used()).isEqualTo(90, within(1e-9));
    assertThat(due.state()).isEqualTo(State.SOON);
    // 90 h in the 42 days that the rate looks at.
    assertThat((due.dueS().orElseThrow() - NOW_S) / (double) DAY_S)
        .isEqualTo(10 / 90.0 * 42, within(1e-3));
  }

  @Test
  void theCounterThatIsUsedUpMostDecides() {
    Map<Counter, Double> every = Map.of(Counter.HOURS, 100.0, Counter.DAYS, 90.0);
    UpkeepDue due = UpkeepDue.of(every, List.of(print(3, 10, 0.1)), NOW_S - 95 * DAY_S, NOW_S);
    assertThat(due.binding().counter()).isEqualTo(Counter.DAYS);
    assertThat(due.state()).isEqualTo(State.DUE);
    assertThat(due.dueS()).hasValue(NOW_S);
  }

  @Test
  void whatWasBeforeTheLastTimeAndWhatIsToComeDoNotCount() {
    List<Use> uses = List.of(print(20, 50, 1), print(5, 7, 1), print(-1, 30, 1));
    UpkeepDue due = UpkeepDue.of(Map.of(Counter.HOURS, 100.0), uses, NOW_S - 10 * DAY_S, NOW_S);
    assertThat(due.binding().used()).isEqualTo(7, within(1e-9));
  }

  @Test
  void whereNothingMovesItItIsNeverDue() {
    UpkeepDue due = UpkeepDue.of(Map.of(Counter.ABRASIVE, 4.0), List.of(print(1, 5, 1)), 0, NOW_S);
    assertThat(due.dueS()).isEmpty();
    assertThat(due.state()).isEqualTo(State.LATER);
    assertThat(UpkeepDue.of(Map.of(Counter.HOURS, 1.0), List.of(), 0, NOW_S).dueS()).isEmpty();
    assertThatThrownBy(() -> UpkeepDue.of(Map.of(), List.of(), 0, NOW_S))
        .hasMessageContaining("every is nothing");
  }

  /**
   * A year of prints: in any order, and without those taken back, counters are sums of the rest.
   */
  @Test
  void aYearIsTheSumOfItsPrintsInAnyOrder() {
    Random random = new Random(16);
    List<Use> year = new ArrayList<>();
    for (int i = 0; i < 900; i++) {
      year.add(
          new Use(
              NOW_S - random.nextInt((int) (365 * DAY_S)),
              0.5 + 6 * random.nextDouble(),
              0.2 * random.nextDouble(),
              0.05 * random.nextDouble(),
              1e-4 * random.nextDouble(),
              0));
    }
    long sinceS = NOW_S - 200 * DAY_S;
    List<Use> kept = new ArrayList<>(year);
    Collections.shuffle(kept, random);
    kept.subList(0, 200).clear();
    double hours = kept.stream().filter(use -> use.endS() > sinceS).mapToDouble(Use::hours).sum();
    double bore =
        kept.stream().filter(use -> use.endS() > sinceS).mapToDouble(Use::boreGrowth).sum();
    Map<Counter, Double> every = Map.of(Counter.HOURS, 3000.0, Counter.BORE, 10.0);
    for (UpkeepDue.Count count : UpkeepDue.of(every, kept, sinceS, NOW_S).counts()) {
      assertThat(count.used())
          .isEqualTo(count.counter() == Counter.HOURS ? hours : 100 * bore, within(1e-6));
    }
  }

  @Test
  void everyTaskOfTheTableHasAnIntervalStepsAndAProcedureThatExists() {
    assertThat(UpkeepTask.all()).hasSizeGreaterThan(18);
    for (UpkeepTask task : UpkeepTask.all().values()) {
      assertThat(task.every()).as(task.id()).isNotEmpty();
      assertThat(task.every().values()).allMatch(amount -> amount > 0);
      assertThat(task.steps()).as(task.id()).isNotEmpty();
      if (!task.procedureId().isEmpty()) {
        assertThat(Procedure.of(task.procedureId()).steps()).isNotEmpty();
      }
    }
  }

  /** Field notes' table of upkeep: bands of hours that practitioners keep. */
  @Test
  void intervalsLieInTheBandsOfTheFieldNotes() {
    assertThat(hours("z_screw")).isBetween(300.0, 500.0);
    assertThat(hours("rods")).isBetween(200.0, 300.0);
    assertThat(hours("belts")).isEqualTo(300);
    assertThat(hours("nozzle")).isBetween(500.0, 1000.0);
    assertThat(hours("tube_look")).isBetween(300.0, 500.0);
    assertThat(hours("filters")).isBetween(150.0, 300.0);
    assertThat(UpkeepTask.all().get("plate_wash").every().get(Counter.PRINTS)).isBetween(5.0, 10.0);
    assertThat(UpkeepTask.all().get("nozzle_hard").every().get(Counter.ABRASIVE))
        .isBetween(10.0, 25.0);
  }

  /** Field notes: at a tenth more bore a nozzle is replaced; to look at it is not to replace it. */
  @Test
  void everyNozzleIsChangedAtATenthMoreBoreAndOnlyThen() {
    assertThat(UpkeepTask.all().get("nozzle").every().get(Counter.BORE)).isEqualTo(10);
    assertThat(UpkeepTask.all().get("nozzle_worn").every()).isEqualTo(Map.of(Counter.BORE, 10.0));
    assertThat(UpkeepTask.all().get("nozzle_hard").every()).doesNotContainKey(Counter.BORE);
  }

  private static double hours(String task) {
    return UpkeepTask.all().get(task).every().get(Counter.HOURS);
  }

  @Test
  void amountsAreSaidInWords() {
    assertThat(Counter.HOURS.words(320.4, 400)).isEqualTo("320 of 400 hours of printing");
    assertThat(Counter.ABRASIVE.words(1.25, 4)).isEqualTo("1.3 of 4.0 kg abrasive filament");
    assertThat(Counter.PRINTS.words(7, 8)).isEqualTo("7 of 8 prints");
  }
}
