package mindspool.server.stock;

import java.time.Clock;
import java.util.List;
import java.util.stream.LongStream;
import mindspool.core.InvalidValueException;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import org.springframework.stereotype.Service;

/** How many spools a place holds against how many fit in. */
@Service
public class Occupancy {

  private final SpoolRecords records;
  private final Climates climates;
  private final Clock clock;

  Occupancy(SpoolRecords records, Climates climates, Clock clock) {
    this.records = records;
    this.climates = climates;
    this.clock = clock;
  }

  /** Refuses one more spool from now on. */
  public void refuseFull(PlaceInfo place) {
    refuseFull(place, clock.instant().getEpochSecond(), Long.MAX_VALUE);
  }

  /** Refuses one more spool that stays from one time to another, also where it is full later. */
  public void refuseFull(PlaceInfo place, long fromS, long untilS) {
    if (place.capacity() == null) {
      return;
    }
    long taken = mostTaken(records.all(), place, fromS, untilS);
    if (taken >= place.capacity()) {
      throw full(place, taken);
    }
  }

  /** Refuses what was just stored where it put more into a place than fit, now or at a time. */
  public void refuseOverfull(List<Long> placeIds, long atS) {
    List<SpoolRecord> all = records.all();
    long now = clock.instant().getEpochSecond();
    for (Long id : placeIds) {
      PlaceInfo place = climates.place(id);
      long most = Math.max(taken(all, place, atS), mostTaken(all, place, now, Long.MAX_VALUE));
      if (place.capacity() != null && most > place.capacity()) {
        throw full(place, most - 1);
      }
    }
  }

  /** The most it holds between two times. */
  private static long mostTaken(List<SpoolRecord> all, PlaceInfo place, long fromS, long untilS) {
    LongStream comings =
        all.stream()
            .flatMap(spool -> spool.facts().stream())
            .filter(fact -> fact.places() && fact.placeId == place.id())
            .mapToLong(fact -> fact.atS)
            .filter(atS -> atS > fromS && atS < untilS);
    return LongStream.concat(LongStream.of(fromS), comings)
        .map(atS -> taken(all, place, atS))
        .max()
        .orElseThrow();
  }

  private static long taken(List<SpoolRecord> all, PlaceInfo place, long atS) {
    return all.stream()
        .filter(spool -> !spool.isEmpty() && spool.spool().arrivedS <= atS)
        .filter(spool -> spool.placeAt(atS) == place.id())
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
