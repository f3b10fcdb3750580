package mindspool.core.moisture;

import java.util.function.ToDoubleFunction;
import mindspool.core.material.Material;

/**
 * How sure an estimate is, to first order: the history is followed again with the diffusivity, the
 * uptake and the assumed start each one standard deviation higher, and the changes, and what the
 * model leaves out, are added as independent errors.
 *
 * <p>Spreads: diffusivity a factor exp(0.6), uptake a factor exp(0.2) (judgement on published
 * ranges, grade D); the start as given in the history. Not counted: errors of the climate record.
 */
public final class MoistureBand implements ProfileBand {

  /** Standard deviation of the logarithm of a lot's diffusivity around the table's. */
  public static final double LOG_DIFFUSION_SD = 0.6;

  /** Standard deviation of the logarithm of a lot's uptake around the table's. */
  public static final double LOG_SORPTION_SD = 0.2;

  private final MoistureProfile expected;
  private final MoistureProfile[] varied;

  private MoistureBand(MoistureProfile expected, MoistureProfile... varied) {
    this.expected = expected;
    this.varied = varied;
  }

  /**
   * Band at a time. The runs that are compared are all equally coarse, so that their differences
   * are those of the parameters.
   *
   * @param timeS not before the history's start
   */
  public static MoistureBand at(Material material, SpoolHistory history, double timeS) {
    return at(material, LOG_DIFFUSION_SD, LOG_SORPTION_SD, history, timeS);
  }

  /**
   * Band of a lot that is known better than any.
   *
   * @param material as the lot is believed to be
   * @param logDiffusionSd standard deviation of the logarithm of its diffusivity
   * @param logSorptionSd and of its uptake
   */
  public static MoistureBand at(
      Material material,
      double logDiffusionSd,
      double logSorptionSd,
      SpoolHistory history,
      double timeS) {
    return new MoistureBand(
        profile(material, history, timeS, 1, 1, 0),
        profile(material, history, timeS, Math.exp(logDiffusionSd), 1, 0),
        profile(material, history, timeS, 1, Math.exp(logSorptionSd), 0),
        profile(material, history, timeS, 1, 1, 1));
  }

  private static MoistureProfile profile(
      Material material,
      SpoolHistory history,
      double timeS,
      double diffusionFactor,
      double sorptionFactor,
      double startShift) {
    SpoolReplay replay =
        new SpoolReplay(
            material.ofLot(diffusionFactor, sorptionFactor),
            history,
            startShift,
            SpoolMoistureModel.Options.COARSE);
    return replay.advance(replay.start(), history.startS(), timeS, null).profile();
  }

  @Override
  public double halfWidth(ToDoubleFunction<MoistureProfile> quantity) {
    double centre = quantity.applyAsDouble(expected);
    double sum = Math.pow(UNMODELLED_SHARE_SD * centre, 2);
    for (MoistureProfile profile : varied) {
      double change = quantity.applyAsDouble(profile) - centre;
      sum += change * change;
    }
    return EIGHTY_PERCENT_SD * Math.sqrt(sum);
  }
}
