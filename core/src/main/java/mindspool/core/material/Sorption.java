package mindspool.core.material;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.REFERENCE_TEMPERATURE_K;

import mindspool.core.Require;

/**
 * How much water a polymer holds in equilibrium with air of a given humidity:
 *
 * <p>{@code w(a) = h a + (w100 - h) a^p} with the activity {@code a} = relative humidity as a
 * fraction. The first term is Henry's law; the second the clustering of water at high humidity.
 *
 * <p>The activity is that at 23 °C. Where water is bound with a net heat {@code q}, warmer air must
 * be more humid for the same moisture, {@code a(T) = a exp(q/R (1/T23 - 1/T))} (Clausius and
 * Clapeyron for the bound water). Without it the floor of a dryer comes out up to 25 % too high.
 *
 * @param henryFraction slope h at low humidity, kg water per kg dry polymer per unit activity
 * @param saturationFraction content w100 at 100 % humidity, kg/kg; at least {@code henryFraction}
 * @param exponent p, 1..12
 * @param heatJPerMol net heat q of sorption beyond that of condensation, J/mol; 0 for none
 */
public record Sorption(
    double henryFraction, double saturationFraction, double exponent, double heatJPerMol) {

  public Sorption {
    Require.within("sorptionHenryFraction", henryFraction, 1e-7, 1, "kg/kg");
    Require.within(
        "sorptionSaturationFraction",
        saturationFraction,
        henryFraction,
        2,
        "kg/kg",
        "Saturation must not be below the Henry slope.");
    Require.within("sorptionExponent", exponent, 1, 12, "");
    Require.within("sorptionHeatKJPerMol", heatJPerMol / 1000, 0, 20, "kJ/mol");
  }

  /** Water bound no tighter than in the liquid. */
  public Sorption(double henryFraction, double saturationFraction, double exponent) {
    this(henryFraction, saturationFraction, exponent, 0);
  }

  /** How many times as humid air of a temperature must be as at 23 °C for the same moisture. */
  public double humidityFactor(double temperatureK) {
    return heatJPerMol == 0
        ? 1
        : Math.exp(heatJPerMol / GAS_CONSTANT * (1 / REFERENCE_TEMPERATURE_K - 1 / temperatureK));
  }

  /** Equilibrium moisture in kg/kg at an activity in air of a temperature. */
  public double moistureFractionAt(double activity, double temperatureK) {
    return moistureFraction(activity / humidityFactor(temperatureK));
  }

  /** Equilibrium moisture in kg/kg at an activity; negative activities count as none. */
  public double moistureFraction(double activity) {
    double a = Math.max(activity, 0);
    return henryFraction * a + (saturationFraction - henryFraction) * power(a, exponent);
  }

  /** Derivative of {@link #moistureFraction} with respect to activity. */
  public double slope(double activity) {
    double a = Math.max(activity, 0);
    return henryFraction + (saturationFraction - henryFraction) * exponent * power(a, exponent - 1);
  }

  /**
   * Activity in equilibrium with a moisture: Newton's method from the right, where the convex
   * isotherm makes it monotone.
   *
   * @param moistureFraction kg/kg, 0 or more; may exceed saturation, then the activity exceeds 1
   */
  public double activity(double moistureFraction) {
    if (moistureFraction <= 0) {
      return 0;
    }
    double a =
        Math.min(
            moistureFraction / henryFraction, Math.max(1, moistureFraction / saturationFraction));
    for (int i = 0; i < 60; i++) {
      double next = a - (moistureFraction(a) - moistureFraction) / slope(a);
      if (Math.abs(next - a) <= 1e-15 * a) {
        return next;
      }
      a = next;
    }
    return a;
  }

  /** The same polymer taking up {@code factor} times as much at every humidity. */
  public Sorption scaled(double factor) {
    return new Sorption(factor * henryFraction, factor * saturationFraction, exponent, heatJPerMol);
  }

  /**
   * {@code base^exponent}, by multiplication for the whole exponents that materials mostly have.
   */
  private static double power(double base, double exponent) {
    int whole = (int) exponent;
    if (whole != exponent) {
      return Math.pow(base, exponent);
    }
    double result = 1;
    for (int i = 0; i < whole; i++) {
      result *= base;
    }
    return result;
  }
}
