package mindspool.core.device;

/** Units in which devices report; each converts to the unit in which its quantity is kept. */
public enum ReadingUnit {
  CELSIUS(Quantity.TEMPERATURE, 1, 0, "°C"),
  FAHRENHEIT(Quantity.TEMPERATURE, 5.0 / 9, -32 * 5.0 / 9, "°F"),
  KELVIN(Quantity.TEMPERATURE, 1, -273.15, "K"),
  PERCENT(Quantity.HUMIDITY, 1, 0, "%"),
  FRACTION(Quantity.HUMIDITY, 100, 0, "0 to 1"),
  GRAM(Quantity.MASS, 1, 0, "g"),
  KILOGRAM(Quantity.MASS, 1000, 0, "kg"),
  OUNCE(Quantity.MASS, 28.349523125, 0, "oz"),
  POUND(Quantity.MASS, 453.59237, 0, "lb"),
  PERCENT_DONE(Quantity.PROGRESS, 1, 0, "%"),
  CHAMBER_CELSIUS(Quantity.CHAMBER, 1, 0, "°C, chamber"),
  BED_CELSIUS(Quantity.BED, 1, 0, "°C, bed"),
  NOZZLE_CELSIUS(Quantity.NOZZLE, 1, 0, "°C, nozzle"),
  FILAMENT_THERE(Quantity.FILAMENT, 1, 0, "1 there, 0 run out");

  private final Quantity quantity;
  private final double factor;
  private final double offset;
  private final String sign;

  ReadingUnit(Quantity quantity, double factor, double offset, String sign) {
    this.quantity = quantity;
    this.factor = factor;
    this.offset = offset;
    this.sign = sign;
  }

  public Quantity quantity() {
    return quantity;
  }

  public String sign() {
    return sign;
  }

  /** A value in this unit in that of its quantity. */
  public double convert(double value) {
    return factor * value + offset;
  }
}
