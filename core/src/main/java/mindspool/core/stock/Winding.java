package mindspool.core.stock;

import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * The filament on a reel as a hollow cylinder. Its outer radius follows from the mass that is left,
 * never from the reel's rim.
 *
 * @param hubRadiusM radius of the empty hub, m
 * @param widthM distance between the flanges, m
 * @param dryMassKg mass of dry polymer left on the reel, kg
 * @param voidFraction share of the winding's volume that is air between wraps
 * @param filamentDiameterM diameter of the filament, m
 * @param densityKgPerM3 density of the polymer, kg/m³
 */
public record Winding(
    double hubRadiusM,
    double widthM,
    double dryMassKg,
    double voidFraction,
    double filamentDiameterM,
    double densityKgPerM3) {

  /** Air share of a machine-wound reel. Common practice; 0.20 to 0.42 are met. */
  public static final double USUAL_VOID_FRACTION = 0.30;

  /** Air share of the closest possible packing of equal circles, 1 - pi / (2 sqrt 3). */
  public static final double LEAST_VOID_FRACTION = 1 - Math.PI / (2 * Math.sqrt(3));

  public Winding {
    Require.within("hubRadiusMm", 1000 * hubRadiusM, 5, 300, "mm");
    Require.within("widthMm", 1000 * widthM, 5, 500, "mm");
    Require.within("netMassG", 1000 * dryMassKg, 0.5, 25_000, "g");
    Require.within("voidFraction", voidFraction, LEAST_VOID_FRACTION, 0.8, "");
    Require.within("filamentDiameterMm", 1000 * filamentDiameterM, 1, 5, "mm");
    Require.within("densityKgPerM3", densityKgPerM3, 500, 8000, "kg/m³");
  }

  /**
   * A winding of the usual tightness, or of a higher one where it would otherwise stick out over
   * the rim.
   *
   * @param rimRadiusM radius of the reel's rim, m; above {@code hubRadiusM}
   */
  public static Winding withinRim(
      double hubRadiusM,
      double rimRadiusM,
      double widthM,
      double dryMassKg,
      double filamentDiameterM,
      double densityKgPerM3) {
    if (!(rimRadiusM > hubRadiusM)) {
      throw new InvalidValueException(
          "outerRadiusMm",
          Require.plain(1000 * rimRadiusM),
          "above the hub radius, " + Require.plain(1000 * hubRadiusM) + " mm",
          "Measure from the axle to the rim.");
    }
    double room = Math.PI * widthM * (rimRadiusM * rimRadiusM - hubRadiusM * hubRadiusM);
    double solid = dryMassKg / densityKgPerM3;
    double voidFraction = Math.min(USUAL_VOID_FRACTION, 1 - solid / room);
    if (!(voidFraction >= LEAST_VOID_FRACTION)) {
      throw new InvalidValueException(
          "netMassG",
          Require.plain(Math.round(1000 * dryMassKg)),
          "at most %d g between this hub and rim"
              .formatted(
                  (long) Math.floor(1000 * room * (1 - LEAST_VOID_FRACTION) * densityKgPerM3)),
          "Check the mass, the width and the two radii.");
    }
    return new Winding(
        hubRadiusM, widthM, dryMassKg, voidFraction, filamentDiameterM, densityKgPerM3);
  }

  /** Radius of the outermost wrap, m. */
  public double outerRadiusM() {
    double section = dryMassKg / (densityKgPerM3 * (1 - voidFraction) * Math.PI * widthM);
    return Math.sqrt(hubRadiusM * hubRadiusM + section);
  }

  /** The same reel with another mass of filament on it. */
  public Winding withDryMass(double otherDryMassKg) {
    return new Winding(
        hubRadiusM, widthM, otherDryMassKg, voidFraction, filamentDiameterM, densityKgPerM3);
  }
}
