package mindspool.core.part;

import java.util.List;
import java.util.Map;

/**
 * What a print file does.
 *
 * @param filamentMm by tool, length that ends up in the print
 * @param timeS with accelerations
 * @param unsurePercent of the time, up and down
 * @param lowMm least x, y, z of what is extruded, without skirt and priming where the file tells
 * @param sizeMm of the same
 * @param pauses when it waits for somebody
 * @param firstLayer its lines as x and y of their points, mm; of a very full one only a part
 * @param timeByKindS by the file's own words for its lines; empty where it says none
 * @param notes what is doubtful
 */
public record GcodeProfile(
    List<GcodeLayer> layers,
    Map<Integer, Double> filamentMm,
    double timeS,
    double unsurePercent,
    double[] lowMm,
    double[] sizeMm,
    List<Pause> pauses,
    List<double[]> firstLayer,
    Map<String, Double> timeByKindS,
    List<PartShape.Note> notes) {

  /** The printer waits. */
  public record Pause(double atS, double zMm) {}

  /** Filament in the print, mm³. */
  public double volumeMm3() {
    return layers.stream().mapToDouble(GcodeLayer::volumeMm3).sum();
  }

  /** The fastest flow that lasts, mm³/s. */
  public double maxFlowMm3PerS() {
    return layers.stream().mapToDouble(GcodeLayer::maxFlowMm3PerS).max().orElse(0);
  }

  /** The quickest layer, s; the last one, which may be a dot, counts too. */
  public double minLayerTimeS() {
    return layers.stream().mapToDouble(GcodeLayer::timeS).min().orElse(0);
  }

  /** Strongest part fan, %. */
  public double maxFanPercent() {
    return layers.stream().mapToDouble(GcodeLayer::fanPercent).max().orElse(0);
  }
}
