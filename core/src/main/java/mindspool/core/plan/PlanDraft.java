package mindspool.core.plan;

import ai.timefold.solver.core.api.domain.solution.PlanningEntityCollectionProperty;
import ai.timefold.solver.core.api.domain.solution.PlanningScore;
import ai.timefold.solver.core.api.domain.solution.PlanningSolution;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import java.util.List;

/** A plan while it is sought. */
@PlanningSolution
public class PlanDraft {

  @PlanningEntityCollectionProperty private List<PlannedJob> jobs;

  @ValueRangeProvider(id = "slots")
  private List<Slot> slots;

  @ValueRangeProvider(id = "spools")
  private List<PlanSpool> spools;

  @PlanningScore private HardMediumSoftLongScore score;

  /** For the solver. */
  public PlanDraft() {}

  PlanDraft(List<PlannedJob> jobs, List<Slot> slots, List<PlanSpool> spools) {
    this.spools = spools;
    this.jobs = jobs;
    this.slots = slots;
  }

  List<PlannedJob> jobs() {
    return jobs;
  }

  List<Slot> slots() {
    return slots;
  }

  HardMediumSoftLongScore score() {
    return score;
  }
}
