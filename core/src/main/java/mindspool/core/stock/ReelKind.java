package mindspool.core.stock;

import java.util.Arrays;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.material.Sorption;

/**
 * What a reel's body is made of: its empty mass and the heat that it stands.
 *
 * <p>Masses and temperatures: trade-typical ranges, from memory (grade C). Weigh your own empty
 * reel where it matters.
 */
public enum ReelKind {
  CARDBOARD("cardboard", "Cardboard", 80, "its glue lines and edges warp", 70, 110, 150),
  CARDBOARD_HOT_MELT(
      "cardboard hot-melt",
      "Cardboard with hot-melt glue",
      80,
      "its glue lines and edges warp",
      70,
      110,
      150),
  PLASTIC(
      "plastic",
      "Plastic, kind unknown",
      70,
      "unknown plastic is taken as polystyrene, which creeps under the winding's tension",
      90,
      150,
      200),
  POLYSTYRENE(
      "polystyrene", "Polystyrene", 70, "it creeps under the winding's tension", 90, 150, 200),
  ABS("ABS", "ABS", 80, "it softens under the winding's tension", 90, 150, 200),
  PC("PC", "Polycarbonate", 110, "it softens above 125 °C", 90, 150, 200),
  METAL("metal", "Metal", Double.NaN, "", 150, 250, 400),
  PRINTED_PLA("printed PLA", "Printed, PLA", 45, "PLA softens at 55 to 60 °C", 50, 100, 170),
  PRINTED_PETG("printed PETG", "Printed, PETG", 62, "PETG softens at 75 to 80 °C", 50, 100, 170),
  REFILL("refill", "Refill coil, no reel", Double.NaN, "", 0, 4, 20);

  /** Time constants of the reel itself at 23 °C, h (judgement, grade D). */
  private static final double CARDBOARD_LAG_H = 6;

  private static final double PLASTIC_LAG_H = 40;

  /** Corrections for a known reel are good to 40 %. Common practice. */
  private static final double KNOWN_UPTAKE_SD = 0.4;

  /** Hot melt softens at 60 to 80 °C (grade C). */
  private static final double HOT_MELT_C = 65;

  private final String id;
  private final String title;
  private final double ceilingC;
  private final String why;
  private final Band halfKilogramEmptyG;

  ReelKind(
      String id,
      String title,
      double ceilingC,
      String why,
      double lowG,
      double typicalG,
      double highG) {
    this.id = id;
    this.title = title;
    this.ceilingC = ceilingC;
    this.why = why;
    this.halfKilogramEmptyG = new Band(lowG, typicalG, highG);
  }

  /** Stable id over HTTP and in files. */
  public String id() {
    return id;
  }

  public String title() {
    return title;
  }

  /** Highest air temperature the body stands, °C; none where it does not matter below 110 °C. */
  public OptionalDouble ceilingC() {
    return Double.isNaN(ceilingC) ? OptionalDouble.empty() : OptionalDouble.of(ceilingC);
  }

  /** Air temperature at which glue of the reel lets go, °C; none where nothing is glued so. */
  public OptionalDouble glueCeilingC() {
    return this == CARDBOARD_HOT_MELT ? OptionalDouble.of(HOT_MELT_C) : OptionalDouble.empty();
  }

  /** Whether its body takes up water that counts on a scale. */
  public boolean isCardboard() {
    return this == CARDBOARD || this == CARDBOARD_HOT_MELT;
  }

  /**
   * Water that the body of a reel takes up.
   *
   * @param sorption of its material
   * @param lagH time constant at 23 °C, h
   * @param logSd standard deviation of the logarithm of what it really takes up
   */
  public record WaterUptake(Sorption sorption, double lagH, double logSd) {

    private static final WaterUptake NONE = new WaterUptake(new Sorption(1e-7, 1e-7, 1), 1, 0);

    /** Share of its dry mass in saturated air; none for metal. */
    public double atSaturation() {
      return sorption.saturationFraction() > 1e-6 ? sorption.saturationFraction() : 0;
    }
  }

  /**
   * Water that its body takes up. Cardboard: paper isotherms, from memory (grade B), lag of its
   * flanges about 6 h. Plastics: as filaments of the same polymer hold (grade C), polystyrene a
   * tenth of a percent (from memory), lag of walls of 2.5 mm about 40 h (grade D). Unknown plastic
   * is anything from polystyrene to ABS.
   */
  public WaterUptake uptake() {
    return switch (this) {
      case CARDBOARD, CARDBOARD_HOT_MELT ->
          new WaterUptake(new Sorption(0.15, 0.22, 6), CARDBOARD_LAG_H, KNOWN_UPTAKE_SD);
      case PLASTIC -> plastic(0.003, 0.7);
      case POLYSTYRENE -> plastic(0.001, KNOWN_UPTAKE_SD);
      case ABS -> plastic(0.0044, KNOWN_UPTAKE_SD);
      case PC -> plastic(0.003, KNOWN_UPTAKE_SD);
      case PRINTED_PLA -> plastic(0.0065, KNOWN_UPTAKE_SD);
      case PRINTED_PETG -> plastic(0.0035, KNOWN_UPTAKE_SD);
      case METAL, REFILL -> WaterUptake.NONE;
    };
  }

  private static WaterUptake plastic(double saturation, double logSd) {
    return new WaterUptake(new Sorption(saturation, saturation, 1), PLASTIC_LAG_H, logSd);
  }

  /** What happens to it above its ceiling. */
  public String why() {
    return why;
  }

  /**
   * Empty mass, g, of a reel for a nominal mass of filament.
   *
   * @param nominalNetG mass of filament the full reel carries, g
   */
  public Band emptyMassG(double nominalNetG) {
    if (this == REFILL) {
      return new Band(0, 5, 25);
    }
    return switch (ReelSize.nearest(nominalNetG)) {
      case QUARTER -> scaled(0.57);
      case HALF -> halfKilogramEmptyG;
      case THREE_QUARTER -> isCardboard() ? new Band(95, 140, 190) : scaled(1.33);
      case ONE -> oneKilogram();
      case LARGE -> isCardboard() ? new Band(250, 330, 450) : scaled(3.1);
      case HUGE -> scaled(6);
    };
  }

  private Band oneKilogram() {
    return switch (this) {
      case CARDBOARD, CARDBOARD_HOT_MELT -> new Band(120, 160, 210);
      case PRINTED_PLA, PRINTED_PETG -> new Band(80, 150, 250);
      case METAL -> new Band(250, 400, 600);
      default -> new Band(150, 215, 280);
    };
  }

  private Band scaled(double factor) {
    return new Band(
        Math.rint(factor * halfKilogramEmptyG.low()),
        Math.rint(factor * halfKilogramEmptyG.typical()),
        Math.rint(factor * halfKilogramEmptyG.high()));
  }

  public static ReelKind ofId(String id) {
    return Arrays.stream(values())
        .filter(kind -> kind.id.equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "reel",
                    id == null ? "missing" : "\"" + id + "\"",
                    String.join(", ", Arrays.stream(values()).map(ReelKind::id).toList()),
                    "Choose plastic when you cannot tell."));
  }
}
