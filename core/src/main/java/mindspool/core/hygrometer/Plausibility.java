package mindspool.core.hygrometer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Finds readings of a hygrometer that cannot be right. Flagged spans that {@linkplain Kind#masks()
 * mask} are left out of a spool's exposure; the raw readings stay.
 *
 * <p>Rules: common practice with thresholds by judgement (grade D), but for the physical range.
 */
public final class Plausibility {

  /** One raw reading; times in epoch seconds. */
  public record Sample(double timeS, double temperatureC, double relativeHumidityPercent) {}

  /** What is wrong. */
  public enum Kind {
    OUT_OF_RANGE(true, "outside what a sensor can read"),
    SPIKE(true, "a short jump away from its neighbours and back"),
    STUCK(true, "humidity did not move for a day while the temperature did"),
    GAP(false, "no readings for far longer than usual"),
    STEP(false, "jumped and stayed: opened, desiccant changed, or sensor moved"),
    SATURATED(false, "at saturation for hours: wet sensor, or water in there"),
    IMPOSSIBLY_DRY(false, "drier than anything but molecular sieve can make it"),
    TWIN_DISAGREES(false, "differs from the other sensor there by more than both can be off"),
    PERHAPS_FAHRENHEIT(true, "its temperature read as °F agrees with the other sensor"),
    TOO_FAST(false, "changed faster than such a sensor can follow");

    private final boolean masks;
    private final String why;

    Kind(boolean masks, String why) {
      this.masks = masks;
      this.why = why;
    }

    /** Whether the span is left out of exposure. */
    public boolean masks() {
      return masks;
    }

    public String why() {
      return why;
    }
  }

  /** A span with something wrong, both ends included. */
  public record Flag(Kind kind, double fromS, double toS) {}

  /**
   * Rules of plausibility: a spike leaves the running median by more than 5 % and six robust widths
   * for at most three readings (judgement, grade D).
   */
  private static final double LEAST_SPIKE = 5;

  private static final double SPIKE_WIDTHS = 6;

  /** Median absolute deviation to standard deviation of a normal distribution. */
  private static final double MAD_TO_SIGMA = 1.4826;

  private static final int SPIKE_LENGTH = 3;
  private static final int MEDIAN_WINDOW = 9;

  /** Stuck: a day and 48 readings within one step while the temperature moved 2 K (judgement). */
  private static final double STUCK_S = 24 * 3600;

  private static final int STUCK_SAMPLES = 48;
  private static final double STUCK_TEMPERATURE_K = 2;

  /** A step to a new level: opening, desiccant, moved sensor, % (judgement). */
  private static final double STEP_PERCENT = 8;

  /** A gap: so many usual intervals (judgement). */
  private static final double GAP_INTERVALS = 3;

  /**
   * Capacitive sensors follow in 8 to 30 s, rooms do not change faster, % per minute (judgement).
   */
  private static final double FASTEST_PERCENT_PER_MIN = 20;

  /** Saturated for hours is condensation or a dead sensor, % (judgement). */
  private static final double SATURATED_PERCENT = 99;

  private static final double SATURATED_S = 2 * 3600;

  /** Drier than this only over molecular sieve or in heat, % (judgement). */
  private static final double DRY_PERCENT = 3;

  private static final double DRY_S = 6 * 3600;

  /** Two sensors in one place that differ for so long, s (judgement). */
  private static final double TWIN_S = 6 * 3600;

  private static final double TWIN_NEAR_S = 900;

  /** From here on very dry air is nothing odd, °C (judgement). */
  private static final double HOT_C = 60;

  private Plausibility() {}

  /**
   * What is wrong with a sensor's readings.
   *
   * @param samples in order of time
   * @param resolutionPercent smallest step of its humidity, % RH
   * @param driesBelowThree whether something in there, such as molecular sieve, makes air so dry
   */
  public static List<Flag> check(
      List<Sample> samples, double resolutionPercent, boolean driesBelowThree) {
    List<Flag> flags = new ArrayList<>();
    List<Sample> sound = new ArrayList<>();
    for (Sample sample : samples) {
      if (inRange(sample)) {
        sound.add(sample);
      } else {
        flags.add(new Flag(Kind.OUT_OF_RANGE, sample.timeS, sample.timeS));
      }
    }
    boolean[] spike = spikes(sound, flags);
    gaps(sound, flags);
    stuck(sound, resolutionPercent, flags);
    steps(sound, spike, flags);
    lasting(sound, Kind.SATURATED, SATURATED_S, flags);
    if (!driesBelowThree) {
      lasting(sound, Kind.IMPOSSIBLY_DRY, DRY_S, flags);
    }
    flags.sort((a, b) -> Double.compare(a.fromS, b.fromS));
    return flags;
  }

  /** Whether a reading can be one at all. */
  public static boolean inRange(Sample sample) {
    return sample.relativeHumidityPercent >= 0
        && sample.relativeHumidityPercent <= 100
        && sample.temperatureC >= -40
        && sample.temperatureC <= 125;
  }

  private static boolean[] spikes(List<Sample> samples, List<Flag> flags) {
    int n = samples.size();
    boolean[] spike = new boolean[n];
    if (n < MEDIAN_WINDOW) {
      return spike;
    }
    double[] away = new double[n];
    for (int i = 0; i < n; i++) {
      away[i] = samples.get(i).relativeHumidityPercent - median(samples, i);
    }
    double[] sizes = Arrays.stream(away).map(Math::abs).sorted().toArray();
    double limit = Math.max(LEAST_SPIKE, SPIKE_WIDTHS * MAD_TO_SIGMA * sizes[n / 2]);
    for (int i = 0; i < n; i++) {
      int end = i;
      while (end < n && Math.abs(away[end]) > limit) {
        end++;
      }
      if (end > i && end - i <= SPIKE_LENGTH) {
        Arrays.fill(spike, i, end, true);
        flags.add(new Flag(Kind.SPIKE, samples.get(i).timeS, samples.get(end - 1).timeS));
      }
      i = Math.max(i, end);
    }
    for (int i = 1; i < n; i++) {
      double minutes = (samples.get(i).timeS - samples.get(i - 1).timeS) / 60;
      double change =
          Math.abs(
              samples.get(i).relativeHumidityPercent - samples.get(i - 1).relativeHumidityPercent);
      if (minutes > 0 && minutes <= 5 && change / minutes > FASTEST_PERCENT_PER_MIN) {
        flags.add(new Flag(Kind.TOO_FAST, samples.get(i - 1).timeS, samples.get(i).timeS));
      }
    }
    return spike;
  }

  /** Median of the nine readings around one, fewer at the ends. */
  private static double median(List<Sample> samples, int centre) {
    int from = Math.max(0, Math.min(centre - MEDIAN_WINDOW / 2, samples.size() - MEDIAN_WINDOW));
    double[] window =
        samples.subList(from, from + MEDIAN_WINDOW).stream()
            .mapToDouble(Sample::relativeHumidityPercent)
            .sorted()
            .toArray();
    return window[MEDIAN_WINDOW / 2];
  }

  private static void gaps(List<Sample> samples, List<Flag> flags) {
    int n = samples.size();
    if (n < 3) {
      return;
    }
    double[] intervals = new double[n - 1];
    for (int i = 1; i < n; i++) {
      intervals[i - 1] = samples.get(i).timeS - samples.get(i - 1).timeS;
    }
    double[] sorted = intervals.clone();
    Arrays.sort(sorted);
    double usual = sorted[sorted.length / 2];
    for (int i = 0; i < intervals.length; i++) {
      if (usual > 0 && intervals[i] > GAP_INTERVALS * usual) {
        flags.add(new Flag(Kind.GAP, samples.get(i).timeS, samples.get(i + 1).timeS));
      }
    }
  }

  /** Longest runs within one step of resolution, in which the temperature moved. */
  private static void stuck(List<Sample> samples, double resolution, List<Flag> flags) {
    int start = 0;
    while (start < samples.size()) {
      double low = samples.get(start).relativeHumidityPercent;
      double high = low;
      double cold = samples.get(start).temperatureC;
      double warm = cold;
      int end = start;
      while (end + 1 < samples.size()) {
        Sample next = samples.get(end + 1);
        double newLow = Math.min(low, next.relativeHumidityPercent);
        double newHigh = Math.max(high, next.relativeHumidityPercent);
        if (newHigh - newLow > resolution * 1.0001) {
          break;
        }
        low = newLow;
        high = newHigh;
        cold = Math.min(cold, next.temperatureC);
        warm = Math.max(warm, next.temperatureC);
        end++;
      }
      boolean lasted =
          samples.get(end).timeS - samples.get(start).timeS >= STUCK_S
              && end - start + 1 >= STUCK_SAMPLES;
      if (lasted && warm - cold >= STUCK_TEMPERATURE_K) {
        flags.add(new Flag(Kind.STUCK, samples.get(start).timeS, samples.get(end).timeS));
      }
      start = Math.max(end, start + 1);
    }
  }

  private static void steps(List<Sample> samples, boolean[] spike, List<Flag> flags) {
    List<Sample> calm = new ArrayList<>();
    for (int i = 0; i < samples.size(); i++) {
      if (!spike[i]) {
        calm.add(samples.get(i));
      }
    }
    int half = MEDIAN_WINDOW / 2;
    for (int i = half; i + half < calm.size(); i++) {
      double before = middle(calm, i - half, i);
      double after = middle(calm, i, i + half);
      double jump =
          Math.abs(calm.get(i).relativeHumidityPercent - calm.get(i - 1).relativeHumidityPercent);
      boolean stays = Math.abs(after - before) > STEP_PERCENT && jump > STEP_PERCENT / 2;
      if (stays) {
        flags.add(new Flag(Kind.STEP, calm.get(i - 1).timeS, calm.get(i).timeS));
        i += half;
      }
    }
  }

  private static double middle(List<Sample> samples, int from, int to) {
    double[] window =
        samples.subList(from, to).stream()
            .mapToDouble(Sample::relativeHumidityPercent)
            .sorted()
            .toArray();
    return window[window.length / 2];
  }

  private static void lasting(List<Sample> samples, Kind kind, double leastS, List<Flag> flags) {
    int i = 0;
    while (i < samples.size()) {
      int end = i;
      while (end < samples.size() && shows(samples.get(end), kind)) {
        end++;
      }
      if (end > i && samples.get(end - 1).timeS - samples.get(i).timeS > leastS) {
        flags.add(new Flag(kind, samples.get(i).timeS, samples.get(end - 1).timeS));
      }
      i = Math.max(end, i + 1);
    }
  }

  private static boolean shows(Sample sample, Kind kind) {
    return kind == Kind.SATURATED
        ? sample.relativeHumidityPercent >= SATURATED_PERCENT
        : sample.relativeHumidityPercent < DRY_PERCENT && sample.temperatureC < HOT_C;
  }

  /**
   * Compares two sensors in one place.
   *
   * @param samples of the sensor in question, in order of time
   * @param twin of the other one
   * @param uncertaintyPercent by which the two may differ, % RH
   */
  public static List<Flag> against(
      List<Sample> samples, List<Sample> twin, double uncertaintyPercent) {
    List<Flag> flags = new ArrayList<>();
    double from = Double.NaN;
    double fahrenheitFrom = Double.NaN;
    int j = 0;
    double last = 0;
    for (Sample sample : samples) {
      while (j + 1 < twin.size()
          && Math.abs(twin.get(j + 1).timeS - sample.timeS)
              <= Math.abs(twin.get(j).timeS - sample.timeS)) {
        j++;
      }
      if (twin.isEmpty() || Math.abs(twin.get(j).timeS - sample.timeS) > TWIN_NEAR_S) {
        continue;
      }
      Sample other = twin.get(j);
      boolean apart =
          Math.abs(sample.relativeHumidityPercent - other.relativeHumidityPercent)
              > uncertaintyPercent;
      from = span(from, apart, sample.timeS, last, Kind.TWIN_DISAGREES, TWIN_S, flags);
      boolean fahrenheit =
          Math.abs(sample.temperatureC - other.temperatureC) > 10
              && Math.abs((sample.temperatureC - 32) / 1.8 - other.temperatureC) < 2;
      fahrenheitFrom =
          span(fahrenheitFrom, fahrenheit, sample.timeS, last, Kind.PERHAPS_FAHRENHEIT, 0, flags);
      last = sample.timeS;
    }
    span(from, false, last, last, Kind.TWIN_DISAGREES, TWIN_S, flags);
    span(fahrenheitFrom, false, last, last, Kind.PERHAPS_FAHRENHEIT, 0, flags);
    return flags;
  }

  private static double span(
      double from,
      boolean holds,
      double now,
      double last,
      Kind kind,
      double leastS,
      List<Flag> flags) {
    if (holds) {
      return Double.isNaN(from) ? now : from;
    }
    if (!Double.isNaN(from) && last - from >= leastS) {
      flags.add(new Flag(kind, from, last));
    }
    return Double.NaN;
  }
}
