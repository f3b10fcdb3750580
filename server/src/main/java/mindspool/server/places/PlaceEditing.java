package mindspool.server.places;

import java.time.Clock;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import org.springframework.stereotype.Service;

/** Adds places and describes them anew. */
@Service
public class PlaceEditing {

  private final PlaceStore store;
  private final Places places;
  private final Edits edits;
  private final EditablePlace editable;
  private final Clock clock;

  PlaceEditing(PlaceStore store, Places places, Edits edits, EditablePlace editable, Clock clock) {
    this.store = store;
    this.places = places;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  public PlaceInfo add(PlaceRequest request) {
    PlaceKind kind =
        Require.present("kind", request.kind(), List.of(PlaceKind.values()).toString());
    Place place =
        new Place(
            name(request.name(), null),
            kind,
            (int) store.count(),
            clock.instant().getEpochSecond());
    describe(place, request);
    PlaceInfo added = PlaceInfo.of(store.saveAndFlush(place));
    edits.added(editable, place.id, place);
    places.changed(added.id());
    return added;
  }

  public PlaceInfo change(long id, PlaceRequest request) {
    Place place =
        store.findById(id).orElseThrow(() -> new NotFoundException("place with number " + id));
    StaleEditException.refuse(
        "The place " + place.name, request.version(), place.version, PlaceInfo.of(place));
    Edits.Before before = edits.before(editable, place);
    place.name = name(request.name(), id);
    describe(place, request);
    PlaceInfo changed = PlaceInfo.of(store.saveAndFlush(place));
    edits.changed(editable, id, before, place);
    places.changed(id);
    return changed;
  }

  /** Takes a place away that nothing lies in any more; what lay there keeps its record. */
  public void remove(long id) {
    Place place =
        store
            .findById(id)
            .filter(found -> found.removedS == null)
            .orElseThrow(() -> new NotFoundException("place with number " + id));
    places.refuseInUse(id);
    Edits.Before before = edits.before(editable, place);
    place.removedS = clock.instant().getEpochSecond();
    store.saveAndFlush(place);
    edits.changed(editable, id, before, place);
    places.changed(id);
  }

  private void describe(Place place, PlaceRequest request) {
    place.withinId = within(place, request.withinId());
    place.capacity =
        request.capacity() == null
            ? null
            : (int) Require.within("capacity", request.capacity(), 1, 1000, "spools");
    if (place.kind.isClosed()) {
      place.volumeL =
          Require.within(
              "volumeL",
              orElse(request.volumeL(), place.kind.container().usualVolumeL()),
              0.1,
              2000,
              "L");
    }
    if (place.kind == PlaceKind.DRYER) {
      describeDryer(place, request);
    }
  }

  /** The place that it stands in; never itself, nor anything that stands in it, nor a dryer. */
  private Long within(Place place, Long withinId) {
    if (withinId == null) {
      return null;
    }
    for (Long id = withinId; id != null; id = places.place(id).withinId()) {
      if (id.equals(place.id)) {
        throw new InvalidValueException(
            "withinId",
            places.place(withinId).name(),
            "a place that does not stand in this one",
            "A place cannot stand in itself.");
      }
    }
    PlaceInfo outer = places.present(withinId);
    if (outer.kind() == PlaceKind.DRYER) {
      throw new InvalidValueException(
          "withinId",
          outer.name(),
          "a place that is not a dryer",
          "Choose the room or rack that it stands in.");
    }
    return withinId;
  }

  private static void describeDryer(Place place, PlaceRequest request) {
    place.ratedMaxC = Require.within("ratedMaxC", orElse(request.ratedMaxC(), 70), 30, 250, "°C");
    place.setpointC =
        Require.within(
            "setpointC",
            orElse(request.setpointC(), 50),
            20,
            Math.min(place.ratedMaxC, 110),
            "°C",
            "The upper end is the dryer's rating, at most 110 °C.");
    place.volumeL = Require.within("volumeL", orElse(request.volumeL(), 12), 1, 2000, "L");
    place.airChangesPerHour =
        request.airChangesPerHour() == null
            ? null
            : Require.within(
                "airChangesPerHour", request.airChangesPerHour(), 0.01, 1000, "per hour");
  }

  private static double orElse(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }

  private String name(String name, Long own) {
    String trimmed = Text.line("name", name, 1, 80, "Call it what is written on it.");
    store
        .findByNameIgnoreCaseAndRemovedSIsNull(trimmed)
        .filter(other -> !other.id.equals(own))
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "name",
                  "\"" + trimmed + "\"",
                  "a name that no other place has",
                  "Add what tells them apart.");
            });
    return trimmed;
  }
}
