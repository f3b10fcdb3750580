package mindspool.core.hygrometer;

import java.util.Arrays;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * Saturated salt solutions whose air has a known humidity.
 *
 * <p>Reference: L. Greenspan, J. Res. Nat. Bur. Stand. 81A (1977) 89, table values at 15, 20, 25
 * and 30 °C with their uncertainty, from memory; practice after ASTM E104.
 */
public enum Salt {
  LITHIUM_CHLORIDE(
      "LiCl",
      "Lithium chloride",
      "Harmful if swallowed, attacks metal, slow (24 h); only by its data sheet.",
      new double[] {11.30, 11.31, 11.30, 11.28},
      new double[] {.41, .31, .27, .24}),
  POTASSIUM_ACETATE(
      "CH3COOK",
      "Potassium acetate",
      "",
      new double[] {23.40, 23.11, 22.51, 21.61},
      new double[] {.32, .25, .32, .53}),
  MAGNESIUM_CHLORIDE(
      "MgCl2",
      "Magnesium chloride",
      "",
      new double[] {33.30, 33.07, 32.78, 32.44},
      new double[] {.21, .18, .16, .14}),
  POTASSIUM_CARBONATE(
      "K2CO3",
      "Potassium carbonate",
      "Caustic dust: gloves and eye protection.",
      new double[] {43.15, 43.16, 43.16, 43.17},
      new double[] {.33, .33, .39, .50}),
  MAGNESIUM_NITRATE(
      "Mg(NO3)2",
      "Magnesium nitrate",
      "Oxidiser; keep from anything that burns.",
      new double[] {55.87, 54.38, 52.89, 51.40},
      new double[] {.27, .23, .22, .24}),
  SODIUM_BROMIDE(
      "NaBr",
      "Sodium bromide",
      "",
      new double[] {60.68, 59.14, 57.57, 56.03},
      new double[] {.51, .44, .40, .38}),
  SODIUM_CHLORIDE(
      "NaCl",
      "Table salt",
      "",
      new double[] {75.61, 75.47, 75.29, 75.09},
      new double[] {.18, .14, .12, .11}),
  POTASSIUM_CHLORIDE(
      "KCl",
      "Potassium chloride",
      "",
      new double[] {85.92, 85.11, 84.34, 83.62},
      new double[] {.33, .29, .26, .25}),
  POTASSIUM_SULPHATE(
      "K2SO4",
      "Potassium sulphate",
      "So humid that water may condense on the sensor.",
      new double[] {97.89, 97.59, 97.30, 97.00},
      new double[] {.63, .53, .45, .40});

  /** Table of Greenspan 1977: from 15 °C in steps of 5 K. */
  private static final double FIRST_C = 15;

  private static final double SPACING_K = 5;

  private final String id;
  private final String title;
  private final String caution;
  private final double[] humidityPercent;
  private final double[] uncertaintyPercent;

  Salt(
      String id,
      String title,
      String caution,
      double[] humidityPercent,
      double[] uncertaintyPercent) {
    this.id = id;
    this.title = title;
    this.caution = caution;
    this.humidityPercent = humidityPercent;
    this.uncertaintyPercent = uncertaintyPercent;
  }

  /** Stable id over HTTP. */
  public String id() {
    return id;
  }

  public String title() {
    return title;
  }

  /** What to mind when handling it; may be empty. */
  public String caution() {
    return caution;
  }

  /** Humidity over the salt, %, at 15 to 30 °C. */
  public double humidityPercent(double temperatureC) {
    return at(humidityPercent, temperatureC);
  }

  /** Its uncertainty, % RH. */
  public double uncertaintyPercent(double temperatureC) {
    return at(uncertaintyPercent, temperatureC);
  }

  private static double at(double[] table, double temperatureC) {
    Require.within(
        "temperatureC", temperatureC, 15, 30, "°C", "Keep the jar steady between 15 and 30 °C.");
    double place = (temperatureC - FIRST_C) / SPACING_K;
    int i = Math.min(table.length - 2, (int) place);
    return table[i] + (place - i) * (table[i + 1] - table[i]);
  }

  public static Salt ofId(String id) {
    return Arrays.stream(values())
        .filter(salt -> salt.id.equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "salt",
                    id == null ? "missing" : "\"" + id + "\"",
                    String.join(", ", Arrays.stream(values()).map(Salt::id).toList()),
                    "MgCl2 and NaCl are the usual pair."));
  }
}
