package mindspool.server.dry;

import java.util.OptionalLong;
import org.springframework.stereotype.Service;

/** When dryers were measured by probes in them. */
@Service
public class DryerChecks {

  private final DryerBook book;

  DryerChecks(DryerBook book) {
    this.book = book;
  }

  /** When a dryer was measured last, epoch seconds; none where it never was. */
  public OptionalLong lastS(long placeId) {
    return book.measurement(placeId).stream().mapToLong(it -> it.atS).findFirst();
  }
}
