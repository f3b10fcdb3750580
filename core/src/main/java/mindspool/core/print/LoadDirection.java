package mindspool.core.print;

import mindspool.core.Require;

/**
 * What a printed part bears by the direction of its load, as a share of what it bears along its
 * layers (Tsai and Hill's criterion for one strong plane, 1968).
 */
public final class LoadDirection {

  /** Strength of layers against sliding over that against being pulled apart; estimate. */
  private static final double SHEAR_SHARE = 0.85;

  private LoadDirection() {}

  /**
   * Share borne.
   *
   * @param zToXy strength across layers over that along them, 0 to 1
   * @param angleDeg between the load and the layers, 0 along them to 90 across
   */
  public static double share(double zToXy, double angleDeg) {
    Require.within("zToXyRatio", zToXy, 0, 1, "");
    Require.within("angleDeg", angleDeg, 0, 90, "°");
    if (zToXy == 0) {
      return angleDeg == 0 ? 1 : 0;
    }
    double angle = Math.toRadians(angleDeg);
    double along = Math.pow(Math.cos(angle), 2);
    double across = Math.pow(Math.sin(angle), 2);
    double shear = SHEAR_SHARE * zToXy;
    return 1
        / Math.sqrt(
            along * along
                + across * across / (zToXy * zToXy)
                + across * along * (1 / (shear * shear) - 1));
  }
}
