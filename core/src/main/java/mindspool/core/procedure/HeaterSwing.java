package mindspool.core.procedure;

import java.util.Arrays;
import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * How a nozzle's temperature swings once it is warm: how far, how often, and whether it jumps as no
 * block can.
 *
 * @param meanC once it is warm
 * @param swingC from low to high, without the outermost readings
 * @param periodS from peak to peak, where it repeats
 * @param jumps readings so far from the one before that the wire, not the block, is the reason
 * @param readings that were used
 * @param seconds that they cover
 */
public record HeaterSwing(
    double meanC, double swingC, OptionalDouble periodS, int jumps, int readings, double seconds) {

  /** Readings that are needed. */
  public static final int LEAST_READINGS = 20;

  private static final int MOST_READINGS = 20_000;
  private static final double LEAST_S = 30;

  /** Nearer to where it ends up it counts as warm, °C; judgement. */
  private static final double WARM_WITHIN = 5;

  /** A block warms and cools no faster, °C/s; common practice. */
  private static final double FASTEST = 8;

  /** Noise of a sensor stays under this, °C. */
  private static final double NOISE = 5;

  /** Within 2 °C to both sides is steady; common practice. */
  private static final double STEADY = 4;

  /** What repeats is as much like itself a period later; judgement. */
  private static final double REPEATS = 0.4;

  /** Finds it in readings of the nozzle; times in seconds from any start, rising. */
  public static HeaterSwing of(double[] timesS, double[] temperaturesC) {
    int count = timesS.length;
    if (count != temperaturesC.length) {
      throw new InvalidValueException(
          "temperaturesC",
          temperaturesC.length + " values",
          count + " values",
          "One for each time.");
    }
    Require.within("readings", count, LEAST_READINGS, MOST_READINGS, "", "Log for five minutes.");
    for (int i = 0; i < count; i++) {
      Require.within("temperaturesC", temperaturesC[i], -20, 600, "°C");
      if (i > 0 && !(timesS[i] > timesS[i - 1])) {
        throw new InvalidValueException(
            "timesS", timesS[i], "later than " + timesS[i - 1], "Put the readings in order.");
      }
    }
    int from = warmFrom(temperaturesC);
    Require.within(
        "readings once it is warm", count - from, LEAST_READINGS, count, "", "Log for longer.");
    double seconds = timesS[count - 1] - timesS[from];
    Require.within("seconds once it is warm", seconds, LEAST_S, Double.MAX_VALUE, "s");
    double stepS = seconds / (count - 1 - from);
    int jumps = 0;
    for (int i = from + 1; i < count; i++) {
      double change = Math.abs(temperaturesC[i] - temperaturesC[i - 1]);
      if (change > Math.max(NOISE, FASTEST * (timesS[i] - timesS[i - 1]))) {
        jumps++;
      }
    }
    double[] even = evenly(timesS, temperaturesC, from, stepS);
    double[] level = withoutDrift(even);
    double[] sorted = level.clone();
    Arrays.sort(sorted);
    double swing =
        sorted[(int) (0.95 * (sorted.length - 1))] - sorted[(int) (0.05 * (sorted.length - 1))];
    return new HeaterSwing(
        Arrays.stream(even).average().orElseThrow(),
        swing,
        period(level, stepS),
        jumps,
        count - from,
        seconds);
  }

  private static int warmFrom(double[] temperatures) {
    double[] second =
        Arrays.copyOfRange(temperatures, temperatures.length / 2, temperatures.length);
    Arrays.sort(second);
    double end = second[second.length / 2];
    int from = 0;
    while (from < temperatures.length / 2 && Math.abs(temperatures[from] - end) > WARM_WITHIN) {
      from++;
    }
    return from;
  }

  private static double[] evenly(double[] times, double[] values, int from, double stepS) {
    double[] even = new double[values.length - from];
    int before = from;
    for (int i = 0; i < even.length; i++) {
      double at = times[from] + i * stepS;
      while (before < times.length - 2 && times[before + 1] < at) {
        before++;
      }
      double share = (at - times[before]) / (times[before + 1] - times[before]);
      even[i] = values[before] + Math.min(1, share) * (values[before + 1] - values[before]);
    }
    return even;
  }

  private static double[] withoutDrift(double[] values) {
    int n = values.length;
    double middle = (n - 1) / 2.0;
    double mean = Arrays.stream(values).average().orElseThrow();
    double slope = 0;
    for (int i = 0; i < n; i++) {
      slope += (i - middle) * (values[i] - mean);
    }
    slope /= n * ((double) n * n - 1) / 12;
    double[] level = new double[n];
    for (int i = 0; i < n; i++) {
      level[i] = values[i] - mean - slope * (i - middle);
    }
    return level;
  }

  /** The first lag, after the readings have swung to the other side, at which they are alike. */
  private static OptionalDouble period(double[] level, double stepS) {
    double power = Arrays.stream(level).map(v -> v * v).sum() / level.length;
    int most = level.length / 2;
    double[] alike = new double[most + 1];
    for (int lag = 0; lag <= most; lag++) {
      double sum = 0;
      for (int i = 0; i + lag < level.length; i++) {
        sum += level[i] * level[i + lag];
      }
      alike[lag] = power > 0 ? sum / (level.length - lag) / power : 0;
    }
    int lag = 1;
    while (lag < most && alike[lag] > 0) {
      lag++;
    }
    int best = lag;
    for (int i = lag; i < most; i++) {
      if (alike[i] > alike[best]) {
        best = i;
      }
    }
    // A later peak that is hardly higher is a multiple of the first.
    for (int i = lag + 1; i < best; i++) {
      if (alike[i] >= alike[i - 1] && alike[i] >= alike[i + 1] && alike[i] > 0.8 * alike[best]) {
        best = i;
      }
    }
    return best > lag && best < most && alike[best] >= REPEATS
        ? OptionalDouble.of(stepS * (best + vertex(alike[best - 1], alike[best], alike[best + 1])))
        : OptionalDouble.empty();
  }

  private static double vertex(double before, double at, double after) {
    double bend = before - 2 * at + after;
    return bend < 0 ? (before - after) / (2 * bend) : 0;
  }

  /** Outcome of the test of watching the nozzle's temperature. */
  public String outcome() {
    return jumps > 0 ? "jumps" : swingC > STEADY ? "swings" : "steady";
  }

  /** Height between the bands that this swing prints, mm, where it repeats. */
  public OptionalDouble bandMm(double layerHeightMm, double layerTimeS) {
    Require.within("layerHeightMm", layerHeightMm, 0.02, 3, "mm");
    Require.within("layerTimeS", layerTimeS, 0.1, 36_000, "s");
    return periodS.isPresent()
        ? OptionalDouble.of(periodS.getAsDouble() / layerTimeS * layerHeightMm)
        : OptionalDouble.empty();
  }

  /** In words, with what to do. */
  public String words() {
    String measured =
        String.format(
            Locale.ROOT, "Mean %.1f °C, %.1f °C from low to high%s. ", meanC, swingC, again());
    return measured
        + switch (outcome()) {
          case "jumps" ->
              String.format(
                  Locale.ROOT,
                  "%d %s faster than a block can warm or cool: sensor or wire. Power off; never"
                      + " bridge the protection.",
                  jumps,
                  jumps == 1 ? "jump" : "jumps");
          case "swings" ->
              "That is more than 2 °C to both sides: tune the control at print temperature with the"
                  + " fan on, and look at the block's sleeve.";
          default -> "Steady: the control is not the reason.";
        };
  }

  private String again() {
    return periodS.isPresent()
        ? String.format(Locale.ROOT, ", again every %.1f s", periodS.getAsDouble())
        : ", without a rhythm";
  }
}
