package mindspool.core.drying;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.core.material.Material;

/**
 * Kinds of dryer and how one of a kind behaves until it was measured.
 *
 * <p>Ranges are trade-typical, from memory (grade C): error of the dial, overshoot and spread of
 * temperature in K, minutes to heat up, air changes per hour, and electric power in W.
 */
public enum DryerKind {
  PURPOSE_MADE(
      "purpose_made",
      "Purpose-made, air goes round",
      range(-10, 5),
      range(2, 8),
      range(3, 12),
      range(20, 60),
      range(1, 6),
      range(40, 200),
      70),
  PURPOSE_MADE_VENTED(
      "purpose_made_vented",
      "Purpose-made, with a vent fan",
      range(-6, 4),
      range(2, 6),
      range(3, 8),
      range(15, 40),
      range(5, 30),
      range(100, 350),
      70),
  DEHYDRATOR(
      "dehydrator",
      "Food dehydrator, converted",
      range(-8, 8),
      range(3, 10),
      range(5, 15),
      range(10, 30),
      range(20, 100),
      range(200, 600),
      70),
  KITCHEN_OVEN(
      "kitchen_oven",
      "Kitchen oven",
      range(-20, 25),
      range(10, 35),
      range(8, 25),
      range(10, 25),
      range(5, 15),
      range(1500, 3500),
      250),
  LABORATORY_OVEN(
      "laboratory_oven",
      "Laboratory oven, forced air",
      range(-2, 2),
      range(1, 4),
      range(1, 4),
      range(20, 60),
      range(1, 20),
      range(600, 2500),
      250),
  HEATED_DRY_BOX(
      "heated_dry_box",
      "Heated dry box",
      range(-10, 5),
      range(2, 8),
      range(5, 15),
      range(30, 90),
      range(0.5, 4),
      range(20, 100),
      55),
  HEATED_BED(
      "heated_bed",
      "Heated print bed under a box",
      range(-20, 0),
      range(0, 5),
      range(10, 30),
      range(30, 90),
      range(5, 20),
      range(60, 300),
      100),
  DESICCANT_ONLY(
      "desiccant_only",
      "Dry air over desiccant, or desiccant alone",
      range(-5, 5),
      range(1, 5),
      range(2, 6),
      range(20, 60),
      range(0.05, 0.5),
      range(0, 600),
      80),
  VACUUM(
      "vacuum",
      "Vacuum oven",
      range(-3, 3),
      range(2, 5),
      range(3, 10),
      range(60, 180),
      range(20, 100),
      range(400, 1500),
      200);

  /** What stands no more is soft, so that an oven's overshoot ruins it, °C. Common practice. */
  private static final double SOFT_CEILING_C = 65;

  private final String id;
  private final String title;
  private final Range dialErrorK;
  private final Range overshootK;
  private final Range spreadK;
  private final Range heatUpMin;
  private final Range airChangesPerHour;
  private final Range powerW;
  private final double usualRatedMaxC;

  /** From the lowest to the highest that is usual. */
  public record Range(double low, double high) {

    public double middle() {
      return 0.5 * (low + high);
    }

    /** Standard deviation if all within is equally likely. */
    double sd() {
      return (high - low) / Math.sqrt(12);
    }
  }

  DryerKind(
      String id,
      String title,
      Range dialErrorK,
      Range overshootK,
      Range spreadK,
      Range heatUpMin,
      Range airChangesPerHour,
      Range powerW,
      double usualRatedMaxC) {
    this.id = id;
    this.title = title;
    this.dialErrorK = dialErrorK;
    this.overshootK = overshootK;
    this.spreadK = spreadK;
    this.heatUpMin = heatUpMin;
    this.airChangesPerHour = airChangesPerHour;
    this.powerW = powerW;
    this.usualRatedMaxC = usualRatedMaxC;
  }

  private static Range range(double low, double high) {
    return new Range(low, high);
  }

  /** Stable id over HTTP. */
  public String id() {
    return id;
  }

  public String title() {
    return title;
  }

  public Range airChangesPerHour() {
    return airChangesPerHour;
  }

  public Range powerW() {
    return powerW;
  }

  public double usualRatedMaxC() {
    return usualRatedMaxC;
  }

  /**
   * How one behaves that nobody measured: the middle of what is usual, and an uncertainty as wide
   * as the kinds differ. The hottest spot is taken half the spread above the mean, at the top of an
   * overshoot.
   */
  public DryerBehaviour usual() {
    double hottest =
        Math.max(0, dialErrorK.middle() + overshootK.middle() + 0.5 * spreadK.middle());
    double unsure = Math.hypot(dialErrorK.sd(), Math.hypot(overshootK.sd(), 0.5 * spreadK.sd()));
    return new DryerBehaviour(dialErrorK.middle(), hottest, unsure, heatUpMin.middle(), false);
  }

  /** Why a material does not go into one that was not measured; none where it may. */
  public Optional<String> refuses(Material material, boolean measured) {
    return this == KITCHEN_OVEN && !measured && material.dryingCeilingC() <= SOFT_CEILING_C
        ? Optional.of(
            "A kitchen oven overshoots by 10 to 35 K, and "
                + material.name()
                + " softens or sticks. It is refused until this oven was measured with probes.")
        : Optional.empty();
  }

  /** What to beware of, shortest first. */
  public List<String> cautions() {
    return switch (this) {
      case KITCHEN_OVEN ->
          List.of(
              "Preheat it empty, trust a separate thermometer rather than its display, shield the reel"
                  + " from the element, stay with it.",
              "Never together with food; whether food may go in afterwards, the makers of oven and"
                  + " material say.");
      case DEHYDRATOR ->
          List.of(
              "Wear eye protection when cutting the brittle trays, and cut away from yourself.",
              "Leave mains wiring, thermal cut-out and air path as they are; mains work belongs to"
                  + " a qualified person. Altered, it has lost its approval and its use for food.");
      case HEATED_BED -> List.of("The lower rim gets much hotter than the upper: turn the reel.");
      case VACUUM ->
          List.of(
              "Heat reaches the reel by contact only: the core is warm hours after the setpoint is reached.");
      default -> List.of();
    };
  }

  /** What to beware of with every dryer. */
  public static final String GENERAL_CAUTION =
      "Check the true temperature before trusting its display; stop at any smell or softening. The"
          + " makers' data sheets, and rules about leaving heaters alone, go first.";

  public static DryerKind ofId(String id) {
    return Arrays.stream(values())
        .filter(kind -> kind.id.equalsIgnoreCase(id) || kind.name().equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "kind",
                    id == null ? "missing" : "\"" + id + "\"",
                    String.join(", ", Arrays.stream(values()).map(DryerKind::id).toList()),
                    "Choose purpose_made for one bought for reels."));
  }
}
