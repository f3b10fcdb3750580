package mindspool.core.storage;

import java.util.Arrays;
import mindspool.core.InvalidValueException;

/**
 * What is put into a box to hold its air dry: how much water it takes at which humidity, and how it
 * is made dry again.
 *
 * <p>Isotherms at 25 °C from memory of ASHRAE Fundamentals (sorbents), Ng 2001, Chua 2002 (silica
 * gel), Gorbach 2004 (4A), Serbezov 2003 (alumina), the unit of MIL-D-3464 (clay), Conde 2004 and
 * Rard and Clegg 1997 (calcium chloride); grade B, ±15 % (alumina ±25 %, hydrates ±30 %).
 * Regeneration: trade-typical ranges, grade C; the maker's data sheet goes first.
 */
public enum Desiccant {
  SILICA_GEL(
      "silica_gel",
      "Silica gel",
      0.02,
      new Regeneration(
          110,
          120,
          1.5,
          3,
          65,
          "in a layer of at most 2 cm, 8 to 16 h in bags",
          "Dyed beads: at most 120 °C or what their data sheet says; non-woven bags at most 115 °C."),
      "0 .006 .012 .030 .058 .112 .170 .225 .270 .305 .330 .350 .370"),
  MOLECULAR_SIEVE_4A(
      "mol_sieve_4A",
      "Molecular sieve 4A",
      0.03,
      new Regeneration(
          250,
          300,
          2,
          4,
          Double.NaN,
          "in a vented furnace, not in bags",
          "Not a task for a kitchen oven or a filament dryer. Cool it sealed: it takes water again"
              + " within minutes."),
      "0 .110 .135 .160 .178 .193 .200 .205 .209 .212 .215 .218 .222"),
  ACTIVATED_ALUMINA(
      "act_alumina",
      "Activated alumina",
      0.02,
      new Regeneration(175, 220, 2, 4, Double.NaN, "in a thin layer", ""),
      "0 .010 .016 .030 .044 .064 .082 .100 .122 .150 .190 .250 .330"),
  CLAY(
      "clay",
      "Bentonite clay",
      0.02,
      new Regeneration(
          115,
          120,
          4,
          6,
          Double.NaN,
          "loose, 16 to 24 h in bags",
          "Above about 120 °C the bag and part of the clay are spoilt."),
      "0 .008 .015 .034 .062 .110 .140 .166 .190 .210 .232 .262 .310"),
  CALCIUM_CHLORIDE(
      "CaCl2",
      "Calcium chloride",
      0,
      null,
      "0 .10 .18 .325 .326 .60 1.27 1.55 1.86 2.25 2.80 3.70 5.70");

  /** Time in which loose beads in a box come to rest with its air, h (grade D). */
  static final double LAG_H = 12;

  /** Temperature at which the isotherms are tabled, K. */
  private static final double ISOTHERM_K = 298;

  private final String id;
  private final String title;
  private final double residualFraction;
  private final Regeneration regeneration;
  private final Isotherm isotherm;

  /**
   * How it is made dry again.
   *
   * @param lowC usual temperature, from
   * @param highC usual temperature, to; not to be passed
   * @param shortHours time in a thin layer, from
   * @param longHours time in a thin layer, to
   * @param slowFromC from this temperature on it also works overnight; NaN where it never does
   * @param how arrangement
   * @param caution what to mind; may be empty
   */
  public record Regeneration(
      double lowC,
      double highC,
      double shortHours,
      double longHours,
      double slowFromC,
      String how,
      String caution) {}

  Desiccant(
      String id,
      String title,
      double residualFraction,
      Regeneration regeneration,
      String fractionTo90) {
    this.id = id;
    this.title = title;
    this.residualFraction = residualFraction;
    this.regeneration = regeneration;
    this.isotherm = Isotherm.ofDesiccant(fractionTo90);
  }

  /** Stable id over HTTP. */
  public String id() {
    return id;
  }

  public String title() {
    return title;
  }

  /** Water that usual regeneration leaves in it, g/g. */
  public double residualFraction() {
    return residualFraction;
  }

  /** How to make it dry again; null where it is used once. */
  public Regeneration regeneration() {
    return regeneration;
  }

  /** Water in balance at 25 °C. */
  public Isotherm isotherm() {
    return isotherm;
  }

  /**
   * Water in balance, g/g, at a temperature: Polanyi's potential keeps the content at equal {@code
   * T ln h}, so the isotherm is read at {@code h^(T/298 K)}. Not for calcium chloride, whose
   * hydrates and brine follow the humidity alone.
   *
   * @param relativeHumidity 0..1
   * @param temperatureC -40..300 °C
   */
  public double fraction(double relativeHumidity, double temperatureC) {
    return isotherm.fraction(standardHumidity(relativeHumidity, temperatureC));
  }

  /** Humidity, 0..1, with which so much water, g/g, is in balance at a temperature. */
  public double humidity(double fraction, double temperatureC) {
    double standard = isotherm.humidity(fraction);
    return this == CALCIUM_CHLORIDE || standard <= 0
        ? standard
        : Math.pow(standard, ISOTHERM_K / (temperatureC + 273.15));
  }

  private double standardHumidity(double relativeHumidity, double temperatureC) {
    if (this == CALCIUM_CHLORIDE || relativeHumidity <= 0) {
      return relativeHumidity;
    }
    return Math.pow(relativeHumidity, (temperatureC + 273.15) / ISOTHERM_K);
  }

  public static Desiccant ofId(String id) {
    return Arrays.stream(values())
        .filter(kind -> kind.id.equalsIgnoreCase(id) || kind.name().equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(
            () ->
                new InvalidValueException(
                    "desiccant.kind",
                    id == null ? "missing" : "\"" + id + "\"",
                    String.join(", ", Arrays.stream(values()).map(Desiccant::id).toList()),
                    "Choose silica_gel when you cannot tell: it is the usual one."));
  }
}
