package mindspool.core.calibration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * What a worksheet's measurements give. Complaints name what was asked for, measured, wanted, or
 * set now, as worksheets have it.
 *
 * @param value the calibrated value, in {@code unit}
 * @param unsure one standard deviation of it, wider for few measurements: 1.28 of it to both sides
 *     hold the truth in four of five cases (Student 1908)
 * @param words what it means and what to set
 * @param leftOut numbers, from 0, of measurements that do not belong to the others
 * @param points measurements, as they are drawn
 * @param curve what was fitted, as it is drawn
 */
public record Worksheet(
    double value,
    double unsure,
    String unit,
    String words,
    List<Integer> leftOut,
    List<Point> points,
    List<Point> curve) {

  /** A point of a drawing. */
  public record Point(double x, double y) {}

  /**
   * A measurement further off than so many robust standard deviations does not belong (Iglewicz and
   * Hoaglin 1993, from memory).
   */
  private static final double OUTLIER = 3.5;

  /** Of fewer measurements the spread is hardly known: only gross slips are left out; judgement. */
  private static final int MANY = 8;

  private static final double FEW = 4;

  /** Median of absolute deviations over standard deviation of a normal distribution. */
  private static final double MAD = 1.4826;

  private static final double BOND = 2;
  private static final double STRINGS = 1;
  private static final double GLOSS = 0.5;

  private static final int MOST = 200;
  private static final int DRAWN = 40;

  /** More oval than this, mm, it feeds unevenly; common practice. */
  private static final double OVAL_MM = 0.05;

  /** A caliper is read to so much, mm. */
  private static final double CALIPER_MM = 0.01;

  /** A person gives the same grade again to so much of a step, of 0 to 5; judgement. */
  private static final double GRADE_SD = 0.4;

  /** Grades of a step of a temperature ladder, 0 to 5; 5 is best of bond and gloss as wanted. */
  public record Step(double nozzleC, double bond, double strings, double gloss) {}

  /**
   * Temperature ladder: bond counts most, strings against it, gloss a little (weights are
   * judgement); a parabola through the steps' scores has its top at the temperature to be set.
   *
   * @param steps at least four, grades 0 to 5: bond when broken (5 inside of lines), strings (5
   *     many), gloss as wanted (5)
   */
  public static Worksheet temperatureLadder(List<Step> steps) {
    checkCount("steps", steps.size(), 4, "Print five steps or more.");
    double[] x = new double[steps.size()];
    double[] y = new double[steps.size()];
    for (int i = 0; i < x.length; i++) {
      Step step = steps.get(i);
      x[i] = Require.within("steps.nozzleC", step.nozzleC, 120, 480, "°C");
      Require.within("steps.bond", step.bond, 0, 5, "");
      Require.within("steps.strings", step.strings, 0, 5, "");
      Require.within("steps.gloss", step.gloss, 0, 5, "");
      y[i] =
          (BOND * step.bond + STRINGS * (5 - step.strings) + GLOSS * step.gloss)
              / (BOND + STRINGS + GLOSS);
    }
    double low = Arrays.stream(x).min().orElseThrow();
    double high = Arrays.stream(x).max().orElseThrow();
    if (high - low < 10) {
      throw new InvalidValueException(
          "steps.nozzleC",
          Require.plain(high - low) + " K between the outermost",
          "10 K or more",
          "Wider steps, 5 to 10 K apart.");
    }
    checkDifferent("steps.nozzleC", x, 3, "°C");
    LeastSquares fit = LeastSquares.of(x, y, 2, GRADE_SD);
    boolean inside = fit.hasTop() && fit.top() >= low && fit.top() <= high;
    double best = inside ? fit.top() : fit.at(low) > fit.at(high) ? low : high;
    double unsure = inside ? Math.min(high - low, fit.topSd()) : (high - low) / 2;
    return new Worksheet(
        best,
        unsure,
        "°C",
        inside
            ? say("Set %.0f °C, give or take %.0f.", best, unsure)
            : say(
                "Best at the end of the ladder, %.0f °C: print another ladder that goes on from"
                    + " there.",
                best),
        List.of(),
        points(x, y),
        curve(low, high, fit));
  }

  /**
   * Flow by walls: as much more as they are too thin.
   *
   * @param wallsMm measured thickness of one line, at several places
   * @param wantedMm width that was set
   * @param flowPercent that was set
   */
  public static Worksheet flow(List<Double> wallsMm, double wantedMm, double flowPercent) {
    checkCount("measured", wallsMm.size(), 4, "Measure all four walls at two heights.");
    Require.within("wanted", wantedMm, 0.1, 3, "mm");
    Require.within("now", flowPercent, 50, 150, "%");
    double[] walls = array("measured", wallsMm, 0.3 * wantedMm, 3 * wantedMm, "mm");
    List<Integer> out = outliers(walls);
    double[] kept = without(walls, out);
    double mean = Arrays.stream(kept).average().orElseThrow();
    double value = flowPercent * wantedMm / mean;
    double unsure =
        value
            * few(kept.length - 1)
            * Math.max(CALIPER_MM, sd(kept))
            / Math.sqrt(kept.length)
            / mean;
    double[] numbers = new double[walls.length];
    Arrays.setAll(numbers, i -> i + 1);
    return new Worksheet(
        value,
        unsure,
        "%",
        say(
            "Walls are %.3f mm where %.3f was set: set the flow to %.1f %%, give or take %.1f.",
            mean, wantedMm, value, unsure),
        out,
        points(numbers, walls),
        List.of(new Point(1, wantedMm), new Point(walls.length, wantedMm)));
  }

  /**
   * Diameter along the first metres, two readings across at each place.
   *
   * @param acrossMm readings in pairs: one way, and turned by a quarter
   */
  public static Worksheet diameter(List<Double> acrossMm, double nominalMm) {
    Require.within("wanted", nominalMm, 1, 5, "mm");
    checkCount("measured", acrossMm.size(), 6, "Measure at ten places, two ways each.");
    if (acrossMm.size() % 2 != 0) {
      throw new InvalidValueException(
          "measured", acrossMm.size() + " readings", "pairs", "Two readings at each place.");
    }
    double[] all = array("measured", acrossMm, nominalMm - 0.5, nominalMm + 0.5, "mm");
    int places = all.length / 2;
    double[] means = new double[places];
    double oval = 0;
    for (int i = 0; i < places; i++) {
      means[i] = (all[2 * i] + all[2 * i + 1]) / 2;
      oval += Math.abs(all[2 * i] - all[2 * i + 1]) / places;
    }
    List<Integer> out = outliers(means);
    double[] kept = without(means, out);
    double mean = Arrays.stream(kept).average().orElseThrow();
    double unsure = few(kept.length - 1) * Math.max(CALIPER_MM, sd(kept)) / Math.sqrt(kept.length);
    double[] numbers = new double[places];
    Arrays.setAll(numbers, i -> i + 1);
    return new Worksheet(
        mean,
        unsure,
        "mm",
        say(
            "Mean %.3f mm, oval by %.3f: a flow of %.1f %% makes up for the thickness%s.",
            mean,
            oval,
            100 * (nominalMm / mean) * (nominalMm / mean),
            oval > OVAL_MM ? "; that oval it feeds unevenly" : ""),
        out,
        points(numbers, means),
        List.of(new Point(1, nominalMm), new Point(places, nominalMm)));
  }

  /**
   * Shrinkage along one axis: measured against drawn lengths. The slope is the shrinkage; what all
   * are off by alike is the width of lines, not shrinkage.
   *
   * @param drawnMm at least three different lengths
   */
  public static Worksheet shrinkage(List<Double> drawnMm, List<Double> measuredMm) {
    LeastSquares fit = line("asked", drawnMm, "measured", measuredMm, 1, 1000, "mm");
    double value = 100 * (1 - fit.slope());
    double unsure = 100 * few(drawnMm.size() - 2) * fit.slopeSd();
    double[] x = drawnMm.stream().mapToDouble(each -> each).toArray();
    double[] off = new double[x.length];
    Arrays.setAll(off, i -> measuredMm.get(i) - drawnMm.get(i));
    double low = Arrays.stream(x).min().orElseThrow();
    double high = Arrays.stream(x).max().orElseThrow();
    return new Worksheet(
        value,
        unsure,
        "%",
        say(
            "It shrinks by %.2f %%, give or take %.2f: draw it %.4f times as long. All lengths are"
                + " off by %.2f mm alike: that is the width of the lines.",
            value, unsure, 1 / fit.slope(), fit.intercept()),
        List.of(),
        points(x, off),
        List.of(new Point(low, fit.at(low) - low), new Point(high, fit.at(high) - high)));
  }

  /**
   * Extruder: fed against asked lengths.
   *
   * @param stepsPerMm that are set now
   */
  public static Worksheet extruder(List<Double> askedMm, List<Double> fedMm, double stepsPerMm) {
    Require.within("now", stepsPerMm, 1, 100_000, "steps/mm");
    LeastSquares fit = line("asked", askedMm, "measured", fedMm, 5, 2000, "mm");
    double value = stepsPerMm / fit.slope();
    double[] x = askedMm.stream().mapToDouble(each -> each).toArray();
    double[] y = fedMm.stream().mapToDouble(each -> each).toArray();
    double high = Arrays.stream(x).max().orElseThrow();
    return new Worksheet(
        value,
        value * few(x.length - 2) * fit.slopeSd() / fit.slope(),
        "steps/mm",
        say(
            "%.3f mm come of each that is asked for: set %.2f steps/mm, or multiply the length of a"
                + " turn by %.4f.",
            fit.slope(), value, fit.slope()),
        List.of(),
        points(x, y),
        List.of(new Point(0, fit.at(0)), new Point(high, fit.at(high))));
  }

  /** From there on the melt does not follow: less than this share comes. Common practice. */
  private static final double FOLLOWS = 0.95;

  /**
   * Melt ceiling: weighed extrusions at rising flow. What comes is level first and falls then; a
   * level and a falling line that meet are fitted, by trying where.
   *
   * @param flowMm3PerS asked for, at least five different
   * @param massG that came of the same volume each
   * @param askedG mass of the volume that was asked for
   */
  public static Worksheet meltCeiling(List<Double> flowMm3PerS, List<Double> massG, double askedG) {
    checkCount("asked", flowMm3PerS.size(), 5, "Go up in five steps or more.");
    same("asked", flowMm3PerS, "measured", massG);
    Require.within("wanted", askedG, 0.05, 100, "g");
    double[] x = array("asked", flowMm3PerS, 0.1, 200, "mm³/s");
    checkDifferent("asked", x, 4, "mm³/s");
    double[] y = array("measured", massG, 0, 3 * askedG, "g");
    for (int i = 0; i < y.length; i++) {
      y[i] /= askedG;
    }
    double low = Arrays.stream(x).min().orElseThrow();
    double high = Arrays.stream(x).max().orElseThrow();
    double[] best = {Double.MAX_VALUE, high, 1, 0};
    for (int i = 0; i <= 200; i++) {
      double knee = low + (high - low) * i / 200;
      double[] fitted = levelThenFalling(x, y, knee);
      if (fitted[0] < best[0] - 1e-15) {
        best = new double[] {fitted[0], knee, fitted[1], fitted[2]};
      }
    }
    double level = best[2];
    double fall = best[3];
    double wanted = FOLLOWS * level;
    double ceiling = fall > 0 ? best[1] + (level - wanted) / fall : high;
    boolean seen = fall > 0 && ceiling <= high;
    double value = seen ? ceiling : high;
    double sd = Math.sqrt(best[0] / Math.max(1, x.length - 3));
    double unsure =
        seen ? Math.max(sd / fall, (high - low) / x.length / 4) : (high - low) / x.length;
    double knee = best[1];
    return new Worksheet(
        value,
        unsure,
        "mm³/s",
        seen
            ? say(
                "Up to %.1f mm³/s at least 95 %% come, give or take %.1f: print no faster at this"
                    + " temperature.",
                value, unsure)
            : say("The melt follows up to %.1f mm³/s, the fastest that was tried.", high),
        List.of(),
        points(x, y),
        List.of(
            new Point(low, level),
            new Point(knee, level),
            new Point(high, level - fall * (high - knee))));
  }

  /** Squares, level and fall of a level line that falls from a knee on. */
  private static double[] levelThenFalling(double[] x, double[] y, double knee) {
    int n = x.length;
    double sumY = 0;
    double sumZ = 0;
    double sumZz = 0;
    double sumZy = 0;
    for (int i = 0; i < n; i++) {
      double z = Math.max(0, x[i] - knee);
      sumY += y[i];
      sumZ += z;
      sumZz += z * z;
      sumZy += z * y[i];
    }
    double det = n * sumZz - sumZ * sumZ;
    double slope = Math.abs(det) < 1e-12 ? 0 : (n * sumZy - sumZ * sumY) / det;
    double fall = Math.max(0, -slope);
    double level = (sumY + fall * sumZ) / n;
    double squares = 0;
    for (int i = 0; i < n; i++) {
      double off = y[i] - level + fall * Math.max(0, x[i] - knee);
      squares += off * off;
    }
    return new double[] {squares, level, fall};
  }

  private static LeastSquares line(
      String xField,
      List<Double> xs,
      String yField,
      List<Double> ys,
      double least,
      double most,
      String unit) {
    checkCount(xField, xs.size(), 3, "Three different lengths or more.");
    same(xField, xs, yField, ys);
    double[] x = array(xField, xs, least, most, unit);
    double[] y = array(yField, ys, 0.5 * least, 1.5 * most, unit);
    double low = Arrays.stream(x).min().orElseThrow();
    double high = Arrays.stream(x).max().orElseThrow();
    if (high < 1.5 * low) {
      throw new InvalidValueException(
          xField,
          Require.plain(low) + " to " + Require.plain(high) + " " + unit,
          "lengths of which the longest is half as long again as the shortest",
          "Measure short ones and long ones.");
    }
    return LeastSquares.of(x, y, 1, CALIPER_MM);
  }

  private static void same(String xField, List<Double> xs, String yField, List<Double> ys) {
    if (xs.size() != ys.size()) {
      throw new InvalidValueException(
          yField, ys.size() + " values", xs.size() + " as in " + xField, "One for each.");
    }
  }

  private static void checkCount(String field, int count, int least, String advice) {
    Require.within(field, count, least, MOST, "measurements", advice);
  }

  private static double[] array(
      String field, List<Double> values, double least, double most, String unit) {
    double[] all = new double[values.size()];
    for (int i = 0; i < all.length; i++) {
      double value = Require.present(field + "[" + i + "]", values.get(i), "a number");
      all[i] = Require.within(field + "[" + i + "]", value, least, most, unit, "Measure it again.");
    }
    return all;
  }

  private static List<Integer> outliers(double[] values) {
    double median = median(values);
    double[] off = new double[values.length];
    Arrays.setAll(off, i -> Math.abs(values[i] - median));
    double spread = Math.max(CALIPER_MM, MAD * median(off));
    double limit = OUTLIER * spread * (values.length < MANY ? FEW : 1);
    List<Integer> out = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      if (off[i] > limit) {
        out.add(i);
      }
    }
    return out;
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    int n = sorted.length;
    return n % 2 == 1 ? sorted[n / 2] : (sorted[n / 2 - 1] + sorted[n / 2]) / 2;
  }

  private static double[] without(double[] values, List<Integer> out) {
    List<Double> kept = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      if (!out.contains(i)) {
        kept.add(values[i]);
      }
    }
    return kept.stream().mapToDouble(each -> each).toArray();
  }

  /** By how much so few degrees of freedom widen a band of four in five. */
  private static double few(int freedom) {
    return new TDistribution(Math.max(1, freedom)).inverseCumulativeProbability(0.9)
        / new NormalDistribution().inverseCumulativeProbability(0.9);
  }

  private static void checkDifferent(String field, double[] values, int least, String unit) {
    long different = Arrays.stream(values).distinct().count();
    if (different < least) {
      throw new InvalidValueException(
          field,
          different + " different values",
          least + " or more different values in " + unit,
          "Nothing can be told of what lies between: measure at more.");
    }
  }

  private static double sd(double[] values) {
    double mean = Arrays.stream(values).average().orElseThrow();
    double squares = Arrays.stream(values).map(each -> (each - mean) * (each - mean)).sum();
    return values.length > 1 ? Math.sqrt(squares / (values.length - 1)) : 0;
  }

  private static List<Point> points(double[] x, double[] y) {
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < x.length; i++) {
      points.add(new Point(x[i], y[i]));
    }
    return points;
  }

  private static List<Point> curve(double low, double high, LeastSquares fit) {
    List<Point> curve = new ArrayList<>();
    for (int i = 0; i <= DRAWN; i++) {
      double x = low + (high - low) * i / DRAWN;
      curve.add(new Point(x, fit.at(x)));
    }
    return curve;
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
