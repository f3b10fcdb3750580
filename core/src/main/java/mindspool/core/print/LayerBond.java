package mindspool.core.print;

import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import org.hipparchus.special.Erf;

/**
 * How well a layer welds to the one below.
 *
 * <p>The layer below has cooled as a wall that grows (Green's function of a fin, Carslaw and
 * Jaeger); fresh melt wets it, which gives a first strength at once (Wool and O'Connor 1981) where
 * the two meet warm; while the contact stays warm enough, chains heal across (reptation, strength
 * with the fourth root of time; de Gennes, Wool), faster by temperature as Williams, Landel and
 * Ferry have it (weld times: Seppala et al. 2017). Healing times are fitted to facts of the trade:
 * from short to long times of a layer ABS loses about a third (trend of Faes et al. 2016), so the
 * model tells changes, and its absolute strength only within its band.
 */
public final class LayerBond {

  /** Layers are computed for times from this to that, s. */
  public static final double LEAST_LAYER_S = 0.1;

  public static final double MOST_LAYER_S = 36_000;

  private static final int LAYERS_BELOW = 400;

  /** A layer whose heat has decayed so far adds nothing. */
  private static final double NEGLIGIBLE = 1e-16;

  private static final int TIME_STEPS = 240;
  private static final double FIRST_S = 1e-4;
  private static final double STILL = 12;
  private static final double BY_FAN = 70;
  private static final double BY_DRAUGHT = 17;

  /** Constants of Williams, Landel and Ferry for polymers that print; fitted, from memory. */
  private static final double WLF_1 = 13.7;

  private static final double WLF_2 = 50;

  /** Share of the strength that wetting alone gives where both sides meet warm; fitted. */
  private static final double WETTED_SHARE = 0.45;

  /** So far above its glass transition the contact wets wholly, °C. */
  private static final double WETS_ABOVE = 40;

  /** Share of the melt's heat that the contact gets, and how far that may be off. */
  static final double CONTACT_SHARE = 0.5;

  private static final double CONTACT_UNSURE = 0.1;

  /** So far above its glass transition an amorphous polymer begins to heal, °C. */
  private static final double HEALS_ABOVE = 3;

  /** A layer that is warmer than this above its setting sags, °C. */
  private static final double SAGS_AMORPHOUS = 5;

  private static final double SAGS_CRYSTALLINE = 10;

  /** Loss of strength by water beyond the limit; calibrated. */
  private static final double WET_SCALE = 2.5;

  private static final double WET_EXPONENT = 1.3;
  private static final double SHORTEST_S = 0.3;
  private static final double LONGEST_S = 3600;

  /** Finds a layer time to a millionth of itself. */
  private static final int HALVINGS = 24;

  /**
   * How layers are laid.
   *
   * @param meltC mean temperature of the melt that leaves the nozzle, °C
   * @param aroundC air around the part, °C
   * @param layerTimeS from one layer to the next over it, s
   * @param moistureOverLimit water of the metres used over the print limit
   */
  public record Laying(
      double meltC,
      double aroundC,
      double fanShare,
      double draught,
      double layerTimeS,
      double layerHeightM,
      double lineWidthM,
      int walls,
      double moistureOverLimit) {

    public Laying {
      Require.within("chamberTemperatureC", aroundC, -20, 180, "°C");
      Require.within("fanPercent", 100 * fanShare, 0, 100, "%");
      Require.within("layerTimeS", layerTimeS, LEAST_LAYER_S, MOST_LAYER_S, "s");
      Require.within("layerHeightMm", 1000 * layerHeightM, 0.02, 3, "mm");
      Require.within("lineWidthMm", 1000 * lineWidthM, 0.05, 5, "mm");
      Require.within("walls", walls, 1, 1000, "");
      Require.within("moisturePercent", moistureOverLimit, 0, 10_000, "");
    }

    Laying withLayerTime(double seconds) {
      return new Laying(
          meltC,
          aroundC,
          fanShare,
          draught,
          seconds,
          layerHeightM,
          lineWidthM,
          walls,
          moistureOverLimit);
    }
  }

  private final Material material;
  private final Laying laying;
  private final double belowC;
  private final double contactShare;

  /** Found when it is asked for: whoever seeks where a layer sags needs none of it. */
  private double index = Double.NaN;

  private LayerBond(Material material, Laying laying, double contactShare) {
    this.material = material;
    this.laying = laying;
    this.contactShare = contactShare;
    belowC = belowC();
  }

  /** Computes the bond of two layers. */
  public static LayerBond of(Material material, Laying laying) {
    return new LayerBond(material, laying, CONTACT_SHARE);
  }

  private double exchange() {
    return STILL + BY_FAN * laying.fanShare + BY_DRAUGHT * laying.draught;
  }

  /** Time in which a wall of the part gives its heat away, s. */
  private double coolingS() {
    double wall = laying.walls * laying.lineWidthM;
    return MeltHeat.capacity(material) * (wall / 2) / exchange();
  }

  /** How warm the layer below is when it is covered, °C. */
  private double belowC() {
    double diffusivity = MeltHeat.diffusivity(material);
    double time = laying.layerTimeS;
    double height = laying.layerHeightM;
    double biot =
        exchange() * Math.sqrt(diffusivity * time) / material.value(Parameter.CONDUCTIVITY);
    double lost = Math.max(0, 1 - Math.sqrt(Math.PI) * biot * scaledErfc(biot));
    double sum = 0;
    double spread = 4 * diffusivity * time;
    double cooling = coolingS();
    for (int k = 0; k < LAYERS_BELOW; k++) {
      double away = k * height;
      double decay = Math.exp(-(k + 1) * time / cooling);
      if (decay < NEGLIGIBLE) {
        break;
      }
      sum +=
          height
              / Math.sqrt(Math.PI * diffusivity * (k + 1) * time)
              * Math.exp(-away * away / (spread * (k + 1)))
              * decay
              * lost;
    }
    return laying.aroundC + (laying.meltC - laying.aroundC) * Math.min(1, sum);
  }

  /** exp(x²) erfc(x), by its asymptote where the factors leave the range of numbers. */
  static double scaledErfc(double x) {
    return x > 4
        ? (1 - 1 / (2 * x * x) + 3 / (4 * Math.pow(x, 4))) / (x * Math.sqrt(Math.PI))
        : Math.exp(x * x) * Erf.erfc(x);
  }

  /** Temperature of the interface a time after it was covered, °C. */
  static double interfaceC(
      Material material,
      double meltC,
      double belowC,
      double aroundC,
      double timeS,
      double layerHeightM,
      double coolingS,
      double contactShare) {
    double reach = layerHeightM / Math.sqrt(MeltHeat.diffusivity(material) * timeS);
    double fresh = belowC - aroundC + (meltC - belowC) * contactShare * Erf.erf(reach);
    return aroundC + fresh * Math.exp(-timeS / coolingS);
  }

  /** Share of the strength that is there as soon as the melt wets the layer below. */
  private double wetted() {
    double contactC = belowC + contactShare * (laying.meltC - belowC);
    double above = (contactC - material.value(Parameter.GLASS_TRANSITION)) / WETS_ABOVE;
    return WETTED_SHARE * Math.max(0, Math.min(1, above));
  }

  private double healsAboveC() {
    OptionalDouble crystal = material.known(Parameter.FAST_CRYSTALLISATION);
    return crystal.orElse(material.value(Parameter.GLASS_TRANSITION) + HEALS_ABOVE);
  }

  private double healed() {
    double last = 3 * Math.max(laying.layerTimeS, 2);
    double ratio = Math.pow(last / FIRST_S, 1.0 / (TIME_STEPS - 1));
    double dose = 0;
    double before = 0;
    double time = FIRST_S;
    for (int i = 0; i < TIME_STEPS; i++) {
      double celsius =
          interfaceC(
              material,
              laying.meltC,
              belowC,
              laying.aroundC,
              time,
              laying.layerHeightM,
              coolingS(),
              contactShare);
      double rate = celsius > healsAboveC() ? rate(celsius) : 0;
      dose += i == 0 ? rate * time : 0.5 * (rate + before) * (time - time / ratio);
      before = rate;
      time *= ratio;
    }
    double degree = Math.pow(dose, 0.25);
    return degree / Math.pow(1 + Math.pow(degree, 4), 0.25);
  }

  /** Healing per second at a temperature. */
  private double rate(double celsius) {
    double above = celsius - material.value(Parameter.GLASS_TRANSITION);
    double log = material.value(Parameter.HEALING_TIME) - WLF_1 * above / (WLF_2 + above);
    return Math.pow(10, -log);
  }

  /** What is left where lines touch: round sides leave grooves. */
  private static double neck(double lineWidth, double layerHeight) {
    double touched = (lineWidth - layerHeight) / (lineWidth - layerHeight * (1 - Math.PI / 4));
    return 1 - 0.5 * (1 - Math.min(1, Math.max(0, touched)));
  }

  /** What water beyond the limit leaves of the strength. */
  static double wetFactor(double overLimit) {
    double above = Math.max(0, overLimit - 1);
    return 1 / (1 + Math.pow(above / WET_SCALE, WET_EXPONENT));
  }

  /** Above this the layer below sags when it is printed on, °C. */
  public double sagsAboveC() {
    OptionalDouble crystal = material.known(Parameter.FAST_CRYSTALLISATION);
    return crystal.isPresent()
        ? crystal.getAsDouble() + SAGS_CRYSTALLINE
        : material.value(Parameter.GLASS_TRANSITION) + SAGS_AMORPHOUS;
  }

  /** Share of the strength by wetting and healing, 0 to 1, with the loss by water. */
  public double index() {
    if (Double.isNaN(index)) {
      double wetted = wetted();
      index = (wetted + (1 - wetted) * healed()) * wetFactor(laying.moistureOverLimit);
    }
    return index;
  }

  /** Strength across layers over strength along them. */
  public double zToXy() {
    return index() * neck(laying.lineWidthM, laying.layerHeightM);
  }

  /** The same where the contact gets less, or more, of the melt's heat than it usually does. */
  public Band band() {
    return new Band(
        new LayerBond(material, laying, CONTACT_SHARE - CONTACT_UNSURE).zToXy(),
        new LayerBond(material, laying, CONTACT_SHARE + CONTACT_UNSURE).zToXy());
  }

  /** Within what the ratio lies. */
  public record Band(double low, double high) {}

  /** A ratio that falls short is not written as if it did not. */
  static double inHundredths(double zToXy) {
    return Math.floor(100 * zToXy) / 100;
  }

  /** How warm the layer below is when it is covered, °C. */
  public double layerBelowC() {
    return belowC;
  }

  /** Shortest time of a layer that does not sag, s. */
  public double shortestLayerS() {
    return crossing(bond -> bond.belowC <= sagsAboveC(), true).orElse(LONGEST_S);
  }

  /** Longest time of a layer that bonds as well as asked for, s; none where none does. */
  public OptionalDouble longestLayerS(double target) {
    return crossing(bond -> bond.zToXy() >= target, false);
  }

  /** Where a condition that holds from (or up to) some layer time begins (or ends). */
  private OptionalDouble crossing(
      java.util.function.Predicate<LayerBond> holds, boolean fromThere) {
    double low = SHORTEST_S;
    double high = LONGEST_S;
    boolean atLow = holds.test(of(material, laying.withLayerTime(low)));
    boolean atHigh = holds.test(of(material, laying.withLayerTime(high)));
    if (fromThere ? atLow : atHigh) {
      return OptionalDouble.of(fromThere ? low : high);
    }
    if (fromThere ? !atHigh : !atLow) {
      return OptionalDouble.empty();
    }
    for (int i = 0; i < HALVINGS; i++) {
      double middle = Math.sqrt(low * high);
      boolean inside = holds.test(of(material, laying.withLayerTime(middle)));
      if (inside == fromThere) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return OptionalDouble.of(fromThere ? high : low);
  }
}
