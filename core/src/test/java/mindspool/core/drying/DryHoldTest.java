package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.PlainMaterials;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DryHoldTest {

  private static final double START_S = 1.7e9;

  private static double hours(String name, double humidity, double percent) {
    Material material = PlainMaterials.named(name);
    Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
    SpoolState dried = new SpoolMoistureModel(material).uniform(winding, 1e-4, 23);
    return DryHold.hours(
            material,
            dried,
            ClimateSeries.constant(new MoistAir(23, humidity)),
            AirContact.STILL,
            START_S,
            percent,
            14 * 24)
        .orElse(Double.POSITIVE_INFINITY);
  }

  /**
   * Field notes on moisture, section 4 (a), from an independent program: outermost tenth of 1 kg,
   * bone dry, open at 23 °C and 50 %, after one and three days.
   */
  @ParameterizedTest
  @CsvSource({
    "PETG, 0.123, 24",
    "PETG, 0.189, 72",
    "PA6, 0.742, 24",
    "PA6, 1.263, 72",
    "PLA, 0.331, 24",
    "PVA, 1.049, 24",
    "PVA, 1.819, 72"
  })
  void anOpenSpoolHoldsAsLongAsTheTableSays(String material, double percent, double hours) {
    assertThat(hours(material, 50, percent)).isCloseTo(hours, within(0.03 * hours));
  }

  @Test
  void drierAirHoldsLongerAndVeryDryAirForGood() {
    assertThat(hours("PA6", 50, 0.5)).isLessThan(hours("PA6", 30, 0.5));
    assertThat(hours("PA6", 3, 0.5)).isInfinite();
    assertThat(hours("PA6", 50, 0.0)).isZero();
  }

  @Test
  void aColdSpellIsToldFromAnOpenedLid() {
    List<ColdSpans.Reading> readings =
        IntStream.range(0, 200)
            .mapToObj(
                minute ->
                    new ColdSpans.Reading(
                        60.0 * minute,
                        minute < 20 ? 25 : minute >= 80 && minute < 120 || minute == 150 ? 30 : 60))
            .toList();
    assertThat(ColdSpans.of(readings, 1200, 1e9, 22, 60))
        .containsExactly(new ColdSpans.Span(4800, 7200));
    assertThat(ColdSpans.of(readings, 1200, 6000, 22, 60))
        .containsExactly(new ColdSpans.Span(4800, 6000));
  }
}
