package mindspool.core.part;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/**
 * A mesh as what is to be printed: how large, how heavy, what stands on the plate, what tips it,
 * what is wrong with it. The bottom of its bounds is the plate.
 *
 * @param lowMm least x, y, z as in the file
 * @param sizeMm along x, y, z
 * @param centreMm of the volume
 * @param steepShare of the surface: faces that look down by more than 45° over nothing
 * @param parts bodies apart from one another on the plate
 * @param tipMm how far the centre is inside the edge of the base that it is nearest to; negative
 *     outside
 * @param heightsMm of cuts over the plate, with their areas and extents
 * @param notes what is wrong or doubtful
 */
public record PartShape(
    int triangles,
    double[] lowMm,
    double[] sizeMm,
    double volumeMm3,
    double areaMm2,
    double[] centreMm,
    double steepShare,
    Footprint footprint,
    int parts,
    double tipMm,
    double[] heightsMm,
    double[] cutAreaMm2,
    double[] cutExtentMm,
    List<Note> notes) {

  /** Cuts over the height, of which every eighth keeps its outlines. */
  static final int CUTS = 64;

  private static final int KEPT_EVERY = 8;

  /** The middle of a usual first layer, mm; common practice. */
  private static final double FIRST_LAYER_MM = 0.1;

  /** Bodies nearer than this print as one, mm. */
  private static final double APART_MM = 0.5;

  private static final double OUTLINE_MM = 0.05;

  /** Smaller than any part that is worth a file and larger than any desktop printer, mm. */
  private static final double INCH_BELOW_MM = 8;

  private static final double LARGE_MM = 1000;

  /** Beyond this a corner is a fault of the file, mm. */
  private static final double FARTHEST_MM = 1e6;

  /** Higher than so many widths of its base a part is slender; judgement. */
  private static final double SLENDER = 4;

  /** A finding; {@code id} stays, words may change. */
  public record Note(String id, String words) {}

  /** Measures a mesh as it lies. */
  public static PartShape of(Triangles mesh) {
    if (mesh.count() == 0) {
      throw Unreadable.file("a mesh with no triangles", "Export the part again.");
    }
    MeshMeasure measure = MeshMeasure.of(mesh);
    double[] size = new double[3];
    double[] low = new double[3];
    for (int i = 0; i < 3; i++) {
      low[i] = measure.low[i];
      size[i] = (double) measure.high[i] - measure.low[i];
    }
    if (!(size[0] > 0 && size[1] > 0 && size[2] > 0)) {
      throw Unreadable.file(
          String.format(Locale.ROOT, "a mesh of %.2f × %.2f × %.2f mm", size[0], size[1], size[2]),
          "A part has a length, a width and a height; export a solid.");
    }
    double farthest = 0;
    for (int i = 0; i < 3; i++) {
      farthest = Math.max(farthest, Math.max(Math.abs(low[i]), Math.abs(measure.high[i])));
    }
    if (farthest > FARTHEST_MM) {
      throw Unreadable.file(
          String.format(Locale.ROOT, "a mesh with a corner %.3g m away", farthest / 1000),
          "Its unit is another, or a corner is damaged; move the part to the origin and export it.");
    }
    MeshSlices slices =
        MeshSlices.of(mesh, measure, CUTS, KEPT_EVERY, Math.min(FIRST_LAYER_MM, size[2] / 2));
    boolean inverted = measure.volumeMm3() < 0;
    CutOutlines first = CutOutlines.of(turned(slices.firstLayer(), inverted));
    List<CutOutlines> cuts =
        slices.keptCuts().stream().map(pieces -> CutOutlines.of(turned(pieces, inverted))).toList();
    Footprint footprint = Footprint.of(first.material());
    double[] centre = measure.centre();
    double[] heights = new double[CUTS];
    double[] areas = new double[CUTS];
    for (int k = 0; k < CUTS; k++) {
      heights[k] = slices.heightMm(k);
      areas[k] = Math.abs(slices.areaMm2[k]);
    }
    List<Geometry> shadows = new ArrayList<>();
    shadows.add(first.material());
    cuts.forEach(cut -> shadows.add(cut.material()));
    double down = Math.max(0, measure.steepDownMm2() - slices.bottomMm2());
    PartShape shape =
        new PartShape(
            mesh.count(),
            low,
            size,
            Math.abs(measure.volumeMm3()),
            measure.areaMm2(),
            centre,
            down / measure.areaMm2(),
            footprint,
            apart(shadows, mesh),
            insideBase(first.material(), centre),
            heights,
            areas,
            slices.extents,
            List.of());
    return shape.with(notes(shape, measure, inverted, first, cuts, mesh));
  }

  private PartShape with(List<Note> found) {
    return new PartShape(
        triangles,
        lowMm,
        sizeMm,
        volumeMm3,
        areaMm2,
        centreMm,
        steepShare,
        footprint,
        parts,
        tipMm,
        heightsMm,
        cutAreaMm2,
        cutExtentMm,
        found);
  }

  /** An inside-out mesh has its material on the right. */
  private static double[] turned(double[] pieces, boolean inverted) {
    if (!inverted) {
      return pieces;
    }
    double[] turned = new double[pieces.length];
    for (int i = 0; i < pieces.length; i += MeshSlices.NUMBERS) {
      turned[i] = pieces[i + 2];
      turned[i + 1] = pieces[i + 3];
      turned[i + 2] = pieces[i];
      turned[i + 3] = pieces[i + 1];
    }
    return turned;
  }

  /**
   * How many bodies stand apart: by the union of their cuts seen from above, which may miss what
   * joins them between two cuts, and so no more than the mesh has bodies.
   */
  private static int apart(List<Geometry> cuts, Triangles mesh) {
    List<Geometry> grown = new ArrayList<>();
    for (Geometry cut : cuts) {
      if (!cut.isEmpty()) {
        grown.add(DouglasPeuckerSimplifier.simplify(cut, OUTLINE_MM).buffer(APART_MM / 2, 2));
      }
    }
    if (grown.isEmpty()) {
      return 0;
    }
    Geometry union = OverlayNGRobust.union(new GeometryFactory().buildGeometry(grown));
    int seen = union.getNumGeometries();
    return seen > 1 ? Math.min(seen, MeshBodies.count(mesh)) : seen;
  }

  /** How far the centre is inside the hull of what stands on the plate; negative outside. */
  private static double insideBase(Geometry base, double[] centre) {
    if (base.isEmpty()) {
      return 0;
    }
    Geometry hull = base.convexHull();
    Geometry point = hull.getFactory().createPoint(new Coordinate(centre[0], centre[1]));
    double edge = hull.getBoundary().distance(point);
    return hull.contains(point) ? edge : -edge;
  }

  private static List<Note> notes(
      PartShape shape,
      MeshMeasure measure,
      boolean inverted,
      CutOutlines first,
      List<CutOutlines> cuts,
      Triangles mesh) {
    List<Note> notes = new ArrayList<>();
    if (!measure.isClosed()) {
      notes.add(MeshEdges.of(mesh).note());
    }
    if (inverted) {
      notes.add(
          new Note(
              "inverted",
              "The mesh is inside out; it is measured as if it were turned. Export it so."));
    }
    if (first.crosses() || cuts.stream().anyMatch(CutOutlines::crosses)) {
      notes.add(
          new Note(
              "crossing",
              "Its outlines cross one another: bodies overlap. The volume counts the overlap twice;"
                  + " outline and size are right. Join the bodies before exporting."));
    }
    if (measure.flatTriangles() > 0) {
      notes.add(
          new Note(
              "flat",
              measure.flatTriangles()
                  + " triangles have no area. They do no harm to what is said here."));
    }
    double largest = Math.max(shape.sizeMm[0], Math.max(shape.sizeMm[1], shape.sizeMm[2]));
    if (largest < INCH_BELOW_MM) {
      notes.add(
          new Note(
              "small",
              say(
                  "Its longest side is %.2f mm. If it was drawn in inches, it is %.0f mm: scale it by"
                      + " 25.4.",
                  largest, 25.4 * largest)));
    } else if (largest > LARGE_MM) {
      notes.add(
          new Note(
              "large",
              say(
                  "Its longest side is %.0f mm. If it was drawn in micrometres or scaled twice, say"
                      + " so to the program that drew it.",
                  largest)));
    }
    if (shape.footprint.islands().isEmpty()) {
      notes.add(
          new Note(
              "point",
              "It stands on a point or an edge; lay it on a flat side, or give it a raft."));
    } else if (shape.tipMm < 0) {
      notes.add(
          new Note(
              "tips",
              say(
                  "Its centre lies %.1f mm outside what it stands on: without a brim or supports it"
                      + " tips over.",
                  -shape.tipMm)));
    }
    if (shape.parts > 1) {
      notes.add(new Note("several", shape.parts + " bodies stand apart on the plate."));
    }
    return List.copyOf(notes);
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }

  /** Height over the width of the slimmest base; nothing stands on an edge, which is infinite. */
  public double slenderness() {
    return footprint.narrowestMm() > 0
        ? sizeMm[2] / footprint.narrowestMm()
        : Double.POSITIVE_INFINITY;
  }

  /** Whether its base is a fin's. */
  public boolean hasThinBase() {
    return footprint.isThin();
  }

  /** Whether it stands high on little. */
  public boolean isSlender() {
    return slenderness() > SLENDER;
  }

  /**
   * Volume of filament in it: walls all round as far as there is room, infill between, mm³.
   *
   * @param shellMm walls, top and bottom: lines times width
   * @param infillShare of what is left, 0 to 1
   */
  public double filledMm3(double shellMm, double infillShare) {
    double shell = Math.min(volumeMm3, areaMm2 * shellMm);
    return shell + infillShare * (volumeMm3 - shell);
  }
}
