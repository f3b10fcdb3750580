package mindspool.core.plan;

import ai.timefold.solver.core.api.domain.solution.PlanningEntityCollectionProperty;
import ai.timefold.solver.core.api.domain.solution.PlanningScore;
import ai.timefold.solver.core.api.domain.solution.PlanningSolution;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import java.util.List;
import java.util.Map;
import mindspool.core.plan.PlanOptions.Option;

/** A plan while it is sought. */
@PlanningSolution
public class PlanDraft {

  @PlanningEntityCollectionProperty private List<PlannedJob> jobs;

  @ValueRangeProvider(id = "slots")
  private List<Slot> slots;

  @ValueRangeProvider(id = "spools")
  private List<PlanSpool> spools;

  /** For each job what could serve it if nothing else were planned. */
  private Map<PlanJob, List<Option>> options = Map.of();

  @PlanningScore private HardMediumSoftLongScore score;

  /** For the solver. */
  public PlanDraft() {}

  PlanDraft(List<PlannedJob> jobs, List<Slot> slots, List<PlanSpool> spools) {
    this.spools = spools;
    this.jobs = jobs;
    this.slots = slots;
  }

  /** Tells the search what is worth trying. */
  PlanDraft offering(Map<PlanJob, List<Option>> all) {
    options = all;
    return this;
  }

  List<Option> options(PlanJob job) {
    return options.getOrDefault(job, List.of());
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
