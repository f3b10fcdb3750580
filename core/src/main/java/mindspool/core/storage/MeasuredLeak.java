package mindspool.core.storage;

import java.util.Locale;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * A container's own conductance from weighing its desiccant twice: {@code G = gained / days /
 * (h_out - h_in)}.
 *
 * @param conductanceGPerDay g per day and unit of humidity difference, openings included
 * @param uncertaintyShare standard uncertainty as a share, from the scale's step
 */
public record MeasuredLeak(double conductanceGPerDay, double uncertaintyShare) {

  /** A shorter time tells no leak, days (judgement). */
  private static final double LEAST_DAYS = 1;

  /** Nor does a smaller difference of humidity, 0..1 (judgement). */
  private static final double LEAST_DIFFERENCE = 0.05;

  /** Nor a gain of fewer steps of the scale (judgement). */
  private static final double LEAST_STEPS = 10;

  /**
   * The conductance.
   *
   * @param gainedG by the desiccant between the two weighings
   * @param outside mean humidity around it, 0..1
   * @param inside mean humidity in it, 0..1
   * @param scaleStepG smallest step that the scale shows
   */
  public static MeasuredLeak of(
      double gainedG, double days, double outside, double inside, double scaleStepG) {
    if (!(days >= LEAST_DAYS)) {
      throw new InvalidValueException(
          "days", Require.plain(days), "a day or more", "Wait a week: then the leak shows.");
    }
    if (!(outside - inside >= LEAST_DIFFERENCE)) {
      throw new InvalidValueException(
          "humidity",
          String.format(
              Locale.ROOT, "%.0f %% outside, %.0f %% inside", 100 * outside, 100 * inside),
          "at least 5 % damper outside than inside",
          "So small a difference says nothing; use fresh desiccant.");
    }
    if (!(gainedG >= LEAST_STEPS * scaleStepG)) {
      throw new InvalidValueException(
          "gainedG",
          Require.plain(gainedG) + " g",
          "at least ten steps of the scale, " + Require.plain(LEAST_STEPS * scaleStepG) + " g",
          "Wait longer, or use a finer scale.");
    }
    return new MeasuredLeak(
        gainedG / days / (outside - inside), Math.sqrt(2.0 / 12) * scaleStepG / gainedG);
  }
}
