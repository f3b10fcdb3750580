package mindspool.core.plan;

import java.util.List;

/** Which spools jobs that are placed leave to another. */
final class SpoolUse {

  private final List<PlannedJob> placed;

  SpoolUse(List<PlannedJob> placed) {
    this.placed = placed;
  }

  /** Long enough for a job besides the others, and neither printed nor dried meanwhile. */
  boolean isFree(PlanJob job, PlanSpool spool) {
    return isLongEnoughAndNotPrinting(job, spool)
        && GreedyPlan.loadsOf(placed).stream().noneMatch(load -> load.holdsDuring(job, spool));
  }

  boolean isLongEnoughAndNotPrinting(PlanJob job, PlanSpool spool) {
    List<PlanJob> others =
        placed.stream().filter(other -> spool.equals(other.spool())).map(PlannedJob::job).toList();
    double taken = job.grams() + others.stream().mapToDouble(PlanJob::grams).sum();
    return taken <= spool.netG() && others.stream().noneMatch(job::overlaps);
  }
}
