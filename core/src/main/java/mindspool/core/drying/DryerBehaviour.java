package mindspool.core.drying;

import mindspool.core.Require;

/**
 * What a dryer does with the temperature that was set.
 *
 * @param biasC true mean air temperature minus setpoint, K
 * @param hottestAboveSetC how far the hottest place a reel touches lies above the setpoint, K
 * @param uncertaintyK standard uncertainty of that: the probes' where it was measured, the kind's
 *     spread where it was not
 * @param heatUpMin minutes until the air is within 5 % of its rise
 * @param measured whether this very dryer was measured
 */
public record DryerBehaviour(
    double biasC,
    double hottestAboveSetC,
    double uncertaintyK,
    double heatUpMin,
    boolean measured) {

  /** Warm-up is taken as exponential; within 5 % after three time constants. */
  private static final double TIME_CONSTANTS_TO_WARM = 3;

  public DryerBehaviour {
    Require.within("dryer.biasC", biasC, -40, 40, "K");
    Require.within("dryer.hottestAboveSetC", hottestAboveSetC, 0, 60, "K");
    Require.within("dryer.uncertaintyK", uncertaintyK, 0, 30, "K");
    Require.within("dryer.heatUpMin", heatUpMin, 0, 600, "min");
  }

  /** Time constant of the warm-up, s. */
  public double warmingTimeS() {
    return 60 * heatUpMin / TIME_CONSTANTS_TO_WARM;
  }

  /** What is taken off a limit to get a setpoint, K. */
  double marginK() {
    return hottestAboveSetC + uncertaintyK;
  }
}
