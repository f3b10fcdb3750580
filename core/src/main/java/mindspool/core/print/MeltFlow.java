package mindspool.core.print;

import mindspool.core.PhysicalConstants;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;

/**
 * How warm the melt is that leaves the nozzle, and how hard it must be pushed.
 *
 * <p>The filament is a rod heated from its wall on its way through the melt zone (slug flow, the
 * first six eigenvalues of the cylinder); through the nozzle it flows as a power-law fluid in a
 * capillary (Rabinowitsch). The radius of the rod cancels.
 */
public final class MeltFlow {

  /** Squares of the zeros of J0, and J1 there (Abramowitz and Stegun, table 9.5). */
  private static final double[] SQUARES = {
    5.783186, 30.471262, 74.887007, 139.040284, 222.932304, 326.563353
  };

  private static final double[] SLOPES = {
    0.5191475, -0.3402648, 0.2714523, -0.2324598, 0.2065464, -0.1877288
  };

  private static final double SHORT = 0.004;
  private static final double ENTERS_C = 25;

  /** Land of a usual nozzle, m; from memory. */
  private static final double LAND_M = 0.6e-3;

  /** The cone before the land takes more than the land itself; calibrated. */
  private static final double CONE = 2.5;

  /** What a geared feeder pushes before it grinds, N; a share of it is kept in hand. */
  private static final double GRIP_N = 60;

  private static final double KEPT = 0.7;

  /**
   * What a flexible filament bears before it buckles in the gap behind the drive, N; fitted so that
   * a usual hot end gets 2 to 6 mm³/s of it, as common practice has it.
   */
  private static final double FLEXIBLE_N = 4;

  private static final int HALVINGS = 60;

  /** A flow is found to a thousandth of itself. */
  private static final int PUSH_HALVINGS = 24;

  private static final double LEAST_FLOW = 1e-12;

  private final Material material;
  private final HotEnd hotEnd;
  private final double flowM3PerS;
  private final double mostWarmFlowM3PerS;

  /** Found when it is asked for. */
  private double mostFlowM3PerS = Double.NaN;

  private final double meltC;
  private final double coreC;
  private final double pushN;
  private final double allowedN;
  private final boolean floorMet;

  /**
   * A hot end at work.
   *
   * @param nozzleC set temperature, °C
   * @param flowM3PerS volume of melt per time, m³/s
   * @param meltZoneM length of the heated zone, m
   */
  public record HotEnd(
      double nozzleC,
      double flowM3PerS,
      double nozzleDiameterM,
      double meltZoneM,
      double filamentDiameterM) {

    public HotEnd {
      Require.within("nozzleTemperatureC", nozzleC, 100, 500, "°C");
      Require.within("flowMm3PerS", 1e9 * flowM3PerS, 0.001, 50_000, "mm³/s");
      Require.within("nozzleDiameterMm", 1000 * nozzleDiameterM, 0.05, 5, "mm");
      Require.within("meltZoneMm", 1000 * meltZoneM, 1, 200, "mm");
      Require.within("filamentDiameterMm", 1000 * filamentDiameterM, 1, 5, "mm");
    }
  }

  private MeltFlow(Material material, HotEnd hotEnd) {
    this.material = material;
    this.hotEnd = hotEnd;
    flowM3PerS = hotEnd.flowM3PerS;
    double fourier = fourier(material, hotEnd.meltZoneM, hotEnd.flowM3PerS);
    double rise = hotEnd.nozzleC - ENTERS_C;
    meltC = meltC(material, hotEnd, flowM3PerS);
    coreC = hotEnd.nozzleC - coldCoreShare(fourier) * rise;
    mostWarmFlowM3PerS = mostWarmFlow(material, hotEnd);
    pushN = pushN(hotEnd.flowM3PerS);
    allowedN = material.isFlexible() ? FLEXIBLE_N : KEPT * GRIP_N;
    floorMet = hotEnd.nozzleC >= material.value(Parameter.NOZZLE_FLOOR);
  }

  /** Computes the melt of a hot end at work. */
  public static MeltFlow of(Material material, HotEnd hotEnd) {
    return new MeltFlow(material, hotEnd);
  }

  private static double fourier(Material material, double zoneM, double flow) {
    return Math.PI * MeltHeat.diffusivity(material) * zoneM / flow;
  }

  /** Share of the rise that the mean of the rod lacks after a time, by its Fourier number. */
  static double coldShare(double fourier) {
    if (fourier < SHORT) {
      return 1 - 4 * Math.sqrt(fourier / Math.PI) + fourier;
    }
    double share = 0;
    for (double square : SQUARES) {
      share += 4 / square * Math.exp(-square * fourier);
    }
    return share;
  }

  /** The same of its axis. */
  static double coldCoreShare(double fourier) {
    double share = 0;
    for (int i = 0; i < SQUARES.length; i++) {
      share += 2 / (Math.sqrt(SQUARES[i]) * SLOPES[i]) * Math.exp(-SQUARES[i] * fourier);
    }
    return Math.min(1, share);
  }

  private static double meltC(Material material, HotEnd hotEnd, double flow) {
    return hotEnd.nozzleC
        - coldShare(fourier(material, hotEnd.meltZoneM, flow)) * (hotEnd.nozzleC - ENTERS_C);
  }

  private double pushN(double flow) {
    double pressure =
        capillaryPa(
            consistency(material, meltC(material, hotEnd, flow)),
            material.value(Parameter.FLOW_INDEX),
            LAND_M,
            hotEnd.nozzleDiameterM / 2,
            flow);
    return CONE * pressure * Math.PI * Math.pow(hotEnd.filamentDiameterM, 2) / 4;
  }

  /** The flow up to which the drive and the filament bear the push, at most what is warm. */
  private double mostPushedFlow() {
    double high = mostWarmFlowM3PerS;
    if (high <= LEAST_FLOW || pushN(high) <= allowedN) {
      return high;
    }
    double low = LEAST_FLOW;
    for (int i = 0; i < PUSH_HALVINGS; i++) {
      double middle = Math.sqrt(low * high);
      if (pushN(middle) <= allowedN) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /** The flow at which the melt leaves just warm enough. */
  private static double mostWarmFlow(Material material, HotEnd hotEnd) {
    double wanted =
        (hotEnd.nozzleC - material.value(Parameter.FLOWING)) / (hotEnd.nozzleC - ENTERS_C);
    if (wanted <= 0) {
      return 0;
    }
    double low = 0;
    double high = 1;
    while (coldShare(high) > wanted) {
      high *= 2;
    }
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      if (coldShare(middle) > wanted) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return Math.PI * MeltHeat.diffusivity(material) * hotEnd.meltZoneM / high;
  }

  private static double consistency(Material material, double meltC) {
    return material.value(Parameter.CONSISTENCY)
        * Math.exp(
            1000
                * material.value(Parameter.VISCOSITY_ACTIVATION)
                / PhysicalConstants.GAS_CONSTANT
                * (1 / (meltC + PhysicalConstants.ZERO_CELSIUS_K)
                    - 1 / (material.value(Parameter.NOZZLE) + PhysicalConstants.ZERO_CELSIUS_K)));
  }

  /** Pressure of a power-law fluid through a capillary, Pa. */
  static double capillaryPa(
      double consistency, double index, double landM, double radiusM, double flow) {
    return 2
        * consistency
        * landM
        / radiusM
        * Math.pow((3 * index + 1) / index * flow / (Math.PI * Math.pow(radiusM, 3)), index);
  }

  public double flowM3PerS() {
    return flowM3PerS;
  }

  /** Above this the melt leaves too cold, m³/s; 0 where it always does. */
  public double mostWarmFlowM3PerS() {
    return mostWarmFlowM3PerS;
  }

  /** Above this the melt leaves too cold or is pushed too hard, m³/s; 0 where it always is. */
  public double mostFlowM3PerS() {
    if (Double.isNaN(mostFlowM3PerS)) {
      mostFlowM3PerS = mostPushedFlow();
    }
    return mostFlowM3PerS;
  }

  /** Mean temperature of the melt that leaves, °C. */
  public double meltC() {
    return meltC;
  }

  public double coreC() {
    return coreC;
  }

  public double pushN() {
    return pushN;
  }

  /** What the feeder or the filament bears, N. */
  public double allowedN() {
    return allowedN;
  }

  public boolean isWarmEnough() {
    return flowM3PerS <= mostWarmFlowM3PerS;
  }

  public boolean isPushed() {
    return pushN <= allowedN;
  }

  /** Whether the setting is above that below which the trade sees voids. */
  public boolean isFloorMet() {
    return floorMet;
  }

  public boolean isOk() {
    return isWarmEnough() && isPushed() && floorMet;
  }
}
