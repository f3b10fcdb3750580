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
        : Optional.of(
            String.join(", ", codes) + (codes.size() == 1 ? " lies in it" : " lie in it"));
  }
}
