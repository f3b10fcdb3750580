package mindspool.core.drying;

import mindspool.core.climate.MoistAir;

/**
 * Electricity that a cycle takes: warming up, loss through the walls, fresh air warmed, water
 * evaporated.
 *
 * <p>Wall loss 1.3 W/K and heat capacity 1.5 kJ/K are estimates for a purpose-made dryer of 12 L
 * (grade D); measure yours with a power meter where money matters.
 */
public final class DryerEnergy {

  /** Loss through the walls of a dryer of usual volume, W/K (judgement, grade D). */
  private static final double WALL_LOSS_W_PER_K = 1.3;

  private static final double USUAL_VOLUME_L = Dryer.USUAL_VOLUME_L;

  /**
   * Heat capacity of housing and tray, J/K: about 1 kg of plastic and metal (judgement, grade D).
   */
  private static final double BODY_CAPACITY_J_PER_K = 1500;

  /** Air changes of a dryer that is vented freely, per hour (judgement, grade D). */
  private static final double FREE_AIR_CHANGES_PER_HOUR = 30;

  /** Heat capacity of air per volume, J/(m³ K), at 20 °C. */
  private static final double AIR_CAPACITY = 1206;

  /** Heat of evaporation of water, J/kg, at 20 °C (steam tables: 2.454e6). */
  private static final double LATENT_HEAT = 2.45e6;

  private static final double JOULES_PER_KWH = 3.6e6;

  private DryerEnergy() {}

  /**
   * Energy of a cycle.
   *
   * @param loadJPerK heat capacity of filament and reel
   * @param waterKg water driven out
   * @return kWh
   */
  public static double kWh(
      Dryer dryer,
      MoistAir room,
      double airTemperatureC,
      double hours,
      double loadJPerK,
      double waterKg) {
    double rise = Math.max(0, airTemperatureC - room.temperatureC());
    double volumeM3 = dryer.volumeL() / 1000;
    // Surface, and with it the loss, grows as the two-thirds power of volume.
    double wall = WALL_LOSS_W_PER_K * Math.pow(dryer.volumeL() / USUAL_VOLUME_L, 2.0 / 3);
    double airChanges = dryer.airChangesPerHour().orElse(FREE_AIR_CHANGES_PER_HOUR);
    double air = airChanges * volumeM3 / 3600 * AIR_CAPACITY;
    double held = (wall + air) * rise * hours * 3600;
    double warmUp = (BODY_CAPACITY_J_PER_K + loadJPerK) * rise;
    return (held + warmUp + LATENT_HEAT * Math.max(0, waterKg)) / JOULES_PER_KWH;
  }
}
