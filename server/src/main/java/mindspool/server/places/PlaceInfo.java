package mindspool.server.places;

import mindspool.core.moisture.AirContact;
import mindspool.core.storage.Container;

/**
 * A place as other stations see it.
 *
 * @param withinId place that it stands in; for a dryer the room whose air it heats
 * @param capacity how many spools fit in; null where it does not matter
 * @param measuredLeakGPerDay a closed container's own conductance; null until it was measured
 * @param createdS when it was added, epoch seconds
 * @param removed whether it is kept only for the record of what lay there
 * @param version rises with every change of it
 */
public record PlaceInfo(
    long id,
    String name,
    PlaceKind kind,
    Long withinId,
    Double setpointC,
    Double ratedMaxC,
    Double airChangesPerHour,
    Double volumeL,
    Integer capacity,
    Double measuredLeakGPerDay,
    long createdS,
    boolean removed,
    int version) {

  private static final double USUAL_DRYER_VOLUME_L = 12;

  static PlaceInfo of(Place place) {
    return new PlaceInfo(
        place.id,
        place.name,
        place.kind,
        place.withinId,
        place.setpointC,
        place.ratedMaxC,
        place.airChangesPerHour,
        place.volumeL,
        place.capacity,
        place.measuredLeakGPerDay,
        place.createdS,
        place.removedS != null,
        place.version);
  }

  /** The same, standing in nothing. */
  PlaceInfo standingAlone() {
    return new PlaceInfo(
        id,
        name,
        kind,
        null,
        setpointC,
        ratedMaxC,
        airChangesPerHour,
        volumeL,
        capacity,
        measuredLeakGPerDay,
        createdS,
        removed,
        version);
  }

  /** The container that it is; only for closed kinds. */
  public Container container() {
    return kind.container().ofVolume(volumeL == null ? kind.container().usualVolumeL() : volumeL);
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
