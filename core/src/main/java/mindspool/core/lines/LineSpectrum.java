package mindspool.core.lines;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/**
 * Spacings that repeat in a wall's profile: peaks of its power spectrum (noise made level, von
 * Hann's window, Fourier transform) over what is around them.
 *
 * @param spacings the surest first
 */
public record LineSpectrum(List<Spacing> spacings) {

  /** The transform is so many times longer than the profile, so that peaks are found between. */
  private static final int PADDING = 4;

  /** Fewer repeats over the height are no spacing. */
  private static final double LEAST_REPEATS = 4;

  private static final int MOST = 5;

  /** Half of what is around a peak, in repeats over the height. */
  private static final int AROUND = 12;

  /** So many powers that do not hang together tell what is around; the window ties neighbours. */
  private static final double AROUND_COUNTS = 12;

  /** Nearer to a peak is its own foot, in repeats. */
  private static final int FOOT = 2;

  private static final double SURE = 0.95;

  /**
   * A distance at which lines come again.
   *
   * @param mm between them
   * @param unsureMm one standard deviation, by the width of the peak
   * @param confidence that chance does not make such a peak anywhere in the spectrum, 0 to 1
   * @param share of the profile's power in it
   */
  public record Spacing(double mm, double unsureMm, double confidence, double share) {}

  /** Finds the spacings of a profile that are surely there. */
  public static LineSpectrum of(WallProfile profile) {
    double[] power = power(whitened(profile.values()));
    int count = profile.values().length;
    int padded = 2 * (power.length - 1);
    double perRepeat = (double) padded / count;
    double all = Arrays.stream(power).sum();
    List<Spacing> found = new ArrayList<>();
    if (!(all > 0)) {
      return new LineSpectrum(List.of());
    }
    int from = (int) Math.ceil(LEAST_REPEATS * perRepeat);
    int independent = Math.max(1, (int) ((power.length - from) / perRepeat));
    for (int k = from; k < power.length - 1; k++) {
      if (power[k] > power[k - 1] && power[k] >= power[k + 1]) {
        double around = around(power, k, perRepeat);
        // Noise has powers that fall off exponentially; its mean is known from a few of them only,
        // which makes the tail that of an F distribution.
        double chance = Math.pow(1 + power[k] / around / AROUND_COUNTS, -AROUND_COUNTS);
        double confidence = Math.pow(1 - chance, independent);
        if (confidence >= SURE) {
          double peak = k + vertex(power[k - 1], power[k], power[k + 1]);
          double repeats = peak / perRepeat;
          double mm = profile.heightMm() / repeats;
          found.add(
              new Spacing(
                  mm,
                  mm * unsureRepeats(power[k] / around) / repeats,
                  confidence,
                  Math.min(1, foot(power, k, perRepeat) / all)));
        }
      }
    }
    found.sort(Comparator.comparingDouble(Spacing::share).reversed());
    return new LineSpectrum(List.copyOf(found.subList(0, Math.min(MOST, found.size()))));
  }

  /**
   * Noise of walls hangs together from step to step, which makes its spectrum fall; without what
   * each step takes from the one before it is about level.
   */
  private static double[] whitened(double[] values) {
    double square = 0;
    double product = 0;
    for (int i = 1; i < values.length; i++) {
      square += values[i - 1] * values[i - 1];
      product += values[i] * values[i - 1];
    }
    double share = square > 0 ? product / square : 0;
    double[] white = new double[values.length];
    for (int i = 1; i < values.length; i++) {
      white[i] = values[i] - share * values[i - 1];
    }
    return white;
  }

  private static double[] power(double[] values) {
    int padded = Integer.highestOneBit(values.length) * PADDING;
    if (Integer.highestOneBit(values.length) != values.length) {
      padded *= 2;
    }
    double[] windowed = new double[padded];
    for (int i = 0; i < values.length; i++) {
      double hann = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / values.length);
      windowed[i] = hann * values[i];
    }
    Complex[] transform =
        new FastFourierTransformer(DftNormalization.STANDARD)
            .transform(windowed, TransformType.FORWARD);
    double[] power = new double[padded / 2 + 1];
    for (int k = 0; k < power.length; k++) {
      double norm = transform[k].norm();
      power[k] = norm * norm;
    }
    return power;
  }

  /** Mean power of noise around a peak: the median there over ln 2. */
  private static double around(double[] power, int k, double perRepeat) {
    List<Double> near = new ArrayList<>();
    for (int step = -AROUND; step <= AROUND; step++) {
      int at = k + (int) Math.round(step * perRepeat);
      if (Math.abs(step) > FOOT && at > 0 && at < power.length) {
        near.add(power[at]);
      }
    }
    near.sort(null);
    double median = near.isEmpty() ? 0 : near.get(near.size() / 2);
    return Math.max(1e-300, median / Math.log(2));
  }

  private static double foot(double[] power, int k, double perRepeat) {
    int reach = (int) Math.round(FOOT * perRepeat);
    double sum = 0;
    for (int i = Math.max(0, k - reach); i <= Math.min(power.length - 1, k + reach); i++) {
      sum += power[i];
    }
    return sum;
  }

  /** Where a parabola through three logarithms has its top, about the middle one. */
  private static double vertex(double before, double at, double after) {
    double a = Math.log(Math.max(1e-300, before));
    double b = Math.log(Math.max(1e-300, at));
    double c = Math.log(Math.max(1e-300, after));
    double bend = a - 2 * b + c;
    return bend < 0 ? 0.5 * (a - c) / bend : 0;
  }

  /** Cramér and Rao's bound for a single tone in noise, from memory; in repeats. */
  private static double unsureRepeats(double signalToNoise) {
    return Math.sqrt(3 / (2 * Math.PI * Math.PI * Math.max(1, signalToNoise)));
  }
}
