package mindspool.server.calc;

import java.util.List;
import mindspool.core.plan.DryingPlan;
import mindspool.core.plan.PlanSpool;
import mindspool.core.plan.PlannedLoad;

/**
 * A plan as it is sent; hours count from its start.
 *
 * @param unserved how many jobs do not find their filament dry
 * @param costPoints hundredths of a kWh, or what is worth as much
 */
public record PlanAnswer(
    List<LoadPlan> charges, List<JobPlan> jobs, int unserved, long costPoints) {

  /**
   * Spools dried together.
   *
   * @param neededHours until the last is dry nine times in ten
   * @param outHour when somebody takes them out
   * @param endHour when the dryer is free again: later where a job prints out of it
   */
  public record LoadPlan(
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

    private static LoadPlan of(PlannedLoad load) {
      return new LoadPlan(
          load.dryer().id(),
          load.dryer().name(),
          load.startH(),
          load.outH(),
          load.endH(),
          load.setpointC(),
          load.neededHours(),
          load.energyKWh(),
          load.spools().stream().map(PlanSpool::code).toList(),
          load.jobs().stream().map(job -> job.job().id()).toList());
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
      PlannedLoad load = placement.load();
      return new JobPlan(
          placement.job().id(),
          placement.job().name(),
          placement.spool().code(),
          placement.job().startH(),
          placement.job().hours(),
          load == null ? null : load.dryer().id(),
          load == null ? null : load.startH(),
          load == null ? null : load.leavesH(placement.job()),
          placement.pinned(),
          placement.served(),
          placement.why(),
          placement.waysOut());
    }
  }

  /** Turns a plan into its answer. */
  public static PlanAnswer of(DryingPlan plan) {
    return new PlanAnswer(
        plan.loads().stream().map(LoadPlan::of).toList(),
        plan.placements().stream().map(JobPlan::of).toList(),
        plan.unserved(),
        plan.costPoints());
  }
}
