package mindspool.core.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import mindspool.core.InvalidValueException;
import mindspool.core.climate.MoistAir;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class DesiccantTest {

  /** A unit of MIL-D-3464 holds at least 3 g at 20 % and 6 g at 40 %; about 37 g of clay. */
  @Test
  void clayMeetsTheUnit() {
    assertThat(37 * Desiccant.CLAY.fraction(0.2, 25)).isGreaterThan(3);
    assertThat(37 * Desiccant.CLAY.fraction(0.4, 25)).isGreaterThan(6);
  }

  /** Content left in hot room air of 23 °C, 50 %: the field notes' figures for regeneration. */
  @ParameterizedTest
  @CsvSource({
    "SILICA_GEL, 50, 0.055",
    "SILICA_GEL, 60, 0.031",
    "SILICA_GEL, 70, 0.017",
    "SILICA_GEL, 90, 0.005",
    "MOLECULAR_SIEVE_4A, 70, 0.14",
    "MOLECULAR_SIEVE_4A, 90, 0.09"
  })
  void holdsLessWhenHot(Desiccant desiccant, double temperatureC, double expected) {
    double humidity = new MoistAir(23, 50).relativeHumidityPercentAt(temperatureC) / 100;
    assertThat(desiccant.fraction(humidity, temperatureC))
        .isCloseTo(expected, within(0.12 * expected + 0.002));
  }

  @ParameterizedTest
  @EnumSource(Desiccant.class)
  void humidityIsTheInverseOfContent(Desiccant desiccant) {
    for (double humidity = 0.03; humidity < 0.95; humidity += 0.07) {
      double content = desiccant.isotherm().fraction(humidity);
      assertThat(desiccant.isotherm().humidity(content)).isCloseTo(humidity, within(1e-9));
      assertThat(desiccant.isotherm().slope(humidity)).isPositive();
    }
  }

  @Test
  void unknownKindsNameThoseThereAre() {
    assertThatThrownBy(() -> Desiccant.ofId("rice"))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("silica_gel");
    assertThatThrownBy(() -> Film.ofId("cloth")).hasMessageContaining("LDPE");
    assertThatThrownBy(() -> ContainerKind.ofId("bucket")).hasMessageContaining("gasket box");
  }
}
