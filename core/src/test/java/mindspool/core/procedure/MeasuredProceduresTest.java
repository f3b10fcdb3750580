package mindspool.core.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import mindspool.core.InvalidValueException;
import org.junit.jupiter.api.Test;

class MeasuredProceduresTest {

  /** Worked by hand: 96 mm of 100 came slowly, 90 fast: flow 96 %, slip 6.25 %. */
  @Test
  void flowAndSlipAreThoseOfTheHandCalculation() {
    FeedCheck check = FeedCheck.ofLeft(100, 24, 30);
    assertThat(check.flowPercent()).isEqualTo(96, within(1e-9));
    assertThat(check.slipPercent()).isEqualTo(6.25, within(1e-9));
    assertThat(check.outcome()).isEqualTo("low_both");
  }

  @Test
  void whatComesDecidesTheOutcome() {
    assertThat(FeedCheck.ofLeft(100, 20, 21).outcome()).isEqualTo("ok");
    assertThat(FeedCheck.ofLeft(100, 20, 28).outcome()).isEqualTo("low_fast_only");
    assertThat(FeedCheck.ofLeft(100, 20, 28).words()).contains("slips only under pressure");
    assertThat(FeedCheck.ofLeft(100, 120, 120).outcome()).isEqualTo("low_both");
    assertThat(FeedCheck.ofLeft(100, 120, 120).slipPercent()).isZero();
  }

  /** Common practice: new steps are old steps times asked over measured. */
  @Test
  void tooMuchSaysByHowMuchTheStepsAreOff() {
    assertThat(FeedCheck.ofLeft(100, 14, 14).words()).contains("millimetre by 0.943");
  }

  @Test
  void aSecondLengthIsMarkedFurtherOff() {
    assertThat(FeedCheck.ofLeft(200, 20, 20).flowPercent()).isEqualTo(100, within(1e-9));
  }

  @Test
  void moreLeftThanWasMarkedIsRefused() {
    assertThatThrownBy(() -> FeedCheck.ofLeft(100, 130, 20))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("leftSlowMm is 130");
  }

  /** From memory: a 6 mm belt of 150 mm free length at 110 Hz carries about 10 N. */
  @Test
  void aBeltsToneTellsItsTension() {
    BeltTones belts = new BeltTones(150, 110, 110);
    assertThat(belts.firstN()).isEqualTo(9.8, within(0.2));
    assertThat(belts.areAlike()).isTrue();
    assertThat(new BeltTones(150, 110, 100).areAlike()).isFalse();
    assertThat(new BeltTones(150, 110, 100).words()).contains("second is slacker");
  }

  private static double[] times(int count, double stepS) {
    double[] times = new double[count];
    for (int i = 0; i < count; i++) {
      times[i] = i * stepS;
    }
    return times;
  }

  private static double[] swinging(
      double[] times, double meanC, double lowToHighC, double periodS) {
    Random noise = new Random(7);
    double[] values = new double[times.length];
    for (int i = 0; i < times.length; i++) {
      values[i] =
          meanC
              + lowToHighC / 2 * Math.sin(2 * Math.PI * times[i] / periodS)
              + 0.2 * noise.nextGaussian();
    }
    return values;
  }

  /** A made-up swing of 8 °C every 21 s is found again. */
  @Test
  void swingAndPeriodAreFound() {
    double[] times = times(300, 1);
    HeaterSwing swing = HeaterSwing.of(times, swinging(times, 245, 8, 21));
    assertThat(swing.meanC()).isEqualTo(245, within(0.3));
    assertThat(swing.swingC()).isEqualTo(8, within(0.6));
    assertThat(swing.periodS().orElseThrow()).isEqualTo(21, within(0.3));
    assertThat(swing.outcome()).isEqualTo("swings");
    assertThat(swing.bandMm(0.2, 7).orElseThrow()).isEqualTo(0.6, within(0.01));
  }

  @Test
  void noiseAloneIsSteadyAndHasNoPeriod() {
    double[] times = times(300, 1);
    HeaterSwing swing = HeaterSwing.of(times, swinging(times, 210, 0, 10));
    assertThat(swing.outcome()).isEqualTo("steady");
    assertThat(swing.periodS()).isEmpty();
  }

  @Test
  void aConstantIsSteady() {
    double[] times = times(60, 1);
    double[] values = new double[60];
    Arrays.fill(values, 210);
    assertThat(HeaterSwing.of(times, values).swingC()).isZero();
    assertThat(HeaterSwing.of(times, values).periodS()).isEmpty();
  }

  @Test
  void warmingUpDoesNotCount() {
    double[] times = times(300, 1);
    double[] values = swinging(times, 210, 1, 10);
    for (int i = 0; i < 90; i++) {
      values[i] = 25 + 185 * i / 90.0;
    }
    HeaterSwing swing = HeaterSwing.of(times, values);
    assertThat(swing.outcome()).isEqualTo("steady");
    assertThat(swing.readings()).isBetween(205, 215);
  }

  @Test
  void aStepThatNoBlockCanMakeIsTheWire() {
    double[] times = times(120, 1);
    double[] values = swinging(times, 210, 0, 10);
    values[60] += 40;
    assertThat(HeaterSwing.of(times, values).outcome()).isEqualTo("jumps");
    assertThat(HeaterSwing.of(times, values).jumps()).isEqualTo(2);
  }

  @Test
  void tooFewReadingsOrADisorderAreRefused() {
    assertThatThrownBy(() -> HeaterSwing.of(new double[0], new double[0]))
        .hasMessageContaining("readings is 0");
    double[] back = times(60, 1);
    back[30] = 3;
    assertThatThrownBy(() -> HeaterSwing.of(back, new double[60])).hasMessageContaining("later");
    assertThatThrownBy(() -> HeaterSwing.of(times(60, 0.1), new double[60]))
        .hasMessageContaining("seconds once it is warm");
  }

  private static String log(String head, String delimiter, String time) {
    StringBuilder text = new StringBuilder(head);
    for (int i = 0; i < 40; i++) {
      text.append(time.formatted(i)).append(delimiter).append("60").append(delimiter);
      text.append("215").append(delimiter.equals(";") ? ",5" : ".5").append('\n');
    }
    return text.toString();
  }

  @Test
  void logsOfSecondsClocksAndDatesAreRead() {
    String head = "time,bed,nozzle\n";
    for (String text :
        new String[] {
          log(head, ",", "%d"),
          log(head.replace(',', ';'), ";", "%d"),
          log(head, ",", "10:00:%02d"),
          log(head, ",", "2026-05-01 10:00:%02d"),
          log(head, ",", "2026-05-01T10:00:%02dZ")
        }) {
      NozzleLog read = NozzleLog.read(text);
      assertThat(read.temperaturesC()).as(text.substring(0, 40)).hasSize(40).containsOnly(215.5);
      assertThat(read.timesS()[39] - read.timesS()[0]).isEqualTo(39, within(1e-6));
    }
  }

  @Test
  void aClockGoesOnOverMidnight() {
    NozzleLog log = NozzleLog.read("23:59:59,210\n00:00:00,210\n00:00:01,211\n");
    assertThat(log.timesS()[2] - log.timesS()[0]).isEqualTo(2, within(1e-6));
  }

  @Test
  void aLineThatCannotBeReadIsNamed() {
    assertThatThrownBy(() -> NozzleLog.read("1,210\n2,warm\n")).hasMessageContaining("line 2");
    assertThatThrownBy(() -> NozzleLog.read(" ")).hasMessageContaining("log is empty");
    assertThatThrownBy(() -> NozzleLog.read("1,210\nsoon,211\n")).hasMessageContaining("line 2");
  }

  @Test
  void aReadingWantsItsValuesWithinBounds() {
    Procedure feed = Procedure.of("feed_check");
    assertThat(
            ProcedureReading.of(
                    feed,
                    Map.of("commandedMm", 100.0, "leftSlowMm", 20.0, "leftFastMm", 29.0),
                    null)
                .outcome())
        .isEqualTo("low_fast_only");
    assertThatThrownBy(() -> ProcedureReading.of(feed, Map.of("commandedMm", 100.0), null))
        .hasMessageContaining("leftSlowMm is missing");
    assertThatThrownBy(() -> ProcedureReading.of(Procedure.of("tangle"), Map.of(), null))
        .hasMessageContaining("one with measured values");
  }

  @Test
  void aSwingSaysWhichBandsItWouldPrint() {
    StringBuilder text = new StringBuilder();
    double[] times = times(240, 1);
    double[] values = swinging(times, 245, 9, 24);
    for (int i = 0; i < times.length; i++) {
      text.append(times[i]).append(',').append(values[i]).append('\n');
    }
    ProcedureReading reading =
        ProcedureReading.of(
            Procedure.of("heater_swing"),
            Map.of("layerHeightMm", 0.2, "layerTimeS", 8.0),
            () -> NozzleLog.read(text.toString()));
    assertThat(reading.outcome()).isEqualTo("swings");
    assertThat(reading.words()).contains("bands 0.60 mm apart");
  }
}
