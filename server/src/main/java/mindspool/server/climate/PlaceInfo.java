package mindspool.server.climate;

import mindspool.core.moisture.AirContact;

/**
 * A place as other stations see it.
 *
 * @param roomId room whose air a dryer heats; null for other kinds
 */
public record PlaceInfo(
    long id,
    String name,
    PlaceKind kind,
    Long roomId,
    Double setpointC,
    Double ratedMaxC,
    Double airChangesPerHour,
    Double volumeL) {

  private static final double USUAL_DRYER_VOLUME_L = 12;

  static PlaceInfo of(Place place) {
    return new PlaceInfo(
        place.id,
        place.name,
        place.kind,
        place.roomId,
        place.setpointC,
        place.ratedMaxC,
        place.airChangesPerHour,
        place.volumeL);
  }

  /** How the air there touches a spool that lies unwrapped. */
  public AirContact contact() {
    if (kind != PlaceKind.DRYER) {
      return AirContact.STILL;
    }
    double volume = volumeL == null ? USUAL_DRYER_VOLUME_L : volumeL;
    return airChangesPerHour == null
        ? AirContact.FORCED
        : AirContact.ventedChamber(airChangesPerHour, volume / 1000, 1);
  }
}
