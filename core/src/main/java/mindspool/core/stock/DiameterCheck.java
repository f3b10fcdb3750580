package mindspool.core.stock;

import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * What filament diameters measured at several points say: a printer that feeds length lays down
 * {@code (d/d_nominal)²} of what it means to.
 *
 * @param meanMm mean of the points
 * @param spreadMm largest less smallest
 * @param flowPercent setting that corrects it, % of the usual flow
 * @param withinTolerance whether every point is within 0.05 mm of the nominal diameter
 */
public record DiameterCheck(
    double meanMm, double spreadMm, double flowPercent, boolean withinTolerance) {

  /** Trade-typical tolerance (grade C). */
  private static final double TOLERANCE_MM = 0.05;

  /** Further from the nominal diameter is a slip of the caliper, mm. */
  private static final double FARTHEST_MM = 0.5;

  /**
   * From measured points.
   *
   * @param nominalMm 1.75 or 2.85
   * @param pointsMm at least two, each within 0.5 mm of the nominal
   */
  public static DiameterCheck of(double nominalMm, List<Double> pointsMm) {
    if (pointsMm.size() < 2) {
      throw new InvalidValueException(
          "diameterPointsMm",
          pointsMm.size() + " points",
          "two or more, better ten",
          "Turn the caliper between the points.");
    }
    double sum = 0;
    double low = Double.MAX_VALUE;
    double high = 0;
    for (double point : pointsMm) {
      Require.within(
          "diameterPointsMm",
          point,
          nominalMm - FARTHEST_MM,
          nominalMm + FARTHEST_MM,
          "mm",
          "Check the caliper's zero and the nominal diameter.");
      sum += point;
      low = Math.min(low, point);
      high = Math.max(high, point);
    }
    double mean = sum / pointsMm.size();
    return new DiameterCheck(
        mean,
        high - low,
        100 * (nominalMm / mean) * (nominalMm / mean),
        high <= nominalMm + TOLERANCE_MM + 1e-9 && low >= nominalMm - TOLERANCE_MM - 1e-9);
  }
}
