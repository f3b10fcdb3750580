package mindspool.core.plan;

import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mindspool.core.plan.DryTimes.Together;

/**
 * Spools put into one dryer at one hour: how warm, how long, until when.
 *
 * <p>A spool stays until it is dry to the core. Only where its job could not wait for that, and
 * takes metres that print sooner, is it taken out as soon as these do.
 *
 * @param jobs that it serves
 * @param spools in it, each once
 * @param setpointC common to all
 * @param neededHours until the last is dry nine times in ten
 * @param outH when somebody takes out those that stay to the end: not before they are dry, and when
 *     somebody is there
 * @param endH when the dryer is free again: later than that where a job prints out of it
 * @param violations how many things about it cannot be done: spools that do not fit, too many,
 *     never dry, dryer not free or nobody there
 * @param energyKWh that it takes
 * @param earlyOutH when spools are taken out that only have to print; the others stay
 */
public record PlannedLoad(
    Slot slot,
    List<PlannedJob> jobs,
    List<PlanSpool> spools,
    double setpointC,
    double neededHours,
    double outH,
    double endH,
    int violations,
    double energyKWh,
    Map<PlanSpool, Double> earlyOutH) {

  static PlannedLoad of(Slot slot, List<PlannedJob> jobs) {
    PlanContext context = jobs.get(0).context();
    Set<PlanSpool> distinct = new LinkedHashSet<>();
    jobs.stream()
        .sorted(Comparator.comparingLong(PlannedJob::getId))
        .forEach(job -> distinct.add(job.spool()));
    PlanDryer dryer = slot.dryer();
    Together together = context.times().together(dryer, distinct);
    int violations = together.violations();
    violations += dryer.outOfOrder() || slot.startH() < dryer.freeFromH() - 1e-9 ? 1 : 0;
    violations += context.attendance().presentAt(slot.startH()) ? 0 : 1;
    double dry = slot.startH() + together.heldHours();
    double printed =
        jobs.stream()
            .filter(PlannedJob::printsOutOfDryer)
            .mapToDouble(job -> job.job().endH())
            .max()
            .orElse(dry);
    double out = context.attendance().nextAt(dry);
    double end = context.attendance().nextAt(Math.max(dry, printed));
    Map<PlanSpool, Double> early = EarlyOut.of(slot, jobs, distinct, together.neededHours(), out);
    if (early.size() == distinct.size()) {
      out = early.values().stream().mapToDouble(Double::doubleValue).max().orElseThrow();
      end = out;
    }
    violations +=
        (int)
            jobs.stream()
                .filter(job -> !job.printsOutOfDryer() && !early.containsKey(job.spool()))
                .map(job -> context.times().of(job.spool(), dryer))
                .filter(alone -> alone.hours().isPresent() && !alone.toTheCore())
                .count();
    if (Double.isInfinite(end)) {
      out = Math.min(out, dry);
      end = Math.max(dry, printed);
      violations++;
    }
    return new PlannedLoad(
        slot,
        jobs,
        List.copyOf(distinct),
        together.setpointC(),
        together.neededHours(),
        out,
        end,
        violations,
        context.times().energyKWh(dryer, together, end - slot.startH()),
        early);
  }

  /** Whether a spool is taken out before it is dry to the core, because its metres print. */
  public boolean isTakenOutEarly(PlanSpool spool) {
    return earlyOutH.containsKey(spool);
  }

  public PlanDryer dryer() {
    return slot.dryer();
  }

  public double startH() {
    return slot.startH();
  }

  /** When a job's spool leaves the dryer: once printed where it prints out of it. */
  public double leavesH(PlanJob job) {
    return jobs.stream().anyMatch(each -> each.job().equals(job) && each.printsOutOfDryer())
        ? endH
        : jobs.stream()
            .filter(each -> each.job().equals(job))
            .findFirst()
            .map(each -> leavesH(each.spool()))
            .orElse(outH);
  }

  /** When its spool may be taken out at the earliest, whether or not its job is in such haste. */
  double soonestH(PlanSpool spool) {
    return Math.min(outH, EarlyOut.soonestH(slot, jobs, spool, spools, neededHours));
  }

  private double leavesH(PlanSpool spool) {
    return earlyOutH.getOrDefault(spool, outH);
  }

  /** Hours for which the dryer is hot. */
  public double hotHours() {
    return endH - startH();
  }

  /** Hours for which both are in the same dryer. */
  double overlapH(PlannedLoad other) {
    return dryer().equals(other.dryer())
        ? Math.max(0, Math.min(endH, other.endH) - Math.max(startH(), other.startH()))
        : 0;
  }

  /** Whether both cannot be: in one dryer at a time, or one spool in both at a time. */
  boolean clashesWith(PlannedLoad other) {
    boolean together = Math.min(endH, other.endH) > Math.max(startH(), other.startH());
    return together
        && (dryer().equals(other.dryer()) || spools.stream().anyMatch(other.spools::contains));
  }

  /** Whether it holds the spool of a job, which it does not serve, while that prints. */
  boolean takesFromPrinting(PlannedJob job) {
    return !jobs.contains(job) && holdsDuring(job.job(), job.spool());
  }

  /** Whether it holds a spool while a job prints. */
  boolean holdsDuring(PlanJob job, PlanSpool spool) {
    return spools.contains(spool)
        && startH() < job.endH()
        && job.startH() < earlyOutH.getOrDefault(spool, endH);
  }
}
