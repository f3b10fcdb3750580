package mindspool.core.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.material.Trait;

/**
 * Which material suits a purpose, ranked with reasons. Nothing is left out: one that cannot be
 * printed here says what it would need. How well a material serves a need is read from its figures
 * where they tell, else common practice.
 */
public final class MaterialChoice {

  /** Stiffness as printed of what is called stiff, and of what still is, GPa; judgement. */
  private static final double STIFF_GPA = 2.8;

  private static final double FAIRLY_STIFF_GPA = 2;

  /** Stretch at break of what takes knocks, and of what does not shatter, %; judgement. */
  private static final double TOUGH_PERCENT = 20;

  /** A part left in a car in summer sees 80 to 90 °C; common practice. */
  private static final double HOT_C = 85;

  /** Near a motor; judgement, °C. */
  private static final double WARM_C = 65;

  private static final double NEARLY_WARM_C = 60;

  /** Common practice where no figure tells. */
  private static final Set<String> STANDS_CHEMICALS = Set.of("PP", "PA6", "PA12", "PETG");

  private static final Set<String> DISSOLVES = Set.of("PVA");
  private static final Set<String> DRINKS = Set.of("PA6", "PA-CF");
  private static final Set<String> EASY = Set.of("PLA", "PETG");
  private static final Set<String> FINE_LOOKS = Set.of("PLA", "PETG");
  private static final Set<String> CHEAP = Set.of("PLA", "PETG", "ABS", "ASA", "HIPS");

  /** What a part must do. */
  public enum Need {
    FLEX("bends and springs back"),
    STIFF("stiff"),
    TOUGH("takes knocks without breaking"),
    HEAT("stands heat, such as a car in summer"),
    WARM("stands warmth, such as near a motor"),
    SUN("stands sun and weather"),
    WATER("stays in water"),
    CHEMICALS("stands oil and cleaners"),
    LOOKS("looks good as it comes"),
    CHEAP("costs little"),
    EASY("prints easily"),
    SMOOTHED("can be smoothed with solvent"),
    FOOD("touches food");

    private final String title;

    Need(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  /** How well a need is met. */
  public enum Fit {
    GOOD,
    FAIR,
    POOR
  }

  /** A need with how it is met and why. */
  public record Met(Need need, Fit fit, String why) {}

  /**
   * What the workshop has of a material.
   *
   * @param gramsHere of it in stock
   * @param dryEnough whether a spool of it prints now
   * @param printers that could print it; {@code hindrance} what the best of the others lacks
   */
  public record Workshop(
      double gramsHere, boolean dryEnough, List<String> printers, String hindrance) {}

  /** What is known of the workshop for a material. */
  public interface Stock {
    Workshop of(Material material);
  }

  /**
   * A material with how it serves.
   *
   * @param score the higher the better; poor needs weigh most, then what the workshop lacks
   * @param needed what would make it possible here; empty where it is possible now
   */
  public record Ranked(
      Material material, double score, List<Met> met, Workshop here, List<String> needed) {}

  private static final double POOR = -3;
  private static final double FAIR = 0;
  private static final double GOOD = 1;
  private static final double NO_PRINTER = -2;
  private static final double NONE_HERE = -1;
  private static final double NOT_DRY = -0.4;

  /** What food contact always needs to be told; common practice. */
  public static final String FOOD_CAUTION =
      "No print from here is fit for food: layers hold germs, nozzles and dyes are not made for it."
          + " Follow the law and the data sheets of the makers.";

  private MaterialChoice() {}

  /** Ranks all materials for a purpose. */
  public static List<Ranked> of(Set<Need> needs, MaterialCatalogue catalogue, Stock stock) {
    Set<Need> asked = needs.isEmpty() ? EnumSet.noneOf(Need.class) : EnumSet.copyOf(needs);
    asked.remove(Need.FOOD);
    List<Ranked> ranked = new ArrayList<>();
    for (Material material : catalogue.all()) {
      ranked.add(rank(material, asked, stock.of(material)));
    }
    ranked.sort(
        Comparator.comparingDouble((Ranked each) -> -each.score)
            .thenComparing(each -> each.material.name()));
    return ranked;
  }

  private static Ranked rank(Material material, Set<Need> asked, Workshop here) {
    List<Met> met = asked.stream().map(need -> met(material, need)).toList();
    double score = 0;
    for (Met each : met) {
      score += each.fit == Fit.POOR ? POOR : each.fit == Fit.FAIR ? FAIR : GOOD;
    }
    List<String> needed = new ArrayList<>();
    if (here.printers.isEmpty()) {
      score += NO_PRINTER;
      needed.add(here.hindrance);
    }
    if (here.gramsHere <= 0) {
      score += NONE_HERE;
      needed.add("A spool of it.");
    } else if (!here.dryEnough) {
      score += NOT_DRY;
      needed.add("Dry a spool of it first.");
    }
    return new Ranked(material, score, met, here, List.copyOf(needed));
  }

  private static Met met(Material material, Need need) {
    double stiffness = material.value(Parameter.STIFFNESS);
    double stretch = material.value(Parameter.STRAIN_AT_BREAK);
    double bends = material.value(Parameter.HEAT_DEFLECTION);
    return switch (need) {
      case FLEX ->
          by(need, material.isFlexible(), stretch >= TOUGH_PERCENT, say("%.2f GPa", stiffness));
      case STIFF ->
          by(
              need,
              stiffness >= STIFF_GPA,
              stiffness >= FAIRLY_STIFF_GPA,
              say("%.1f GPa as printed", stiffness));
      case TOUGH ->
          by(
              need,
              stretch >= TOUGH_PERCENT,
              !material.isBrittle(),
              say("stretches %.0f %% before it breaks", stretch));
      case HEAT -> by(need, bends >= HOT_C, bends >= WARM_C, bendsAt(bends));
      case WARM -> by(need, bends >= WARM_C, bends >= NEARLY_WARM_C, bendsAt(bends));
      case SUN -> sun(material);
      case WATER ->
          by(
              need,
              !DISSOLVES.contains(material.kind()) && !DRINKS.contains(material.kind()),
              !DISSOLVES.contains(material.kind()),
              DISSOLVES.contains(material.kind())
                  ? "dissolves in it"
                  : DRINKS.contains(material.kind()) ? "swells and softens in it" : "stands it");
      case CHEMICALS ->
          by(
              need,
              STANDS_CHEMICALS.contains(material.kind()),
              !Set.of("PVA", "HIPS", "PC").contains(material.kind()),
              "common practice");
      case LOOKS -> practice(need, material, FINE_LOOKS);
      case CHEAP -> practice(need, material, CHEAP);
      case EASY ->
          by(
              need,
              EASY.contains(material.kind()),
              !material.needsEnclosure(),
              "enclosure: " + word(material, Trait.ENCLOSURE));
      case SMOOTHED ->
          by(
              need,
              Set.of("ABS", "ASA", "HIPS").contains(material.kind()),
              false,
              "styrenes dissolve in acetone: outdoors, no flame");
      case FOOD -> new Met(need, Fit.POOR, FOOD_CAUTION);
    };
  }

  private static Met sun(Material material) {
    String stands = word(material, Trait.SUN_RESISTANCE);
    return by(Need.SUN, stands.equals("good"), stands.equals("fair"), stands + " in the sun");
  }

  private static String bendsAt(double celsius) {
    return say("bends from about %.0f °C", celsius);
  }

  private static Met practice(Need need, Material material, Set<String> good) {
    return by(need, good.contains(material.kind()), true, "common practice");
  }

  private static String word(Material material, Trait trait) {
    Trait.Word said = material.traits().get(trait);
    return said == null ? "not known" : said.word();
  }

  private static Met by(Need need, boolean good, boolean fair, String why) {
    return new Met(need, good ? Fit.GOOD : fair ? Fit.FAIR : Fit.POOR, why);
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
