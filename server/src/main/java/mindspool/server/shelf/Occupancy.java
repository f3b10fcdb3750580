package mindspool.server.shelf;

import java.time.Clock;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.server.climate.Climates;
import mindspool.server.climate.PlaceInfo;
import org.springframework.stereotype.Service;

/** How many spools a place holds against how many fit in. */
@Service
class Occupancy {

  private final SpoolRecords records;
  private final Climates climates;
  private final Clock clock;

  Occupancy(SpoolRecords records, Climates climates, Clock clock) {
    this.records = records;
    this.climates = climates;
    this.clock = clock;
  }

  /** Refuses one more spool now. */
  void refuseFull(PlaceInfo place) {
    refuseFull(place, clock.instant().getEpochSecond());
  }

  /** Refuses one more spool at a time. */
  void refuseFull(PlaceInfo place, long atS) {
    if (place.capacity() == null) {
      return;
    }
    long taken = taken(records.all(), place, atS);
    if (taken >= place.capacity()) {
      throw full(place, taken);
    }
  }

  /** Refuses what was just stored where it put more into a place than fit, now or at a time. */
  void refuseOverfull(List<Long> placeIds, long atS) {
    List<SpoolRecord> all = records.all();
    long now = clock.instant().getEpochSecond();
    for (Long id : placeIds) {
      PlaceInfo place = climates.place(id);
      long most = Math.max(taken(all, place, atS), taken(all, place, now));
      if (place.capacity() != null && most > place.capacity()) {
        throw full(place, most - 1);
      }
    }
  }

  private static long taken(List<SpoolRecord> all, PlaceInfo place, long atS) {
    return all.stream()
        .filter(spool -> !spool.isEmpty() && spool.placeAt(atS) == place.id())
        .count();
  }

  private static InvalidValueException full(PlaceInfo place, long taken) {
    return new InvalidValueException(
        "placeId",
        "%s, %d of %d".formatted(place.name(), taken, place.capacity()),
        "a place with room for one more",
        "Move something out first, or choose another place.");
  }
}
