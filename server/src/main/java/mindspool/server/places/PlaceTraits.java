package mindspool.server.places;

import org.springframework.stereotype.Service;

/** What other stations find out about a place and keep with it. */
@Service
public class PlaceTraits {

  private final PlaceStore store;
  private final Places places;

  PlaceTraits(PlaceStore store, Places places) {
    this.store = store;
    this.places = places;
  }

  /**
   * Sets how a dryer's place exchanges air and how many reels it takes.
   *
   * @param airChangesPerHour null for one that is vented freely
   */
  public void describeDryer(
      long placeId, double ratedMaxC, Double airChangesPerHour, double volumeL, int slots) {
    Place place = store.findById(placeId).orElseThrow();
    place.ratedMaxC = ratedMaxC;
    place.setpointC = Math.min(place.setpointC == null ? ratedMaxC : place.setpointC, ratedMaxC);
    place.airChangesPerHour = airChangesPerHour;
    place.volumeL = volumeL;
    place.capacity = slots;
    store.save(place);
    places.changed(placeId);
  }

  /**
   * Keeps a closed place's own leak.
   *
   * @param gPerDay null to go by its kind again
   */
  public PlaceInfo keepLeak(long placeId, Double gPerDay) {
    Place place = store.findById(placeId).orElseThrow();
    place.measuredLeakGPerDay = gPerDay;
    PlaceInfo info = PlaceInfo.of(store.save(place));
    places.changed(placeId);
    return info;
  }
}
