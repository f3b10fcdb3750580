package mindspool.server.calc;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.part.Footprint;
import mindspool.core.part.GcodeLayer;
import mindspool.core.part.GcodeProfile;
import mindspool.core.part.OutlineCorner;
import mindspool.core.part.PartFile;
import mindspool.core.part.PartShape;
import mindspool.server.http.MayBeNull;

/**
 * A part's file as it is answered; what a kind of file does not have is null or empty.
 *
 * @param kind stl, 3mf or gcode
 * @param format such as binary or ascii
 * @param boundsMm sizes along the axes
 * @param volumeCm3 of the mesh; of the filament for a print file
 * @param massG by material: a mesh with walls and infill as asked, a print file as it is
 * @param thinBase whether some of its base is a fin's
 * @param slenderness height over the width of the slimmest base; null where it stands on an edge
 * @param parts bodies that stand apart
 * @param tipMm how far the centre is inside the base; negative outside
 * @param layers of a print file
 * @param firstLayer of a print file: lines as x and y of their points, mm
 * @param warnings what is wrong or doubtful, in words
 */
public record PartAnswer(
    String kind,
    String format,
    Integer triangles,
    AxesView boundsMm,
    AxesView lowMm,
    double volumeCm3,
    Double areaCm2,
    @MayBeNull AxesView centreMm,
    Map<String, Double> massG,
    @MayBeNull FootprintView footprint,
    Boolean thinBase,
    Double slenderness,
    Double steepPercent,
    Integer parts,
    Double tipMm,
    List<CutView> cuts,
    List<LayerView> layers,
    Double printTimeS,
    Double unsurePercent,
    Double filamentMm,
    Map<String, Double> filamentMmByTool,
    @MayBeNull TemperaturesView temperatures,
    Double maxFlowMm3PerS,
    Double minLayerTimeS,
    @MayBeNull FanView fan,
    List<PauseView> pauses,
    List<double[]> firstLayer,
    List<NoteView> notes,
    List<String> warnings) {

  /** Files that were read before lines were kept have none. */
  public PartAnswer {
    firstLayer = firstLayer == null ? List.of() : firstLayer;
  }

  /** Walls of three lines of 0.45 mm, mm; common practice. */
  public static final double USUAL_SHELL_MM = 3 * 0.45;

  /** Common practice. */
  public static final double USUAL_INFILL_PERCENT = 20;

  /** Where neither file nor person says, mm/s²; common practice. */
  public static final double USUAL_ACCELERATION = 2000;

  private static final double MM3_PER_CM3 = 1000;
  private static final double KG_PER_M3_IN_G_PER_CM3 = 1000;

  /** Along x, y and z. */
  public record AxesView(double x, double y, double z) {

    static AxesView of(double[] three) {
      return new AxesView(three[0], three[1], three[2]);
    }
  }

  /** A corner: where it is, the angle inside the part, its rounding. */
  public record CornerView(double xMm, double yMm, double angleDeg, double radiusMm) {

    static CornerView of(OutlineCorner corner) {
      return new CornerView(corner.xMm(), corner.yMm(), corner.angleDeg(), corner.radiusMm());
    }
  }

  /** An outline, x and y of each point, with its holes. */
  public record PolygonView(
      List<double[]> points,
      List<List<double[]>> holes,
      double areaMm2,
      double longestSpanMm,
      double narrowestMm) {}

  /**
   * What stands on the plate, the largest outline first; {@code standsOnMm} is the least width of
   * the hull around it, over which it would tip.
   */
  public record FootprintView(
      List<PolygonView> outline,
      double areaMm2,
      double longestSpanMm,
      double narrowestMm,
      double standsOnMm,
      List<CornerView> corners) {

    static FootprintView of(Footprint base) {
      return new FootprintView(
          base.islands().stream()
              .map(
                  island ->
                      new PolygonView(
                          island.outline(),
                          island.holes(),
                          island.areaMm2(),
                          island.longestSpanMm(),
                          island.narrowestMm()))
              .toList(),
          base.areaMm2(),
          base.longestSpanMm(),
          base.narrowestMm(),
          base.standsOnMm(),
          base.islands().stream()
              .flatMap(island -> island.corners().stream())
              .map(CornerView::of)
              .toList());
    }
  }

  /** A level cut: its height over the plate, its area, least and greatest x and y. */
  public record CutView(
      double heightMm, double areaMm2, double lowX, double highX, double lowY, double highY) {}

  /** A layer of a print file. */
  public record LayerView(
      double zMm,
      double heightMm,
      double startS,
      double timeS,
      double lengthMm,
      double volumeMm3,
      double maxFlowMm3PerS,
      double meanFlowMm3PerS,
      double maxSpeedMmPerS,
      double widthMm,
      Double nozzleTemperatureC,
      Double bedTemperatureC,
      Double chamberTemperatureC,
      double fanPercent) {

    static LayerView of(GcodeLayer layer) {
      return new LayerView(
          layer.zMm(),
          layer.heightMm(),
          layer.startS(),
          layer.timeS(),
          layer.lengthMm(),
          layer.volumeMm3(),
          layer.maxFlowMm3PerS(),
          layer.meanFlowMm3PerS(),
          layer.maxSpeedMmPerS(),
          layer.widthMm(),
          orNull(layer.nozzleC()),
          orNull(layer.bedC()),
          orNull(layer.chamberC()),
          layer.fanPercent());
    }

    GcodeLayer toLayer() {
      return new GcodeLayer(
          zMm,
          heightMm,
          startS,
          timeS,
          lengthMm,
          volumeMm3,
          maxFlowMm3PerS,
          meanFlowMm3PerS,
          maxSpeedMmPerS,
          widthMm,
          orNaN(nozzleTemperatureC),
          orNaN(bedTemperatureC),
          orNaN(chamberTemperatureC),
          fanPercent,
          0);
    }

    private static double orNaN(Double celsius) {
      return celsius == null ? Double.NaN : celsius;
    }
  }

  /** Temperatures that a print file sets: at the first layer, and the hottest. */
  public record TemperaturesView(
      Double firstNozzleC, Double nozzleC, Double bedC, Double chamberC) {}

  /** The part fan, in per cent: at the first layer, and its strongest. */
  public record FanView(double firstPercent, double maxPercent) {}

  /** Where a print file waits for somebody. */
  public record PauseView(double atS, double zMm) {}

  /** A finding; its id stays, its words may change. */
  public record NoteView(String id, String words) {}

  /** A file as it is answered. */
  public static PartAnswer of(
      PartFile file, MaterialCatalogue catalogue, double shellMm, double infillShare) {
    return file.shape()
        .map(shape -> mesh(file, shape, catalogue, shape.filledMm3(shellMm, infillShare)))
        .orElseGet(() -> printFile(file, file.profile().orElseThrow(), catalogue));
  }

  private static Map<String, Double> masses(MaterialCatalogue catalogue, double volumeMm3) {
    Map<String, Double> masses = new LinkedHashMap<>();
    catalogue
        .all()
        .forEach(
            material ->
                masses.put(
                    material.name(),
                    volumeMm3 / MM3_PER_CM3 * material.densityKgPerM3() / KG_PER_M3_IN_G_PER_CM3));
    return masses;
  }

  private static Double orNull(double celsius) {
    return Double.isNaN(celsius) ? null : celsius;
  }

  private static List<NoteView> notes(PartFile file) {
    return file.notes().stream().map(note -> new NoteView(note.id(), note.words())).toList();
  }

  private static List<String> words(PartFile file) {
    return file.notes().stream().map(PartShape.Note::words).toList();
  }

  private static PartAnswer mesh(
      PartFile file, PartShape shape, MaterialCatalogue catalogue, double filledMm3) {
    double slender = shape.slenderness();
    return new PartAnswer(
        file.kind() == PartFile.Kind.THREE_MF ? "3mf" : "stl",
        switch (file.kind()) {
          case STL_BINARY -> "binary";
          case STL_ASCII -> "ascii";
          default -> "zip";
        },
        shape.triangles(),
        AxesView.of(shape.sizeMm()),
        AxesView.of(shape.lowMm()),
        shape.volumeMm3() / MM3_PER_CM3,
        shape.areaMm2() / 100,
        AxesView.of(shape.centreMm()),
        masses(catalogue, filledMm3),
        FootprintView.of(shape.footprint()),
        shape.hasThinBase(),
        Double.isFinite(slender) ? slender : null,
        100 * shape.steepShare(),
        shape.parts(),
        shape.tipMm(),
        cuts(shape),
        List.of(),
        null,
        null,
        null,
        Map.of(),
        null,
        null,
        null,
        null,
        List.of(),
        List.of(),
        notes(file),
        words(file));
  }

  private static List<CutView> cuts(PartShape shape) {
    return IntStream.range(0, shape.heightsMm().length)
        .filter(k -> shape.cutExtentMm()[4 * k] <= shape.cutExtentMm()[4 * k + 1])
        .mapToObj(
            k ->
                new CutView(
                    shape.heightsMm()[k],
                    shape.cutAreaMm2()[k],
                    shape.cutExtentMm()[4 * k],
                    shape.cutExtentMm()[4 * k + 1],
                    shape.cutExtentMm()[4 * k + 2],
                    shape.cutExtentMm()[4 * k + 3]))
        .toList();
  }

  private static PartAnswer printFile(
      PartFile file, GcodeProfile profile, MaterialCatalogue catalogue) {
    GcodeLayer first = profile.layers().get(0);
    Map<String, Double> byTool = new LinkedHashMap<>();
    profile.filamentMm().forEach((tool, mm) -> byTool.put(String.valueOf(tool), mm));
    return new PartAnswer(
        "gcode",
        "text",
        null,
        AxesView.of(profile.sizeMm()),
        AxesView.of(profile.lowMm()),
        profile.volumeMm3() / MM3_PER_CM3,
        null,
        null,
        masses(catalogue, profile.volumeMm3()),
        null,
        null,
        null,
        null,
        null,
        null,
        List.of(),
        profile.layers().stream().map(LayerView::of).toList(),
        profile.timeS(),
        profile.unsurePercent(),
        profile.filamentMm().values().stream().mapToDouble(Double::doubleValue).sum(),
        byTool,
        new TemperaturesView(
            orNull(first.nozzleC()),
            hottest(profile, GcodeLayer::nozzleC),
            hottest(profile, GcodeLayer::bedC),
            hottest(profile, GcodeLayer::chamberC)),
        profile.maxFlowMm3PerS(),
        profile.minLayerTimeS(),
        new FanView(first.fanPercent(), profile.maxFanPercent()),
        profile.pauses().stream().map(it -> new PauseView(it.atS(), it.zMm())).toList(),
        profile.firstLayer().stream().map(PartAnswer::rounded).toList(),
        notes(file),
        words(file));
  }

  /** The print file again, as far as its layers tell. */
  public GcodeProfile toProfile() {
    return new GcodeProfile(
        layers.stream().map(LayerView::toLayer).toList(),
        Map.of(),
        printTimeS == null ? 0 : printTimeS,
        unsurePercent == null ? 0 : unsurePercent,
        new double[] {lowMm.x, lowMm.y, lowMm.z},
        new double[] {boundsMm.x, boundsMm.y, boundsMm.z},
        List.of(),
        List.of(),
        Map.of(),
        List.of());
  }

  /** To a hundredth of a millimetre, more than which no line is laid by. */
  private static double[] rounded(double[] points) {
    return Arrays.stream(points).map(mm -> Math.round(100 * mm) / 100.0).toArray();
  }

  private static Double hottest(GcodeProfile profile, ToDoubleFunction<GcodeLayer> of) {
    return profile.layers().stream()
        .mapToDouble(of)
        .filter(celsius -> !Double.isNaN(celsius))
        .boxed()
        .max(Double::compare)
        .orElse(null);
  }
}
