package mindspool.core.print;

import mindspool.core.Require;

/** How fast a build plate warms and cools, and what its mass allows of acceleration. */
public final class PlateWarming {

  /** Of a warm horizontal face in still air, W/(m² K); handbooks of heat transfer, from memory. */
  public static final double FACE_LOSS = 10;

  private PlateWarming() {}

  /**
   * Time to warm a body that gives heat to the air, s; infinite where the heater never gets there.
   *
   * @param heatJPerK its heat capacity, J/K
   * @param lossWPerK what it gives off, W/K
   */
  public static double warmS(
      double heatJPerK, double lossWPerK, double heaterW, double fromC, double toC, double airC) {
    Require.within("heaterW", heaterW, 0, 100_000, "W");
    double most = heaterW / lossWPerK;
    if (toC <= fromC) {
      return 0;
    }
    return most <= toC - airC
        ? Double.POSITIVE_INFINITY
        : heatJPerK / lossWPerK * Math.log((most - (fromC - airC)) / (most - (toC - airC)));
  }

  /** Time to cool, s; infinite down to the air itself. */
  public static double coolS(
      double heatJPerK, double lossWPerK, double fromC, double toC, double airC) {
    if (toC >= fromC) {
      return 0;
    }
    return toC <= airC
        ? Double.POSITIVE_INFINITY
        : heatJPerK / lossWPerK * Math.log((fromC - airC) / (toC - airC));
  }

  /** Acceleration that asks the same force of a plate of another mass. */
  public static double acceleration(
      double before, double oldPlateKg, double newPlateKg, double otherMovingKg) {
    return before * (otherMovingKg + oldPlateKg) / (otherMovingKg + newPlateKg);
  }
}
