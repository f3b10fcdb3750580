package mindspool.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A plan made one job after the other, the earliest first: as it is where a spool is dry enough,
 * with others where a load takes it, else alone and as late as leaves a margin.
 */
final class GreedyPlan {

  private final PlanProblem problem;
  private final PlanContext context;
  private final List<Slot> slots;
  private final List<PlannedJob> placed = new ArrayList<>();

  GreedyPlan(PlanProblem problem, PlanContext context, List<Slot> slots) {
    this.problem = problem;
    this.context = context;
    this.slots = slots;
  }

  PlanDraft draft() {
    Map<Long, Pin> pins = new HashMap<>();
    problem.pins().forEach(pin -> pins.put(pin.jobId(), pin));
    List<PlanJob> inOrder = new ArrayList<>(problem.jobs());
    inOrder.sort(Comparator.comparingDouble(PlanJob::startH).thenComparingLong(PlanJob::id));
    for (PlanJob job : inOrder) {
      Pin pin = pins.get(job.id());
      if (pin != null) {
        placed.add(entity(job).pinnedTo(spool(job, pin), slot(pin)));
      }
    }
    for (PlanJob job : inOrder) {
      if (!pins.containsKey(job.id())) {
        placed.add(place(job));
      }
    }
    // What people pinned, or a plan on another grid had, is possible too.
    List<Slot> possible =
        Stream.concat(slots.stream(), placed.stream().map(PlannedJob::slot)).distinct().toList();
    return new PlanDraft(placed, possible, problem.spools());
  }

  private PlannedJob entity(PlanJob job) {
    Pin before = problem.before().get(job.id());
    return new PlannedJob(job, context, before == null ? null : slot(before));
  }

  private static PlanSpool spool(PlanJob job, Pin pin) {
    return job.candidates().stream()
        .filter(spool -> spool.code().equals(pin.code()))
        .findFirst()
        .orElse(job.candidates().get(0));
  }

  private Slot slot(Pin pin) {
    return pin.dryerId() == null
        ? Slot.NONE
        : problem.dryers().stream()
            .filter(dryer -> dryer.id() == pin.dryerId())
            .findFirst()
            .map(dryer -> new Slot(dryer, pin.startH()))
            .orElse(Slot.NONE);
  }

  private PlannedJob place(PlanJob job) {
    PlannedJob entity = entity(job);
    Pin before = problem.before().get(job.id());
    if (before != null && servesTruly(job, spool(job, before), slot(before))) {
      return entity.beginningWith(spool(job, before), slot(before));
    }
    for (PlanSpool spool : job.candidates()) {
      if (job.isReadyAsIs(spool) && use().isFree(job, spool)) {
        return entity.beginningWith(spool, Slot.NONE);
      }
    }
    return withOthers(job, entity)
        .or(() -> alone(job, entity))
        .orElseGet(() -> entity.beginningWith(freeOrNone(job), Slot.NONE));
  }

  private PlanSpool freeOrNone(PlanJob job) {
    return job.candidates().stream()
        .filter(spool -> use().isFree(job, spool))
        .findFirst()
        .orElse(null);
  }

  private Optional<PlannedJob> withOthers(PlanJob job, PlannedJob entity) {
    for (Slot slot :
        placed.stream().filter(PlannedJob::isDried).map(PlannedJob::slot).distinct().toList()) {
      for (PlanSpool spool : job.candidates()) {
        if (servesTruly(job, spool, slot)) {
          return Optional.of(entity.beginningWith(spool, slot));
        }
      }
    }
    return Optional.empty();
  }

  /** As late as leaves a margin, else as early as can be, else taken out as soon as it prints. */
  private Optional<PlannedJob> alone(PlanJob job, PlannedJob entity) {
    List<Slot> early =
        slots.stream()
            .filter(slot -> slot.isDrying() && slot.startH() < job.startH())
            .sorted(Comparator.comparingDouble(Slot::startH))
            .toList();
    for (int i = early.size() - 1; i >= 0; i--) {
      for (PlanSpool spool : job.candidates()) {
        if (servesTruly(job, spool, early.get(i))
            && !leavesWet(job, spool, early.get(i))
            && load(job, spool, early.get(i)).outH() <= job.startH() - PlanRules.MARGIN_H) {
          return Optional.of(entity.beginningWith(spool, early.get(i)));
        }
      }
    }
    for (boolean wetCore : new boolean[] {false, true}) {
      for (Slot slot : early) {
        for (PlanSpool spool : job.candidates()) {
          if (servesTruly(job, spool, slot) && wetCore == leavesWet(job, spool, slot)) {
            return Optional.of(entity.beginningWith(spool, slot));
          }
        }
      }
    }
    return Optional.empty();
  }

  private boolean leavesWet(PlanJob job, PlanSpool spool, Slot slot) {
    return load(job, spool, slot).isTakenOutEarly(spool);
  }

  private PlannedLoad load(PlanJob job, PlanSpool spool, Slot slot) {
    List<PlannedJob> jobs =
        new ArrayList<>(placed.stream().filter(each -> slot.equals(each.slot())).toList());
    jobs.add(new PlannedJob(job, context, null).beginningWith(spool, slot));
    return PlannedLoad.of(slot, jobs);
  }

  /** The same by what the model says of the load, where an estimate would have it so. */
  private boolean servesTruly(PlanJob job, PlanSpool spool, Slot slot) {
    if (!serves(job, spool, slot)) {
      return false;
    }
    if (!slot.isDrying()) {
      return true;
    }
    PlannedLoad load = load(job, spool, slot);
    boolean changed = context.times().follow(load.dryer(), new LinkedHashSet<>(load.spools()));
    return !changed || serves(job, spool, slot);
  }

  /** Whether a job's spool may be dried there without spoiling what is placed already. */
  private boolean serves(PlanJob job, PlanSpool spool, Slot slot) {
    if (!slot.isDrying()) {
      return job.isReadyAsIs(spool) && use().isFree(job, spool);
    }
    if (!use().isLongEnoughAndNotPrinting(job, spool)) {
      return false;
    }
    PlannedLoad load = load(job, spool, slot);
    if (load.violations() > 0
        || Served.of(load).stream().anyMatch(Served::fails)
        || placed.stream().anyMatch(load::takesFromPrinting)) {
      return false;
    }
    return loads().stream()
        .filter(other -> !other.slot().equals(slot))
        .noneMatch(load::clashesWith);
  }

  private SpoolUse use() {
    return new SpoolUse(placed);
  }

  private List<PlannedLoad> loads() {
    return loadsOf(placed);
  }

  static List<PlannedLoad> loadsOf(List<PlannedJob> jobs) {
    Map<Slot, List<PlannedJob>> bySlot = new LinkedHashMap<>();
    jobs.stream()
        .filter(PlannedJob::isDried)
        .forEach(job -> bySlot.computeIfAbsent(job.slot(), slot -> new ArrayList<>()).add(job));
    List<PlannedLoad> loads = new ArrayList<>();
    bySlot.forEach((slot, of) -> loads.add(PlannedLoad.of(slot, of)));
    loads.sort(
        Comparator.comparingDouble(PlannedLoad::startH).thenComparing(load -> load.dryer().id()));
    return loads;
  }
}
