package mindspool.core.learning;

import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureBand;

/**
 * What is known of a lot's polymer before a spool of it is weighed: its diffusivity and its uptake
 * as factors of the table's, each log-normal.
 *
 * @param logDiffusion mean of the natural logarithm of the diffusion factor
 * @param logDiffusionSd its standard deviation
 * @param logSorption mean of the natural logarithm of the sorption factor
 * @param logSorptionSd its standard deviation
 * @param logPackSd standard deviation of the logarithm of the pack factor around the table's; 0
 *     where it is taken as known
 * @param logBindingSd likewise of the wet exponent and of the heat of sorption, each
 */
public record LotPrior(
    double logDiffusion,
    double logDiffusionSd,
    double logSorption,
    double logSorptionSd,
    double logPackSd,
    double logBindingSd) {

  /** Windings differ in tightness, and flanges in how open they are (judgement, grade D). */
  private static final double PACK_SD = 0.5;

  /** What water does to the polymer is known to a third at best (judgement, grade D). */
  private static final double BINDING_SD = 0.3;

  /** Any lot of a material, as {@link MoistureBand} has it. */
  public static final LotPrior ANY_LOT =
      new LotPrior(
          0, MoistureBand.LOG_DIFFUSION_SD, 0, MoistureBand.LOG_SORPTION_SD, PACK_SD, BINDING_SD);

  /** Spools of one lot still differ, in winding and age, by this much (judgement, grade D). */
  private static final double WITHIN_LOT_DIFFUSION_SD = 0.2;

  /** Spread of water uptake between spools of one lot, as a logarithm (judgement, grade D). */
  private static final double WITHIN_LOT_SORPTION_SD = 0.05;

  public LotPrior {
    if (!(logDiffusionSd > 0 && logSorptionSd > 0 && logPackSd >= 0 && logBindingSd >= 0)) {
      throw new IllegalArgumentException("a prior needs widths above 0");
    }
  }

  /** A material as such a lot of it is on average. */
  public Material of(Material material) {
    return equals(ANY_LOT)
        ? material
        : material.ofLot(Math.exp(logDiffusion), Math.exp(logSorption));
  }

  /**
   * The prior for a sibling of a spool that was weighed: what was learned there, widened by what
   * differs within a lot, and never wider than that of any lot.
   */
  public static LotPrior fromSibling(Calibration known) {
    return new LotPrior(
        known.mean(Member::logDiffusion),
        Math.min(
            ANY_LOT.logDiffusionSd,
            Math.hypot(known.sd(Member::logDiffusion), WITHIN_LOT_DIFFUSION_SD)),
        known.mean(Member::logSorption),
        Math.min(
            ANY_LOT.logSorptionSd,
            Math.hypot(known.sd(Member::logSorption), WITHIN_LOT_SORPTION_SD)),
        PACK_SD,
        BINDING_SD);
  }
}
