package mindspool.server.calc;

import java.util.List;
import mindspool.core.plan.DryingPlan;
import mindspool.core.plan.PlanSpool;
import mindspool.core.plan.PlannedCharge;

/**
 * A plan as it is sent; hours count from its start.
 *
 * @param unserved how many jobs do not find their filament dry
 * @param costPoints hundredths of a kWh, or what is worth as much
 */
public record PlanAnswer(
    List<ChargePlan> charges, List<JobPlan> jobs, int unserved, long costPoints) {

  /**
   * Spools dried together.
   *
   * @param neededHours until the last is dry nine times in ten
   * @param outHour when somebody takes them out
   * @param endHour when the dryer is free again: later where a job prints out of it
   */
  public record ChargePlan(
      long dryerId,
      String dryer,
      double startHour,
      double outHour,
      double endHour,
      double setpointC,
      double neededHours,
      double energyKWh,
      List<String> codes,
      List<Long> jobIds) {

    private static ChargePlan of(PlannedCharge charge) {
      return new ChargePlan(
          charge.dryer().id(),
          charge.dryer().name(),
          charge.startH(),
          charge.outH(),
          charge.endH(),
          charge.setpointC(),
          charge.neededHours(),
          charge.energyKWh(),
          charge.spools().stream().map(PlanSpool::code).toList(),
          charge.jobs().stream().map(job -> job.job().id()).toList());
    }
  }

  /**
   * A job.
   *
   * @param dryerId where its spool is dried; null where it is taken as it is
   * @param leavesHour when its spool leaves the dryer: once printed where it prints out of it
   * @param served whether it finds its filament dry
   * @param waysOut what would help where not, the cheapest first
   */
  public record JobPlan(
      long jobId,
      String name,
      String code,
      double startHour,
      double hours,
      Long dryerId,
      Double chargeStartHour,
      Double leavesHour,
      boolean pinned,
      boolean served,
      String why,
      List<String> waysOut) {

    private static JobPlan of(DryingPlan.Placement placement) {
      PlannedCharge charge = placement.charge();
      return new JobPlan(
          placement.job().id(),
          placement.job().name(),
          placement.spool().code(),
          placement.job().startH(),
          placement.job().hours(),
          charge == null ? null : charge.dryer().id(),
          charge == null ? null : charge.startH(),
          charge == null ? null : charge.leavesH(placement.job()),
          placement.pinned(),
          placement.served(),
          placement.why(),
          placement.waysOut());
    }
  }

  /** Turns a plan into its answer. */
  public static PlanAnswer of(DryingPlan plan) {
    return new PlanAnswer(
        plan.charges().stream().map(ChargePlan::of).toList(),
        plan.placements().stream().map(JobPlan::of).toList(),
        plan.unserved(),
        plan.costPoints());
  }
}
