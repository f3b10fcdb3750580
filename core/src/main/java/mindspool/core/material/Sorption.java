package mindspool.core.material;

import mindspool.core.Require;

/**
 * How much water a polymer holds in equilibrium with air of a given humidity:
 *
 * <p>{@code w(a) = h a + (w100 - h) a^p} with the activity {@code a} = relative humidity as a
 * fraction. The first term is Henry's law; the second the clustering of water at high humidity.
 * Taken as independent of temperature, which makes the floor of a dryer 10 to 25 % too high.
 *
 * @param henryFraction slope h at low humidity, kg water per kg dry polymer per unit activity
 * @param saturationFraction content w100 at 100 % humidity, kg/kg; at least {@code henryFraction}
 * @param exponent p, 1..12
 */
public record Sorption(double henryFraction, double saturationFraction, double exponent) {

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
    return new Sorption(factor * henryFraction, factor * saturationFraction, exponent);
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
