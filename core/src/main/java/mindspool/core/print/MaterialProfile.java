package mindspool.core.print;

import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.stock.ReelSize;
import mindspool.core.stock.Winding;
import mindspool.core.storage.UptakeTime;

/**
 * What people compare materials by, each computed from the figures.
 *
 * @param waterPercent in balance with air of 50 % at 23 °C
 * @param uptakeDays time constant of a spool of 1 kg in still air
 * @param bendsC bends under light load from there
 * @param pullMPa stress that a layer would keep that cools from where it sets to 23 °C with nothing
 *     giving way: how much it wants to warp
 * @param stiffnessGPa as printed
 * @param stretchPercent before it breaks
 * @param nozzleC usual
 */
public record MaterialProfile(
    double waterPercent,
    double uptakeDays,
    double bendsC,
    double pullMPa,
    double stiffnessGPa,
    double stretchPercent,
    double nozzleC) {

  private static final double HALF_DAMP = 0.5;
  private static final double ROOM_C = 23;
  private static final double HOURS_A_DAY = 24;
  private static final double MPA_A_GPA = 1000;
  private static final double SPOOL_G = 1000;
  private static final double DIAMETER_M = 1.75e-3;

  /** Computes it; takes some tens of milliseconds, most for the uptake. */
  public static MaterialProfile of(Material material) {
    ReelSize size = ReelSize.nearest(SPOOL_G);
    Winding winding =
        Winding.withinRim(
            size.hubRadiusMm() / 1000,
            size.rimRadiusMm() / 1000,
            size.widthMm() / 1000,
            SPOOL_G / 1000,
            DIAMETER_M,
            material.densityKgPerM3());
    return new MaterialProfile(
        100 * material.sorption().moistureFraction(HALF_DAMP),
        UptakeTime.hours(material, winding) / HOURS_A_DAY,
        material.value(Parameter.HEAT_DEFLECTION),
        MPA_A_GPA * material.value(Parameter.STIFFNESS) * HoldDown.shrinkage(material, ROOM_C),
        material.value(Parameter.STIFFNESS),
        material.value(Parameter.STRAIN_AT_BREAK),
        material.value(Parameter.NOZZLE));
  }
}
