package mindspool.core.plan;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.drying.Charge.Load;
import mindspool.core.drying.PrintReady;
import mindspool.core.plan.DryTimes.Together;

/**
 * Which spools of a load are taken out before they are dry to the core: those whose first job could
 * not wait for that, where the metres of their jobs print in time and to the end of the job.
 */
final class EarlyOut {

  private EarlyOut() {}

  /**
   * Hours at which somebody takes them out.
   *
   * @param outH when the load is dry and somebody is there
   */
  static Map<PlanSpool, Double> of(
      Slot slot,
      List<PlannedJob> jobs,
      Collection<PlanSpool> spools,
      Together together,
      double outH) {
    Map<PlanSpool, Double> early = new HashMap<>();
    for (PlanSpool spool : spools) {
      List<PlannedJob> its = jobs.stream().filter(job -> spool.equals(job.spool())).toList();
      double first = its.stream().mapToDouble(job -> job.job().startH()).min().orElseThrow();
      if (first < outH && its.stream().noneMatch(PlannedJob::printsOutOfDryer)) {
        double prints = printsH(slot, its, spool, spools, together);
        double out = its.get(0).context().hands().nextAt(prints);
        if (out <= first && holds(its, spool)) {
          early.put(spool, out);
        }
      }
    }
    return early.isEmpty() ? Map.of() : early;
  }

  /** From when on all metres of its jobs print, nine times in ten. */
  private static double printsH(
      Slot slot,
      List<PlannedJob> its,
      PlanSpool spool,
      Collection<PlanSpool> spools,
      Together together) {
    DryTimes times = its.get(0).context().times();
    double grams = its.stream().mapToDouble(job -> job.job().grams()).sum();
    double alone =
        spools.stream()
            .mapToDouble(
                each -> times.of(each, slot.dryer()).hours().orElse(Double.POSITIVE_INFINITY))
            .max()
            .orElseThrow();
    // In shared or cooler air everything takes longer by about as much.
    double longer = Math.max(1, together.neededHours() / alone);
    return slot.startH() + longer * times.printHours(spool, slot.dryer(), grams);
  }

  /**
   * Whether it still prints at the end of each job: only a part of the way to the limit is left.
   */
  private static boolean holds(List<PlannedJob> its, PlanSpool spool) {
    Load load = spool.load();
    double limit = load.material().printLimitPercent();
    double left = (limit - PrintReady.goalPercent(load)) / (limit - load.targetPercent());
    double printing = its.stream().mapToDouble(job -> job.job().hours()).sum();
    // Uptake goes with the root of time.
    return its.stream().allMatch(job -> job.job().holdsFor(spool, printing / (left * left)));
  }
}
