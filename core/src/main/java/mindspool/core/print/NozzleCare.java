package mindspool.core.print;

import mindspool.core.PhysicalConstants;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import org.hipparchus.special.Erf;

/** What blocks and wears a nozzle. From memory and calibrated; ratios are surer than figures. */
public final class NozzleCare {

  /** How clean filament is where it runs in; pieces per metre that could block 0.09 mm. */
  public enum Dirt {
    CLEAN(0.0005),
    DUSTY(0.1),
    DROPPED(1);

    private final double perMetre;

    Dirt(double perMetre) {
      this.perMetre = perMetre;
    }
  }

  /** Materials of nozzles by how fast they wear; brass 1. */
  public enum NozzleMaterial {
    BRASS("brass", 1),
    PLATED("plated brass", 0.5),
    STAINLESS("stainless steel", 0.35),
    HARDENED("hardened steel", 0.03),
    CARBIDE("carbide", 0.005);

    /** What wears less than this stands fibres; judgement. */
    private static final double STANDS_FIBRES = 0.1;

    private final String title;
    private final double wear;

    NozzleMaterial(String title, double wear) {
      this.title = title;
      this.wear = wear;
    }

    public String title() {
      return title;
    }

    /** Whether it stands abrasive filament. */
    public boolean standsFibres() {
      return wear < STANDS_FIBRES;
    }
  }

  /** Median and spread of the size of pieces, m and natural logarithm. */
  private static final double PIECE_M = 40e-6;

  private static final double SPREAD = Math.log(2);
  private static final double BLOCKS_SHARE = 0.35;
  private static final double LEAST_BLOCKING_M = 30e-6;

  /** Growth of a brass bore of 0.4 mm by a kilogram of the most abrasive filament, m. */
  private static final double WEAR_M_PER_KG = 0.20e-3;

  private static final double WEAR_BORE_M = 0.4e-3;

  private NozzleCare() {}

  /** How far melt that stands hot is on its way to char; 1 where that begins. */
  public static double idleDose(Material material, double celsius, double minutes) {
    double kelvin = celsius + PhysicalConstants.ZERO_CELSIUS_K;
    double reference =
        material.value(Parameter.DEGRADATION_REFERENCE) + PhysicalConstants.ZERO_CELSIUS_K;
    double faster =
        Math.exp(
            -1000
                * material.value(Parameter.DEGRADATION_ACTIVATION)
                / PhysicalConstants.GAS_CONSTANT
                * (1 / kelvin - 1 / reference));
    return minutes / material.value(Parameter.DEGRADATION_TIME) * faster;
  }

  /** How long melt may stand hot, min. */
  public static double idleMinutes(Material material, double celsius) {
    return 1 / idleDose(material, celsius, 1);
  }

  /** Chance that dirt on a length of filament blocks a bore. */
  public static double blockingChance(Dirt dirt, double metres, double boreM) {
    double blocking = Math.max(LEAST_BLOCKING_M, BLOCKS_SHARE * boreM);
    double perMetre = dirt.perMetre * larger(blocking) / larger(LEAST_BLOCKING_M);
    return 1 - Math.exp(-perMetre * metres);
  }

  /** Share of pieces larger than a size. */
  private static double larger(double size) {
    return 0.5 * Erf.erfc(Math.log(size / PIECE_M) / (SPREAD * Math.sqrt(2)));
  }

  /** How much a bore grows, m. */
  public static double boreGrowthM(
      Material material, NozzleMaterial nozzle, double kilograms, double boreM) {
    return boreGrowthM(nozzle, material.value(Parameter.ABRASIVE), kilograms, boreM);
  }

  /** The same by how abrasive a filament is, 1 as carbon fibre. */
  static double boreGrowthM(
      NozzleMaterial nozzle, double abrasive, double kilograms, double boreM) {
    return WEAR_M_PER_KG * abrasive * nozzle.wear * kilograms * (WEAR_BORE_M / boreM);
  }
}
