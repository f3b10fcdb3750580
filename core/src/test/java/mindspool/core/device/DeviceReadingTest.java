package mindspool.core.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.device.StableMass.Reading;
import org.junit.jupiter.api.Test;

class DeviceReadingTest {

  /** Fixed points and definitions: NIST SP 811, from memory. */
  @Test
  void unitsConvertByDefinition() {
    assertThat(ReadingUnit.FAHRENHEIT.convert(32)).isCloseTo(0, within(1e-12));
    assertThat(ReadingUnit.FAHRENHEIT.convert(212)).isCloseTo(100, within(1e-12));
    assertThat(ReadingUnit.KELVIN.convert(273.15)).isCloseTo(0, within(1e-12));
    assertThat(ReadingUnit.FRACTION.convert(0.45)).isCloseTo(45, within(1e-12));
    assertThat(ReadingUnit.POUND.convert(1))
        .isCloseTo(16 * ReadingUnit.OUNCE.convert(1), within(1e-9));
    assertThat(ReadingUnit.KILOGRAM.convert(1.215)).isCloseTo(1215, within(1e-9));
  }

  @Test
  void quantitiesKnowWhatIsPossible() {
    assertThat(Quantity.HUMIDITY.possible(100)).isTrue();
    assertThat(Quantity.HUMIDITY.possible(101)).isFalse();
    assertThat(Quantity.TEMPERATURE.possible(Double.NaN)).isFalse();
    assertThat(Quantity.MASS.range()).contains("50000 g");
  }

  private static List<Reading> readings(double... masses) {
    List<Reading> readings = new ArrayList<>();
    for (int i = 0; i < masses.length; i++) {
      readings.add(new Reading(0.5 * i, masses[i]));
    }
    return readings;
  }

  @Test
  void aScaleIsStableOnceItRests() {
    assertThat(StableMass.of(readings(0, 400, 1100, 1214.6), 0.1)).isEmpty();
    assertThat(StableMass.of(readings(0, 400, 1214.8, 1214.7, 1214.8), 0.1).getAsDouble())
        .isCloseTo(1214.77, within(0.01));
    assertThat(StableMass.of(readings(1214.8, 1214.7, 1214.8, 1216.0), 0.1)).isEmpty();
    assertThat(StableMass.of(readings(0.1, 0, 0.1, 0), 0.1)).as("nothing on it").isEmpty();
    assertThat(StableMass.of(List.of(), 0.1)).isEmpty();
  }
}
