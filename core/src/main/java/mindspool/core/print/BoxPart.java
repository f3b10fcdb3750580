package mindspool.core.print;

/**
 * What printing a box of solid walls, solid floor and roof around infill takes: path, time, mass.
 * Travel and acceleration are a fixed share of the time, so hours are good to about a quarter.
 */
public final class BoxPart {

  /** Floor and roof that look closed and bear load; common practice, m. */
  private static final double SKIN_M = 0.8e-3;

  /** Travel, corners and retractions, as a share of laying lines; from memory. */
  private static final double TRAVEL_SHARE = 0.2;

  private final PrintedPart part;
  private final double layerM;

  public BoxPart(PrintedPart part, double layerHeightM) {
    this.part = part;
    this.layerM = layerHeightM;
  }

  /** Layers of floor and of roof. */
  public int skinLayers() {
    return (int) Math.min(Math.ceil(SKIN_M / layerM - 1e-9), Math.ceil(layers() / 2.0));
  }

  public int layers() {
    return (int) Math.max(1, Math.round(part.heightM() / layerM));
  }

  private double wall() {
    return Math.min(part.walls() * part.lineWidthM(), Math.min(part.lengthM(), part.widthM()) / 2);
  }

  private double wallArea() {
    double inner = (part.lengthM() - 2 * wall()) * (part.widthM() - 2 * wall());
    return part.lengthM() * part.widthM() - inner;
  }

  private double layerArea(double infill) {
    return wallArea() + infill * (part.lengthM() * part.widthM() - wallArea());
  }

  /** Volume of melt that it takes, m³. */
  public double volumeM3() {
    double skins = Math.min(part.heightM(), 2 * skinLayers() * layerM);
    return layerArea(1) * skins + layerArea(part.infillShare()) * (part.heightM() - skins);
  }

  /** From one layer inside to the next over it, s. */
  public double layerS(double speedMPerS) {
    double path = layerArea(part.infillShare()) / part.lineWidthM();
    return path / speedMPerS * (1 + TRAVEL_SHARE);
  }

  /** Whole build with each layer taking some time at least, s. */
  public double buildS(double speedMPerS, double leastLayerS) {
    double skin = layerArea(1) / part.lineWidthM() / speedMPerS * (1 + TRAVEL_SHARE);
    int skins = Math.min(layers(), 2 * skinLayers());
    return skins * Math.max(skin, leastLayerS)
        + (layers() - skins) * Math.max(layerS(speedMPerS), leastLayerS);
  }

  /**
   * Build of a part that fills less of the box, with each layer taking some time at least, s.
   *
   * @param meltM3 that it takes
   */
  double buildS(double meltM3, double speedMPerS, double leastLayerS) {
    double lines = meltM3 / (part.lineWidthM() * layerM);
    return Math.max(lines / speedMPerS * (1 + TRAVEL_SHARE), layers() * leastLayerS);
  }
}
