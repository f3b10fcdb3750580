package mindspool.server.climate;

import org.springframework.stereotype.Service;

/** What changes at the place of a dryer when the dryer is described. */
@Service
public class DryerPlaces {

  private final ClimateStore.Places places;
  private final Climates climates;

  DryerPlaces(ClimateStore.Places places, Climates climates) {
    this.places = places;
    this.climates = climates;
  }

  /**
   * Sets how a dryer's place exchanges air and how many reels it takes.
   *
   * @param airChangesPerHour null for one that is vented freely
   */
  public void describe(
      long placeId, double ratedMaxC, Double airChangesPerHour, double volumeL, int slots) {
    Place place = places.findById(placeId).orElseThrow();
    place.ratedMaxC = ratedMaxC;
    place.setpointC = Math.min(place.setpointC == null ? ratedMaxC : place.setpointC, ratedMaxC);
    place.airChangesPerHour = airChangesPerHour;
    place.volumeL = volumeL;
    place.capacity = slots;
    places.save(place);
    climates.placesChanged();
    climates.changed(placeId);
  }
}
