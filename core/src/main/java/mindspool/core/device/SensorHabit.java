package mindspool.core.device;

import java.util.Arrays;

/**
 * How often a sensor speaks, and from when on it is silent: nothing came for five of its usual
 * spans, the longest one in twenty left out, and for a quarter of an hour at least (judgement). One
 * that sends only when its reading changes has long spans, and they count as its habit.
 */
public final class SensorHabit {

  /** Later than this many usual spans is no lateness any more. */
  private static final double SPANS = 5;

  /** A broker that restarts, a router that is switched off for a moment, s. */
  private static final double LEAST_S = 15 * 60;

  private static final double USUAL_SHARE = 0.95;

  /** Habits change; so many readings tell the present one. */
  private static final int LATEST = 200;

  private static final int LEAST_READINGS = 4;

  private SensorHabit() {}

  /**
   * How long it may be silent.
   *
   * @param timesS times of its readings, ascending, s
   * @return s; infinite where too few are known for a habit
   */
  public static double mostSilentS(double[] timesS) {
    if (timesS.length < LEAST_READINGS) {
      return Double.POSITIVE_INFINITY;
    }
    int first = Math.max(1, timesS.length - LATEST);
    double[] spans = new double[timesS.length - first];
    for (int i = first; i < timesS.length; i++) {
      spans[i - first] = timesS[i] - timesS[i - 1];
    }
    Arrays.sort(spans);
    double usual = spans[(int) Math.floor(USUAL_SHARE * (spans.length - 1))];
    return Math.max(LEAST_S, SPANS * usual);
  }
}
