package mindspool.core.part;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A mesh cut level at many heights: the area inside and the extent of each cut, and of some the
 * pieces of their outlines, material on the left.
 *
 * <p>A corner at the height of a cut counts as above it, so that every triangle is cut in two
 * points or in none; where an edge is cut is computed from its lower end always, so that two
 * triangles that share it give the very same point.
 */
final class MeshSlices {

  /** x and y of both ends. */
  static final int NUMBERS = 4;

  final float lowZ;
  final double step;
  final int count;

  /** Area of each cut, signed: material minus holes, mm². */
  final double[] areaMm2;

  /** Least and greatest x and y of each cut, mm. */
  final double[] extents;

  /** A base that is tilted by less lies flat: rounding of the file, not of the part. */
  private static final float ON_THE_PLATE_MM = 0.01f;

  private final double firstZ;
  private final int keptEvery;
  private final List<double[]> kept = new ArrayList<>();
  private double bottomArea;

  private MeshSlices(float lowZ, double step, int count, double firstZ, int keptEvery) {
    this.lowZ = lowZ;
    this.step = step;
    this.count = count;
    this.firstZ = firstZ;
    this.keptEvery = keptEvery;
    areaMm2 = new double[count];
    extents = new double[4 * count];
    for (int i = 0; i < extents.length; i += 4) {
      extents[i] = extents[i + 2] = Double.MAX_VALUE;
      extents[i + 1] = extents[i + 3] = -Double.MAX_VALUE;
    }
    for (int i = 0; i <= count / keptEvery; i++) {
      kept.add(new double[NUMBERS]);
    }
  }

  private int[] used = new int[1];

  /**
   * Cuts a mesh.
   *
   * @param count cuts over its height, each in the middle of its share
   * @param keptEvery of so many cuts one keeps its outlines
   * @param firstAbove height of one cut more over the bottom, whose outlines are kept, mm
   */
  static MeshSlices of(
      Triangles mesh, MeshMeasure measure, int count, int keptEvery, double firstAbove) {
    float low = measure.low[2];
    double step = ((double) measure.high[2] - low) / count;
    double first = low + firstAbove;
    int blocks = (mesh.count() + MeshMeasure.BLOCK - 1) / MeshMeasure.BLOCK;
    int shares = Math.min(blocks, 2 * Runtime.getRuntime().availableProcessors());
    MeshSlices[] parts =
        IntStream.range(0, shares)
            .parallel()
            .mapToObj(
                share -> {
                  MeshSlices part = new MeshSlices(low, step, count, first, keptEvery);
                  part.used = new int[part.kept.size()];
                  int from = (int) ((long) blocks * share / shares);
                  int to = (int) ((long) blocks * (share + 1) / shares);
                  float[] corners = new float[Triangles.NUMBERS * MeshMeasure.BLOCK];
                  for (int block = from; block < to; block++) {
                    int at = block * MeshMeasure.BLOCK;
                    int many = Math.min(MeshMeasure.BLOCK, mesh.count() - at);
                    mesh.copy(at, many, corners);
                    part.add(corners, many);
                  }
                  return part;
                })
            .toArray(MeshSlices[]::new);
    MeshSlices whole = new MeshSlices(low, step, count, first, keptEvery);
    whole.join(parts);
    return whole;
  }

  private void add(float[] c, int many) {
    double perStep = step > 0 ? 1 / step : 0;
    for (int i = 0; i < many * Triangles.NUMBERS; i += Triangles.NUMBERS) {
      float az = c[i + 2];
      float bz = c[i + 5];
      float cz = c[i + 8];
      float least = MeshMeasure.least(az, MeshMeasure.least(bz, cz));
      float most = MeshMeasure.most(az, MeshMeasure.most(bz, cz));
      if (least < firstZ && firstZ <= most) {
        cut(c, i, firstZ, -1);
      }
      if (most - lowZ <= ON_THE_PLATE_MM) {
        bottomArea += twiceArea(c, i);
      }
      if (most == lowZ) {
        continue;
      }
      // Cuts at low + (k + 1/2) step with least < cut <= most.
      int from = (int) Math.floor((least - lowZ) * perStep + 0.5);
      int to = (int) Math.floor((most - lowZ) * perStep + 0.5) - 1;
      for (int k = Math.max(0, from); k <= Math.min(count - 1, to); k++) {
        double z = lowZ + (k + 0.5) * step;
        if (least < z && z <= most) {
          cut(c, i, z, k);
        }
      }
    }
  }

  private static double twiceArea(float[] c, int i) {
    return Math.abs(
        ((double) c[i + 3] - c[i]) * ((double) c[i + 7] - c[i + 1])
            - ((double) c[i + 4] - c[i + 1]) * ((double) c[i + 6] - c[i]));
  }

  /** One triangle at one height; {@code index} -1 for the first layer. */
  private void cut(float[] c, int i, double z, int index) {
    int above = (c[i + 2] >= z ? 1 : 0) | (c[i + 5] >= z ? 2 : 0) | (c[i + 8] >= z ? 4 : 0);
    // The corner that is alone on its side, and whether that is above.
    int alone;
    boolean up;
    switch (above) {
      case 1 -> {
        alone = 0;
        up = true;
      }
      case 2 -> {
        alone = 1;
        up = true;
      }
      case 4 -> {
        alone = 2;
        up = true;
      }
      case 6 -> {
        alone = 0;
        up = false;
      }
      case 5 -> {
        alone = 1;
        up = false;
      }
      case 3 -> {
        alone = 2;
        up = false;
      }
      default -> {
        return;
      }
    }
    int a = i + 3 * alone;
    int b = i + 3 * ((alone + 1) % 3);
    int d = i + 3 * ((alone + 2) % 3);
    double bx = between(c, a, b, z, 0);
    double by = between(c, a, b, z, 1);
    double dx = between(c, a, d, z, 0);
    double dy = between(c, a, d, z, 1);
    // Seen from outside the corners run against the clock; so the material is on the left.
    double fromX = up ? bx : dx;
    double fromY = up ? by : dy;
    double toX = up ? dx : bx;
    double toY = up ? dy : by;
    if (index >= 0) {
      areaMm2[index] += (fromX * toY - fromY * toX) / 2;
      int e = 4 * index;
      extents[e] = Math.min(extents[e], Math.min(fromX, toX));
      extents[e + 1] = Math.max(extents[e + 1], Math.max(fromX, toX));
      extents[e + 2] = Math.min(extents[e + 2], Math.min(fromY, toY));
      extents[e + 3] = Math.max(extents[e + 3], Math.max(fromY, toY));
    }
    if (index < 0 || index % keptEvery == keptEvery / 2) {
      keep(index < 0 ? 0 : 1 + index / keptEvery, fromX, fromY, toX, toY);
    }
  }

  /** Where an edge is cut, from its lower end whichever way round it comes. */
  private static double between(float[] c, int p, int q, double z, int axis) {
    int low = c[p + 2] < c[q + 2] ? p : q;
    int high = low == p ? q : p;
    double share = (z - c[low + 2]) / ((double) c[high + 2] - c[low + 2]);
    return c[low + axis] + share * ((double) c[high + axis] - c[low + axis]);
  }

  private void keep(int which, double fromX, double fromY, double toX, double toY) {
    double[] pieces = kept.get(which);
    int at = used[which];
    if (at + NUMBERS > pieces.length) {
      pieces = Arrays.copyOf(pieces, 2 * pieces.length);
      kept.set(which, pieces);
    }
    pieces[at] = fromX;
    pieces[at + 1] = fromY;
    pieces[at + 2] = toX;
    pieces[at + 3] = toY;
    used[which] = at + NUMBERS;
  }

  private void join(MeshSlices[] parts) {
    used = new int[kept.size()];
    for (MeshSlices part : parts) {
      bottomArea += part.bottomArea;
      for (int k = 0; k < count; k++) {
        areaMm2[k] += part.areaMm2[k];
        int e = 4 * k;
        extents[e] = Math.min(extents[e], part.extents[e]);
        extents[e + 1] = Math.max(extents[e + 1], part.extents[e + 1]);
        extents[e + 2] = Math.min(extents[e + 2], part.extents[e + 2]);
        extents[e + 3] = Math.max(extents[e + 3], part.extents[e + 3]);
      }
    }
    for (int which = 0; which < kept.size(); which++) {
      int total = 0;
      for (MeshSlices part : parts) {
        total += part.used[which];
      }
      double[] all = new double[total];
      int at = 0;
      for (MeshSlices part : parts) {
        System.arraycopy(part.kept.get(which), 0, all, at, part.used[which]);
        at += part.used[which];
      }
      kept.set(which, all);
      used[which] = total;
    }
  }

  /** Pieces of the first layer's outlines. */
  double[] firstLayer() {
    return kept.get(0);
  }

  /** Pieces of the outlines of those cuts whose outlines are kept, from below. */
  List<double[]> keptCuts() {
    return kept.subList(1, kept.size());
  }

  /** Height of a cut over the bottom, mm. */
  double heightMm(int index) {
    return (index + 0.5) * step;
  }

  /** What lies flat on the plate, mm². */
  double bottomMm2() {
    return bottomArea / 2;
  }
}
