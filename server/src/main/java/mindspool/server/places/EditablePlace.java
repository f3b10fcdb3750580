package mindspool.server.places;

import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.server.acts.Editable;
import org.springframework.stereotype.Component;

/** Places as things that people rename and describe. */
@Component
class EditablePlace implements Editable<Place> {

  private final PlaceStore store;
  private final Places places;

  EditablePlace(PlaceStore store, Places places) {
    this.store = store;
    this.places = places;
  }

  @Override
  public String word() {
    return "place";
  }

  @Override
  public Class<Place> type() {
    return Place.class;
  }

  @Override
  public Optional<Place> find(long id) {
    return store.findById(id);
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
  public void restore(Place place) {
    store
        .findByNameIgnoreCase(place.name)
        .filter(other -> !other.id.equals(place.id))
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "name",
                  "\"" + place.name + "\"",
                  "a name that no other place has",
                  "Rename the other one first.");
            });
    store.saveAndFlush(place);
    places.changed(place.id);
  }
}
