package mindspool.core.material;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * A filament material: what is needed to compute its water and its drying, each figure with its
 * source.
 *
 * @param name stable id, such as {@code PETG}
 * @param title what people call it
 * @param kind name of the table's material that it is one of, by which it is looked up where tables
 *     name materials: its own, or that of the one that it was derived from
 * @param parameters a figure for every {@link Parameter} that all materials have, and of the others
 *     those that it has
 * @param traits what is said of it in words; some may be missing
 */
public record Material(
    String name,
    String title,
    String kind,
    Map<Parameter, Sourced> parameters,
    Map<Trait, Trait.Word> traits) {

  /** Stretches less than this before it breaks, as printed: brittle, %. Common practice. */
  private static final double BRITTLE_PERCENT = 5;

  /** A ceiling so near its usual drying temperature leaves no room for a hot spot, K. */
  private static final double NEAR_CEILING_K = 6;

  /** What is softer than this bends like rubber; common practice, GPa. */
  private static final double FLEXIBLE_GPA = 0.2;

  /** What wears a nozzle as much as a fifth of carbon fibre wants a hardened one. */
  private static final double ABRASIVE_SHARE = 0.2;

  public Material {
    for (Parameter parameter : Parameter.values()) {
      Sourced figure = parameters.get(parameter);
      if (parameter.isOfAll()) {
        Require.present(parameter.key(), figure, "a number");
      }
      if (figure != null) {
        parameter.check(figure.value());
      }
    }
    traits = Map.copyOf(traits);
    parameters = Collections.unmodifiableMap(new EnumMap<>(parameters));
    if (parameters.get(Parameter.PRINT_LIMIT).value()
        < parameters.get(Parameter.DRY_TARGET).value()) {
      throw new InvalidValueException(
          "printLimitPercent",
          Require.plain(parameters.get(Parameter.PRINT_LIMIT).value()),
          "at least the dry target, "
              + Require.plain(parameters.get(Parameter.DRY_TARGET).value())
              + " %",
          "Lower the dry target too.");
    }
    // Fails here rather than at first use when the sorption figures contradict each other.
    sorption(parameters);
  }

  /** A figure that every material has. */
  public double value(Parameter parameter) {
    return parameters.get(parameter).value();
  }

  /** A figure that it may have. */
  public OptionalDouble known(Parameter parameter) {
    Sourced figure = parameters.get(parameter);
    return figure == null ? OptionalDouble.empty() : OptionalDouble.of(figure.value());
  }

  /** Whether water softens it, so that a wet spool begins to dry cooler. */
  public boolean isSoftenedByWater() {
    return dampStartLowerK() > 0;
  }

  /** Whether a printed strip breaks before it bends far. */
  public boolean isBrittle() {
    return value(Parameter.STRAIN_AT_BREAK) < BRITTLE_PERCENT;
  }

  /** Whether it bends like rubber. */
  public boolean isFlexible() {
    return value(Parameter.STIFFNESS) < FLEXIBLE_GPA;
  }

  /** Whether parts of any size need an enclosure around them. */
  public boolean needsEnclosure() {
    Trait.Word word = traits.get(Trait.ENCLOSURE);
    return word != null && word.word().equals("needed");
  }

  /** Whether airing the room is too little for what it gives off when printed. */
  public boolean fumesAreLedOff() {
    Trait.Word word = traits.get(Trait.FUMES);
    return word != null && word.word().equals("lead off");
  }

  /** Whether it wears nozzles that are not hardened. */
  public boolean isAbrasive() {
    return value(Parameter.ABRASIVE) >= ABRASIVE_SHARE;
  }

  /** Whether its wraps may creep into one another at the temperature usual for drying it. */
  public boolean creepsNearDrying() {
    return dryingCeilingC() - dryingTemperatureC() < NEAR_CEILING_K;
  }

  public Sorption sorption() {
    return sorption(parameters);
  }

  private static Sorption sorption(Map<Parameter, Sourced> figures) {
    return new Sorption(
        figures.get(Parameter.SORPTION_HENRY).value(),
        figures.get(Parameter.SORPTION_SATURATION).value(),
        figures.get(Parameter.SORPTION_EXPONENT).value(),
        1000 * figures.get(Parameter.SORPTION_HEAT).value());
  }

  public Diffusion diffusion() {
    return new Diffusion(
        value(Parameter.DIFFUSIVITY),
        value(Parameter.DIFFUSION_ACTIVATION),
        value(Parameter.WET_DIFFUSIVITY));
  }

  public double densityKgPerM3() {
    return value(Parameter.DENSITY);
  }

  public double heatCapacityJPerKgK() {
    return value(Parameter.HEAT_CAPACITY);
  }

  /** Multiplies the diffusivity of vapour between the wraps, as weighing found it; 1 for none. */
  public double packFactor() {
    return value(Parameter.PACK_FACTOR);
  }

  /** Air temperature usual for drying, °C. */
  public double dryingTemperatureC() {
    return value(Parameter.DRYING_TEMPERATURE);
  }

  /** Highest air temperature that the filament itself stands, °C. */
  public double dryingCeilingC() {
    return value(Parameter.DRYING_CEILING);
  }

  /**
   * How much cooler a wet spool of it begins to dry, because water softens it, K; 0 for no less.
   */
  public double dampStartLowerK() {
    return value(Parameter.DAMP_START_LOWER);
  }

  /** Moisture at which drying aims, % of dry polymer. */
  public double dryTargetPercent() {
    return value(Parameter.DRY_TARGET);
  }

  /** Moisture above which it prints badly, % of dry polymer. */
  public double printLimitPercent() {
    return value(Parameter.PRINT_LIMIT);
  }

  /**
   * This material as a lot of it was found to be.
   *
   * @param diffusionFactor multiplies the diffusivity
   * @param sorptionFactor multiplies the uptake at every humidity
   */
  public Material ofLot(double diffusionFactor, double sorptionFactor) {
    return ofLot(new LotFactors(diffusionFactor, sorptionFactor));
  }

  /**
   * This material as a lot of it was found to be; pack factor, wet exponent and sorption heat go no
   * further than makes sense for any material.
   */
  public Material ofLot(LotFactors lot) {
    Map<Parameter, Sourced> changed = new EnumMap<>(parameters);
    scale(changed, Parameter.DIFFUSIVITY, lot.diffusion());
    scale(changed, Parameter.SORPTION_HENRY, lot.sorption());
    scale(changed, Parameter.SORPTION_SATURATION, lot.sorption());
    scaleWithin(changed, Parameter.PACK_FACTOR, lot.pack());
    scaleWithin(changed, Parameter.WET_DIFFUSIVITY, lot.wetDiffusivity());
    scaleWithin(changed, Parameter.SORPTION_HEAT, lot.sorptionHeat());
    return new Material(name, title, kind, changed, traits);
  }

  private static void scale(Map<Parameter, Sourced> figures, Parameter parameter, double factor) {
    learned(figures, parameter, factor * figures.get(parameter).value());
  }

  private static void scaleWithin(
      Map<Parameter, Sourced> figures, Parameter parameter, double factor) {
    if (factor != 1) {
      learned(figures, parameter, parameter.held(factor * figures.get(parameter).value()));
    }
  }

  private static void learned(Map<Parameter, Sourced> figures, Parameter parameter, double value) {
    figures.put(parameter, new Sourced(value, "learned by weighing", Sourced.Grade.OWN));
  }

  /**
   * This material with limits of a workshop's own.
   *
   * @param printLimitPercent null for the table's
   * @param dryTargetPercent null for the table's
   * @param reason why, in words; becomes the source of the figures
   */
  public Material withLimits(Double printLimitPercent, Double dryTargetPercent, String reason) {
    Map<Parameter, Sourced> changed = new EnumMap<>(parameters);
    ownFigure(changed, Parameter.PRINT_LIMIT, printLimitPercent, reason);
    ownFigure(changed, Parameter.DRY_TARGET, dryTargetPercent, reason);
    return new Material(name, title, kind, changed, traits);
  }

  /**
   * Why the print limit or the dry target are a workshop's own; empty where they are the table's.
   */
  public Optional<String> ownLimitReason() {
    return Stream.of(Parameter.PRINT_LIMIT, Parameter.DRY_TARGET)
        .map(parameters::get)
        .filter(figure -> figure.grade() == Sourced.Grade.OWN)
        .map(Sourced::source)
        .findFirst();
  }

  private static void ownFigure(
      Map<Parameter, Sourced> figures, Parameter parameter, Double value, String reason) {
    if (value != null) {
      figures.put(parameter, new Sourced(parameter.check(value), reason, Sourced.Grade.OWN));
    }
  }

  /**
   * This material with some figures replaced by the user's own.
   *
   * @param overrides parameter keys and values in the parameter's unit
   */
  public Material with(Map<String, Double> overrides) {
    Map<Parameter, Sourced> changed = new EnumMap<>(parameters);
    overrides.forEach(
        (key, value) -> {
          Parameter parameter = Parameter.ofKey(key);
          double number = Require.present(key, value, "a number");
          changed.put(
              parameter, new Sourced(parameter.check(number), "your own", Sourced.Grade.OWN));
        });
    return new Material(name, title, kind, changed, traits);
  }

  /**
   * A material of its own that is like this one but for some figures.
   *
   * @param overrides parameter keys and values in the parameter's unit
   * @param reason where these come from; becomes their source
   */
  public Material derived(
      String ownName, String ownTitle, Map<String, Double> overrides, String reason) {
    Map<Parameter, Sourced> changed = new EnumMap<>(parameters);
    overrides.forEach(
        (key, value) -> {
          Parameter parameter = Parameter.ofKey(key);
          double number = parameter.check(Require.present(key, value, "a number"));
          changed.put(parameter, new Sourced(number, reason, Sourced.Grade.OWN));
        });
    return new Material(ownName, ownTitle, kind, changed, traits);
  }

  /** The same for materials in which water moves alike. */
  public long waterDigest() {
    long digest = 7;
    for (Map.Entry<Parameter, Sourced> each : parameters.entrySet()) {
      if (each.getKey().use() == Parameter.Use.WATER) {
        digest = 31 * digest + Double.hashCode(each.getValue().value());
      }
    }
    return digest;
  }
}
