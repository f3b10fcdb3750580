package mindspool.core.climate;

import static mindspool.core.PhysicalConstants.celsius;
import static mindspool.core.PhysicalConstants.kelvin;

/**
 * Vapour pressure at which air over liquid water is saturated.
 *
 * <p>Also used below 0 °C over (supercooled) liquid, because hygrometers report humidity relative
 * to liquid water there too.
 *
 * <p>Reference: W. Wagner, A. Pruss, J. Phys. Chem. Ref. Data 22 (1993) 783, eq. 1; valid from the
 * triple point to the critical point, extrapolated here down to -40 °C.
 */
public final class SaturationPressure {

  /** Critical point and coefficients: IAPWS, Wagner and Pruss 1993. */
  private static final double CRITICAL_TEMPERATURE_K = 647.096;

  private static final double CRITICAL_PRESSURE_PA = 22.064e6;
  private static final double A1 = -7.85951783;
  private static final double A2 = 1.84408259;
  private static final double A3 = -11.7866497;
  private static final double A4 = 22.6807411;
  private static final double A5 = -15.9618719;
  private static final double A6 = 1.80122502;

  private SaturationPressure() {}

  /**
   * Saturation pressure over liquid water.
   *
   * @param temperatureK temperature in kelvin, below the critical point
   * @return pressure in Pa
   */
  public static double atKelvin(double temperatureK) {
    double t = 1 - temperatureK / CRITICAL_TEMPERATURE_K;
    double root = Math.sqrt(t);
    double t3 = t * t * t;
    double series =
        A1 * t + A2 * t * root + A3 * t3 + A4 * t3 * root + A5 * t3 * t + A6 * t3 * t3 * t * root;
    return CRITICAL_PRESSURE_PA * Math.exp(CRITICAL_TEMPERATURE_K / temperatureK * series);
  }

  /** Saturation pressure in Pa over liquid water at a temperature in °C. */
  public static double atCelsius(double temperatureC) {
    return atKelvin(kelvin(temperatureC));
  }

  /**
   * Temperature at which a vapour pressure saturates the air: the dew point. Inverts {@link
   * #atKelvin} by a secant in 1/T, in which ln p is nearly straight.
   *
   * @param pressurePa vapour pressure, above 0 Pa
   * @return dew point in °C
   */
  public static double temperatureC(double pressurePa) {
    double target = Math.log(pressurePa);
    double x0 = 1 / 260.0;
    double x1 = 1 / 300.0;
    double f0 = Math.log(atKelvin(1 / x0)) - target;
    double f1 = Math.log(atKelvin(1 / x1)) - target;
    for (int i = 0; i < 50 && Math.abs(f1) > 1e-13 && f1 != f0; i++) {
      double x2 = x1 - f1 * (x1 - x0) / (f1 - f0);
      x0 = x1;
      f0 = f1;
      x1 = Math.min(Math.max(x2, 1 / 640.0), 1 / 100.0);
      f1 = Math.log(atKelvin(1 / x1)) - target;
    }
    return celsius(1 / x1);
  }
}
