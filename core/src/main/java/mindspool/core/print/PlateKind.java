package mindspool.core.print;

import java.util.Arrays;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;

/**
 * Kinds of build plate by how they bend and are held (stiffness from thickness and modulus; hold
 * pressure from memory: the weakest figure, so measure it: pull over area).
 */
public enum PlateKind {
  SPRING_STEEL_025("spring_steel_025", "spring steel, 0.25 mm", 0.26, 5e7, 0.25e-3, 5_000),
  SPRING_STEEL_05("spring_steel_05", "spring steel, 0.5 mm", 2.08, 1e8, 0.5e-3, 5_000),
  LAMINATE_4("laminate_4", "glass-fibre laminate, 4 mm", 107, 8e7, 4e-3, 8_000),
  GLASS_4("glass_4", "glass, 4 mm", 373, 2.8e8, 4e-3, 8_000),
  STEEL_SANDWICH_58("steel_sandwich_58", "steel sandwich, 5.8 mm", 2304, 4e8, 5.8e-3, 5_000);

  /** Sheets of spring steel are below, laminate and glass above; judgement, N m. */
  private static final double FLEXIBLE_NM = 20;

  private final String id;
  private final String title;
  private final double bendingNm;
  private final double stretchNPerM;
  private final double thicknessM;
  private final double usualHoldPa;

  PlateKind(
      String id,
      String title,
      double bendingNm,
      double stretchNPerM,
      double thicknessM,
      double usualHoldPa) {
    this.id = id;
    this.title = title;
    this.bendingNm = bendingNm;
    this.stretchNPerM = stretchNPerM;
    this.thicknessM = thicknessM;
    this.usualHoldPa = usualHoldPa;
  }

  /** A kind by its id. */
  public static PlateKind ofId(String id) {
    return Arrays.stream(values())
        .filter(kind -> kind.id.equals(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "plate.kind",
                    id == null ? "missing" : "\"" + id + "\"",
                    Arrays.stream(values()).map(PlateKind::id).collect(Collectors.joining(", ")),
                    "Choose the one that is nearest to yours."));
  }

  public String id() {
    return id;
  }

  public String title() {
    return title;
  }

  /** Whether hands can bend it, so that a part can bend it off its magnet. */
  public boolean isFlexible() {
    return bendingNm < FLEXIBLE_NM;
  }

  /** Bending stiffness per width, N m. */
  double bendingNm() {
    return bendingNm;
  }

  /** Stretching stiffness per width, N/m. */
  double stretchNPerM() {
    return stretchNPerM;
  }

  double thicknessM() {
    return thicknessM;
  }

  /** Pressure that holds it down where nobody measured it, Pa. */
  public double usualHoldPa() {
    return usualHoldPa;
  }
}
