package mindspool.core.stock;

import java.util.Arrays;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;

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
