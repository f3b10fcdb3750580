package mindspool.core.plan;

import java.util.List;

/** A job with the load that dries its spool for it. */
record Served(PlannedJob job, PlannedLoad load) {

  static List<Served> of(PlannedLoad load) {
    return load.jobs().stream().map(job -> new Served(job, load)).toList();
  }

  /** Out too late, or wet again before the job is over. */
  boolean fails() {
    return marginH() < -1e-9
        || !(load.isTakenOutEarly(job.spool()) || job.job().holdsFrom(job.spool(), load.dryer()));
  }

  /** Hours between taking out, or being dry where it prints out of the dryer, and printing. */
  double marginH() {
    return job.job().startH() - readyH();
  }

  private double readyH() {
    return job.printsOutOfDryer() ? load.startH() + load.neededHours() : load.leavesH(job.job());
  }

  /** What waiting costs, a margin that is too small, and a core that stays wet. */
  long points() {
    double missing = Math.min(PlanRules.MARGIN_H, PlanRules.MARGIN_H - marginH());
    return Math.round(PlanRules.PER_MISSING_MARGIN_HOUR * Math.max(0, missing))
        + (job.job().anyTime() ? Math.round(PlanRules.PER_WAITING_HOUR * readyH()) : 0)
        + (load.isTakenOutEarly(job.spool()) ? PlanRules.PER_WET_CORE : 0);
  }
}
