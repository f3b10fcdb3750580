package mindspool.core.climate;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.WATER_MOLAR_MASS;
import static mindspool.core.PhysicalConstants.WATER_TO_AIR_MASS_RATIO;
import static mindspool.core.PhysicalConstants.kelvin;

import java.util.OptionalDouble;
import mindspool.core.PhysicalConstants;
import mindspool.core.Require;

/**
 * A state of humid air, as ideal gas.
 *
 * @param temperatureC dry-bulb temperature, -40..150 °C
 * @param relativeHumidityPercent humidity relative to saturation over liquid water, 0..100 %
 * @param pressureHPa total pressure, 300..1200 hPa
 */
public record MoistAir(double temperatureC, double relativeHumidityPercent, double pressureHPa) {

  /** Lowest air temperature that the formula for saturation over water is used at, °C. */
  public static final double MIN_TEMPERATURE_C = -40;

  /** Highest, °C: above what any dryer reaches. */
  public static final double MAX_TEMPERATURE_C = 150;

  public MoistAir {
    Require.within("temperatureC", temperatureC, MIN_TEMPERATURE_C, MAX_TEMPERATURE_C, "°C");
    Require.within(
        "relativeHumidityPercent",
        relativeHumidityPercent,
        0,
        100,
        "%",
        "Give relative humidity in percent, as a hygrometer shows it.");
    Require.within("pressureHPa", pressureHPa, 300, 1200, "hPa");
  }

  /** Air at standard pressure. */
  public MoistAir(double temperatureC, double relativeHumidityPercent) {
    this(temperatureC, relativeHumidityPercent, PhysicalConstants.STANDARD_PRESSURE_PA / 100);
  }

  public double saturationPressurePa() {
    return SaturationPressure.atCelsius(temperatureC);
  }

  public double vapourPressurePa() {
    return relativeHumidityPercent / 100 * saturationPressurePa();
  }

  /** Mass of vapour per volume of air (absolute humidity), g/m³: the ideal gas law for vapour. */
  public double vapourDensityGPerM3() {
    return 1000 * vapourPressurePa() * WATER_MOLAR_MASS / (GAS_CONSTANT * kelvin(temperatureC));
  }

  /** Dew point in °C; none for perfectly dry air. */
  public OptionalDouble dewPointC() {
    return relativeHumidityPercent > 0
        ? OptionalDouble.of(SaturationPressure.temperatureC(vapourPressurePa()))
        : OptionalDouble.empty();
  }

  /**
   * Vapour mass per mass of dry air, g/kg; none where vapour alone would exceed the total pressure.
   * Reference: ASHRAE Fundamentals 2017, ch. 1, eq. 20.
   */
  public OptionalDouble mixingRatioGPerKg() {
    double dryAirPressure = pressureHPa * 100 - vapourPressurePa();
    return dryAirPressure > 0
        ? OptionalDouble.of(1000 * WATER_TO_AIR_MASS_RATIO * vapourPressurePa() / dryAirPressure)
        : OptionalDouble.empty();
  }

  /**
   * Relative humidity in percent after this air is brought to another temperature without gaining
   * or losing vapour. Above 100 where it would condense.
   */
  public double relativeHumidityPercentAt(double otherTemperatureC) {
    Require.within("heatedToC", otherTemperatureC, MIN_TEMPERATURE_C, MAX_TEMPERATURE_C, "°C");
    return 100 * vapourPressurePa() / SaturationPressure.atCelsius(otherTemperatureC);
  }
}
