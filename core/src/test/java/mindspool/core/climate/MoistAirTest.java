package mindspool.core.climate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import com.hummeling.if97.IF97;
import mindspool.core.InvalidValueException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MoistAirTest {

  /** IAPWS-IF97 region 4, through an independent library; the two formulations differ by 0.02 %. */
  @ParameterizedTest
  @ValueSource(doubles = {0.01, 5, 12, 23, 37.5, 50, 65, 80, 95, 110, 140})
  void saturationPressureAgreesWithIf97(double celsius) {
    double megapascal = new IF97().saturationPressureT(celsius + 273.15);
    assertThat(SaturationPressure.atCelsius(celsius))
        .isCloseTo(1e6 * megapascal, withinPercentage(0.03));
  }

  /** Wagner and Pruss 1993: triple point and normal boiling point. */
  @Test
  void saturationPressureMeetsFixedPoints() {
    assertThat(SaturationPressure.atKelvin(273.16)).isCloseTo(611.657, within(0.001));
    assertThat(SaturationPressure.atKelvin(373.1243)).isCloseTo(101_325, within(1.0));
  }

  /** ASHRAE Fundamentals 2017, ch. 1, table 3 (saturated water), from memory, kPa. */
  @ParameterizedTest
  @CsvSource({"10, 1.2282", "20, 2.3393", "30, 4.2467", "50, 12.3525", "70, 31.202"})
  void saturationPressureMeetsPublishedTable(double celsius, double kilopascal) {
    assertThat(SaturationPressure.atCelsius(celsius))
        .isCloseTo(1000 * kilopascal, withinPercentage(0.05));
  }

  @ParameterizedTest
  @ValueSource(doubles = {-39, -10, 0, 9.3, 23, 60, 120})
  void dewPointInvertsSaturation(double celsius) {
    assertThat(SaturationPressure.temperatureC(SaturationPressure.atCelsius(celsius)))
        .isCloseTo(celsius, within(1e-9));
  }

  /**
   * Psychrometric tables at 1013.25 hPa (ASHRAE, from memory): dew point, absolute humidity and
   * mixing ratio as hygrometer manuals print them.
   */
  @ParameterizedTest
  @CsvSource({
    "20, 50, 9.27, 8.65, 7.26",
    "25, 50, 13.86, 11.5, 9.88",
    "30, 70, 23.93, 21.3, 18.8",
    "20, 100, 20.0, 17.3, 14.7",
    "15, 90, 13.37, 11.55, 9.57"
  })
  void handbookValues(
      double celsius, double percent, double dewPoint, double density, double ratio) {
    MoistAir air = new MoistAir(celsius, percent);
    assertThat(air.dewPointC().orElseThrow()).isCloseTo(dewPoint, within(0.05));
    assertThat(air.vapourDensityGPerM3()).isCloseTo(density, withinPercentage(0.5));
    assertThat(air.mixingRatioGPerKg().orElseThrow()).isCloseTo(ratio, withinPercentage(0.5));
  }

  @Test
  void heatingKeepsVapourAndLowersRelativeHumidity() {
    MoistAir room = new MoistAir(23, 50);
    double heated = room.relativeHumidityPercentAt(65);
    assertThat(heated).isCloseTo(5.61, within(0.01));
    assertThat(new MoistAir(65, heated).dewPointC().orElseThrow())
        .isCloseTo(room.dewPointC().orElseThrow(), within(1e-9));
  }

  @Test
  void bonedryAirHasNoDewPointAndSteamHasNoMixingRatio() {
    assertThat(new MoistAir(23, 0).dewPointC()).isEmpty();
    assertThat(new MoistAir(120, 90).mixingRatioGPerKg()).isEmpty();
  }

  @Test
  void refusesTheImpossibleByName() {
    assertThatThrownBy(() -> new MoistAir(23, 105))
        .isInstanceOfSatisfying(
            InvalidValueException.class,
            e -> {
              assertThat(e.field()).isEqualTo("relativeHumidityPercent");
              assertThat(e.value()).isEqualTo("105");
              assertThat(e.allowed()).isEqualTo("0 to 100 %");
            });
    assertThatThrownBy(() -> new MoistAir(Double.NaN, 50)).hasMessageContaining("not a number");
    assertThatThrownBy(() -> new MoistAir(-41, 50)).hasMessageContaining("-40 to 150");
    assertThatThrownBy(() -> new MoistAir(20, 50, 0)).hasMessageContaining("pressureHPa");
  }
}
