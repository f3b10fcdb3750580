package mindspool.core.lines;

import java.util.Arrays;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * How bright a wall is along its height, without what changes slowly.
 *
 * @param values from the bottom up, about 0
 * @param stepMm between them
 */
public record WallProfile(double[] values, double stepMm) {

  /** Shorter ones hold no spectrum, longer ones no more lines. */
  public static final int LEAST = 32;

  public static final int MOST = 8192;

  /** Columns beside one another across the wall. */
  private static final int COLUMNS = 15;

  /** How far to both sides of the marks they go, as a share of the wall's length in the picture. */
  private static final double SIDE_SHARE = 0.06;

  /** What goes up and down over more of the height than this is light and shadow. */
  private static final double SLOW_SHARE = 0.12;

  /** Columns are moved by up to this share of the height to lie on one another. */
  private static final double TILT_SHARE = 0.02;

  public WallProfile {
    if (values.length < LEAST || values.length > MOST) {
      throw new InvalidValueException(
          "brightness",
          values.length + " values",
          LEAST + " to " + MOST + " values",
          "Give one value for each step of height.");
    }
    for (double value : values) {
      if (!Double.isFinite(value)) {
        throw new InvalidValueException(
            "brightness", value, "finite numbers", "Leave out what is no number.");
      }
    }
    Require.within("stepMm", stepMm, 1e-4, 100, "mm");
  }

  /** By means of neighbours, with no more than so many values. */
  public WallProfile thinned(int most) {
    int every = (values.length + most - 1) / most;
    if (every == 1 || values.length / every < LEAST) {
      return this;
    }
    double[] means = new double[values.length / every];
    for (int i = 0; i < means.length; i++) {
      means[i] = Arrays.stream(values, i * every, (i + 1) * every).average().orElseThrow();
    }
    return new WallProfile(means, stepMm * every);
  }

  /** Height of the wall, mm. */
  public double heightMm() {
    return values.length * stepMm;
  }

  /** Brightness as it was measured, its slow part taken away. */
  public static WallProfile of(double[] brightness, double stepMm) {
    new WallProfile(brightness, stepMm);
    return new WallProfile(withoutSlow(brightness), stepMm);
  }

  /**
   * The profile of a wall in a picture: the median of columns beside one another, each moved so
   * that lines that run a little askew lie on one another.
   */
  public static WallProfile of(GreyPicture picture, WallMarks marks) {
    marks.within(picture);
    double length = marks.lengthPx();
    int count = (int) Math.max(LEAST, Math.min(MOST, Math.round(length)));
    double sideX = -(marks.topY() - marks.bottomY()) / length;
    double sideY = (marks.topX() - marks.bottomX()) / length;
    double[][] columns = new double[COLUMNS][];
    for (int c = 0; c < COLUMNS; c++) {
      double aside = SIDE_SHARE * length * (2.0 * c / (COLUMNS - 1) - 1);
      columns[c] = new double[count];
      for (int i = 0; i < count; i++) {
        double along = (i + 0.5) / count;
        double x = marks.bottomX() + along * (marks.topX() - marks.bottomX()) + aside * sideX;
        double y = marks.bottomY() + along * (marks.topY() - marks.bottomY()) + aside * sideY;
        columns[c][i] = brightness(picture, x, y);
      }
      columns[c] = withoutSlow(columns[c]);
    }
    return new WallProfile(median(aligned(columns)), marks.heightMm() / count);
  }

  /** Between four pixels; the nearest at the edge. */
  private static double brightness(GreyPicture picture, double x, double y) {
    double inX = Math.max(0, Math.min(picture.width() - 1.001, x));
    double inY = Math.max(0, Math.min(picture.height() - 1.001, y));
    int left = (int) inX;
    int above = (int) inY;
    double shareX = inX - left;
    double shareY = inY - above;
    int right = Math.min(left + 1, picture.width() - 1);
    int below = Math.min(above + 1, picture.height() - 1);
    double upper =
        picture.brightness(left, above) * (1 - shareX) + picture.brightness(right, above) * shareX;
    double lower =
        picture.brightness(left, below) * (1 - shareX) + picture.brightness(right, below) * shareX;
    return upper * (1 - shareY) + lower * shareY;
  }

  /** Takes the mean of what is around away from each value, and in the end the mean of all. */
  private static double[] withoutSlow(double[] values) {
    int half = Math.max(2, (int) Math.round(SLOW_SHARE * values.length / 2));
    // A mean of a mean falls off smoothly and leaves no echoes of lines.
    double[] slow = smoothed(smoothed(values, half), half);
    double[] fast = new double[values.length];
    double mean = 0;
    for (int i = 0; i < values.length; i++) {
      fast[i] = values[i] - slow[i];
      mean += fast[i] / values.length;
    }
    for (int i = 0; i < fast.length; i++) {
      fast[i] -= mean;
    }
    return fast;
  }

  private static double[] smoothed(double[] values, int half) {
    double[] sums = new double[values.length + 1];
    for (int i = 0; i < values.length; i++) {
      sums[i + 1] = sums[i] + values[i];
    }
    double[] smooth = new double[values.length];
    for (int i = 0; i < values.length; i++) {
      // As far to both sides, so that a slope stays a slope at the ends.
      int reach = Math.min(half, Math.min(i, values.length - 1 - i));
      smooth[i] = (sums[i + reach + 1] - sums[i - reach]) / (2 * reach + 1);
    }
    return smooth;
  }

  /** Moves each column by what lets it lie best on the middle one. */
  private static double[][] aligned(double[][] columns) {
    double[] middle = columns[columns.length / 2];
    int most = (int) Math.round(TILT_SHARE * middle.length);
    double[][] aligned = new double[columns.length][];
    for (int c = 0; c < columns.length; c++) {
      int best = 0;
      double highest = Double.NEGATIVE_INFINITY;
      for (int lag = -most; lag <= most; lag++) {
        double product = 0;
        for (int i = most; i < middle.length - most; i++) {
          product += middle[i] * columns[c][i + lag];
        }
        if (product > highest) {
          highest = product;
          best = lag;
        }
      }
      aligned[c] = new double[middle.length];
      for (int i = 0; i < middle.length; i++) {
        aligned[c][i] = columns[c][Math.max(0, Math.min(middle.length - 1, i + best))];
      }
    }
    return aligned;
  }

  private static double[] median(double[][] columns) {
    double[] median = new double[columns[0].length];
    double[] across = new double[columns.length];
    for (int i = 0; i < median.length; i++) {
      for (int c = 0; c < columns.length; c++) {
        across[c] = columns[c][i];
      }
      Arrays.sort(across);
      median[i] = across[columns.length / 2];
    }
    return median;
  }
}
