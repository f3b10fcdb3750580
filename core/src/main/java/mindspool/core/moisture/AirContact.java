package mindspool.core.moisture;

import static mindspool.core.PhysicalConstants.STANDARD_PRESSURE_PA;

/**
 * How well the air around a spool takes heat and vapour from it.
 *
 * @param vapourTransferMPerS mass transfer coefficient at the outermost wraps, m/s; 0 in a sealed
 *     bag
 * @param heatTransferWPerM2K heat transfer coefficient, W/(m² K)
 * @param airPerSpoolM3PerS fresh air that reaches each spool, m³/s at the temperature inside;
 *     infinite where the air around is as good as the room
 * @param totalPressurePa of air and vapour together
 */
public record AirContact(
    double vapourTransferMPerS,
    double heatTransferWPerM2K,
    double airPerSpoolM3PerS,
    double totalPressurePa) {

  /** Air that only drifts: shelf, box. Radiation included. Lewis relation, from memory. */
  public static final AirContact STILL = new AirContact(3e-3, 8, Double.POSITIVE_INFINITY);

  /** Air moved by a fan, with room air replacing it freely. Lewis relation, from memory. */
  public static final AirContact FORCED = new AirContact(1e-2, 20, Double.POSITIVE_INFINITY);

  /** What a vacuum oven is pumped down to, Pa. Common practice: below 10 hPa. */
  public static final double VACUUM_PRESSURE_PA = 1013;

  /**
   * In a vacuum oven no air moves: heat comes by radiation (four times emissivity 0.9, Stefan's
   * constant and the cube of 320 K), and vapour leaves a hundred times faster than through 2 cm of
   * still air, because diffusivity goes with the inverse of the pressure.
   */
  public static final AirContact VACUUM =
      new AirContact(0.12, 6.7, Double.POSITIVE_INFINITY, VACUUM_PRESSURE_PA);

  /** A tight bag: heat passes, vapour does not. */
  public static final AirContact SEALED = new AirContact(0, 8, Double.POSITIVE_INFINITY);

  public AirContact {
    if (!(vapourTransferMPerS >= 0
        && heatTransferWPerM2K > 0
        && airPerSpoolM3PerS > 0
        && totalPressurePa > 0)) {
      throw new IllegalArgumentException("transfer to air cannot be negative");
    }
  }

  /** At the pressure of the atmosphere. */
  public AirContact(
      double vapourTransferMPerS, double heatTransferWPerM2K, double airPerSpoolM3PerS) {
    this(vapourTransferMPerS, heatTransferWPerM2K, airPerSpoolM3PerS, STANDARD_PRESSURE_PA);
  }

  /**
   * Fan-moved air in a closed chamber that is renewed from the room at a given rate.
   *
   * @param airChangesPerHour volumes of the chamber renewed per hour, above 0
   * @param chamberVolumeM3 volume of the chamber
   * @param spools spools sharing it
   */
  public static AirContact ventedChamber(
      double airChangesPerHour, double chamberVolumeM3, int spools) {
    return new AirContact(
        FORCED.vapourTransferMPerS,
        FORCED.heatTransferWPerM2K,
        airChangesPerHour * chamberVolumeM3 / 3600 / spools);
  }

  /**
   * Transfer coefficient referred to the room's vapour pressure: the film at the spool in series
   * with the exchange of air. Exact while the air inside holds next to no water itself.
   *
   * @param outerAreaM2 area of the outermost wraps
   */
  double effectiveVapourTransfer(double outerAreaM2) {
    if (vapourTransferMPerS == 0) {
      return 0;
    }
    return 1 / (1 / vapourTransferMPerS + outerAreaM2 / airPerSpoolM3PerS);
  }
}
