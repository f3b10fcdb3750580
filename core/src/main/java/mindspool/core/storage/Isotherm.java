package mindspool.core.storage;

import java.util.Arrays;
import mindspool.core.material.Sorption;

/**
 * Water that a material holds in balance with air of a humidity, g per g of dry material: straight
 * lines between knots.
 */
public final class Isotherm {

  /** Humidity of the knots that stand for a smooth isotherm, as fractions. */
  private static final double[] SMOOTH_KNOTS = {
    0, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.75, 0.8, 0.85, 0.9, 0.95, 1
  };

  private static final double[] DESICCANT_KNOTS = {
    0, 0.01, 0.02, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1
  };

  /**
   * Paper board: 7.5 % at 50 % humidity, 22 % at saturation; straight to one half, then rising.
   * Source: paper isotherms at the climate of ISO 187, from memory (grade B).
   */
  public static final Isotherm CARDBOARD = of(new Sorption(0.15, 0.22, 6));

  private final double[] humidity;
  private final double[] fraction;

  /**
   * An isotherm by its knots.
   *
   * @param humidity rising from 0 to 1
   * @param fraction never falling, g/g
   */
  Isotherm(double[] humidity, double[] fraction) {
    this.humidity = humidity.clone();
    this.fraction = fraction.clone();
  }

  /**
   * The isotherm of a desiccant.
   *
   * @param fractionTo90 g/g at 0, 1, 2, 5, 10, 20, ... 90 %, with spaces between; the last piece
   *     goes on to 100 %
   */
  static Isotherm ofDesiccant(String fractionTo90) {
    double[] known =
        Arrays.stream(fractionTo90.split(" ")).mapToDouble(Double::parseDouble).toArray();
    double[] fraction = Arrays.copyOf(known, DESICCANT_KNOTS.length);
    int last = known.length - 1;
    fraction[last + 1] = 2 * known[last] - known[last - 1];
    return new Isotherm(DESICCANT_KNOTS, fraction);
  }

  /** The isotherm of a polymer. */
  public static Isotherm of(Sorption sorption) {
    double[] fraction = new double[SMOOTH_KNOTS.length];
    for (int i = 0; i < fraction.length; i++) {
      fraction[i] = sorption.moistureFraction(SMOOTH_KNOTS[i]);
    }
    return new Isotherm(SMOOTH_KNOTS, fraction);
  }

  /** Water in balance with a humidity of 0 to 1; beyond, the end segments go on. */
  public double fraction(double relativeHumidity) {
    int i = segment(humidity, relativeHumidity);
    return fraction[i] + slopeOf(i) * (relativeHumidity - humidity[i]);
  }

  /** Rise of {@link #fraction} per unit of humidity. */
  public double slope(double relativeHumidity) {
    return slopeOf(segment(humidity, relativeHumidity));
  }

  /** Humidity, 0 to 1, with which a water content is in balance. */
  public double humidity(double waterFraction) {
    int i = segment(fraction, waterFraction);
    double rise = fraction[i + 1] - fraction[i];
    double share = rise > 0 ? (waterFraction - fraction[i]) / rise : 0;
    return Math.min(1, Math.max(0, humidity[i] + share * (humidity[i + 1] - humidity[i])));
  }

  private double slopeOf(int i) {
    return (fraction[i + 1] - fraction[i]) / (humidity[i + 1] - humidity[i]);
  }

  private static int segment(double[] knots, double value) {
    int i = 0;
    while (i < knots.length - 2 && value >= knots[i + 1]) {
      i++;
    }
    return i;
  }
}
