package mindspool.core.moisture;

import mindspool.core.stock.Winding;

/**
 * A winding cut into rings of equal mass: hollow cylinders around the hub, of equal volume.
 *
 * <p>Between neighbours the resistance is that of a cylinder between their radii of half volume:
 * {@code 2 pi W / ln(r_out/r_in)}, in m, to be multiplied by a conductivity or a diffusivity.
 */
final class WindingMesh {

  final double widthM;
  final double outerRadiusM;

  /** Of the outermost wraps, m². */
  final double outerAreaM2;

  /** Of each ring, m³. */
  final double ringVolumeM3;

  /** Share of the winding that is air. */
  final double voidFraction;

  /** Dry polymer per volume of winding, kg/m³. */
  final double polymerKgPerM3;

  /** Radius of the filament squared, m². */
  final double diffusionLengthSquaredM2;

  /**
   * Between each ring and the next farther out; the last is between the outermost and the air, m.
   */
  final double[] faceM;

  WindingMesh(Winding winding, int rings) {
    double hub2 = winding.hubRadiusM() * winding.hubRadiusM();
    double outer2 = winding.outerRadiusM() * winding.outerRadiusM();
    widthM = winding.widthM();
    outerRadiusM = winding.outerRadiusM();
    outerAreaM2 = 2 * Math.PI * outerRadiusM * widthM;
    ringVolumeM3 = Math.PI * widthM * (outer2 - hub2) / rings;
    voidFraction = winding.voidFraction();
    polymerKgPerM3 = (1 - voidFraction) * winding.densityKgPerM3();
    double radius = winding.filamentDiameterM() / 2;
    diffusionLengthSquaredM2 = radius * radius;
    double[] centre = new double[rings + 1];
    for (int i = 0; i < rings; i++) {
      centre[i] = Math.sqrt(hub2 + (outer2 - hub2) * (i + 0.5) / rings);
    }
    centre[rings] = outerRadiusM;
    faceM = new double[rings];
    for (int i = 0; i < rings; i++) {
      faceM[i] = 2 * Math.PI * widthM / Math.log(centre[i + 1] / centre[i]);
    }
  }
}
