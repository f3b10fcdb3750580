package mindspool.server.stock;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import mindspool.server.materials.MaterialsChanged;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * All spools as they were last committed, kept in memory for what is asked all the time. An act
 * reads the database instead, because it must also see what it has just stored itself.
 *
 * <p>Nobody waits for another here: what changed is noted, and whoever asks next reads it.
 */
@Component
public class KnownSpools {

  private final SpoolRecords records;

  /** Numbers of spools to be read anew, each with the number of its latest change. */
  private final Map<Long, Long> changed = new ConcurrentHashMap<>();

  private final AtomicLong changes = new AtomicLong();

  private final AtomicReference<Known> known = new AtomicReference<>(new Known(null));

  /** All spools by number; null where they are to be read. */
  private record Known(Map<Long, SpoolRecord> spools) {}

  KnownSpools(SpoolRecords records) {
    this.records = records;
  }

  /** All spools that still have filament, the same objects as before where nothing changed. */
  public List<SpoolRecord> inStock() {
    return all().stream().filter(spool -> !spool.isEmpty()).toList();
  }

  /** All spools, also used-up ones. */
  public List<SpoolRecord> all() {
    Known before = known.get();
    Map<Long, Long> anew = new HashMap<>(changed);
    if (before.spools != null && anew.isEmpty()) {
      return List.copyOf(before.spools.values());
    }
    Map<Long, SpoolRecord> now = new TreeMap<>();
    if (before.spools == null || anew.keySet().stream().anyMatch(records::hasEverBeenEmptied)) {
      // What an emptied reel tells counts for all its siblings.
      records.all().forEach(spool -> now.put(spool.spool().id, spool));
    } else {
      now.putAll(before.spools);
      anew.keySet().forEach(id -> readAnew(id, now));
    }
    // Where somebody else was quicker, or it changed once more meanwhile, it is read again.
    if (known.compareAndSet(before, new Known(now))) {
      anew.forEach(changed::remove);
    }
    return List.copyOf(now.values());
  }

  private void readAnew(long id, Map<Long, SpoolRecord> into) {
    SpoolRecord spool = records.byId(id);
    if (spool.present()) {
      into.put(id, spool);
    } else {
      into.remove(id);
    }
  }

  /** First of all who hear of it, because the others may ask here. */
  @Order(Ordered.HIGHEST_PRECEDENCE)
  @TransactionalEventListener(fallbackExecution = true)
  void spoolChanged(SpoolChanged event) {
    changed.put(event.spoolId(), changes.incrementAndGet());
  }

  @Order(Ordered.HIGHEST_PRECEDENCE)
  @TransactionalEventListener(fallbackExecution = true)
  void limitsChanged(LimitsChanged event) {
    forget();
  }

  @Order(Ordered.HIGHEST_PRECEDENCE + 1)
  @TransactionalEventListener(fallbackExecution = true)
  void materialsChanged(MaterialsChanged event) {
    forget();
  }

  /** What the maker of a lot is counts for all its spools. */
  void forget() {
    known.set(new Known(null));
  }
}
