package mindspool.core.calibration;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * The series of measurements that tells most about a new lot for its minutes. What a lot may differ
 * in from its kind is a normal distribution over six figures, a measurement sees a sum of some of
 * them with its own error; its information is {@code ½ log2(1 + hᵀΣh / σ²)} (entropy of normal
 * distributions), and each that is done narrows what is left (Kalman's update). The next is the one
 * with most information for each minute of work, a minute of waiting counting a tenth.
 */
public final class LotSeries {

  /** What a lot may differ in, with the standard deviation that lots usually have; judgement. */
  private enum Figure {
    /** Thickness, %. */
    DIAMETER(1.2),
    /** What comes besides thickness, %: bite of the drive, swell. */
    FEED(1.5),
    /** Best nozzle, K. */
    TEMPERATURE(6),
    /** Shrinkage, %. */
    SHRINKAGE(0.12),
    /** How fast it melts, %. */
    MELT(12),
    /** How fast water moves in it, %. */
    DIFFUSION(40);

    private final double spread;

    Figure(double spread) {
      this.spread = spread;
    }
  }

  /**
   * A measurement of a lot: minutes of work and of waiting, its error, one standard deviation in
   * the unit of what it sees, and how much of each figure that is; judgement.
   */
  public enum Measurement {
    DIAMETER("thickness at ten places", 5, 0, 0.35, new double[] {1, 0, 0, 0, 0, 0}),
    FLOW("walls of a box", 6, 25, 0.8, new double[] {2, 1, 0, 0, 0, 0}),
    TEMPERATURE_LADDER("a temperature ladder", 6, 45, 3, new double[] {0, 0, 1, 0, 0, 0}),
    SHRINKAGE("lengths of a cross", 6, 60, 0.05, new double[] {0, 0, 0, 1, 0, 0}),
    // Hotter melts faster: about 1.5 % for each kelvin.
    MELT_CEILING("weighed extrusions", 15, 0, 5, new double[] {0, 0, 1.5, 0, 1, 0}),
    DRYING_CURVE("three weighings while it dries", 6, 480, 12, new double[] {0, 0, 0, 0, 0, 1});

    private final String title;
    private final double minutes;
    private final double waitMinutes;
    private final double error;
    private final double[] sees;

    Measurement(String title, double minutes, double waitMinutes, double error, double[] sees) {
      this.title = title;
      this.minutes = minutes;
      this.waitMinutes = waitMinutes;
      this.error = error;
      this.sees = sees;
    }

    public String title() {
      return title;
    }

    public double minutes() {
      return minutes;
    }

    public double waitMinutes() {
      return waitMinutes;
    }

    private double effort() {
      return minutes + WAIT_SHARE * waitMinutes;
    }
  }

  private static final double WAIT_SHARE = 0.1;

  /** What tells less than this for a minute is not worth it; judgement. */
  private static final double WORTH = 0.03;

  private final double[][] covariance;

  private LotSeries() {
    int n = Figure.values().length;
    covariance = new double[n][n];
    for (Figure figure : Figure.values()) {
      covariance[figure.ordinal()][figure.ordinal()] = figure.spread * figure.spread;
    }
  }

  /**
   * A measurement of the series.
   *
   * @param bits of information that it adds to what is known by then
   * @param bitsPerMinute of its effort
   */
  public record Step(Measurement measurement, double bits, double bitsPerMinute) {

    /** In words: by how much surer it makes, since each bit halves what is left open. */
    public String why() {
      return String.format(
          Locale.ROOT,
          "Makes what it sees %.1f times as sure, in %.0f min of work%s.",
          Math.pow(2, bits),
          measurement.minutes,
          measurement.waitMinutes > 0
              ? String.format(Locale.ROOT, " and %.0f of waiting", measurement.waitMinutes)
              : "");
    }
  }

  /** What to measure next and then, after what was measured already; the most telling first. */
  public static List<Step> after(Set<Measurement> done) {
    LotSeries known = new LotSeries();
    done.forEach(known::measured);
    List<Measurement> left = new ArrayList<>(List.of(Measurement.values()));
    left.removeAll(done);
    List<Step> series = new ArrayList<>();
    while (!left.isEmpty()) {
      Measurement best = left.get(0);
      for (Measurement each : left) {
        if (known.bits(each) / each.effort() > known.bits(best) / best.effort()) {
          best = each;
        }
      }
      double bits = known.bits(best);
      if (bits / best.effort() < WORTH) {
        break;
      }
      series.add(new Step(best, bits, bits / best.effort()));
      known.measured(best);
      left.remove(best);
    }
    return series;
  }

  private double bits(Measurement measurement) {
    double seen = 0;
    for (int i = 0; i < covariance.length; i++) {
      for (int j = 0; j < covariance.length; j++) {
        seen += measurement.sees[i] * covariance[i][j] * measurement.sees[j];
      }
    }
    return 0.5 * Math.log(1 + seen / (measurement.error * measurement.error)) / Math.log(2);
  }

  private void measured(Measurement measurement) {
    int n = covariance.length;
    double[] along = new double[n];
    double seen = measurement.error * measurement.error;
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        along[i] += covariance[i][j] * measurement.sees[j];
      }
      seen += measurement.sees[i] * along[i];
    }
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        covariance[i][j] -= along[i] * along[j] / seen;
      }
    }
  }
}
