package mindspool.core.drying;

import java.util.Set;
import mindspool.core.material.Material;

/**
 * Wet nylon and PVA soften earlier than dry ones: water lowers their glass temperature. They begin
 * cooler and go up once the outer wraps have given off theirs. Common practice.
 */
public final class DampStart {

  /** How much cooler. */
  public static final double LOWER_K = 10;

  /** For how long, h. */
  public static final double HOURS = 2;

  private static final Set<String> SOFTENED_BY_WATER = Set.of("PA6", "PA12", "PA-CF", "PVA");

  private DampStart() {}

  /** Whether a spool of this moisture is to begin cooler; above its print limit it counts wet. */
  public static boolean needed(Material material, double meanPercent) {
    return SOFTENED_BY_WATER.contains(material.name())
        && meanPercent > material.printLimitPercent();
  }
}
