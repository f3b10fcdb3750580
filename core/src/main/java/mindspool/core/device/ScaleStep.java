package mindspool.core.device;

import java.util.List;

/**
 * The step of a scale that nobody described, by the decimals that its readings have: one that ever
 * shows 1012.4 weighs to a tenth. A multiple such as 2 or 5 g cannot be told from a few readings,
 * so whole grams count as steps of one.
 */
public final class ScaleStep {

  /** Steps of common scales, g, the coarsest first. */
  private static final double[] STEPS = {1, 0.1, 0.01};

  /** Finer digits are rounding of the message, g. */
  private static final double FINEST = 0.001;

  /** A binary number is this near to what was shown, as a share of a step. */
  private static final double ROUNDING = 1e-4;

  private ScaleStep() {}

  /** Step in g; 1 where there are no readings. */
  public static double of(List<Double> readingsG) {
    for (double step : STEPS) {
      if (readingsG.stream().allMatch(mass -> isWhole(mass / step))) {
        return step;
      }
    }
    return FINEST;
  }

  private static boolean isWhole(double steps) {
    return Math.abs(steps - Math.rint(steps)) < ROUNDING;
  }
}
