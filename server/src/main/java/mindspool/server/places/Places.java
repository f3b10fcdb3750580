package mindspool.server.places;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.InvalidValueException;
import mindspool.server.http.Acts;
import mindspool.server.http.KeptValue;
import mindspool.server.http.NotFoundException;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** Places and what stands in what. */
@Service
public class Places {

  private final PlaceStore store;
  private final ObjectProvider<PlaceInUse> uses;
  private final ApplicationEventPublisher events;
  private final KeptValue<Map<Long, PlaceInfo>> infos = new KeptValue<>();

  Places(PlaceStore store, ObjectProvider<PlaceInUse> uses, ApplicationEventPublisher events) {
    this.store = store;
    this.uses = uses;
    this.events = events;
  }

  /** All places in the order of the room. */
  public List<PlaceInfo> all() {
    return known().values().stream().filter(place -> !place.removed()).toList();
  }

  /** All places, also those that were removed. */
  public List<PlaceInfo> ever() {
    return List.copyOf(known().values());
  }

  /** A place that must exist; also a removed one, which is needed for what was. */
  public PlaceInfo place(long id) {
    PlaceInfo place = known().get(id);
    if (place == null) {
      throw new NotFoundException("place with number " + id);
    }
    return place;
  }

  /** A place that is there and was not removed. */
  public PlaceInfo present(long id) {
    PlaceInfo place = place(id);
    if (place.removed()) {
      throw new NotFoundException(
          "place with number " + id + " (" + place.name() + " was removed)");
    }
    return place;
  }

  /** What a place stands in, from the nearest outwards. */
  public List<PlaceInfo> around(PlaceInfo place) {
    List<PlaceInfo> outer = new ArrayList<>();
    for (Long id = place.withinId(); id != null; id = place(id).withinId()) {
      outer.add(place(id));
    }
    return outer;
  }

  /** Refuses to go on while a place holds something or is needed. */
  void refuseInUse(long placeId) {
    List<String> needed = new ArrayList<>();
    all().stream()
        .filter(place -> Long.valueOf(placeId).equals(place.withinId()))
        .forEach(place -> needed.add(place.name() + " stands in it"));
    uses.forEach(use -> use.useOf(placeId).ifPresent(needed::add));
    if (!needed.isEmpty()) {
      throw new InvalidValueException(
          "place",
          place(placeId).name() + " (" + String.join("; ", needed) + ")",
          "an empty place that nothing needs",
          "Move what is there first.");
    }
  }

  /** Whether a place stands in another, at any depth. */
  public boolean standsIn(PlaceInfo place, long outerId) {
    return around(place).stream().anyMatch(outer -> outer.id() == outerId);
  }

  private Map<Long, PlaceInfo> known() {
    return infos.get(
        () -> {
          Map<Long, PlaceInfo> all = new LinkedHashMap<>();
          for (Place place : store.findAllByOrderByPositionInRoomAscIdAsc()) {
            all.put(place.id, PlaceInfo.of(place));
          }
          all.values().stream()
              .filter(place -> standsInItself(place, all))
              .toList()
              .forEach(place -> all.put(place.id(), place.standingAlone()));
          return all;
        });
  }

  /** Two places of an older record may each stand in the other. */
  private static boolean standsInItself(PlaceInfo place, Map<Long, PlaceInfo> all) {
    Long at = place.withinId();
    for (int depth = 0; at != null && depth <= all.size(); depth++) {
      if (at == place.id()) {
        return true;
      }
      at = all.containsKey(at) ? all.get(at).withinId() : null;
    }
    return false;
  }

  /** A place was added, described anew, or removed. */
  void changed(long placeId) {
    Acts.nowAndAfterwards(infos::forget);
    events.publishEvent(new PlaceChanged(placeId));
  }
}
