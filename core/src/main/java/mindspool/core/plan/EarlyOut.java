package mindspool.core.plan;

import java.util.Collection;
import java.util.DoubleSummaryStatistics;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.PrintReady;

/**
 * Which spools of a load are taken out before they are dry to the core: those that the dryer never
 * gets so far, and those whose first job could not wait for that; where the metres of their jobs
 * print in time and to the end of the job.
 */
final class EarlyOut {

  /**
   * A core that is still wet wets the outer wraps again while the spool waits, h: at room
   * temperature ten times slower than it dried in the heat, so for so long it hardly counts
   * (judgement).
   */
  private static final double LONGEST_WAIT_H = 4;

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
      double neededHours,
      double outH) {
    Map<PlanSpool, Double> early = new HashMap<>();
    for (PlanSpool spool : spools) {
      DoubleSummaryStatistics starts =
          its(jobs, spool).stream().mapToDouble(job -> job.job().startH()).summaryStatistics();
      boolean core = jobs.get(0).context().times().isToTheCore(spool, slot.dryer());
      if (starts.getMin() < outH || !core) {
        double out = soonestH(slot, jobs, spool, spools, neededHours);
        if (out <= starts.getMin() && starts.getMax() <= out + LONGEST_WAIT_H) {
          early.put(spool, out);
        }
      }
    }
    return early.isEmpty() ? Map.of() : early;
  }

  private static List<PlannedJob> its(List<PlannedJob> jobs, PlanSpool spool) {
    return jobs.stream().filter(job -> spool.equals(job.spool())).toList();
  }

  /**
   * When somebody can take a spool out whose metres print, whenever its jobs begin.
   *
   * @return infinite where they would not to the end of the job
   */
  static double soonestH(
      Slot slot,
      List<PlannedJob> jobs,
      PlanSpool spool,
      Collection<PlanSpool> spools,
      double neededHours) {
    List<PlannedJob> its = its(jobs, spool);
    if (its.stream().anyMatch(PlannedJob::printsOutOfDryer) || !holds(its, spool)) {
      return Double.POSITIVE_INFINITY;
    }
    double prints = printsH(slot, its, spool, spools, neededHours);
    return its.get(0).context().attendance().nextAt(prints);
  }

  /** From when on all metres of its jobs print, nine times in ten. */
  private static double printsH(
      Slot slot,
      List<PlannedJob> its,
      PlanSpool spool,
      Collection<PlanSpool> spools,
      double neededHours) {
    DryTimes times = its.get(0).context().times();
    double grams = its.stream().mapToDouble(job -> job.job().grams()).sum();
    double alone =
        spools.stream()
            .mapToDouble(
                each -> times.of(each, slot.dryer()).hours().orElse(Double.POSITIVE_INFINITY))
            .max()
            .orElseThrow();
    // In shared or cooler air everything takes longer by about as much.
    double longer = Math.max(1, neededHours / alone);
    return slot.startH() + longer * times.printHours(spool, slot.dryer(), grams);
  }

  /**
   * Whether it still prints at the end of each job: only a part of the way to the limit is left.
   */
  private static boolean holds(List<PlannedJob> its, PlanSpool spool) {
    double printing = its.stream().mapToDouble(job -> job.job().hours()).sum();
    return its.stream().allMatch(job -> holds(job.job(), spool, printing));
  }

  /** Whether a job alone does, from a spool that is dried only until its metres print. */
  static boolean holds(PlanJob job, PlanSpool spool) {
    return holds(job, spool, job.hours());
  }

  private static boolean holds(PlanJob job, PlanSpool spool, double printingHours) {
    LoadedSpool loaded = spool.loaded();
    double limit = loaded.material().printLimitPercent();
    double left = (limit - PrintReady.goalPercent(loaded)) / (limit - loaded.targetPercent());
    // Uptake goes with the root of time.
    return job.holdsFor(spool, printingHours / (left * left));
  }
}
