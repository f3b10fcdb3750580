package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Locale;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mindspool.core.InvalidValueException;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.ReelKind;
import org.junit.jupiter.api.Test;

class DryerCharacterisationTest {

  /** Three probes 3.5 K apart around 58.1 °C, a ripple of ±1.2 K, once up to 65.3 °C. */
  private static String log(int minutes, DoubleUnaryOperator centre) {
    return "minute,bore,near the heater,far rim\n"
        + IntStream.rangeClosed(0, minutes)
            .mapToObj(
                minute -> {
                  double at = centre.applyAsDouble(minute);
                  return String.format(
                      Locale.ROOT, "%d,%.3f,%.3f,%.3f", minute, at, at + 3.5, at - 3.5);
                })
            .collect(Collectors.joining("\n"));
  }

  private static double run(double minute) {
    double warm = 58.1 - (58.1 - 23) * Math.pow(0.05, minute / 30);
    double overshoot = minute == 40 ? 65.3 - 3.5 - warm : 0;
    double ripple = minute > 60 ? 1.2 * Math.cos(Math.PI * minute) : 0;
    return warm + overshoot + ripple;
  }

  private static DryerCharacterisation characterised(String log) {
    return DryerCharacterisation.of(ProbeLog.read(log), 60, 1);
  }

  /** The worked example of the field notes' section on dryers. */
  @Test
  void agreesWithTheWorkedExample() {
    DryerCharacterisation found = characterised(log(90, DryerCharacterisationTest::run));
    assertThat(found.biasK()).isCloseTo(-1.9, within(0.1));
    assertThat(found.overshootK()).isCloseTo(7.2, within(0.1));
    assertThat(found.rippleK()).isCloseTo(2.4, within(0.1));
    assertThat(found.uniformityK()).isCloseTo(7.0, within(0.05));
    assertThat(found.heatUpMin()).isCloseTo(30, within(1.0));
    assertThat(found.hottestAboveSetK()).isCloseTo(5.3, within(0.05));
    Dryer dryer =
        new Dryer(70, 0, 0, java.util.OptionalDouble.empty(), 12).behaving(found.behaviour());
    double ceiling =
        DryingCeiling.of(
                MaterialCatalogue.standard()
                    .named("PETG")
                    .with(java.util.Map.of("dryingCeilingC", 62.0, "dryingTemperatureC", 60.0)),
                ReelKind.METAL,
                dryer)
            .temperatureC();
    assertThat(Math.floor(ceiling)).isEqualTo(55);
  }

  /**
   * 40 W more with the vent open, 30 L, from 23 to 60 °C: 108 changes an hour (field notes 3.1).
   */
  @Test
  void airExchangeFollowsFromThePower() {
    assertThat(DryerCharacterisation.airChangesPerHour(140, 100, 60, 23, 30))
        .isCloseTo(108, within(1.0));
    assertThatThrownBy(() -> DryerCharacterisation.airChangesPerHour(90, 100, 60, 23, 30))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("openW");
  }

  @Test
  void aGapIsNamedWithItsPlace() {
    String gap =
        log(90, DryerCharacterisationTest::run)
            .lines()
            .filter(line -> !line.matches("(3[3-9]|4[0-4]),.*"))
            .collect(Collectors.joining("\n"));
    assertThatThrownBy(() -> characterised(gap))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("gap of 13 minutes after minute 32");
  }

  @Test
  void aRunThatWasNeverSteadyOrTooShortIsRefused() {
    assertThatThrownBy(() -> characterised(log(90, minute -> 23 + 0.4 * minute)))
        .hasMessageContaining("steady");
    assertThatThrownBy(() -> characterised(log(25, DryerCharacterisationTest::run)))
        .hasMessageContaining("25 minutes");
    assertThatThrownBy(() -> characterised(log(90, minute -> 58 + Math.min(1, minute))))
        .hasMessageContaining("Begin the log cold");
  }

  @Test
  void badLinesAreNamed() {
    String good = log(90, DryerCharacterisationTest::run);
    assertThatThrownBy(() -> ProbeLog.read(good.replaceFirst("\n50,[^,]*,", "\n50,err,")))
        .hasMessageContaining("line 52, probe 1: \"err\"");
    assertThatThrownBy(() -> ProbeLog.read(good.replaceFirst("\n50,[^,]*,", "\n50,")))
        .hasMessageContaining("line 52 has 2 temperatures");
    assertThatThrownBy(() -> ProbeLog.read(good.replaceFirst("\n50,", "\n49,")))
        .hasMessageContaining("not later");
    assertThatThrownBy(() -> ProbeLog.read("minute,bore\n1,20")).hasMessageContaining("1 readings");
    assertThatThrownBy(() -> ProbeLog.read(good.replaceFirst("\n50,[^,]*,", "\n50,501,")))
        .hasMessageContaining("probe 1");
  }

  @Test
  void datesAndDecimalCommasAreUnderstood() {
    String comma =
        IntStream.rangeClosed(0, 90)
            .mapToObj(
                minute ->
                    String.format(
                        Locale.GERMANY,
                        "2026-05-01 1%d:%02d;%.2f",
                        minute / 60,
                        minute % 60,
                        run(minute)))
            .collect(Collectors.joining("\n"));
    assertThat(characterised(comma).heatUpMin()).isCloseTo(30, within(1.0));
  }
}
