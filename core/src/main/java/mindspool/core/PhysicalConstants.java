package mindspool.core;

/** Constants of nature and fixed reference conditions, SI units. */
public final class PhysicalConstants {

  /** Molar gas constant, J/(mol K). Reference: CODATA 2018 (exact). */
  public static final double GAS_CONSTANT = 8.314462618;

  /** Molar mass of water, kg/mol. Reference: IAPWS G5-01. */
  public static final double WATER_MOLAR_MASS = 0.018015268;

  /** Ratio of the molar masses of water and dry air. Reference: ASHRAE Fundamentals 2017, ch. 1. */
  public static final double WATER_TO_AIR_MASS_RATIO = 0.621945;

  /** Standard atmosphere, Pa. Reference: ISO 2533. */
  public static final double STANDARD_PRESSURE_PA = 101_325.0;

  /** Zero of the Celsius scale, K. */
  public static final double ZERO_CELSIUS_K = 273.15;

  /** Temperature to which sorption and diffusion parameters refer: 23 °C, ISO 291 atmosphere. */
  public static final double REFERENCE_TEMPERATURE_K = 296.15;

  private PhysicalConstants() {}

  /** Kelvin from degrees Celsius. */
  public static double kelvin(double celsius) {
    return celsius + ZERO_CELSIUS_K;
  }

  /** Degrees Celsius from kelvin. */
  public static double celsius(double kelvin) {
    return kelvin - ZERO_CELSIUS_K;
  }
}
