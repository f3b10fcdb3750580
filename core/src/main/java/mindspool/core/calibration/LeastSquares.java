package mindspool.core.calibration;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.LUDecomposition;

/**
 * A polynomial through measured points by least squares (normal equations in a centred and scaled
 * variable), with the covariance that the points' own scatter gives.
 */
final class LeastSquares {

  private final double centre;
  private final double scale;
  private final double[] coefficients;
  private final double[][] covariance;
  private final double residualSd;

  private LeastSquares(
      double centre,
      double scale,
      double[] coefficients,
      double[][] covariance,
      double residualSd) {
    this.centre = centre;
    this.scale = scale;
    this.coefficients = coefficients;
    this.covariance = covariance;
    this.residualSd = residualSd;
  }

  /**
   * Fits {@code y = sum of b_k u^k}, {@code u = (x - centre) / scale}.
   *
   * @param order of the polynomial; there must be more points than that
   * @param leastSd scatter that is counted on even where the points lie closer to the curve
   */
  static LeastSquares of(double[] x, double[] y, int order, double leastSd) {
    int n = x.length;
    double low = Double.MAX_VALUE;
    double high = -Double.MAX_VALUE;
    for (double each : x) {
      low = Math.min(low, each);
      high = Math.max(high, each);
    }
    double centre = (low + high) / 2;
    double scale = Math.max(1e-12, (high - low) / 2);
    int m = order + 1;
    double[][] normal = new double[m][m];
    double[] right = new double[m];
    for (int i = 0; i < n; i++) {
      double u = (x[i] - centre) / scale;
      for (int a = 0; a < m; a++) {
        right[a] += Math.pow(u, a) * y[i];
        for (int b = 0; b < m; b++) {
          normal[a][b] += Math.pow(u, a + b);
        }
      }
    }
    double[][] inverse =
        new LUDecomposition(new Array2DRowRealMatrix(normal)).getSolver().getInverse().getData();
    double[] coefficients = new double[m];
    for (int a = 0; a < m; a++) {
      for (int b = 0; b < m; b++) {
        coefficients[a] += inverse[a][b] * right[b];
      }
    }
    double squares = 0;
    for (int i = 0; i < n; i++) {
      double u = (x[i] - centre) / scale;
      double fitted = 0;
      for (int a = 0; a < m; a++) {
        fitted += coefficients[a] * Math.pow(u, a);
      }
      squares += (y[i] - fitted) * (y[i] - fitted);
    }
    double sd = Math.max(leastSd, n > m ? Math.sqrt(squares / (n - m)) : 0);
    for (double[] row : inverse) {
      for (int b = 0; b < m; b++) {
        row[b] *= sd * sd;
      }
    }
    return new LeastSquares(centre, scale, coefficients, inverse, sd);
  }

  double at(double x) {
    double u = (x - centre) / scale;
    double sum = 0;
    for (int a = coefficients.length - 1; a >= 0; a--) {
      sum = sum * u + coefficients[a];
    }
    return sum;
  }

  double residualSd() {
    return residualSd;
  }

  /** Slope of a straight line. */
  double slope() {
    return coefficients[1] / scale;
  }

  /** One standard deviation of the slope. */
  double slopeSd() {
    return Math.sqrt(covariance[1][1]) / scale;
  }

  /** Where a straight line meets the axis at 0. */
  double intercept() {
    return coefficients[0] - coefficients[1] * centre / scale;
  }

  /** Whether a parabola opens downwards, so that it has a highest point. */
  boolean hasTop() {
    return coefficients[2] < 0;
  }

  /** Where a parabola is highest. */
  double top() {
    return centre - scale * coefficients[1] / (2 * coefficients[2]);
  }

  /** One standard deviation of where it is highest, to first order. */
  double topSd() {
    double b = coefficients[1];
    double c = coefficients[2];
    double byB = -1 / (2 * c);
    double byC = b / (2 * c * c);
    double variance =
        byB * byB * covariance[1][1]
            + 2 * byB * byC * covariance[1][2]
            + byC * byC * covariance[2][2];
    return scale * Math.sqrt(Math.max(0, variance));
  }
}
