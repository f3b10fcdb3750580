package mindspool.server.shelf;

import com.fasterxml.jackson.annotation.JsonRawValue;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.server.estimates.SpoolEstimate;
import mindspool.server.stock.SpoolRecord;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Spools of the shelf as they were written for the last answer. Most of what the shelf costs is
 * writing some hundred thousand numbers, nearly all the same as a minute ago.
 */
@Component
class WrittenSpools {

  /** For so long the pictures of the hours ahead count as beginning now, s. */
  private static final long FRESH_S = 120;

  /** Not all at once grow old. */
  private static final long SPREAD_S = 60;

  private final JsonMapper json;
  private final Map<Long, Entry> entries = new ConcurrentHashMap<>();

  WrittenSpools(JsonMapper json) {
    this.json = json;
  }

  /** JSON of a {@link SpoolViews.SpoolView}. */
  record Written(@JsonValue @JsonRawValue String json) {}

  private record Entry(
      SpoolRecord spool, SpoolEstimate estimate, double jobG, long untilS, Written written) {

    boolean holds(SpoolRecord itsSpool, SpoolEstimate itsEstimate, double itsJobG, long nowS) {
      return spool == itsSpool && estimate == itsEstimate && jobG == itsJobG && nowS < untilS;
    }
  }

  /**
   * A spool on the shelf.
   *
   * @param estimate null while it is being computed
   */
  Written of(SpoolRecord spool, SpoolEstimate estimate, double jobG, long nowS) {
    long id = spool.spool().id;
    Entry known = entries.get(id);
    if (known == null || !known.holds(spool, estimate, jobG, nowS)) {
      known =
          new Entry(
              spool,
              estimate,
              jobG,
              nowS + FRESH_S + id % SPREAD_S,
              new Written(json.writeValueAsString(SpoolViews.shelf(spool, estimate, jobG, nowS))));
      entries.put(id, known);
    }
    return known.written;
  }
}
