package mindspool.core.plan;

import ai.timefold.solver.core.api.domain.entity.PlanningEntity;
import ai.timefold.solver.core.api.domain.entity.PlanningPin;
import ai.timefold.solver.core.api.domain.lookup.PlanningId;
import ai.timefold.solver.core.api.domain.variable.PlanningVariable;

/** A job with the spool it is given and when that is dried: what the plan decides. */
@PlanningEntity
public class PlannedJob {

  @PlanningId private long id;

  private PlanJob job;
  private PlanContext context;

  /** Where the plan before had it; null where it was in none. */
  private Slot before;

  @PlanningPin private boolean pinned;

  /** Null where none is free for it. */
  @PlanningVariable(valueRangeProviderRefs = "spools", allowsUnassigned = true)
  private PlanSpool spool;

  @PlanningVariable(valueRangeProviderRefs = "slots")
  private Slot slot;

  /** For the solver. */
  public PlannedJob() {}

  PlannedJob(PlanJob job, PlanContext context, Slot before) {
    this.id = job.id();
    this.job = job;
    this.context = context;
    this.before = before;
  }

  /** Puts it somewhere for good. */
  PlannedJob pinnedTo(PlanSpool toSpool, Slot toSlot) {
    spool = toSpool;
    slot = toSlot;
    pinned = true;
    return this;
  }

  /** Begins the search here. */
  PlannedJob beginningWith(PlanSpool withSpool, Slot withSlot) {
    spool = withSpool;
    slot = withSlot;
    return this;
  }

  public long getId() {
    return id;
  }

  public PlanJob job() {
    return job;
  }

  Slot before() {
    return before;
  }

  PlanContext context() {
    return context;
  }

  public PlanSpool spool() {
    return spool;
  }

  public Slot slot() {
    return slot;
  }

  public boolean isPinned() {
    return pinned;
  }

  boolean isDried() {
    return slot != null && slot.isDrying() && spool != null;
  }

  /** Whether it stays in a dryer that feeds out, since it would not hold in its holder. */
  boolean printsOutOfDryer() {
    return isDried() && slot.dryer().feedsOut() && !job.holds(spool);
  }

  /** Whether it moved against the plan before. */
  boolean isMoved() {
    return before != null && !before.equals(slot);
  }
}
