package mindspool.core.plan;

import java.util.List;

/**
 * A plan with its reasons.
 *
 * @param loads in order of time
 * @param placements one for each job, in the order of their starts
 * @param unserved how many jobs do not find their filament dry
 * @param costPoints what it costs, in hundredths of a kWh or what is worth as much
 */
public record DryingPlan(
    List<PlannedLoad> loads, List<Placement> placements, int unserved, long costPoints) {

  /**
   * A job in the plan.
   *
   * @param spool it takes
   * @param load that dries it; null where it is taken as it is
   * @param served whether it finds its filament dry
   * @param why the reason in words
   * @param waysOut what would help where it is not served, the cheapest first
   */
  public record Placement(
      PlanJob job,
      PlanSpool spool,
      PlannedLoad load,
      boolean pinned,
      boolean served,
      String why,
      List<String> waysOut) {}
}
