package mindspool.server.places;

import mindspool.core.InvalidValueException;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Places as things that people add, describe and remove. */
@Component
class EditablePlace extends StoredEditable<Place> {

  private final PlaceStore store;
  private final Places places;

  EditablePlace(PlaceStore store, Places places) {
    super("place", Place.class, store);
    this.store = store;
    this.places = places;
  }

  @Override
  public String title(Place place) {
    return place.name;
  }

  @Override
  public String link(Place place) {
    return "/place/" + place.id;
  }

  @Override
  protected void check(Place place) {
    if (place.removedS != null) {
      places.refuseInUse(place.id);
      return;
    }
    store
        .findByNameIgnoreCaseAndRemovedSIsNull(place.name)
        .filter(other -> !other.id.equals(place.id))
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "name",
                  "\"" + place.name + "\"",
                  "a name that no other place has",
                  "Rename the other one first.");
            });
  }

  @Override
  protected void follow(Place place) {
    places.changed(place.id);
  }
}
