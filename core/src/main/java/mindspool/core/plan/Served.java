package mindspool.core.plan;

import java.util.List;

/** A job with the charge that dries its spool for it. */
record Served(PlannedJob job, PlannedCharge charge) {

  static List<Served> of(PlannedCharge charge) {
    return charge.jobs().stream().map(job -> new Served(job, charge)).toList();
  }

  /** Out too late, or wet again before the job is over. */
  boolean fails() {
    return marginH() < -1e-9
        || !(charge.isTakenOutEarly(job.spool())
            || job.job().holdsFrom(job.spool(), charge.dryer()));
  }

  /** Hours between taking out, or being dry where it prints out of the dryer, and printing. */
  double marginH() {
    double ready =
        job.printsOutOfDryer() ? charge.startH() + charge.neededHours() : charge.leavesH(job.job());
    return job.job().startH() - ready;
  }

  /** What a margin that is too small costs, and what a core that stays wet does. */
  long points() {
    double missing = Math.min(PlanRules.MARGIN_H, PlanRules.MARGIN_H - marginH());
    return Math.round(PlanRules.PER_MISSING_MARGIN_HOUR * Math.max(0, missing))
        + (charge.isTakenOutEarly(job.spool()) ? PlanRules.PER_WET_CORE : 0);
  }
}
