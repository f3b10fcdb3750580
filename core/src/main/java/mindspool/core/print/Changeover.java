package mindspool.core.print;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;

/** From one material to another in the same nozzle. */
public final class Changeover {

  private static final double ABOVE_FLOWING = 5;
  private static final double ABOVE_USUAL = 5;
  private static final double BRIEFLY_HOTTER = 10;

  /**
   * Where nothing suits both, purging leaves as much as so many changes to a cooler one; judgement.
   */
  private static final double UNPURGED = 5;

  /**
   * So much is pushed through until little of the old one is left: more than ten times what a melt
   * zone holds. Common practice is 100 to 200 mm (from memory).
   */
  private static final int PUSHED_MM = 150;

  private final Material from;
  private final Material to;
  private final double hotEndMaxC;
  private final OptionalDouble settleC;
  private final double low;
  private final double high;

  private Changeover(Material from, Material to, double hotEndMaxC, OptionalDouble settleC) {
    this.from = from;
    this.to = to;
    this.hotEndMaxC = hotEndMaxC;
    this.settleC = settleC;
    low = Math.max(lowest(from), lowest(to));
    high =
        Math.min(
            hotEndMaxC,
            Math.min(from.value(Parameter.NOZZLE_MAX), to.value(Parameter.NOZZLE_MAX))
                + BRIEFLY_HOTTER);
  }

  private static double lowest(Material material) {
    return Math.max(
        material.value(Parameter.NOZZLE_MIN), material.value(Parameter.FLOWING) + ABOVE_FLOWING);
  }

  /** The way from one material to another, in a hot end that stands whatever they need. */
  public static Changeover of(Material from, Material to) {
    return new Changeover(from, to, Double.POSITIVE_INFINITY, OptionalDouble.empty());
  }

  /**
   * The same in a certain hot end, which is never heated over what it stands.
   *
   * @param hotEndMaxC the hottest that it stands, °C
   * @param settleC at which the new one is printed there, °C
   */
  public Changeover in(double hotEndMaxC, double settleC) {
    return new Changeover(from, to, hotEndMaxC, OptionalDouble.of(Math.min(hotEndMaxC, settleC)));
  }

  /** Temperature at which both flow and neither chars, °C; none where there is none. */
  public OptionalDouble purgeC() {
    return low <= high
        ? OptionalDouble.of(
            Math.min(high, Math.max(low, from.value(Parameter.NOZZLE) + ABOVE_USUAL)))
        : OptionalDouble.empty();
  }

  /**
   * What stays in the nozzle after it: 1 for a change to a material that is printed cooler, whose
   * heat does not melt the old one away, 5 where no temperature suits both, else 0. The table of
   * upkeep asks for a cold pull after changes to a cooler material or another family; that one to a
   * cooler one, well purged, leaves a fifth of what asks for it, is judgement.
   */
  public double residue() {
    if (from.name().equals(to.name())) {
      return 0;
    }
    if (purgeC().isEmpty()) {
      return UNPURGED;
    }
    return to.value(Parameter.NOZZLE) < from.value(Parameter.NOZZLE) ? 1 : 0;
  }

  /** In words. */
  public String method() {
    return purgeC().isPresent()
        ? "purge in one step"
        : "bridge with a purging filament, or a cold pull";
  }

  /** Nozzle temperature of a cold pull of the old material, °C. */
  public double coldPullC() {
    return from.value(Parameter.COLD_PULL);
  }

  /** What to do, step by step; nothing between two spools of one material. */
  public List<String> steps() {
    if (from.name().equals(to.name())) {
      return List.of();
    }
    String settle =
        settleC.isPresent()
            ? say("Set %.0f °C, at which %s is printed here.", settleC.getAsDouble(), to.name())
            : say("Set %.0f °C, the usual for %s.", to.value(Parameter.NOZZLE), to.name());
    if (purgeC().isPresent()) {
      return List.of(
          say("Heat to %.0f °C: both flow there and neither chars.", purgeC().getAsDouble()),
          say(
              "Push about %d mm of %s through, until nothing of %s is seen; twice as much from dark"
                  + " to pale.",
              PUSHED_MM, to.name(), from.name()),
          settle);
    }
    if (lowest(from) > hotEndMaxC) {
      return List.of(
          say(
              "%s does not flow at what this hot end stands, %.0f °C: it cannot be melted out here."
                  + " Fit another nozzle, or clean this one where hotter is allowed.",
              from.name(), hotEndMaxC),
          settle);
    }
    return List.of(
        noneSuits(),
        say(
            "Heat %s to %.0f °C, push by hand, let it cool to %.0f °C and pull it out in one go.",
            from.name(),
            Math.min(hotEndMaxC, from.value(Parameter.NOZZLE)),
            Math.min(hotEndMaxC, coldPullC())),
        "Or push a filament through that is made for purging over a wide range.",
        settle);
  }

  private String noneSuits() {
    String hotter = lowest(from) > lowest(to) ? from.name() : to.name();
    if (low > hotEndMaxC) {
      return say(
          "No temperature suits both here: %s does not flow at what this hot end stands, %.0f °C.",
          hotter, hotEndMaxC);
    }
    return say(
        "No temperature suits both: %s flows from %.0f °C, the other stands no more than %.0f °C.",
        hotter, low, high);
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
