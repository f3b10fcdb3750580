package mindspool.core.hygrometer;

import java.util.Comparator;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * A straight line from what a hygrometer reads to what is true, through one or two salt points.
 *
 * <p>Through two points both gain and offset; through one the offset only, which grows doubtful
 * with the distance from it. The line through more points than two goes through the lowest and
 * highest.
 *
 * @param gain true rise per rise of the reading
 * @param offsetPercent true humidity at a reading of 0
 * @param points what it rests on, from dry to damp
 */
public record HygrometerCorrection(double gain, double offsetPercent, List<Point> points) {

  /** A reading over a salt. */
  public record Point(Salt salt, double temperatureC, double readingPercent) {

    public Point {
      salt.humidityPercent(temperatureC);
      Require.within("readingPercent", readingPercent, 0, 100, "%");
    }

    double truePercent() {
      return salt.humidityPercent(temperatureC);
    }

    /** One standard uncertainty of the true humidity at the sensor, % RH. */
    double uncertainty() {
      double table = salt.uncertaintyPercent(temperatureC) / 2;
      double unequal = UNEQUAL_TEMPERATURE_K * SHARE_PER_KELVIN * truePercent();
      return Math.hypot(table, unequal);
    }
  }

  /** What to make of a sensor after its check. */
  public enum Verdict {
    /** Read it through the correction. */
    USABLE,
    /** One point only: for damp air near that point, not for dry boxes. */
    ONE_POINT_ONLY,
    /** Too far off: replace it. */
    REJECT
  }

  /** Salt and sensor in a closed jar differ by about this much (judgement, grade D). */
  private static final double UNEQUAL_TEMPERATURE_K = 0.25;

  /** Share of the humidity that a kelvin of difference makes. */
  private static final double SHARE_PER_KELVIN = 0.06;

  /** What a capacitive sensor repeats, % RH (trade-typical, grade C). */
  private static final double REPEATABILITY = 1.0;

  /** Unknown gain, one standard deviation (trade-typical, grade C). */
  private static final double GAIN_SPREAD = 0.04;

  /** Two salts closer together give no gain, % (judgement). */
  private static final double LEAST_APART = 15;

  /** A hygrometer that is further off is to be replaced, % (judgement). */
  private static final double WORST_ERROR = 10;

  /** A gain outside of these is a wrong salt or a broken sensor (judgement). */
  private static final double LEAST_GAIN = 0.85;

  private static final double MOST_GAIN = 1.15;

  /** What holds before any check: the reading itself. */
  public static final HygrometerCorrection NONE = new HygrometerCorrection(1, 0, List.of());

  /** Spread of a cheap sensor that was never checked, one standard deviation, % RH (grade C). */
  private static final double UNCHECKED_SPREAD = 3;

  /**
   * The correction from salt points.
   *
   * @param points one or more; two must be at least 15 % RH apart
   */
  public static HygrometerCorrection through(List<Point> points) {
    if (points.isEmpty()) {
      throw new InvalidValueException(
          "points", "none", "one or two salt points", "Read the sensor over a salt first.");
    }
    List<Point> sorted =
        points.stream().sorted(Comparator.comparingDouble(Point::truePercent)).toList();
    Point low = sorted.get(0);
    Point high = sorted.get(sorted.size() - 1);
    if (sorted.size() == 1) {
      return new HygrometerCorrection(1, low.truePercent() - low.readingPercent, sorted);
    }
    double apart = high.truePercent() - low.truePercent();
    if (apart < LEAST_APART || high.readingPercent <= low.readingPercent) {
      throw new InvalidValueException(
          "points",
          "%s and %s, %.1f %% apart, read as %s and %s"
              .formatted(
                  low.salt.id(),
                  high.salt.id(),
                  apart,
                  Require.plain(low.readingPercent),
                  Require.plain(high.readingPercent)),
          "two salts at least 15 % RH apart, the damper one read higher",
          "MgCl2 (33 %) and NaCl (75 %) are the usual pair.");
    }
    double gain = apart / (high.readingPercent - low.readingPercent);
    return new HygrometerCorrection(gain, low.truePercent() - gain * low.readingPercent, sorted);
  }

  /** True humidity for a reading, %, kept within 0..100. */
  public double corrected(double readingPercent) {
    return Math.min(100, Math.max(0, gain * readingPercent + offsetPercent));
  }

  /** Half-width of the 95 % interval (k = 2) of a corrected reading, % RH. */
  public double uncertaintyPercent(double readingPercent) {
    if (points.isEmpty()) {
      return 2 * UNCHECKED_SPREAD;
    }
    Point low = points.get(0);
    Point high = points.get(points.size() - 1);
    if (points.size() == 1) {
      double gainError = GAIN_SPREAD * (readingPercent - low.readingPercent);
      return 2 * Math.hypot(Math.hypot(low.uncertainty(), REPEATABILITY), gainError);
    }
    double share =
        (readingPercent - low.readingPercent) / (high.readingPercent - low.readingPercent);
    double points2 = Math.hypot((1 - share) * low.uncertainty(), share * high.uncertainty());
    return 2 * Math.hypot(points2, REPEATABILITY);
  }

  public Verdict verdict() {
    boolean farOff =
        points.stream()
            .anyMatch(point -> Math.abs(point.readingPercent - point.truePercent()) > WORST_ERROR);
    if (farOff || gain < LEAST_GAIN || gain > MOST_GAIN) {
      return Verdict.REJECT;
    }
    return points.size() == 1 ? Verdict.ONE_POINT_ONLY : Verdict.USABLE;
  }
}
