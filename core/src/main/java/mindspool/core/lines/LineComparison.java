package mindspool.core.lines;

import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import mindspool.core.InvalidValueException;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/**
 * Whether two walls have the same lines at the same heights.
 *
 * @param correlation at its best, -1 to 1
 * @param shiftMm of the second against the first there
 * @param chance that walls with such spectra, but lines at other heights, correlate as well
 */
public record LineComparison(double correlation, double shiftMm, double chance) {

  /** Marks are set so well, as a share of the height. */
  private static final double SHIFT_SHARE = 0.03;

  /** Two walls of the same lines correlate by more than this; judgement. */
  private static final double LEAST_SAME = 0.3;

  /** Chance that is taken of calling unrelated walls the same. */
  private static final double SAME_CHANCE = 0.02;

  /** Below this, or with more chance than this, nothing is shared; judgement. */
  private static final double OTHER_CORRELATION = 0.2;

  private static final double OTHER_CHANCE = 0.2;
  private static final int SURROGATES = 300;
  private static final long SEED = 20;

  /** What it says. */
  public enum Verdict {
    SAME("The same lines at the same heights: mechanical, or shape or settings."),
    OTHER("Other lines: filament, feed or temperature; or there are none."),
    UNSURE("Not sure: a part of the lines may be the same. Mark more closely, or print once more.");

    private final String words;

    Verdict(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /** Compares two walls, the lower ends on one another, as far up as both go. */
  public static LineComparison of(WallProfile first, WallProfile second) {
    double step = Math.max(first.stepMm(), second.stepMm());
    int count = (int) Math.floor(Math.min(first.heightMm(), second.heightMm()) / step);
    int least = WallProfile.LEAST;
    if (count < least) {
      throw new InvalidValueException(
          "heightMm",
          count + " steps in common",
          "at least " + least,
          "Compare walls of about the same height.");
    }
    double[] a = resampled(first, step, count);
    double[] b = resampled(second, step, count);
    int most = Math.max(1, (int) Math.round(SHIFT_SHARE * count));
    double[] best = best(a, b, most);
    RandomGenerator random = new SplittableRandom(SEED);
    Surrogates surrogates = new Surrogates(b);
    int asGood = 0;
    for (int i = 0; i < SURROGATES; i++) {
      if (best(a, surrogates.next(random), most)[0] >= best[0]) {
        asGood++;
      }
    }
    return new LineComparison(best[0], best[1] * step, (asGood + 1.0) / (SURROGATES + 1));
  }

  public Verdict verdict() {
    if (chance <= SAME_CHANCE && correlation >= LEAST_SAME) {
      return Verdict.SAME;
    }
    return correlation < OTHER_CORRELATION || chance > OTHER_CHANCE
        ? Verdict.OTHER
        : Verdict.UNSURE;
  }

  private static double[] resampled(WallProfile profile, double stepMm, int count) {
    double[] values = profile.values();
    double[] sampled = new double[count];
    for (int i = 0; i < count; i++) {
      double at = (i + 0.5) * stepMm / profile.stepMm() - 0.5;
      int low = (int) Math.max(0, Math.min(values.length - 1, Math.floor(at)));
      int high = Math.min(values.length - 1, low + 1);
      double share = Math.max(0, Math.min(1, at - low));
      sampled[i] = values[low] * (1 - share) + values[high] * share;
    }
    return sampled;
  }

  /** Highest correlation over small shifts, and its shift in steps. */
  private static double[] best(double[] a, double[] b, int most) {
    double highest = -1;
    int best = 0;
    for (int shift = -most; shift <= most; shift++) {
      double ab = 0;
      double aa = 0;
      double bb = 0;
      for (int i = Math.max(0, -shift); i < Math.min(a.length, b.length - shift); i++) {
        ab += a[i] * b[i + shift];
        aa += a[i] * a[i];
        bb += b[i + shift] * b[i + shift];
      }
      double r = aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
      if (r > highest) {
        highest = r;
        best = shift;
      }
    }
    return new double[] {highest, best};
  }

  /**
   * Walls with the spectrum of one and lines elsewhere: the phases of its Fourier transform drawn
   * anew (Theiler and others 1992, from memory).
   */
  private static final class Surrogates {

    private final FastFourierTransformer fourier =
        new FastFourierTransformer(DftNormalization.STANDARD);
    private final Complex[] transform;
    private final int count;

    Surrogates(double[] values) {
      count = values.length;
      int padded = Integer.highestOneBit(Math.max(1, count - 1)) << 1;
      double[] whole = new double[padded];
      for (int i = 0; i < padded; i++) {
        // Mirrored to fill up, so that no edge is made.
        int at = i % (2 * count);
        whole[i] = values[at < count ? at : 2 * count - 1 - at];
      }
      transform = fourier.transform(whole, TransformType.FORWARD);
    }

    double[] next(RandomGenerator random) {
      Complex[] turned = new Complex[transform.length];
      int half = transform.length / 2;
      turned[0] = Complex.ZERO;
      turned[half] = Complex.ZERO;
      for (int k = 1; k < half; k++) {
        double angle = 2 * Math.PI * random.nextDouble();
        turned[k] = transform[k].multiply(new Complex(Math.cos(angle), Math.sin(angle)));
        turned[transform.length - k] = turned[k].conjugate();
      }
      Complex[] back = fourier.transform(turned, TransformType.INVERSE);
      double[] values = new double[count];
      for (int i = 0; i < count; i++) {
        values[i] = back[i].getReal();
      }
      return values;
    }
  }
}
