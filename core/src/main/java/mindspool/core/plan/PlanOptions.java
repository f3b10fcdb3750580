package mindspool.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What could serve each job if nothing else were planned: of all combinations of spool, dryer and
 * hour a small part, so that the search loses no time on the others.
 */
final class PlanOptions {

  private final PlanContext context;
  private final List<Slot> slots;

  PlanOptions(PlanContext context, List<Slot> slots) {
    this.context = context;
    this.slots = slots;
  }

  /**
   * A spool for a job and when it is dried.
   *
   * @param slot {@link Slot#NONE} for as it is
   */
  record Option(PlanSpool spool, Slot slot) {}

  Map<PlanJob, List<Option>> of(List<PlanJob> jobs) {
    Map<PlanJob, List<Option>> options = new HashMap<>();
    for (PlanJob job : jobs) {
      List<Option> serving = new ArrayList<>();
      for (PlanSpool spool : job.candidates()) {
        for (Slot slot : slots) {
          if (couldServe(job, spool, slot)) {
            serving.add(new Option(spool, slot));
          }
        }
      }
      options.put(job, serving);
    }
    return options;
  }

  private boolean couldServe(PlanJob job, PlanSpool spool, Slot slot) {
    if (!slot.isDrying()) {
      return job.isReadyAsIs(spool);
    }
    PlannedJob alone = new PlannedJob(job, context, null).beginningWith(spool, slot);
    PlannedLoad load = PlannedLoad.of(slot, List.of(alone));
    return load.violations() == 0 && !new Served(alone, load).fails();
  }
}
