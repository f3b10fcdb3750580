package mindspool.core.part;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateList;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.GeometryFixer;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.valid.IsValidOp;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/**
 * The outlines of a cut, put together from its pieces: material, holes, and what is wrong with
 * them.
 *
 * @param material polygons with their holes; empty where nothing closes
 * @param openEnds chains that do not close
 * @param crosses whether an outline crosses itself or another
 */
record CutOutlines(Geometry material, int openEnds, boolean crosses) {

  /** Detail finer than this is no outline but rounding of the file, mm. */
  private static final double FINEST_MM = 0.01;

  /** Ends of a chain so near to each other are taken as met, mm. */
  private static final double NEARLY_MM = 0.05;

  /** Two outlines that overlap by less touch only, mm². */
  private static final double TOUCH_MM2 = 0.01;

  private static final GeometryFactory JTS = new GeometryFactory();

  private record Point(double x, double y) {}

  /** Puts pieces together; each is x and y of its start and of its end. */
  static CutOutlines of(double[] pieces) {
    List<Coordinate[]> rings = new ArrayList<>();
    int open = chain(pieces, rings);
    boolean crosses = false;
    List<Geometry> solid = new ArrayList<>();
    List<Geometry> holes = new ArrayList<>();
    for (Coordinate[] ring : rings) {
      Polygon polygon = JTS.createPolygon(ring);
      Geometry sound = polygon;
      if (!new IsValidOp(polygon).isValid()) {
        sound = GeometryFixer.fix(polygon);
        crosses |= Math.abs(sound.getArea() - Math.abs(area(ring))) > TOUCH_MM2;
      }
      (area(ring) > 0 ? solid : holes).add(sound);
    }
    Geometry outer = union(solid);
    crosses |= sum(solid) - outer.getArea() > TOUCH_MM2;
    Geometry inner = union(holes);
    Geometry material =
        inner.isEmpty() ? outer : OverlayNGRobust.overlay(outer, inner, OverlayNG.DIFFERENCE);
    return new CutOutlines(DouglasPeuckerSimplifier.simplify(material, FINEST_MM), open, crosses);
  }

  private static Geometry union(List<Geometry> all) {
    return all.isEmpty() ? JTS.createPolygon() : OverlayNGRobust.union(JTS.buildGeometry(all));
  }

  private static double sum(List<Geometry> all) {
    return all.stream().mapToDouble(Geometry::getArea).sum();
  }

  private static double area(Coordinate[] ring) {
    double twice = 0;
    for (int i = 1; i < ring.length; i++) {
      twice +=
          (ring[i - 1].x - ring[0].x) * (ring[i].y - ring[0].y)
              - (ring[i].x - ring[0].x) * (ring[i - 1].y - ring[0].y);
    }
    return twice / 2;
  }

  /** Follows the pieces round; returns how many chains do not close. */
  private static int chain(double[] pieces, List<Coordinate[]> rings) {
    Map<Point, List<Integer>> starts = new HashMap<>();
    int count = pieces.length / MeshSlices.NUMBERS;
    for (int i = 0; i < count; i++) {
      if (!isPoint(pieces, i)) {
        starts.computeIfAbsent(start(pieces, i), key -> new ArrayList<>(1)).add(i);
      }
    }
    boolean[] done = new boolean[count];
    int open = 0;
    for (int first = 0; first < count; first++) {
      if (done[first] || isPoint(pieces, first)) {
        continue;
      }
      CoordinateList ring = new CoordinateList();
      int piece = first;
      Point begin = start(pieces, first);
      Point at = begin;
      ring.add(new Coordinate(at.x, at.y), false);
      while (piece >= 0) {
        done[piece] = true;
        at = end(pieces, piece);
        ring.add(new Coordinate(at.x, at.y), false);
        piece = at.equals(begin) ? -1 : next(starts.get(at), done);
      }
      double gap = Math.hypot(at.x - begin.x, at.y - begin.y);
      if (gap > NEARLY_MM) {
        open++;
      }
      ring.closeRing();
      if (ring.size() >= 4) {
        rings.add(ring.toCoordinateArray());
      }
    }
    return open;
  }

  private static int next(List<Integer> here, boolean[] done) {
    if (here != null) {
      for (int i : here) {
        if (!done[i]) {
          return i;
        }
      }
    }
    return -1;
  }

  private static boolean isPoint(double[] pieces, int i) {
    return start(pieces, i).equals(end(pieces, i));
  }

  // Nought is added, as nought and minus nought are the same place.
  private static Point start(double[] pieces, int i) {
    int at = i * MeshSlices.NUMBERS;
    return new Point(pieces[at] + 0.0, pieces[at + 1] + 0.0);
  }

  private static Point end(double[] pieces, int i) {
    int at = i * MeshSlices.NUMBERS;
    return new Point(pieces[at + 2] + 0.0, pieces[at + 3] + 0.0);
  }
}
