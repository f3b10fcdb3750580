package mindspool.core.material;

import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/** What must be known of a material, with its unit and the range in which it makes sense. */
public enum Parameter {
  DIFFUSIVITY("diffusivityAt23CM2PerS", "m²/s", 1e-16, 1e-8),
  DIFFUSION_ACTIVATION("diffusionActivationJPerMol", "J/mol", 0, 150_000),
  SORPTION_HENRY("sorptionHenryFraction", "kg/kg", 1e-7, 1),
  SORPTION_SATURATION("sorptionSaturationFraction", "kg/kg", 1e-7, 2),
  SORPTION_EXPONENT("sorptionExponent", "", 1, 12),
  SORPTION_HEAT("sorptionHeatKJPerMol", "kJ/mol", 0, 20),
  WET_DIFFUSIVITY("wetDiffusivityExponent", "per kg/kg", 0, 60),
  PACK_FACTOR("packFactor", "", 0.2, 5),
  DENSITY("densityKgPerM3", "kg/m³", 500, 8000),
  HEAT_CAPACITY("heatCapacityJPerKgK", "J/(kg K)", 300, 5000),
  DRYING_TEMPERATURE("dryingTemperatureC", "°C", 30, 110),
  DRYING_CEILING("dryingCeilingC", "°C", 30, 160),
  DAMP_START_LOWER("dampStartLowerK", "K", 0, 30),
  DRY_TARGET("dryTargetPercent", "%", 0.001, 50),
  PRINT_LIMIT("printLimitPercent", "%", 0.001, 50);

  private final String key;
  private final String unit;
  private final double min;
  private final double max;

  Parameter(String key, String unit, double min, double max) {
    this.key = key;
    this.unit = unit;
    this.min = min;
    this.max = max;
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
