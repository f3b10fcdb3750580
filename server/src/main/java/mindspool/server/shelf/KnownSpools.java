package mindspool.server.shelf;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * All spools as they were last committed, kept in memory for what is asked all the time. An act
 * reads the database instead, because it must also see what it has just stored itself.
 */
@Component
class KnownSpools {

  private final SpoolRecords records;
  private final Set<Long> changed = new HashSet<>();
  private Map<Long, SpoolRecord> known;

  KnownSpools(SpoolRecords records) {
    this.records = records;
  }

  /** All spools that still have filament, the same objects as before where nothing changed. */
  List<SpoolRecord> inStock() {
    return all().stream().filter(spool -> !spool.isEmpty()).toList();
  }

  /** All spools, also used-up ones. */
  synchronized List<SpoolRecord> all() {
    if (known == null) {
      Map<Long, SpoolRecord> read = new TreeMap<>();
      records.all().forEach(spool -> read.put(spool.spool().id, spool));
      known = read;
    } else {
      changed.forEach(this::readAnew);
    }
    changed.clear();
    return List.copyOf(known.values());
  }

  private void readAnew(long id) {
    SpoolRecord spool = records.byId(id);
    if (spool.present()) {
      known.put(id, spool);
    } else {
      known.remove(id);
    }
  }

  /** First of all who hear of it, because the others may ask here. */
  @Order(Ordered.HIGHEST_PRECEDENCE)
  @TransactionalEventListener(fallbackExecution = true)
  synchronized void spoolChanged(SpoolChanged event) {
    changed.add(event.spoolId());
    if (records.hasEverBeenEmptied(event.spoolId())) {
      forget();
    }
  }

  /** What an emptied reel or its maker tells counts for all its siblings. */
  synchronized void forget() {
    known = null;
  }
}
