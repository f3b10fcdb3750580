package mindspool.server.plan;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.Horizon;
import mindspool.core.drying.DryHold;
import mindspool.core.plan.DryingPlan;
import mindspool.core.plan.DryingPlanner;
import mindspool.core.plan.Pin;
import mindspool.core.plan.PlanJob;
import mindspool.core.plan.PlanProblem;
import mindspool.core.plan.PlanSpool;
import mindspool.core.plan.SearchEffort;
import mindspool.core.stock.SpoolChoice;
import mindspool.server.acts.ThingChanged;
import mindspool.server.dry.DryersForPlan;
import mindspool.server.keep.DiskSpace;
import mindspool.server.plan.SetupsOfJobs.Holder;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import mindspool.server.stock.SpoolChanged;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;

/** Puts the problem together from what is stored, has a plan sought beside everything else. */
@Service
class PlanService implements DisposableBean {

  private static final Logger LOG = LoggerFactory.getLogger(PlanService.class);

  private static final double RESUMING_S = 5;

  /** So long after the last of several changes it is planned again, for so long. */
  private static final long PAUSE_MS = 2_000;

  private static final double AGAIN_S = 3;

  /** What, when it is another, makes a plan another. */
  private static final Set<String> PLANNED_THINGS = Set.of("job", "place", "own limit");

  private static final long GRID_S = 1800;
  private static final int MOST_CANDIDATES = 4;

  /** Wetter than that at its start, nothing needs to be followed to know that it is not ready. */
  private static final double FAR_OVER_LIMIT = 1.3;

  private final PlanStore.Jobs jobs;
  private final AttendedWeek attended;
  private final PlanStore.Entries entries;
  private final DryersForPlan dryers;
  private final Spools spools;
  private final PrintingPlaces printing;
  private final WaterOfJobs water;
  private final TransactionTemplate transactions;
  private final DiskSpace disk;
  private final Clock clock;
  private final ExecutorService solving =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "plan");
            thread.setDaemon(true);
            return thread;
          });
  private volatile Run run;

  /** So long after a change the plan is sought again at the latest, unless it cannot be. */
  private static final long SOON_MS = 30_000;

  /** What changed since the plan was made, in words, and when; null while it stands. */
  private volatile Outdated outdated;

  private record Outdated(String by, long atMs) {}

  PlanService(
      PlanStore.Jobs jobs,
      AttendedWeek attended,
      PlanStore.Entries entries,
      DryersForPlan dryers,
      Spools spools,
      PrintingPlaces printing,
      WaterOfJobs water,
      TransactionTemplate transactions,
      DiskSpace disk,
      Clock clock) {
    this.jobs = jobs;
    this.attended = attended;
    this.entries = entries;
    this.dryers = dryers;
    this.spools = spools;
    this.printing = printing;
    this.water = water;
    this.transactions = transactions;
    this.disk = disk;
    this.clock = clock;
  }

  /** A search: where it is and what it has found. */
  static final class Run {
    final long startS;
    final long beganMs;
    final double seconds;

    /** What changed, where that is why it is sought again; null where somebody asked. */
    volatile String because;

    volatile PlanProblem problem;
    volatile DryingPlan best;
    volatile int improvements;
    volatile boolean cancelled;
    volatile boolean over;
    volatile InvalidValueException refused;
    volatile String failed;

    Run(long startS, long beganMs, double seconds) {
      this.startS = startS;
      this.beganMs = beganMs;
      this.seconds = seconds;
    }
  }

  Run run() {
    return run;
  }

  /** Whether a plan is sought just now, or will be in a moment. */
  boolean isSought() {
    Run latest = run;
    Outdated since = outdated;
    return (latest != null && !latest.over)
        || (since != null && clock.millis() - since.atMs < SOON_MS);
  }

  /** A plan outlives the program: what it stood on is sought again, mostly where it was. */
  @EventListener(ApplicationReadyEvent.class)
  void resume() {
    if (entries.count() > 0 && !open(clock.instant().getEpochSecond()).isEmpty()) {
      begin(RESUMING_S);
    }
  }

  /** What makes the plan out of date until it is planned again; none while it stands. */
  Optional<String> outdatedBy() {
    Run current = run;
    return Optional.ofNullable(outdated)
        .map(Outdated::by)
        .or(
            () ->
                Optional.ofNullable(current)
                    .filter(seeking -> !seeking.over)
                    .map(seeking -> seeking.because));
  }

  @TransactionalEventListener(fallbackExecution = true)
  void thingChanged(ThingChanged event) {
    if (PLANNED_THINGS.contains(event.word())) {
      outdate("a " + event.word() + " is another");
    }
  }

  @TransactionalEventListener(fallbackExecution = true)
  void spoolChanged(SpoolChanged event) {
    outdate("a spool was moved, dried, opened, weighed or printed from");
  }

  private void outdate(String by) {
    if (run != null) {
      outdated = new Outdated(by, clock.millis());
    }
  }

  /** Plans again by itself a moment after the last change. */
  @Scheduled(fixedDelayString = "${mindspool.plan.watch-ms:1000}")
  void planAgain() {
    Outdated change = outdated;
    Run last = run;
    if (change != null && last != null && last.over && clock.millis() - change.atMs >= PAUSE_MS) {
      begin(AGAIN_S);
    }
  }

  /** Begins to seek; one search at a time, the one before is ended. */
  synchronized Run begin(double seconds) {
    cancel();
    long now = clock.instant().getEpochSecond();
    long start = (now + GRID_S - 1) / GRID_S * GRID_S;
    Run mine = new Run(start, clock.millis(), seconds);
    Run last = run;
    // What stood is shown until there is something better.
    if (last != null && last.startS == start) {
      mine.problem = last.problem;
      mine.best = last.best;
    }
    mine.because = outdatedBy().orElse(null);
    run = mine;
    outdated = null;
    solving.execute(() -> seek(mine));
    return mine;
  }

  void cancel() {
    Run current = run;
    if (current != null) {
      current.cancelled = true;
    }
  }

  private void seek(Run mine) {
    try {
      PlanProblem problem = problem(mine.startS);
      mine.problem = problem;
      if (problem.jobs().isEmpty()) {
        mine.best = null;
      } else {
        Duration most = Duration.ofMillis(Math.round(1000 * mine.seconds));
        mine.best =
            new DryingPlanner(problem)
                .best(
                    SearchEffort.within(most, most.dividedBy(2)),
                    better -> {
                      mine.best = better;
                      mine.improvements++;
                    },
                    () -> mine.cancelled);
      }
      keep(mine);
    } catch (InvalidValueException e) {
      mine.best = null;
      mine.refused = e;
    } catch (RuntimeException e) {
      LOG.warn("No plan", e);
      mine.best = null;
      mine.failed = "The plan could not be made; the log says why.";
    } finally {
      mine.over = true;
    }
  }

  /** What was found becomes the plan that stands. */
  private void keep(Run mine) {
    if (disk.isLow()) {
      return;
    }
    transactions.executeWithoutResult(
        status -> {
          Map<Long, PlanEntry> known = new HashMap<>();
          entries.findAll().forEach(entry -> known.put(entry.jobId, entry));
          if (mine.best == null) {
            return;
          }
          for (DryingPlan.Placement placement : mine.best.placements()) {
            PlanEntry entry =
                known.getOrDefault(placement.job().id(), new PlanEntry(placement.job().id()));
            var load = placement.load();
            entry.code = placement.spool().code();
            entry.dryerId = load == null ? null : load.dryer().id();
            entry.startS = mine.startS + Math.round(load == null ? 0 : 3600 * load.startH());
            entry.endS =
                mine.startS + Math.round(load == null ? 0 : 3600 * load.leavesH(placement.job()));
            entry.setpointC = load == null ? null : load.setpointC();
            entry.served = placement.served();
            entry.coreStaysWet = load != null && load.isTakenOutEarly(placement.spool());
            entry.why = placement.why().substring(0, Math.min(590, placement.why().length()));
            entry.pinned = placement.pinned();
            entries.save(entry);
          }
        });
  }

  List<PrintJob> open(long fromS) {
    return jobs.findByRemovedSIsNullOrderByStartSAscIdAsc().stream()
        .filter(job -> job.isToCome() && job.startS >= fromS)
        .toList();
  }

  private PlanProblem problem(long startS) {
    Map<Long, PlanEntry> before = new HashMap<>();
    entries.findAll().forEach(entry -> before.put(entry.jobId, entry));
    Map<String, PlanSpool> known = new HashMap<>();
    Map<Held, OptionalDouble> holds = new HashMap<>();
    List<PlanJob> planned = new ArrayList<>();
    List<Pin> pins = new ArrayList<>();
    Map<Long, Pin> earlier = new HashMap<>();
    for (PrintJob job : open(startS)) {
      if (job.startS > startS + 3600 * Horizon.PLANNED_HOURS) {
        continue;
      }
      List<PlanSpool> candidates = candidates(job, known);
      planned.add(planJob(job, startS, candidates, holds));
      PlanEntry entry = before.get(job.id);
      if (entry != null && candidates.stream().anyMatch(s -> s.code().equals(entry.code))) {
        Pin pin = new Pin(job.id, entry.code, entry.dryerId, (entry.startS - startS) / 3600.0);
        if (entry.dryerId == null || pin.startH() >= 0) {
          if (entry.pinned) {
            pins.add(pin);
          }
          earlier.put(job.id, pin);
        }
      }
    }
    return new PlanProblem(
        Horizon.PLANNED_HOURS,
        dryers.all(startS),
        planned,
        attended.attendance(startS, (int) (Horizon.PLANNED_HOURS / 24)),
        dryers.room(startS),
        pins,
        earlier);
  }

  private List<PlanSpool> candidates(PrintJob job, Map<String, PlanSpool> known) {
    double needed = SpoolChoice.neededG(job.grams);
    List<String> codes =
        job.code != null
            ? List.of(job.code)
            : spools.currentOf(job.material).stream().map(CurrentSpool::code).toList();
    return codes.stream()
        .map(code -> known.computeIfAbsent(code, this::spool))
        .filter(spool -> job.code != null || spool.netG() >= needed)
        .sorted(Comparator.comparingDouble(spool -> spool.loaded().start().profile().meanPercent()))
        .limit(MOST_CANDIDATES)
        .toList();
  }

  private PlanSpool spool(String code) {
    CurrentSpool spool = spools.current(code);
    return new PlanSpool(
        code, spools.loaded(spool), spool.netG(), spool.reelDiameterMm(), spool.reelWidthMm());
  }

  /** A spool in a place. */
  private record Held(long placeId, String code) {}

  private PlanJob planJob(
      PrintJob job, long startS, List<PlanSpool> candidates, Map<Held, OptionalDouble> holds) {
    Holder holder = printing.holder(job.id);
    boolean inDryBox = printing.isDryHolder(holder);
    Map<String, Boolean> ready = new HashMap<>();
    Map<String, OptionalDouble> open = new HashMap<>();
    Map<String, OptionalDouble> boxed = new HashMap<>();
    for (PlanSpool spool : candidates) {
      ready.put(spool.code(), isReady(job, startS, spool, holder));
      open.put(spool.code(), hold(spool, holder.printerId(), startS, holds));
      Long box = inDryBox ? holder.feedId() : printing.dryBoxId();
      boxed.put(spool.code(), hold(spool, box, startS, holds));
    }
    return new PlanJob(
        job.id,
        job.name,
        job.grams,
        (job.startS - startS) / 3600.0,
        job.someTime,
        job.hours,
        candidates,
        ready,
        open,
        boxed,
        inDryBox);
  }

  /** Whether its metres stay under the print limit, counted as the job's sheet counts them. */
  private boolean isReady(PrintJob job, long startS, PlanSpool spool, Holder holder) {
    double limit = spool.loaded().material().printLimitPercent();
    double atS = job.someTime ? startS : job.startS;
    if (holder.placeId() == null
        || spools.wettestAhead(spool.code(), job.grams, atS) > FAR_OVER_LIMIT * limit) {
      return false;
    }
    return water.wettestPercent(spools.current(spool.code()), holder, atS, job.hours, job.grams)
        < limit;
  }

  /** How long it prints well once dried; empty where it holds, or nothing is known of the place. */
  private OptionalDouble hold(
      PlanSpool spool, Long placeId, long startS, Map<Held, OptionalDouble> known) {
    if (placeId == null) {
      return OptionalDouble.empty();
    }
    return known.computeIfAbsent(
        new Held(placeId, spool.code()),
        held ->
            DryHold.onceDried(
                spool.loaded().material(),
                spool.loaded().start().winding(),
                printing.outlook(placeId, startS, startS + 3600 * Horizon.HOURS),
                startS,
                Horizon.HOURS));
  }

  @Override
  public void destroy() {
    cancel();
    solving.shutdownNow();
  }
}
