package mindspool.core.moisture;

/**
 * Radial diffusion in a long round filament as a sum of modes that each relax on their own:
 *
 * <p>{@code dy_n/dt = (D/R²) rate_n (w_surface - y_n)}, mean content {@code = sum weight_n y_n}.
 *
 * <p>The first modes are the exact ones, {@code rate = alpha²}, {@code weight = 4/alpha²} with
 * alpha the zeros of the Bessel function J0 (Crank, The Mathematics of Diffusion, 1975, eq. 5.23).
 * The last is a tail that stands for all the others: its weight makes the sum 1 and its rate keeps
 * the exact first moment, {@code sum weight/rate = 1/8}. Without it, 4 to 15 % of the water would
 * be missing in the first hours.
 */
public final class FilamentModes {

  /** Zeros of J0. Reference: Abramowitz and Stegun 1964, table 9.5. */
  private static final double[] BESSEL_ZEROS = {
    2.4048255576957728, 5.5200781102863106, 8.6537279129110122, 11.791534439014281,
    14.930917708487786, 18.071063967910923, 21.211636629879259, 24.352471530749303
  };

  /** First moment of the exact solution: mean residence time in units of R²/D. */
  private static final double FIRST_MOMENT = 1.0 / 8;

  private final double[] weight;
  private final double[] rate;

  private FilamentModes(double[] weight, double[] rate) {
    this.weight = weight;
    this.rate = rate;
  }

  /**
   * The first {@code exactModes} modes and a tail.
   *
   * @param exactModes 1..8
   */
  public static FilamentModes withTail(int exactModes) {
    if (exactModes < 1 || exactModes > BESSEL_ZEROS.length) {
      throw new IllegalArgumentException("exactModes must be 1 to " + BESSEL_ZEROS.length);
    }
    double[] weight = new double[exactModes + 1];
    double[] rate = new double[exactModes + 1];
    double weightSum = 0;
    double momentSum = 0;
    for (int n = 0; n < exactModes; n++) {
      rate[n] = BESSEL_ZEROS[n] * BESSEL_ZEROS[n];
      weight[n] = 4 / rate[n];
      weightSum += weight[n];
      momentSum += weight[n] / rate[n];
    }
    weight[exactModes] = 1 - weightSum;
    rate[exactModes] = weight[exactModes] / (FIRST_MOMENT - momentSum);
    return new FilamentModes(weight, rate);
  }

  public int count() {
    return weight.length;
  }

  /** Share of the mean content in mode {@code n}. */
  public double weight(int n) {
    return weight[n];
  }

  /** Relaxation rate of mode {@code n} in units of D/R². */
  public double rate(int n) {
    return rate[n];
  }

  double[] weights() {
    return weight;
  }

  double[] rates() {
    return rate;
  }

  /**
   * Share of the final uptake reached by a filament that starts dry and whose surface is suddenly
   * held at a constant content.
   *
   * @param fourierNumber D t / R²
   */
  public double uptake(double fourierNumber) {
    double missing = 0;
    for (int n = 0; n < weight.length; n++) {
      missing += weight[n] * Math.exp(-rate[n] * fourierNumber);
    }
    return 1 - missing;
  }
}
