package mindspool.server.estimates;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.BooleanSupplier;
import mindspool.server.air.ClimateChanged;
import mindspool.server.air.Climates;
import mindspool.server.materials.MaterialsChanged;
import mindspool.server.stock.KnownSpools;
import mindspool.server.stock.LimitsChanged;
import mindspool.server.stock.SpoolChanged;
import mindspool.server.stock.SpoolRecord;
import mindspool.server.stock.SpoolRecords;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * Keeps an estimate of every spool, computed in the background so that no page waits for them all.
 * Each goes on from the spool's last checkpoint; whatever changes the past before a checkpoint
 * drops it.
 */
@Service
public class SpoolEstimates implements DisposableBean {

  private static final Logger LOG = LoggerFactory.getLogger(SpoolEstimates.class);

  /** An estimate is refreshed when its forecast has aged this much. */
  private static final long OLD_S = 1800;

  /** It is never this old while the program runs. */
  private static final long SLEPT_S = 2 * OLD_S;

  private final SpoolRecords records;
  private final KnownSpools known;
  private final Climates climates;
  private final Clock clock;
  private final CheckpointStore store;
  private final Calibrations calibrations;
  private final Map<Long, SpoolEstimate> estimates = new ConcurrentHashMap<>();

  /** Shown until the next is there, where only the air is another; acts are never shown late. */
  private final Map<Long, SpoolEstimate> outdated = new ConcurrentHashMap<>();

  private final Map<Long, Checkpoint> checkpoints = new ConcurrentHashMap<>();
  private final Map<Long, Long> versions = new ConcurrentHashMap<>();

  /** Stored checkpoints after this time no longer hold, epoch seconds. */
  private final Map<Long, Double> notAfterS = new ConcurrentHashMap<>();

  /** Stored checkpoints that could not be deleted yet, from when on they are wrong. */
  private final Map<Long, Double> undropped = new ConcurrentHashMap<>();

  private final Set<Long> queued = ConcurrentHashMap.newKeySet();
  private final ExecutorService background =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "estimates");
            thread.setDaemon(true);
            thread.setPriority(Thread.MIN_PRIORITY);
            return thread;
          });

  SpoolEstimates(
      SpoolRecords records,
      KnownSpools known,
      Climates climates,
      CheckpointStore store,
      Calibrations calibrations,
      Clock clock) {
    this.records = records;
    this.known = known;
    this.calibrations = calibrations;
    this.climates = climates;
    this.store = store;
    this.clock = clock;
  }

  /** The estimate of a spool, computed now if there is none. */
  public SpoolEstimate of(SpoolRecord spool) {
    climates.settleWhatChanged();
    SpoolEstimate known = estimates.get(spool.spool().id);
    return known != null && !isOfBeforeASleep(known) ? known : compute(spool);
  }

  /** Whether the computer slept since: nothing was computed anew for so long. */
  private boolean isOfBeforeASleep(SpoolEstimate known) {
    return clock.instant().getEpochSecond() - known.nowS() > SLEPT_S;
  }

  /** The estimate of a spool if it is there; else it is asked for in the background. */
  public Optional<SpoolEstimate> ready(SpoolRecord spool) {
    SpoolEstimate known = estimates.get(spool.spool().id);
    if (known != null && isOfBeforeASleep(known)) {
      outdate(spool.spool().id);
      known = null;
    }
    if (known == null) {
      queue(spool.spool().id);
      known = outdated.get(spool.spool().id);
    }
    return Optional.ofNullable(known);
  }

  private SpoolEstimate compute(SpoolRecord spool) {
    long id = spool.spool().id;
    long version = versions.getOrDefault(id, 0L);
    long now = clock.instant().getEpochSecond();
    Checkpoint from = checkpoint(spool);
    // A fact that arrived meanwhile makes this estimate worthless for others.
    BooleanSupplier holds = () -> versions.getOrDefault(id, 0L) == version;
    SpoolEstimate.Computed computed =
        SpoolEstimate.of(spool, climates, now, from, calibrations, holds);
    if (holds.getAsBoolean()) {
      SpoolEstimate before = estimates.put(id, computed.estimate());
      outdated.remove(id);
      keep(spool, from, computed.checkpoint());
      if (taughtMore(before, computed.estimate())) {
        renewSisters(spool);
      }
    }
    return computed.estimate();
  }

  /** Whether a spool's own weighings say something of its lot that was not known before. */
  private static boolean taughtMore(SpoolEstimate before, SpoolEstimate now) {
    return now.learned() != null
        && !now.learned().fromLot()
        && (before == null
            || before.learned() == null
            || before.learned().digest() != now.learned().digest());
  }

  /** Those of its lot that were not weighed themselves go by what it taught. */
  private void renewSisters(SpoolRecord spool) {
    Long lot = spool.spool().lotId;
    for (SpoolRecord other : known.all()) {
      SpoolEstimate estimate = estimates.get(other.spool().id);
      if (lot != null
          && lot.equals(other.spool().lotId)
          && !other.spool().id.equals(spool.spool().id)
          && estimate != null
          && (estimate.learned() == null || estimate.learned().fromLot())) {
        outdate(other.spool().id);
      }
    }
  }

  /** Shows the last estimate until there is another. */
  private void outdate(long id) {
    versions.merge(id, 1L, Long::sum);
    SpoolEstimate last = estimates.remove(id);
    if (last != null) {
      outdated.put(id, last);
    }
    queue(id);
  }

  private Checkpoint checkpoint(SpoolRecord spool) {
    long id = spool.spool().id;
    Checkpoint known = checkpoints.get(id);
    if (known != null) {
      return known;
    }
    double mark =
        Math.min(
            SpoolEstimate.checkpointAt(clock.instant().getEpochSecond()),
            notAfterS.getOrDefault(id, Double.POSITIVE_INFINITY));
    return store.find(spool).filter(found -> found.timeS() <= mark).orElse(null);
  }

  private void keep(SpoolRecord spool, Checkpoint before, Checkpoint after) {
    if (after == null) {
      return;
    }
    checkpoints.put(spool.spool().id, after);
    if (after != before) {
      store.save(spool, after);
      notAfterS.remove(spool.spool().id);
    }
  }

  private void queue(long id) {
    if (!queued.add(id)) {
      return;
    }
    background.execute(
        () -> {
          queued.remove(id);
          try {
            SpoolRecord spool = records.byId(id);
            if (spool.present() && !estimates.containsKey(id)) {
              compute(spool);
            }
          } catch (RuntimeException e) {
            LOG.warn("No estimate for spool {}", id, e);
          }
        });
  }

  private void forget(long id, double fromS) {
    Checkpoint known = checkpoints.get(id);
    if (known != null && known.timeS() > fromS) {
      checkpoints.remove(id);
    }
    // Deleted in the background: whoever acts waits for nothing here.
    notAfterS.merge(id, fromS, Math::min);
    background.execute(() -> drop(id, fromS));
    // First that it is another, then what was learned: what is being learned now is kept by nobody.
    versions.merge(id, 1L, Long::sum);
    calibrations.airChanged(id, fromS);
    outdate(id);
  }

  /** Deletes what is stored of later; where the database is busy it is tried again later. */
  private void drop(long id, double fromS) {
    try {
      store.dropAfter(id, fromS);
    } catch (RuntimeException e) {
      LOG.info("The checkpoint of spool {} is dropped later: {}", id, e.getMessage());
      undropped.merge(id, fromS, Math::min);
    }
  }

  @TransactionalEventListener(fallbackExecution = true)
  void spoolChanged(SpoolChanged event) {
    forget(event.spoolId(), event.fromS());
    outdated.remove(event.spoolId());
  }

  @TransactionalEventListener(fallbackExecution = true)
  void climateChanged(ClimateChanged event) {
    for (SpoolRecord spool : known.all()) {
      OptionalDouble from =
          spool.stays().stream()
              .map(stay -> event.fromS().get(stay.placeId()))
              .filter(Objects::nonNull)
              .mapToDouble(fromS -> fromS)
              .min();
      from.ifPresent(fromS -> forget(spool.spool().id, fromS));
    }
  }

  /** The water is the same; what it means is another. */
  @TransactionalEventListener(fallbackExecution = true)
  void limitsChanged(LimitsChanged event) {
    known.all().forEach(spool -> forget(spool.spool().id, Double.POSITIVE_INFINITY));
    outdated.clear();
  }

  /** Water moves otherwise in what is made of them, from its arrival on. */
  @TransactionalEventListener(fallbackExecution = true)
  void materialsChanged(MaterialsChanged event) {
    for (SpoolRecord spool : known.all()) {
      if (!spool.material().name().equals(spool.material().kind())) {
        forget(spool.spool().id, 0);
      }
    }
    outdated.clear();
  }

  /** Renews estimates whose forecast has aged. */
  @Scheduled(initialDelay = 2_000, fixedDelay = 120_000)
  void refresh() {
    for (Long id : List.copyOf(undropped.keySet())) {
      Double fromS = undropped.remove(id);
      if (fromS != null) {
        background.execute(() -> drop(id, fromS));
      }
    }
    long now = clock.instant().getEpochSecond();
    for (SpoolRecord spool : known.all()) {
      SpoolEstimate known = estimates.get(spool.spool().id);
      if (known == null) {
        queue(spool.spool().id);
      } else if (now - known.nowS() > OLD_S) {
        background.execute(() -> compute(spool));
      }
    }
  }

  @Override
  public void destroy() {
    background.shutdownNow();
  }
}
