package mindspool.core.device;

/** What a device measures, in the unit in which it is kept. */
public enum Quantity {
  /** °C. */
  TEMPERATURE("temperature", -40, 400, "°C"),
  /** Relative humidity, %. */
  HUMIDITY("relative humidity", 0, 100, "%"),
  /** g. */
  MASS("mass", -1000, 50_000, "g"),
  /** Share of a print or cycle that is done, %. */
  PROGRESS("progress", 0, 100, "%"),
  /** Air around the part in a printer, °C; not the air around its spool. */
  CHAMBER("chamber temperature", -40, 200, "°C"),
  /** °C. */
  BED("bed temperature", -40, 250, "°C"),
  /** °C. */
  NOZZLE("nozzle temperature", -40, 500, "°C"),
  /** 1 while filament passes the sensor, 0 once it has run out. */
  FILAMENT("filament at the sensor", 0, 1, "");

  private final String title;
  private final double least;
  private final double most;
  private final String unit;

  Quantity(String title, double least, double most, String unit) {
    this.title = title;
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

  /** What it is called. */
  public String title() {
    return title;
  }

  public String unit() {
    return unit;
  }
}
