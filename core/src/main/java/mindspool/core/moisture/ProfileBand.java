package mindspool.core.moisture;

import java.util.function.ToDoubleFunction;

/** How sure a moisture profile is. */
public interface ProfileBand {

  /** Half-width of an 80 % band in standard deviations of a normal distribution. */
  double EIGHTY_PERCENT_SD = 1.2816;

  /** Half-width of the 80 % band of some mean of the profile, in its unit. */
  double halfWidth(ToDoubleFunction<MoistureProfile> quantity);
}
