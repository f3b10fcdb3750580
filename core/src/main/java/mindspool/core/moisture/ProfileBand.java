package mindspool.core.moisture;

import java.util.function.ToDoubleFunction;

/** How sure a moisture profile is. */
public interface ProfileBand {

  /** Half-width of an 80 % band in standard deviations of a normal distribution. */
  double EIGHTY_PERCENT_SD = 1.2816;

  /**
   * What the model leaves out of a real spool, as a share of the moisture: one standard deviation.
   * Loops of wetting and drying, isotherms that bend otherwise than the table's, flanges that are
   * not tight, spots that are warmer than the hygrometer's. Found by holding estimates against
   * simulated spools that have all of these.
   */
  double UNMODELLED_SHARE_SD = 0.08;

  /** Half-width of the 80 % band of some mean of the profile, in its unit. */
  double halfWidth(ToDoubleFunction<MoistureProfile> quantity);
}
