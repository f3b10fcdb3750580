package mindspool.core.upkeep;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import mindspool.core.Require;

/**
 * How long a stock lasts: uses come by chance, at the rate and with the sizes of those of a past
 * window. Over a share {@code u} of that window again their sum has the mean {@code u Σg} and the
 * variance {@code (u + u²) Σg²}, the square for not knowing the rate any better (compound Poisson
 * process; textbook).
 *
 * @param lowDays nine times in ten it lasts longer
 * @param days as often longer as shorter
 * @param highDays nine times in ten it lasts less long; none where uses are too few to tell
 */
public record RunsOut(double lowDays, double days, OptionalDouble highDays) {

  /** One in ten lies beyond so many standard deviations (normal distribution). */
  private static final double ONE_IN_TEN = 1.2816;

  /** Further than this nobody looks, in windows. */
  private static final double MOST_WINDOWS = 100;

  private static final int HALVINGS = 60;

  /**
   * Computes it.
   *
   * @param stock what is there, not below 0, less what is promised already
   * @param uses amounts that were used within the window, each above 0
   * @param windowDays length of the window, above 0
   * @return none where nothing was used
   */
  public static Optional<RunsOut> of(double stock, double[] uses, double windowDays) {
    Require.within("windowDays", windowDays, 1, 3660, "days");
    double sum = 0;
    double squares = 0;
    for (double use : uses) {
      sum += Math.max(0, use);
      squares += Math.max(0, use) * Math.max(0, use);
    }
    if (sum <= 0) {
      return Optional.empty();
    }
    double left = Math.max(0, stock);
    double total = sum;
    double spread = ONE_IN_TEN * Math.sqrt(squares);
    double low = windows(left, u -> u * total + spread * Math.sqrt(u + u * u)).orElse(MOST_WINDOWS);
    OptionalDouble high = windows(left, u -> u * total - spread * Math.sqrt(u + u * u));
    return Optional.of(
        new RunsOut(
            low * windowDays,
            left / total * windowDays,
            high.isPresent()
                ? OptionalDouble.of(high.getAsDouble() * windowDays)
                : OptionalDouble.empty()));
  }

  /** The last share of a window at which no more than the stock was used. */
  private static OptionalDouble windows(double stock, DoubleUnaryOperator used) {
    if (used.applyAsDouble(MOST_WINDOWS) <= stock) {
      return OptionalDouble.empty();
    }
    double from = 0;
    double to = MOST_WINDOWS;
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (from + to) / 2;
      if (used.applyAsDouble(middle) <= stock) {
        from = middle;
      } else {
        to = middle;
      }
    }
    return OptionalDouble.of(from);
  }
}
