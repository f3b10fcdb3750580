package mindspool.core.material;

import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/** What must be known of a material, with its unit and the range in which it makes sense. */
public enum Parameter {
  DIFFUSIVITY(
      Use.WATER, "diffusivityAt23CM2PerS", "diffusivity of water at 23 °C", "m²/s", 1e-16, 1e-8),
  DIFFUSION_ACTIVATION(
      Use.WATER, "diffusionActivationJPerMol", "its activation energy", "J/mol", 0, 150_000),
  SORPTION_HENRY(
      Use.WATER, "sorptionHenryFraction", "uptake, slope at low humidity", "kg/kg", 1e-7, 1),
  SORPTION_SATURATION(
      Use.WATER, "sorptionSaturationFraction", "uptake at 100 % humidity", "kg/kg", 1e-7, 2),
  SORPTION_EXPONENT(Use.WATER, "sorptionExponent", "exponent of the rise above", "", 1, 12),
  SORPTION_HEAT(
      Use.WATER,
      "sorptionHeatKJPerMol",
      "heat that binds water beyond condensing",
      "kJ/mol",
      0,
      20),
  WET_DIFFUSIVITY(
      Use.WATER, "wetDiffusivityExponent", "how water speeds diffusion", "per kg/kg", 0, 60),
  PACK_FACTOR(Use.WATER, "packFactor", "vapour between wraps, times theory", "", 0.2, 5),
  DENSITY(Use.WATER, "densityKgPerM3", "density", "kg/m³", 500, 8000),
  HEAT_CAPACITY(Use.WATER, "heatCapacityJPerKgK", "heat capacity", "J/(kg K)", 300, 5000),
  DRYING_TEMPERATURE(Use.DRYING, "dryingTemperatureC", "usual drying temperature", "°C", 30, 110),
  DRYING_CEILING(Use.DRYING, "dryingCeilingC", "highest drying temperature", "°C", 30, 160),
  DAMP_START_LOWER(Use.DRYING, "dampStartLowerK", "begins cooler when damp, by", "K", 0, 30),
  DRY_TARGET(Use.DRYING, "dryTargetPercent", "dry target", "%", 0.001, 50),
  PRINT_LIMIT(Use.DRYING, "printLimitPercent", "print limit", "%", 0.001, 50),
  GLASS_TRANSITION(Use.PRINTING, "glassTransitionC", "glass transition", "°C", -60, 250),
  MELTING(Use.PRINTING, "meltingC", "melting point", "°C", 80, 400, false),
  CRYSTALLISATION(
      Use.PRINTING, "crystallisationC", "crystallises on slow cooling at", "°C", 20, 350, false),
  FAST_CRYSTALLISATION(
      Use.PRINTING,
      "fastCrystallisationC",
      "crystallises as fast as a print cools at",
      "°C",
      20,
      350,
      false),
  HEAT_DEFLECTION(Use.PRINTING, "heatDeflectionC", "bends under light load at", "°C", 30, 300),
  EXPANSION(
      Use.PRINTING, "thermalExpansionPerMillionK", "thermal expansion", "per million K", 0.1, 400),
  CRYSTAL_SHRINKAGE(
      Use.PRINTING, "crystallisationShrinkagePercent", "shrinks by crystallising", "%", 0, 5),
  STRESS_SHARE(
      Use.PRINTING,
      "warmShrinkageStressShare",
      "share of its warm shrinkage that becomes stress",
      "",
      0,
      1),
  STIFFNESS(Use.PRINTING, "tensileModulusGPa", "stiffness as printed", "GPa", 0.001, 30),
  CONDUCTIVITY(Use.PRINTING, "thermalConductivityWPerMK", "heat conductivity", "W/(m K)", 0.05, 5),
  MELT_HEAT_CAPACITY(
      Use.PRINTING,
      "heatToMeltJPerKgK",
      "heat capacity up to the nozzle, melting included",
      "J/(kg K)",
      500,
      6000),
  NOZZLE_MIN(Use.PRINTING, "nozzleMinC", "nozzle, lowest", "°C", 120, 450),
  NOZZLE(Use.PRINTING, "nozzleC", "nozzle, usual", "°C", 120, 450),
  NOZZLE_MAX(Use.PRINTING, "nozzleMaxC", "nozzle, highest", "°C", 120, 480),
  BED_MIN(Use.PRINTING, "bedMinC", "bed, lowest", "°C", 15, 200),
  BED(Use.PRINTING, "bedC", "bed, usual", "°C", 15, 200),
  BED_MAX(Use.PRINTING, "bedMaxC", "bed, highest", "°C", 15, 220),
  CHAMBER_MIN(Use.PRINTING, "chamberMinC", "air around the part, lowest", "°C", 5, 150),
  CHAMBER(Use.PRINTING, "chamberC", "air around the part, best", "°C", 5, 150),
  CHAMBER_MAX(Use.PRINTING, "chamberMaxC", "air around the part, highest", "°C", 5, 180),
  FAN_MIN(Use.PRINTING, "fanMinPercent", "fan, least", "%", 0, 100),
  FAN_MAX(Use.PRINTING, "fanMaxPercent", "fan, most", "%", 0, 100),
  STICKING(Use.PRINTING, "stickingBedC", "bed from which it sticks", "°C", 15, 200),
  FLOWING(Use.PRINTING, "soundFlowC", "melt from which it flows well", "°C", 100, 400),
  NOZZLE_FLOOR(Use.PRINTING, "nozzleFloorC", "nozzle below which parts have voids", "°C", 100, 400),
  HEALING_TIME(
      Use.PRINTING,
      "logHealingTimeAtGlassS",
      "time to weld at its glass transition",
      "log10 s",
      0,
      20),
  BOND_TARGET(
      Use.PRINTING, "bondTarget", "strength across layers that is asked of it", "", 0.05, 1),
  CONSISTENCY(
      Use.PRINTING,
      "meltConsistencyPaSn",
      "melt consistency at the usual nozzle",
      "Pa s^n",
      10,
      50000),
  FLOW_INDEX(Use.PRINTING, "meltFlowIndex", "flow index of the melt", "", 0.1, 1),
  VISCOSITY_ACTIVATION(
      Use.PRINTING, "viscosityActivationKJPerMol", "activation of its viscosity", "kJ/mol", 5, 300),
  DEGRADATION_REFERENCE(
      Use.PRINTING, "degradationReferenceC", "degrades, reference", "°C", 150, 450),
  DEGRADATION_TIME(Use.PRINTING, "degradationTimeMin", "stands that for", "min", 1, 1000),
  DEGRADATION_ACTIVATION(
      Use.PRINTING,
      "degradationActivationKJPerMol",
      "activation of its degradation",
      "kJ/mol",
      20,
      400),
  COLD_PULL(Use.PRINTING, "coldPullC", "cold pull at", "°C", 40, 250),
  ABRASIVE(Use.PRINTING, "abrasiveShare", "wears a nozzle, 1 as much as carbon fibre", "", 0, 1),
  STRAIN_AT_BREAK(
      Use.PRINTING, "strainAtBreakPercent", "stretches before it breaks", "%", 0.5, 1000);

  /** What a figure is used for. */
  public enum Use {
    WATER,
    DRYING,
    PRINTING
  }

  private final Use use;
  private final String key;
  private final String title;
  private final String unit;
  private final double min;
  private final double max;
  private final boolean ofAll;

  Parameter(Use use, String key, String title, String unit, double min, double max) {
    this(use, key, title, unit, min, max, true);
  }

  Parameter(Use use, String key, String title, String unit, double min, double max, boolean ofAll) {
    this.use = use;
    this.key = key;
    this.title = title;
    this.unit = unit;
    this.min = min;
    this.max = max;
    this.ofAll = ofAll;
  }

  public Use use() {
    return use;
  }

  /** What it is called. */
  public String title() {
    return title;
  }

  /** Whether every material has it; only those that crystallise have a melting point. */
  public boolean isOfAll() {
    return ofAll;
  }

  /** Name in files and over HTTP; it carries the unit. */
  public String key() {
    return key;
  }

  public String unit() {
    return unit;
  }

  /** The nearest value that makes sense. */
  double held(double value) {
    return Math.min(max, Math.max(min, value));
  }

  double check(double value) {
    return Require.within(key, value, min, max, unit);
  }

  /** The parameter with a {@link #key}. */
  public static Parameter ofKey(String key) {
    for (Parameter parameter : values()) {
      if (parameter.key.equals(key)) {
        return parameter;
      }
    }
    StringBuilder keys = new StringBuilder();
    for (Parameter parameter : values()) {
      keys.append(keys.isEmpty() ? "" : ", ").append(parameter.key);
    }
    throw new InvalidValueException(key, "unknown", keys.toString(), "Use one of these names.");
  }
}
