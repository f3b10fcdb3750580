package mindspool.core.part;

/**
 * Where a body is put: each point as a row times this matrix, the last row added, as 3MF writes it.
 *
 * @param m twelve numbers, row by row; mm
 */
public record Placement(double[] m) {

  /** Where it is. */
  public static final Placement HERE =
      new Placement(new double[] {1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0});

  /** Scaled alike in all directions. */
  public static Placement scaled(double factor) {
    return new Placement(new double[] {factor, 0, 0, 0, factor, 0, 0, 0, factor, 0, 0, 0});
  }

  /** The turn that lets a direction point straight down; any turn about it. */
  public static Placement withDown(double x, double y, double z) {
    double length = Math.sqrt(x * x + y * y + z * z);
    double ux = x / length;
    double uy = y / length;
    double uz = z / length;
    // Any direction across it becomes x; the third follows.
    double ax = Math.abs(ux) < 0.9 ? 1 : 0;
    double ay = 1 - ax;
    double dot = ax * ux + ay * uy;
    double px = ax - dot * ux;
    double py = ay - dot * uy;
    double pz = -dot * uz;
    double p = Math.sqrt(px * px + py * py + pz * pz);
    px /= p;
    py /= p;
    pz /= p;
    // Up is minus down; y is up across x.
    double qx = -uy * pz + uz * py;
    double qy = -uz * px + ux * pz;
    double qz = -ux * py + uy * px;
    return new Placement(new double[] {px, qx, -ux, py, qy, -uy, pz, qz, -uz, 0, 0, 0});
  }

  /** First this, then another. */
  public Placement then(Placement next) {
    double[] a = m;
    double[] b = next.m;
    double[] product = new double[12];
    for (int row = 0; row < 4; row++) {
      for (int column = 0; column < 3; column++) {
        double sum = row == 3 ? b[9 + column] : 0;
        for (int k = 0; k < 3; k++) {
          sum += a[3 * row + k] * b[3 * k + column];
        }
        product[3 * row + column] = sum;
      }
    }
    return new Placement(product);
  }

  /** Whether it turns a body inside out, as in a mirror. */
  public boolean mirrors() {
    return determinant() < 0;
  }

  /** By how much it multiplies volumes; negative for a mirror. */
  public double determinant() {
    return m[0] * (m[4] * m[8] - m[5] * m[7])
        - m[1] * (m[3] * m[8] - m[5] * m[6])
        + m[2] * (m[3] * m[7] - m[4] * m[6]);
  }

  /** Moves points, three numbers each, from one place in an array to another. */
  void apply(float[] points, int from, int to) {
    for (int i = from; i < to; i += 3) {
      double x = points[i];
      double y = points[i + 1];
      double z = points[i + 2];
      points[i] = (float) (x * m[0] + y * m[3] + z * m[6] + m[9]);
      points[i + 1] = (float) (x * m[1] + y * m[4] + z * m[7] + m[10]);
      points[i + 2] = (float) (x * m[2] + y * m[5] + z * m[8] + m[11]);
    }
  }
}
