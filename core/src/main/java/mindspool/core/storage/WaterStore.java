package mindspool.core.storage;

/**
 * Something in a container that takes up and gives off water, following its balance with the air
 * with a lag of one time constant. Mutable: it carries its water along.
 */
public final class WaterStore {

  /** Temperature at which the isotherms are tabled, °C. */
  private static final double ISOTHERM_C = 25;

  private final Desiccant desiccant;
  private final Isotherm isotherm;
  private double dryMassG;
  private double lagH;
  private double waterG;
  private double spanH = Double.NaN;
  private double spanShare;

  private WaterStore(
      Desiccant desiccant, Isotherm isotherm, double dryMassG, double lagH, double waterG) {
    this.desiccant = desiccant;
    this.isotherm = isotherm;
    this.dryMassG = dryMassG;
    this.lagH = lagH;
    this.waterG = waterG;
  }

  /**
   * Desiccant.
   *
   * @param waterG all the water in it, that which regeneration left included, g
   */
  public static WaterStore of(Desiccant desiccant, double dryMassG, double waterG) {
    return new WaterStore(desiccant, desiccant.isotherm(), dryMassG, Desiccant.LAG_H, waterG);
  }

  /**
   * Desiccant with its own lag, such as in moved air.
   *
   * @param waterG all the water in it, that which regeneration left included, g
   * @param lagH time constant, h
   */
  public static WaterStore of(Desiccant desiccant, double dryMassG, double waterG, double lagH) {
    return new WaterStore(desiccant, desiccant.isotherm(), dryMassG, lagH, waterG);
  }

  /**
   * Filament, board or the like.
   *
   * @param lagH time constant, h
   * @param waterG water in it, g
   */
  public static WaterStore of(Isotherm isotherm, double dryMassG, double lagH, double waterG) {
    return new WaterStore(null, isotherm, dryMassG, lagH, waterG);
  }

  /**
   * Paper board that starts in balance with a humidity of 0..1; lag of a reel's flange, grade B.
   */
  public static WaterStore cardboard(double dryMassG, double relativeHumidity) {
    return of(
        Isotherm.CARDBOARD, dryMassG, 6, dryMassG * Isotherm.CARDBOARD.fraction(relativeHumidity));
  }

  /** An independent copy. */
  public WaterStore copy() {
    return new WaterStore(desiccant, isotherm, dryMassG, lagH, waterG);
  }

  public double waterG() {
    return waterG;
  }

  public void setWaterG(double waterG) {
    this.waterG = waterG;
  }

  public double dryMassG() {
    return dryMassG;
  }

  /** Takes the rest away, its share of the water with it; what is left follows with its own lag. */
  public void leaveOver(double leftDryMassG, double leftLagH) {
    waterG *= leftDryMassG / dryMassG;
    dryMassG = leftDryMassG;
    lagH = leftLagH;
    spanH = Double.NaN;
  }

  /** The desiccant it is; null for anything else. */
  public Desiccant desiccant() {
    return desiccant;
  }

  /** Water in balance with a humidity, g. */
  double balanceG(double relativeHumidity, double temperatureC) {
    double fraction =
        desiccant == null
            ? isotherm.fraction(relativeHumidity)
            : desiccant.fraction(relativeHumidity, temperatureC);
    return dryMassG * fraction;
  }

  /** Humidity, 0..1, with which its water would be in balance at 25 °C. */
  public double ownHumidity() {
    return isotherm.humidity(waterG / dryMassG);
  }

  /** How strongly it can hold the air: g per unit of humidity and per day. */
  double holdGPerDay() {
    double reach = 0.1;
    return (balanceG(reach, ISOTHERM_C) - balanceG(0, ISOTHERM_C)) / reach / lagH * 24;
  }

  /** Water after a span in air of a humidity, g; nothing is changed yet. */
  public double after(double hours, double relativeHumidity, double temperatureC) {
    if (hours != spanH) {
      spanH = hours;
      spanShare = -Math.expm1(-hours / lagH);
    }
    return waterG + (balanceG(relativeHumidity, temperatureC) - waterG) * spanShare;
  }

  /** Spends a span in air of a humidity. */
  public void advance(double hours, double relativeHumidity, double temperatureC) {
    waterG = after(hours, relativeHumidity, temperatureC);
  }
}
