package mindspool.core.learning;

import mindspool.core.material.LotFactors;
import mindspool.core.material.Material;

/**
 * One of the states that the weighings allow, with its share of the belief. Natural logarithms of
 * factors on what the table, or the reel's kind, has.
 *
 * @param logDiffusion on the diffusivity
 * @param logSorption on the uptake
 * @param startShift start humidity in standard deviations from the one assumed
 * @param logPack on the pack factor
 * @param logWetDiffusivity on the exponent by which water speeds diffusion
 * @param logSorptionHeat on the heat with which water is bound
 * @param logReelWater on the water that the reel itself takes up
 * @param weight share, all members together 1
 */
public record Member(
    double logDiffusion,
    double logSorption,
    double startShift,
    double logPack,
    double logWetDiffusivity,
    double logSorptionHeat,
    double logReelWater,
    double weight) {

  /** One that differs in diffusivity, uptake and start only. */
  public Member(double logDiffusion, double logSorption, double startShift, double weight) {
    this(logDiffusion, logSorption, startShift, 0, 0, 0, 0, weight);
  }

  public double diffusionFactor() {
    return Math.exp(logDiffusion);
  }

  public double sorptionFactor() {
    return Math.exp(logSorption);
  }

  /** A material as it is in this state. */
  public Material of(Material material) {
    return material.ofLot(
        new LotFactors(
            Math.exp(logDiffusion),
            Math.exp(logSorption),
            Math.exp(logPack),
            Math.exp(logWetDiffusivity),
            Math.exp(logSorptionHeat)));
  }
}
