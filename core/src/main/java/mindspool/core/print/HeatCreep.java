package mindspool.core.print;

import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;

/**
 * Whether filament softens above the hot end's melt zone: a heat break of steel between the hot
 * block and a sink that a fan cools. Dimensions of a usual one, from memory.
 */
public final class HeatCreep {

  private static final double STEEL = 16;
  private static final double OUTER_M = 2.9e-3;
  private static final double INNER_M = 2.0e-3;
  private static final double FREE_M = 2.1e-3;

  /** Of the sink to the air, K/W: with the fan standing and running. */
  private static final double STILL = 15;

  private static final double BLOWN = 2.2;
  private static final double FAN_EXPONENT = 0.6;

  /** Above this a flexible filament is soft, °C. */
  private static final double FLEXIBLE_SOFT_C = 70;

  /** How near softening is too near, and how fast the risk rises there, °C; calibrated. */
  private static final double NEAR = 3;

  private static final double WIDTH = 2.5;

  /** Slack of filament in its path, and what every feeder takes back; field experience, m. */
  private static final double SLACK_M = 1e-3;

  private static final double LEAST_RETRACTION_M = 0.3e-3;

  /** A risk that is worth a warning. */
  public static final double WORRYING = 0.2;

  private final double coldEndC;
  private final double softC;
  private final double softLengthM;

  private HeatCreep(double coldEndC, double softC, double nozzleC) {
    this.coldEndC = coldEndC;
    this.softC = softC;
    softLengthM =
        coldEndC >= softC
            ? Double.POSITIVE_INFINITY
            : FREE_M * Math.max(0, nozzleC - softC) / Math.max(1, nozzleC - coldEndC);
  }

  /**
   * Computes the temperatures of a hot end.
   *
   * @param sinkFan fan of the sink, 0 standing to 1 running
   */
  public static HeatCreep of(Material material, double nozzleC, double chamberC, double sinkFan) {
    Require.within("nozzleTemperatureC", nozzleC, 100, 500, "°C");
    Require.within("chamberTemperatureC", chamberC, -20, 180, "°C");
    Require.within("heatSinkFan", sinkFan, 0, 1, "");
    double softC = softC(material);
    return new HeatCreep(coldEndC(nozzleC, chamberC, sinkFan), softC, nozzleC);
  }

  private static double ratio(double sinkFan) {
    double conductance = STEEL * Math.PI / 4 * (OUTER_M * OUTER_M - INNER_M * INNER_M) / FREE_M;
    double sink = 1 / (1 / STILL + (1 / BLOWN - 1 / STILL) * Math.pow(sinkFan, FAN_EXPONENT));
    return sink * conductance;
  }

  private static double coldEndC(double nozzleC, double chamberC, double sinkFan) {
    double ratio = ratio(sinkFan);
    return (chamberC + ratio * nozzleC) / (1 + ratio);
  }

  private static double softC(Material material) {
    if (material.isFlexible()) {
      return FLEXIBLE_SOFT_C;
    }
    double deflection = material.value(Parameter.HEAT_DEFLECTION);
    return material.known(Parameter.FAST_CRYSTALLISATION).isPresent()
        ? deflection
        : Math.min(deflection, material.value(Parameter.GLASS_TRANSITION));
  }

  /** Temperature at the cold end of the heat break, °C. */
  public double coldEndC() {
    return coldEndC;
  }

  /** From this on it is soft, °C. */
  public double softC() {
    return softC;
  }

  /** Length above the melt zone that is soft, m; infinite where the cold end is. */
  public double softLengthM() {
    return softLengthM;
  }

  /**
   * Longest retraction that drags no melt into the cold part, m: what is firm above the melt, and a
   * millimetre of slack.
   */
  public double longestRetractionM() {
    return Math.max(LEAST_RETRACTION_M, FREE_M - Math.min(FREE_M, softLengthM) + SLACK_M);
  }

  /** Risk that it jams, 0 to 1. */
  public double risk() {
    return 1 / (1 + Math.exp(-(coldEndC - softC + NEAR) / WIDTH));
  }

  /** The warmest chamber whose risk is not worth a warning, °C. */
  public static double warmestChamberC(Material material, double nozzleC, double sinkFan) {
    double ratio = ratio(sinkFan);
    double coldEnd = softC(material) - NEAR - WIDTH * Math.log(1 / WORRYING - 1);
    return coldEnd * (1 + ratio) - ratio * nozzleC;
  }
}
