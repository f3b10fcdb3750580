package mindspool.core.part;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;

/**
 * A corner of an outline: where it turns outward within a short way.
 *
 * @param xMm and {@code yMm} of the middle of the turn
 * @param angleDeg between its sides, inside the part; 90 for a box
 * @param radiusMm of its rounding; 0 for a sharp one
 */
public record OutlineCorner(double xMm, double yMm, double angleDeg, double radiusMm) {

  /** A single turn from this on is a corner of its own and not part of a rounding, rad. */
  private static final double SHARP = Math.toRadians(35);

  /** Turns that are less than this in all are no corner, rad; judgement. */
  private static final double LEAST = Math.toRadians(30);

  /** A rounding wider than this holds like a straight side, mm; judgement. */
  private static final double WIDEST_MM = 30;

  /** Neighbouring turns of one rounding differ by less than this factor. */
  private static final double ALIKE = 2.5;

  /** Two turns so near belong to one corner, such as a small bevel, mm. */
  private static final double NEAR_MM = 1;

  /**
   * Finds the corners of a ring that runs against the clock.
   *
   * @param ring closed: its last point is its first
   */
  static List<OutlineCorner> of(Coordinate[] ring) {
    int n = ring.length - 1;
    if (n < 3) {
      return List.of();
    }
    double[] turn = new double[n];
    double[] side = new double[n];
    for (int i = 0; i < n; i++) {
      Coordinate before = ring[(i + n - 1) % n];
      Coordinate at = ring[i];
      Coordinate after = ring[(i + 1) % n];
      side[i] = at.distance(after);
      double ux = at.x - before.x;
      double uy = at.y - before.y;
      double vx = after.x - at.x;
      double vy = after.y - at.y;
      turn[i] = Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
    }
    boolean[] joined = new boolean[n];
    int begin = -1;
    for (int i = 0; i < n; i++) {
      joined[i] = isOne(turn[i], turn[(i + 1) % n], side[i]);
      if (!joined[i]) {
        begin = (i + 1) % n;
      }
    }
    if (begin < 0) {
      // A round of its own, such as a disc.
      return List.of();
    }
    List<OutlineCorner> corners = new ArrayList<>();
    for (int k = 0; k < n; ) {
      int first = (begin + k) % n;
      int length = 1;
      while (k + length < n && joined[(first + length - 1) % n]) {
        length++;
      }
      corner(ring, turn, side, first, length).ifPresent(corners::add);
      k += length;
    }
    return List.copyOf(corners);
  }

  /** Whether two neighbouring turns are of one corner. */
  private static boolean isOne(double first, double second, double between) {
    if (first <= 0 || second <= 0) {
      return false;
    }
    if (between < NEAR_MM) {
      return true;
    }
    boolean gentle = first < SHARP && second < SHARP;
    boolean alike = first < ALIKE * second && second < ALIKE * first;
    return gentle && alike && between / ((first + second) / 2) < WIDEST_MM;
  }

  private static Optional<OutlineCorner> corner(
      Coordinate[] ring, double[] turn, double[] side, int first, int length) {
    int n = turn.length;
    double total = 0;
    double way = 0;
    double x = 0;
    double y = 0;
    for (int i = 0; i < length; i++) {
      int at = (first + i) % n;
      total += turn[at];
      x += turn[at] * ring[at].x;
      y += turn[at] * ring[at].y;
      if (i + 1 < length) {
        way += side[at];
      }
    }
    if (total < LEAST) {
      return Optional.empty();
    }
    return Optional.of(
        new OutlineCorner(x / total, y / total, Math.toDegrees(Math.PI - total), way / total));
  }
}
