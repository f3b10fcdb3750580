package mindspool.core.plan;

import static ai.timefold.solver.core.api.score.stream.ConstraintCollectors.sumLong;
import static ai.timefold.solver.core.api.score.stream.ConstraintCollectors.toList;
import static ai.timefold.solver.core.api.score.stream.Joiners.equal;
import static ai.timefold.solver.core.api.score.stream.Joiners.filtering;
import static ai.timefold.solver.core.api.score.stream.Joiners.lessThan;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import ai.timefold.solver.core.api.score.stream.Constraint;
import ai.timefold.solver.core.api.score.stream.ConstraintFactory;
import ai.timefold.solver.core.api.score.stream.ConstraintProvider;
import ai.timefold.solver.core.api.score.stream.uni.UniConstraintStream;

/**
 * What makes a plan possible (hard), which jobs find their filament dry (medium), and what it costs
 * (soft, in hundredths of a kWh or what is worth as much; the weights are judgement).
 */
public class PlanRules implements ConstraintProvider {

  private static final HardMediumSoftLongScore IMPOSSIBLE = HardMediumSoftLongScore.ONE_HARD;
  private static final HardMediumSoftLongScore UNSERVED = HardMediumSoftLongScore.ONE_MEDIUM;
  private static final HardMediumSoftLongScore COST = HardMediumSoftLongScore.ONE_SOFT;

  /** Points of a kWh. */
  static final long PER_KWH = 100;

  /** Loading, starting and emptying a dryer is worth a kWh or two. */
  static final long PER_CHARGE = 150;

  /** Wear, noise and risk of an hour with a dryer on. */
  static final long PER_HOT_HOUR = 4;

  /** So long before the job it should be out. */
  static final double MARGIN_H = 4;

  /** Each hour missing from that. */
  static final long PER_MISSING_MARGIN_HOUR = 20;

  /** Taking a spool out with its core still wet: it is to be dried again. */
  static final long PER_WET_CORE = 200;

  /** Throwing a plan about that people rely on. */
  static final long PER_MOVE = 150;

  @Override
  public Constraint[] defineConstraints(ConstraintFactory factory) {
    return new Constraint[] {
      everyChargeCanBeDone(factory),
      oneChargeAtATimeInADryer(factory),
      oneSpoolInOneDryerAtATime(factory),
      onlySpoolsThatServe(factory),
      enoughOnTheSpool(factory),
      oneJobAtATimeOnASpool(factory),
      noSpoolIsDriedWhileItPrints(factory),
      everyJobHasASpool(factory),
      everyJobFindsItsFilamentDry(factory),
      everyDriedJobIsServed(factory),
      energy(factory),
      fewCharges(factory),
      fewHotHours(factory),
      margin(factory),
      noNeedlessMoves(factory)
    };
  }

  private static UniConstraintStream<PlannedCharge> charges(ConstraintFactory factory) {
    return factory
        .forEach(PlannedJob.class)
        .filter(PlannedJob::isDried)
        .groupBy(PlannedJob::slot, toList())
        .map(PlannedCharge::of);
  }

  /** Ceilings, fit, slots, dryer in order and free, somebody there at start and end. */
  Constraint everyChargeCanBeDone(ConstraintFactory factory) {
    return charges(factory)
        .filter(charge -> charge.wrongs() > 0)
        .penalizeLong(IMPOSSIBLE, PlannedCharge::wrongs)
        .asConstraint("every charge can be done");
  }

  Constraint oneChargeAtATimeInADryer(ConstraintFactory factory) {
    return charges(factory)
        .join(
            charges(factory),
            equal(PlannedCharge::dryer),
            lessThan(PlannedCharge::startH),
            filtering((a, b) -> a.overlapH(b) > 0))
        .penalizeLong(IMPOSSIBLE, (a, b) -> 1)
        .asConstraint("one charge at a time in a dryer");
  }

  Constraint oneSpoolInOneDryerAtATime(ConstraintFactory factory) {
    return charges(factory)
        .join(
            charges(factory),
            filtering((a, b) -> a.dryer().id() < b.dryer().id() && a.clashesWith(b)))
        .penalizeLong(IMPOSSIBLE, (a, b) -> 1)
        .asConstraint("one spool in one dryer at a time");
  }

  Constraint onlySpoolsThatServe(ConstraintFactory factory) {
    return factory
        .forEach(PlannedJob.class)
        .filter(job -> !job.job().mayTake(job.spool()))
        .penalizeLong(IMPOSSIBLE, job -> 1)
        .asConstraint("only spools that serve the job");
  }

  Constraint enoughOnTheSpool(ConstraintFactory factory) {
    return factory
        .forEach(PlannedJob.class)
        .groupBy(PlannedJob::spool, sumLong(job -> Math.round(job.job().grams())))
        .filter((spool, grams) -> grams > spool.netG())
        .penalizeLong(IMPOSSIBLE, (spool, grams) -> 1)
        .asConstraint("enough on the spool");
  }

  Constraint oneJobAtATimeOnASpool(ConstraintFactory factory) {
    return factory
        .forEach(PlannedJob.class)
        .join(
            PlannedJob.class,
            equal(PlannedJob::spool),
            lessThan(PlannedJob::getId),
            filtering((a, b) -> a.job().overlaps(b.job())))
        .penalizeLong(IMPOSSIBLE, (a, b) -> 1)
        .asConstraint("one job at a time on a spool");
  }

  Constraint noSpoolIsDriedWhileItPrints(ConstraintFactory factory) {
    return charges(factory)
        .join(PlannedJob.class, filtering(PlannedCharge::takesFromPrinting))
        .penalizeLong(IMPOSSIBLE, (charge, job) -> 1)
        .asConstraint("no spool is dried while it prints");
  }

  Constraint everyJobHasASpool(ConstraintFactory factory) {
    return factory
        .forEachIncludingUnassigned(PlannedJob.class)
        .filter(job -> job.spool() == null)
        .penalizeLong(UNSERVED, job -> 1)
        .asConstraint("every job has a spool");
  }

  /** Dry as it is, or still dry from an earlier charge of the same spool. */
  Constraint everyJobFindsItsFilamentDry(ConstraintFactory factory) {
    return factory
        .forEach(PlannedJob.class)
        .filter(job -> !job.isDried() && !job.job().isReadyAsIs(job.spool()))
        .ifNotExists(charges(factory), filtering((job, charge) -> isStillDry(charge, job)))
        .penalizeLong(UNSERVED, job -> 1)
        .asConstraint("every job finds its filament dry");
  }

  /** Whether a charge for another job leaves this job's spool dry to its end. */
  static boolean isStillDry(PlannedCharge charge, PlannedJob job) {
    double printing =
        charge.jobs().stream()
            .filter(other -> job.spool().equals(other.spool()) && !other.printsOutOfDryer())
            .mapToDouble(other -> other.job().hours())
            .sum();
    return charge.wrongs() == 0
        && charge.spools().contains(job.spool())
        && !charge.isTakenOutEarly(job.spool())
        && charge.endH() <= job.job().startH()
        && job.job().holdsAfter(job.spool(), printing);
  }

  /** Dried for it: out in time, and holding to its end. */
  Constraint everyDriedJobIsServed(ConstraintFactory factory) {
    return charges(factory)
        .flattenLast(Served::of)
        .filter(Served::fails)
        .penalizeLong(UNSERVED, served -> 1)
        .asConstraint("dried in time and dry to the end");
  }

  Constraint energy(ConstraintFactory factory) {
    return charges(factory)
        .penalizeLong(COST, charge -> Math.round(PER_KWH * charge.energyKWh()))
        .asConstraint("little energy");
  }

  Constraint fewCharges(ConstraintFactory factory) {
    return charges(factory).penalizeLong(COST, charge -> PER_CHARGE).asConstraint("few charges");
  }

  Constraint fewHotHours(ConstraintFactory factory) {
    return charges(factory)
        .penalizeLong(COST, charge -> Math.round(PER_HOT_HOUR * charge.hotHours()))
        .asConstraint("few hot hours");
  }

  /** Too late counts as unserved; just in time costs margin. */
  Constraint margin(ConstraintFactory factory) {
    return charges(factory)
        .flattenLast(Served::of)
        .penalizeLong(COST, Served::points)
        .asConstraint("margin before the job");
  }

  Constraint noNeedlessMoves(ConstraintFactory factory) {
    return factory
        .forEachIncludingUnassigned(PlannedJob.class)
        .filter(PlannedJob::isMoved)
        .penalizeLong(COST, job -> PER_MOVE)
        .asConstraint("no needless moves");
  }
}
