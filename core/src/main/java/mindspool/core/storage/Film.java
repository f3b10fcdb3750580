package mindspool.core.storage;

import java.util.Arrays;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.stock.Band;

/**
 * What bags and box walls are made of: water vapour passing through, after the methods of ASTM
 * F1249 and E96.
 *
 * <p>Transmission at 38 °C and 90 % RH: trade-typical ranges from memory (grade C); the two walls
 * grade D.
 */
public enum Film {
  LDPE("LDPE", "Polyethylene, soft", 25, 14, 17, 22, 36_000, 0.04),
  HDPE("HDPE", "Polyethylene, stiff", 25, 4, 6, 8, 36_000, 0.04),
  PP_CAST("PP_cast", "Polypropylene, cast", 25, 8, 10, 12, 40_000, 0),
  BOPP("BOPP", "Polypropylene, oriented", 25, 4, 5.5, 7, 40_000, 0),
  PET("PET", "Polyester", 25, 15, 22, 28, 20_000, 0),
  PA6("PA6", "Nylon", 25, 200, 280, 400, 20_000, 0),
  PA_PE("PA/PE_20/70", "Nylon with polyethylene, vacuum pouch", 90, 4, 6.5, 9, 36_000, 0.004),
  METALLISED("metPET/PE", "Metallised polyester", 90, 0.3, 0.8, 1.5, 35_000, 0.004),
  ALUMINIUM("Al_foil_laminate", "Aluminium laminate", 100, 0.001, 0.02, 0.05, 35_000, 0.004),
  PP_WALL("PP_wall_2mm", "Polypropylene box wall", 2000, 0.1, 0.13, 0.16, 40_000, 0),
  PC_WALL("PC_wall_2mm", "Polycarbonate box wall", 2000, 1.0, 1.6, 2.2, 12_000, 0);

  private static final double GAS_CONSTANT = 8.314462618;

  /** Films are tested at 38 °C and 90 % (ASTM E96 / F1249, the usual tropical condition). */
  private static final double TEST_C = 38;

  private static final double TEST_K = TEST_C + 273.15;
  private static final double TEST_HUMIDITY = 0.9;

  private final String id;
  private final String title;
  private final double referenceUm;
  private final Band transmission;
  private final double activationJPerMol;
  private final double closureGPerDay;

  Film(
      String id,
      String title,
      double referenceUm,
      double low,
      double typical,
      double high,
      double activationJPerMol,
      double closureGPerDay) {
    this.id = id;
    this.title = title;
    this.referenceUm = referenceUm;
    this.transmission = new Band(low, typical, high);
    this.activationJPerMol = activationJPerMol;
    this.closureGPerDay = closureGPerDay;
  }

  /** Stable id over HTTP. */
  public String id() {
    return id;
  }

  public String title() {
    return title;
  }

  /** Thickness at which the transmission is known, µm. */
  public double referenceUm() {
    return referenceUm;
  }

  /** Seam and zip: g per day and unit of humidity difference. */
  double closureGPerDay() {
    return closureGPerDay;
  }

  /**
   * Water passing, g per day, m² and unit of humidity difference (fraction): transmission goes with
   * the inverse of thickness, with temperature as Arrhenius, and with the vapour pressure.
   *
   * @param thicknessUm 5..10000 µm
   */
  Band permeance(double thicknessUm, double temperatureC) {
    double arrhenius =
        Math.exp(-activationJPerMol / GAS_CONSTANT * (1 / (temperatureC + 273.15) - 1 / TEST_K));
    double pressure =
        SaturationPressure.atCelsius(temperatureC)
            / (TEST_HUMIDITY * SaturationPressure.atCelsius(TEST_C));
    return transmission.times(referenceUm / thicknessUm * arrhenius * pressure);
  }

  public static Film ofId(String id) {
    return Arrays.stream(values())
        .filter(film -> film.id.equalsIgnoreCase(id) || film.name().equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "container.film.kind",
                    id == null ? "missing" : "\"" + id + "\"",
                    String.join(", ", Arrays.stream(values()).map(Film::id).toList()),
                    "A plain zip bag is LDPE, a ribbed vacuum pouch PA/PE_20/70."));
  }
}
