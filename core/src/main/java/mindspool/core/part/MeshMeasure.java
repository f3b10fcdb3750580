package mindspool.core.part;

import java.util.stream.IntStream;

/**
 * What can be summed over the triangles of a mesh in one go: bounds, area, volume and its centre by
 * the divergence theorem, how much looks steeply down, and whether every edge is met by its like
 * the other way round.
 *
 * <p>The last is asked by a checksum: each directed edge adds a number that its reverse takes away
 * again, made of hashes of its ends. A closed mesh gives exactly zero; another gives zero with a
 * chance of one in 2^60 or so.
 */
final class MeshMeasure {

  /** So many triangles are worked on at a time; their corners fit a core's cache. */
  static final int BLOCK = 2048;

  /** Steeper than this from level a face prints on nothing; common practice, 45°. */
  private static final double STEEP = Math.sqrt(0.5);

  private static final long FIRST = 0x9E3779B97F4A7C15L;
  private static final long SECOND = 0xC2B2AE3D27D4EB4FL;
  private static final long THIRD = 0x165667B19E3779F9L;

  final float[] low = {Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE};
  final float[] high = {-Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE};
  double area;

  /** Six times the volume, and 24 times its moments, all about the first corner. */
  private double six;

  private final double[] moment = new double[3];
  private double downArea;
  private long edges;
  private long flat;
  private double sum;
  private final double ox;
  private final double oy;
  private final double oz;

  private MeshMeasure(double ox, double oy, double oz) {
    this.ox = ox;
    this.oy = oy;
    this.oz = oz;
  }

  /** Measures a mesh with all cores; refuses one with corners that are no numbers. */
  static MeshMeasure of(Triangles mesh) {
    float[] first = new float[Triangles.NUMBERS];
    mesh.copy(0, 1, first);
    int blocks = (mesh.count() + BLOCK - 1) / BLOCK;
    MeshMeasure[] parts =
        IntStream.range(0, blocks)
            .parallel()
            .mapToObj(
                block -> {
                  MeshMeasure part = new MeshMeasure(first[0], first[1], first[2]);
                  part.add(mesh, block * BLOCK, Math.min(BLOCK, mesh.count() - block * BLOCK));
                  return part;
                })
            .toArray(MeshMeasure[]::new);
    MeshMeasure whole = new MeshMeasure(first[0], first[1], first[2]);
    for (MeshMeasure part : parts) {
      whole.add(part);
    }
    if (!Double.isFinite(whole.sum)
        || !Double.isFinite(whole.six)
        || !Double.isFinite(whole.area)) {
      throw refuseNumbers(mesh);
    }
    return whole;
  }

  private static final ThreadLocal<float[]> CORNERS =
      ThreadLocal.withInitial(() -> new float[Triangles.NUMBERS * BLOCK]);

  private void add(Triangles mesh, int from, int count) {
    float[] c = CORNERS.get();
    mesh.copy(from, count, c);
    float lx = low[0];
    float ly = low[1];
    float lz = low[2];
    float hx = high[0];
    float hy = high[1];
    float hz = high[2];
    for (int i = 0; i < count * Triangles.NUMBERS; i += Triangles.NUMBERS) {
      float fax = c[i];
      float fay = c[i + 1];
      float faz = c[i + 2];
      float fbx = c[i + 3];
      float fby = c[i + 4];
      float fbz = c[i + 5];
      float fcx = c[i + 6];
      float fcy = c[i + 7];
      float fcz = c[i + 8];
      lx = least(lx, least(fax, least(fbx, fcx)));
      ly = least(ly, least(fay, least(fby, fcy)));
      lz = least(lz, least(faz, least(fbz, fcz)));
      hx = most(hx, most(fax, most(fbx, fcx)));
      hy = most(hy, most(fay, most(fby, fcy)));
      hz = most(hz, most(faz, most(fbz, fcz)));
      double ax = fax - ox;
      double ay = fay - oy;
      double az = faz - oz;
      double bx = fbx - ox;
      double by = fby - oy;
      double bz = fbz - oz;
      double cx = fcx - ox;
      double cy = fcy - oy;
      double cz = fcz - oz;
      double nx = (by - ay) * (cz - az) - (bz - az) * (cy - ay);
      double ny = (bz - az) * (cx - ax) - (bx - ax) * (cz - az);
      double nz = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
      double twice = Math.sqrt(nx * nx + ny * ny + nz * nz);
      area += twice;
      if (nz < -STEEP * twice) {
        downArea += twice;
      }
      if (twice == 0) {
        flat++;
      }
      double part = ax * nx + ay * ny + az * nz;
      six += part;
      moment[0] += part * (ax + bx + cx);
      moment[1] += part * (ay + by + cy);
      moment[2] += part * (az + bz + cz);
      sum += ax + by + cz;
      long ha = hash(fax, fay, faz);
      long hb = hash(fbx, fby, fbz);
      long hc = hash(fcx, fcy, fcz);
      long ka = other(ha);
      long kb = other(hb);
      long kc = other(hc);
      edges += ha * (kb - kc) + hb * (kc - ka) + hc * (ka - kb);
    }
    low[0] = lx;
    low[1] = ly;
    low[2] = lz;
    high[0] = hx;
    high[1] = hy;
    high[2] = hz;
  }

  // By comparison: the library's minimum minds the sign of nought and NaN, at ten times the cost.
  static float least(float a, float b) {
    return a < b ? a : b;
  }

  static float most(float a, float b) {
    return a > b ? a : b;
  }

  /** Alike for corners at the same place; nought and minus nought are the same place. */
  static long hash(float x, float y, float z) {
    long h =
        Float.floatToRawIntBits(x + 0.0f) * FIRST
            ^ Float.floatToRawIntBits(y + 0.0f) * SECOND
            ^ Float.floatToRawIntBits(z + 0.0f) * THIRD;
    h ^= h >>> 32;
    return h * FIRST;
  }

  /** A second number for a corner, which is no multiple of the first. */
  private static long other(long hash) {
    long h = (hash ^ hash >>> 29) * SECOND;
    return h ^ h >>> 32;
  }

  private void add(MeshMeasure part) {
    for (int i = 0; i < 3; i++) {
      low[i] = Math.min(low[i], part.low[i]);
      high[i] = Math.max(high[i], part.high[i]);
      moment[i] += part.moment[i];
    }
    area += part.area;
    six += part.six;
    downArea += part.downArea;
    edges += part.edges;
    flat += part.flat;
    sum += part.sum;
  }

  private static RuntimeException refuseNumbers(Triangles mesh) {
    float[] one = new float[Triangles.NUMBERS];
    for (int i = 0; i < mesh.count(); i++) {
      mesh.copy(i, 1, one);
      for (float number : one) {
        if (!Float.isFinite(number)) {
          return Unreadable.file(
              "a mesh whose triangle " + (i + 1) + " has a corner at " + number,
              "Mend the mesh in the program that drew it, and export it again.");
        }
      }
    }
    return Unreadable.file(
        "a mesh with corners at distances that no number holds",
        "Check its unit; export it again.");
  }

  double areaMm2() {
    return area / 2;
  }

  double volumeMm3() {
    return six / 6;
  }

  /** Centre of the volume, mm; of the bounds where there is no volume. */
  double[] centre() {
    double[] centre = new double[3];
    double[] first = {ox, oy, oz};
    for (int i = 0; i < 3; i++) {
      double by = first[i] + moment[i] / (4 * six);
      boolean inside = by >= low[i] && by <= high[i];
      centre[i] = inside ? by : (low[i] + high[i]) / 2.0;
    }
    return centre;
  }

  double steepDownMm2() {
    return downArea / 2;
  }

  boolean isClosed() {
    return edges == 0;
  }

  /** Triangles without any area. */
  long flatTriangles() {
    return flat;
  }
}
