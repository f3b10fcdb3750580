package mindspool.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import mindspool.core.drying.DryerEnergy;
import mindspool.core.drying.DryingForecast;

/**
 * Spools put into one dryer at one hour: how warm, how long, until when.
 *
 * @param jobs that it serves
 * @param spools in it, each once
 * @param setpointC common to all
 * @param neededHours until the last is dry nine times in ten
 * @param endH when somebody takes them out: not before they are dry, and when somebody is there
 * @param wrongs how many things about it cannot be done: spools that do not fit, too many, never
 *     dry, dryer not free or nobody there
 * @param energyKWh that it takes
 */
public record PlannedCharge(
    Slot slot,
    List<PlannedJob> jobs,
    List<PlanSpool> spools,
    double setpointC,
    double neededHours,
    double endH,
    int wrongs,
    double energyKWh) {

  /** Longer than this is no charge but a mistake. */
  static final double LONGEST_H = DryingForecast.LONGEST_HOURS;

  static PlannedCharge of(Slot slot, List<PlannedJob> jobs) {
    PlanContext context = jobs.get(0).context();
    Set<PlanSpool> distinct = new LinkedHashSet<>();
    jobs.stream()
        .sorted(Comparator.comparingLong(job -> job.job().id()))
        .forEach(job -> distinct.add(job.spool()));
    return new Reckoning(context, slot, jobs, new ArrayList<>(distinct)).charge();
  }

  public PlanDryer dryer() {
    return slot.dryer();
  }

  public double startH() {
    return slot.startH();
  }

  /** Hours for which the dryer is hot. */
  public double hotHours() {
    return endH - startH();
  }

  /** Hours for which both are in the same dryer. */
  double overlapH(PlannedCharge other) {
    return dryer().equals(other.dryer())
        ? Math.max(0, Math.min(endH, other.endH) - Math.max(startH(), other.startH()))
        : 0;
  }

  /** Whether both cannot be: in one dryer at a time, or one spool in both at a time. */
  boolean clashesWith(PlannedCharge other) {
    boolean together = Math.min(endH, other.endH) > Math.max(startH(), other.startH());
    return together
        && (dryer().equals(other.dryer()) || spools.stream().anyMatch(other.spools::contains));
  }

  /** Works a charge out. */
  private record Reckoning(
      PlanContext context, Slot slot, List<PlannedJob> jobs, List<PlanSpool> spools) {

    PlannedCharge charge() {
      PlanDryer dryer = slot.dryer();
      DryTimes times = context.times();
      double wanted = 20;
      double allowed = Double.POSITIVE_INFINITY;
      int wrongs = Math.max(0, spools.size() - dryer.fit().slots());
      for (PlanSpool spool : spools) {
        DryTimes.Alone alone = times.of(spool, dryer);
        wanted = Math.max(wanted, alone.wantedC());
        allowed = Math.min(allowed, alone.ceilingC());
        wrongs += alone.refused() ? 1 : 0;
      }
      double setpoint = Math.floor(Math.min(wanted, allowed));
      double needed = neededHours(setpoint);
      wrongs += needed > LONGEST_H ? 1 : 0;
      wrongs += dryer.outOfOrder() || slot.startH() < dryer.freeFromH() - 1e-9 ? 1 : 0;
      wrongs += context.hands().presentAt(slot.startH()) ? 0 : 1;
      double end = context.hands().nextAt(slot.startH() + Math.min(needed, LONGEST_H));
      if (Double.isInfinite(end)) {
        end = slot.startH() + Math.min(needed, LONGEST_H);
        wrongs++;
      }
      return new PlannedCharge(
          slot, jobs, spools, setpoint, needed, end, wrongs, energyKWh(setpoint, end));
    }

    private double neededHours(double setpoint) {
      double longest = 0;
      double water = 0;
      double longestsWater = 0;
      for (PlanSpool spool : spools) {
        double hours = context.times().hours(spool, slot.dryer(), setpoint);
        double own = DryTimes.waterKg(spool);
        water += own;
        if (hours > longest) {
          longest = hours;
          longestsWater = own;
        }
      }
      // The exchanged air must carry the others' water besides.
      return longest + context.times().carryingHours(slot.dryer(), setpoint, water - longestsWater);
    }

    private double energyKWh(double setpoint, double endH) {
      double capacity = 0;
      double water = 0;
      for (PlanSpool spool : spools) {
        capacity +=
            spool.load().start().winding().dryMassKg()
                    * spool.load().material().heatCapacityJPerKgK()
                + DryingForecast.REEL_CAPACITY_J_PER_K;
        water += DryTimes.waterKg(spool);
      }
      return DryerEnergy.kWh(
          slot.dryer().dryer(),
          context.times().room(),
          setpoint + slot.dryer().dryer().biasC(),
          endH - slot.startH(),
          capacity,
          water);
    }
  }
}
