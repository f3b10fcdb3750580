package mindspool.core.drying;

import java.util.List;
import mindspool.core.learning.LotPrior;
import mindspool.core.learning.Member;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;

/**
 * How well a spool is known, to first order: covariance of the natural logarithms of its
 * diffusivity, its uptake, the water in it now, and its core's moisture against the mean, each as a
 * factor of the estimate.
 *
 * @param covariance 4 by 4, in that order
 */
public record Belief(double[][] covariance) {

  static final int QUANTITIES = 4;
  private static final int DIFFUSION = 0;
  private static final int SORPTION = 1;
  private static final int WATER = 2;
  private static final int DEPTH = 3;

  /** How deep the water lies in a spool that was never weighed (judgement, grade D). */
  private static final double ANY_DEPTH_SD = 0.1;

  /**
   * However well it was weighed, the model follows no winding better than this, in diffusivity,
   * water and how deep it lies.
   */
  private static final double MODEL_SD = ProfileBand.UNMODELLED_SHARE_SD;

  private static final double LEAST_PERCENT = 1e-5;

  /** Water in a spool goes up with its uptake, but never wholly follows from it. */
  private static final double MOST_CORRELATION = 0.95;

  /**
   * Any lot of a material.
   *
   * @param waterSpread standard deviation of its water as a share of it, uptake's part included
   */
  public static Belief anyLot(double waterSpread) {
    return ofLot(LotPrior.ANY_LOT, waterSpread);
  }

  /** A lot of which something is known. */
  public static Belief ofLot(LotPrior lot, double waterSpread) {
    double sorption = lot.logSorptionSd();
    double[][] covariance = new double[QUANTITIES][QUANTITIES];
    covariance[DIFFUSION][DIFFUSION] = lot.logDiffusionSd() * lot.logDiffusionSd();
    covariance[SORPTION][SORPTION] = sorption * sorption;
    covariance[WATER][WATER] = waterSpread * waterSpread;
    covariance[DEPTH][DEPTH] = ANY_DEPTH_SD * ANY_DEPTH_SD;
    double common = Math.min(sorption * sorption, MOST_CORRELATION * sorption * waterSpread);
    covariance[SORPTION][WATER] = common;
    covariance[WATER][SORPTION] = common;
    return new Belief(covariance);
  }

  /**
   * A spool whose weighings taught a weighted set of states.
   *
   * @param now water by depth that each of them has in it now, in their order
   */
  public static Belief learned(List<Member> members, List<MoistureProfile> now) {
    double[][] values = new double[members.size()][];
    double[] mean = new double[QUANTITIES];
    for (int i = 0; i < values.length; i++) {
      Member member = members.get(i);
      double water = Math.max(LEAST_PERCENT, now.get(i).meanPercent());
      double core = Math.max(LEAST_PERCENT, now.get(i).corePercent());
      values[i] =
          new double[] {
            member.logDiffusion(), member.logSorption(), Math.log(water), Math.log(core / water)
          };
      for (int k = 0; k < QUANTITIES; k++) {
        mean[k] += member.weight() * values[i][k];
      }
    }
    double[][] covariance = new double[QUANTITIES][QUANTITIES];
    for (int i = 0; i < values.length; i++) {
      for (int k = 0; k < QUANTITIES; k++) {
        for (int l = 0; l < QUANTITIES; l++) {
          covariance[k][l] +=
              members.get(i).weight() * (values[i][k] - mean[k]) * (values[i][l] - mean[l]);
        }
      }
    }
    covariance[DIFFUSION][DIFFUSION] += MODEL_SD * MODEL_SD;
    covariance[WATER][WATER] += MODEL_SD * MODEL_SD;
    covariance[DEPTH][DEPTH] += MODEL_SD * MODEL_SD;
    return new Belief(covariance);
  }

  /**
   * The likeliest of the shifts that raise a quantity by so many of its standard deviations.
   *
   * @param slopes change of the quantity per unit of each of the four
   */
  double[] worst(double[] slopes, double sds) {
    double[] shift = new double[QUANTITIES];
    double sd = sd(slopes);
    for (int k = 0; k < QUANTITIES && sd > 0; k++) {
      for (int l = 0; l < QUANTITIES; l++) {
        shift[k] += sds * covariance[k][l] * slopes[l] / sd;
      }
    }
    return shift;
  }

  /** Covariance of two quantities that change so much per unit of each of the four. */
  double covariance(double[] slopes, double[] otherSlopes) {
    double sum = 0;
    for (int k = 0; k < QUANTITIES; k++) {
      for (int l = 0; l < QUANTITIES; l++) {
        sum += slopes[k] * covariance[k][l] * otherSlopes[l];
      }
    }
    return sum;
  }

  /** Standard deviation of a quantity that changes so much per unit of each of the four. */
  double sd(double[] slopes) {
    return Math.sqrt(Math.max(0, covariance(slopes, slopes)));
  }
}
