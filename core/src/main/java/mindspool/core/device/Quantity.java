package mindspool.core.device;

/** What a device measures, in the unit in which it is kept. */
public enum Quantity {
  /** °C. */
  TEMPERATURE(-40, 400, "°C"),
  /** Relative humidity, %. */
  HUMIDITY(0, 100, "%"),
  /** g. */
  MASS(-1000, 50_000, "g"),
  /** Share of a print or cycle that is done, %. */
  PROGRESS(0, 100, "%");

  private final double least;
  private final double most;
  private final String unit;

  Quantity(double least, double most, String unit) {
    this.least = least;
    this.most = most;
    this.unit = unit;
  }

  /** Whether a device could really have measured this. */
  public boolean possible(double value) {
    return value >= least && value <= most;
  }

  /** What is possible, in words. */
  public String range() {
    return "%.0f to %.0f %s".formatted(least, most, unit);
  }

  public String unit() {
    return unit;
  }
}
