package mindspool.server.stock;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import mindspool.server.places.PlaceInUse;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** A place with spools in it is needed. */
@Component
class SpoolsInPlaces implements PlaceInUse {

  private static final int NAMED = 4;

  private final ObjectProvider<SpoolRecords> records;
  private final Clock clock;

  SpoolsInPlaces(ObjectProvider<SpoolRecords> records, Clock clock) {
    this.records = records;
    this.clock = clock;
  }

  @Override
  public Optional<String> useOf(long placeId) {
    long now = clock.instant().getEpochSecond();
    List<String> codes =
        records.getObject().inStock().stream()
            .filter(spool -> spool.placeAt(now) == placeId)
            .map(spool -> spool.spool().code)
            .toList();
    return codes.isEmpty()
        ? Optional.empty()
        : Optional.of(some(codes) + (codes.size() == 1 ? " lies in it" : " lie in it"));
  }

  /** A shelf may hold dozens; a few tell which one it is. */
  private static String some(List<String> codes) {
    return codes.size() <= NAMED
        ? String.join(", ", codes)
        : String.join(", ", codes.subList(0, NAMED)) + " and " + (codes.size() - NAMED) + " more";
  }
}
