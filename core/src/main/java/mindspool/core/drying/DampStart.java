package mindspool.core.drying;

import mindspool.core.material.Material;

/**
 * Wet nylon and PVA soften earlier than dry ones: water lowers their glass temperature. They begin
 * cooler and go up once the outer wraps have given off theirs. Common practice.
 */
public final class DampStart {

  /** For how long, h. */
  public static final double HOURS = 2;

  private DampStart() {}

  /** Whether a spool of this moisture is to begin cooler; above its print limit it counts wet. */
  public static boolean needed(Material material, double meanPercent) {
    return material.dampStartLowerK() > 0 && meanPercent > material.printLimitPercent();
  }
}
