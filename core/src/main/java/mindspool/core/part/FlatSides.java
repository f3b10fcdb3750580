package mindspool.core.part;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds the flat sides of a mesh: directions that much of its surface looks in, of which those stay
 * whose farthest plane holds some surface. Sides that only touch the plate in points, such as three
 * feet that end in tips, are not found.
 */
public final class FlatSides {

  /** Directions are told apart by so many steps of each of their coordinates. */
  private static final int STEPS = 64;

  /** Directions that are looked into; judgement. */
  private static final int MOST_LOOKED_INTO = 32;

  /** Steeper than this from level a face prints on nothing; common practice, 45°. */
  private static final double STEEP = Math.sqrt(0.5);

  /** How flat a plane is, mm, or as a share of the part's size where that is more. */
  private static final double FLAT_MM = 0.01;

  private static final double FLAT_SHARE = 1e-4;

  /** Less of the surface than this on the plate is an edge and no side; judgement. */
  private static final double LEAST_SHARE = 0.01;

  private final Triangles mesh;
  private final List<double[]> directions = new ArrayList<>();

  /** -1 for a mesh that is inside out. */
  private double outward = 1;

  private double surfaceMm2;

  private FlatSides(Triangles mesh) {
    this.mesh = mesh;
  }

  /**
   * The sides of a mesh as it lies in its file, the one with most surface first.
   *
   * @param most of them
   */
  public static List<FlatSide> of(Triangles mesh, int most) {
    FlatSides finder = new FlatSides(mesh);
    finder.findDirections();
    return finder.sides().stream()
        .filter(side -> side.areaMm2() >= LEAST_SHARE * finder.surfaceMm2)
        .sorted(Comparator.comparingDouble(FlatSide::areaMm2).reversed())
        .limit(most)
        .toList();
  }

  private void findDirections() {
    Map<Integer, double[]> sums = new HashMap<>();
    double[] six = new double[1];
    each(
        (corners, normal, twice) -> {
          six[0] += dot(corners[0], normal);
          surfaceMm2 += twice / 2;
          int key = 0;
          for (double along : normal) {
            key = 4 * STEPS * key + (int) Math.round(STEPS * along / twice);
          }
          double[] sum = sums.computeIfAbsent(key, any -> new double[3]);
          for (int axis = 0; axis < 3; axis++) {
            sum[axis] += normal[axis];
          }
        });
    outward = six[0] < 0 ? -1 : 1;
    sums.values().stream()
        .sorted(Comparator.comparingDouble(sum -> -length(sum)))
        .filter(sum -> length(sum) > 0)
        .map(sum -> scaled(sum, outward / length(sum)))
        .forEach(
            direction -> {
              if (directions.size() < MOST_LOOKED_INTO
                  && directions.stream()
                      .noneMatch(known -> dot(known, direction) > FlatSide.SAME_COSINE)) {
                directions.add(direction);
              }
            });
  }

  private List<FlatSide> sides() {
    int count = directions.size();
    double[] farthest = new double[count];
    double[] nearest = new double[count];
    Arrays.fill(farthest, Double.NEGATIVE_INFINITY);
    Arrays.fill(nearest, Double.POSITIVE_INFINITY);
    each(
        (corners, normal, twice) -> {
          for (int i = 0; i < count; i++) {
            for (double[] corner : corners) {
              double along = dot(corner, directions.get(i));
              farthest[i] = Math.max(farthest[i], along);
              nearest[i] = Math.min(nearest[i], along);
            }
          }
        });
    double[] onPlane = new double[count];
    double[] steep = new double[count];
    each(
        (corners, normal, twice) -> {
          for (int i = 0; i < count; i++) {
            double[] down = directions.get(i);
            double toward = outward * dot(normal, down);
            if (toward > STEEP * twice) {
              double flat = Math.max(FLAT_MM, FLAT_SHARE * (farthest[i] - nearest[i]));
              double reach =
                  Math.min(
                      dot(corners[0], down),
                      Math.min(dot(corners[1], down), dot(corners[2], down)));
              if (reach >= farthest[i] - flat) {
                onPlane[i] += toward / 2;
              } else {
                steep[i] += twice / 2;
              }
            }
          }
        });
    List<FlatSide> sides = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double[] down = directions.get(i);
      sides.add(
          new FlatSide(
              down[0],
              down[1],
              down[2],
              onPlane[i],
              farthest[i] - nearest[i],
              steep[i] / surfaceMm2));
    }
    return sides;
  }

  /** A triangle with area: its corners, its normal of twice its area's length. */
  private interface Visit {
    void triangle(double[][] corners, double[] normal, double twice);
  }

  private void each(Visit visit) {
    float[] c = new float[Triangles.NUMBERS * MeshMeasure.BLOCK];
    double[][] corners = new double[3][3];
    double[] normal = new double[3];
    for (int from = 0; from < mesh.count(); from += MeshMeasure.BLOCK) {
      int many = Math.min(MeshMeasure.BLOCK, mesh.count() - from);
      mesh.copy(from, many, c);
      for (int at = 0; at < many * Triangles.NUMBERS; at += Triangles.NUMBERS) {
        for (int k = 0; k < Triangles.NUMBERS; k++) {
          corners[k / 3][k % 3] = c[at + k];
        }
        cross(corners, normal);
        double twice = length(normal);
        if (twice > 0) {
          visit.triangle(corners, normal, twice);
        }
      }
    }
  }

  private static void cross(double[][] corners, double[] normal) {
    double ux = corners[1][0] - corners[0][0];
    double uy = corners[1][1] - corners[0][1];
    double uz = corners[1][2] - corners[0][2];
    double vx = corners[2][0] - corners[0][0];
    double vy = corners[2][1] - corners[0][1];
    double vz = corners[2][2] - corners[0][2];
    normal[0] = uy * vz - uz * vy;
    normal[1] = uz * vx - ux * vz;
    normal[2] = ux * vy - uy * vx;
  }

  private static double dot(double[] a, double[] b) {
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  }

  private static double length(double[] a) {
    return Math.sqrt(dot(a, a));
  }

  private static double[] scaled(double[] a, double by) {
    return new double[] {a[0] * by, a[1] * by, a[2] * by};
  }
}
