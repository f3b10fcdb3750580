package mindspool.core.stock;

import java.util.List;
import mindspool.core.Require;

/**
 * Round filament: converts between its mass, length and volume, {@code m = rho pi d²/4 L}.
 *
 * @param densityGPerCm3 0.5..8 g/cm³
 * @param diameterMm 1..5 mm, nominally 1.75 or 2.85
 */
public record Filament(double densityGPerCm3, double diameterMm) {

  /** Diameters in which filament is sold, mm (common practice). */
  public static final List<Double> USUAL_DIAMETERS_MM = List.of(1.75, 2.85);

  public Filament {
    Require.within("densityGPerCm3", densityGPerCm3, 0.5, 8, "g/cm³");
    Require.within("diameterMm", diameterMm, 1, 5, "mm", "Usual are 1.75 and 2.85 mm.");
  }

  private double sectionMm2() {
    return Math.PI / 4 * diameterMm * diameterMm;
  }

  public double lengthM(double massG) {
    return volumeCm3(massG) / sectionMm2();
  }

  public double volumeCm3(double massG) {
    return massG / densityGPerCm3;
  }

  public double massGOfLength(double lengthM) {
    return lengthM * sectionMm2() * densityGPerCm3;
  }

  public double massGOfVolume(double volumeCm3) {
    return volumeCm3 * densityGPerCm3;
  }
}
