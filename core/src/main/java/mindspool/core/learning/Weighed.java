package mindspool.core.learning;

/**
 * A spool on the scale.
 *
 * @param atS when
 * @param grossG what the scale showed
 * @param stepG the scale's step
 * @param nothingUsedBefore whether nothing was printed or cut off since the weighing before: only
 *     then is their difference water
 */
public record Weighed(double atS, double grossG, double stepG, boolean nothingUsedBefore) {

  /** No weighing repeats better, g: draught, hands, where it stands (judgement). */
  private static final double LEAST_SD_G = 0.02;

  /**
   * Standard deviation of the reading, g: that of rounding, and as much again for how well the
   * scale repeats itself (common practice), never below what a draught does.
   */
  public double sdG() {
    return Math.max(LEAST_SD_G, stepG / Math.sqrt(6));
  }
}
