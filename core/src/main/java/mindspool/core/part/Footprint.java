package mindspool.core.part;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.algorithm.MinimumDiameter;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.algorithm.construct.MaximumInscribedCircle;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateArrays;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.PolygonExtracter;

/**
 * What stands on the plate: the outlines of the first layer, each with its holes and corners.
 *
 * @param islands the largest first
 * @param areaMm2 of all of them
 * @param longestSpanMm between the two points of one island that are furthest apart
 * @param narrowestMm width of the slimmest island: the largest circle in it
 * @param standsOnMm least width of the hull around all of them, over which it would tip
 */
public record Footprint(
    List<Island> islands,
    double areaMm2,
    double longestSpanMm,
    double narrowestMm,
    double standsOnMm) {

  /** A base slimmer than this holds by little and takes up heat fast: a fin, mm; judgement. */
  static final double THIN_MM = 6;

  /** An island smaller than this is a speck of the file and no base, mm². */
  private static final double SPECK_MM2 = 0.2;

  private static final int MOST_ISLANDS = 2000;

  /** Of more islands the width is taken from area and outline, as if they were round. */
  private static final int MEASURED_ISLANDS = 60;

  private static final double CIRCLE_SHARE = 0.01;
  private static final double FINEST_CIRCLE_MM = 1e-3;

  /**
   * One outline.
   *
   * @param outline x and y in turn, against the clock, not closed, mm
   * @param holes likewise, with the clock
   */
  public record Island(
      List<double[]> outline,
      List<List<double[]>> holes,
      double areaMm2,
      double longestSpanMm,
      double narrowestMm,
      List<OutlineCorner> corners) {}

  /** Describes the material of a cut. */
  static Footprint of(Geometry material) {
    List<Island> islands = new ArrayList<>();
    for (Object each : PolygonExtracter.getPolygons(material)) {
      Polygon polygon = (Polygon) each;
      if (polygon.getArea() >= SPECK_MM2 && islands.size() < MOST_ISLANDS) {
        islands.add(island(polygon, islands.size() < MEASURED_ISLANDS));
      }
    }
    islands.sort((a, b) -> Double.compare(b.areaMm2, a.areaMm2));
    return new Footprint(
        List.copyOf(islands),
        islands.stream().mapToDouble(Island::areaMm2).sum(),
        islands.stream().mapToDouble(Island::longestSpanMm).max().orElse(0),
        islands.stream().mapToDouble(Island::narrowestMm).min().orElse(0),
        material.isEmpty() ? 0 : new MinimumDiameter(material).getLength());
  }

  private static Island island(Polygon polygon, boolean exactly) {
    Coordinate[] ring = turned(polygon.getExteriorRing(), true);
    List<List<double[]>> holes = new ArrayList<>();
    for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
      holes.add(points(turned(polygon.getInteriorRingN(i), false)));
    }
    Coordinate[] hull = new ConvexHull(ring, polygon.getFactory()).getConvexHull().getCoordinates();
    double tolerance = Math.max(FINEST_CIRCLE_MM, CIRCLE_SHARE * Math.sqrt(polygon.getArea()));
    double narrowest =
        exactly
            ? 2 * MaximumInscribedCircle.getRadiusLine(polygon, tolerance).getLength()
            : 4 * polygon.getArea() / polygon.getLength();
    return new Island(
        points(ring), holes, polygon.getArea(), diameter(hull), narrowest, OutlineCorner.of(ring));
  }

  private static Coordinate[] turned(LinearRing ring, boolean againstClock) {
    Coordinate[] points = ring.getCoordinates();
    if (Orientation.isCCW(points) != againstClock) {
      CoordinateArrays.reverse(points);
    }
    return points;
  }

  private static List<double[]> points(Coordinate[] ring) {
    List<double[]> points = new ArrayList<>(ring.length - 1);
    for (int i = 0; i + 1 < ring.length; i++) {
      points.add(new double[] {ring[i].x, ring[i].y});
    }
    return points;
  }

  /** The two corners of a hull that are furthest apart, by turning callipers round it. */
  static double diameter(Coordinate[] hull) {
    int n = hull.length - 1;
    double most = 0;
    if (n < 3) {
      return hull.length < 2 ? 0 : hull[0].distance(hull[hull.length - 2]);
    }
    int across = 1;
    for (int i = 0; i < n; i++) {
      Coordinate a = hull[i];
      Coordinate b = hull[(i + 1) % n];
      while (away(a, b, hull[(across + 1) % n]) > away(a, b, hull[across % n])) {
        across++;
      }
      most = Math.max(most, Math.max(a.distance(hull[across % n]), b.distance(hull[across % n])));
    }
    return most;
  }

  private static double away(Coordinate a, Coordinate b, Coordinate c) {
    return Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
  }

  /** Whether some of it is so slim that it is a fin. */
  public boolean isThin() {
    return !islands.isEmpty() && narrowestMm < THIN_MM;
  }
}
