package mindspool.server.climate;

import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.server.acts.Editable;
import org.springframework.stereotype.Component;

/** Places as things that people rename and describe. */
@Component
class EditablePlace implements Editable<Place> {

  private final ClimateStore.Places places;
  private final Climates climates;

  EditablePlace(ClimateStore.Places places, Climates climates) {
    this.places = places;
    this.climates = climates;
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
    return places.findById(id);
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
    places
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
    places.saveAndFlush(place);
    climates.placesChanged();
    climates.changed(place.id);
    climates.contentsChanged();
  }
}
