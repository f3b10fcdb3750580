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
  static final long PER_LOAD = 150;

  /** Wear, noise and risk of an hour with a dryer on. */
  static final long PER_HOT_HOUR = 4;

  /** So long before the job it should be out. */
  static final double MARGIN_H = 4;

  /** Each hour missing from that. */
  static final long PER_MISSING_MARGIN_HOUR = 20;

  /** An hour that a job waits which may start as soon as its spool is dry. */
  static final long PER_WAITING_HOUR = 1;

  /** Taking a spool out with its core still wet: it is to be dried again. */
  static final long PER_WET_CORE = 200;

  /** Throwing a plan about that people rely on. */
  static final long PER_MOVE = 150;

  @Override
  public Constraint[] defineConstraints(ConstraintFactory factory) {
    return new Constraint[] {
      everyLoadCanBeDone(factory),
      oneLoadAtATimeInADryer(factory),
      oneSpoolInOneDryerAtATime(factory),
      onlySpoolsThatServe(factory),
      enoughOnTheSpool(factory),
      oneJobAtATimeOnASpool(factory),
      noSpoolIsDriedWhileItPrints(factory),
      everyJobHasASpool(factory),
      everyJobFindsItsFilamentDry(factory),
      everyDriedJobIsServed(factory),
      energy(factory),
      fewLoads(factory),
      fewHotHours(factory),
      margin(factory),
      noNeedlessMoves(factory)
    };
  }

  private static UniConstraintStream<PlannedLoad> loads(ConstraintFactory factory) {
    return factory
        .forEach(PlannedJob.class)
        .filter(PlannedJob::isDried)
        .groupBy(PlannedJob::slot, toList())
        .map(PlannedLoad::of);
  }

  /** Ceilings, fit, slots, dryer in order and free, somebody there at start and end. */
  Constraint everyLoadCanBeDone(ConstraintFactory factory) {
    return loads(factory)
        .filter(load -> load.violations() > 0)
        .penalizeLong(IMPOSSIBLE, PlannedLoad::violations)
        .asConstraint("every load can be done");
  }

  Constraint oneLoadAtATimeInADryer(ConstraintFactory factory) {
    return loads(factory)
        .join(
            loads(factory),
            equal(PlannedLoad::dryer),
            lessThan(PlannedLoad::startH),
            filtering((a, b) -> a.overlapH(b) > 0))
        .penalizeLong(IMPOSSIBLE, (a, b) -> 1)
        .asConstraint("one load at a time in a dryer");
  }

  Constraint oneSpoolInOneDryerAtATime(ConstraintFactory factory) {
    return loads(factory)
        .join(
            loads(factory),
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
    return loads(factory)
        .join(PlannedJob.class, filtering(PlannedLoad::takesFromPrinting))
        .penalizeLong(IMPOSSIBLE, (load, job) -> 1)
        .asConstraint("no spool is dried while it prints");
  }

  Constraint everyJobHasASpool(ConstraintFactory factory) {
    return factory
        .forEachIncludingUnassigned(PlannedJob.class)
        .filter(job -> job.spool() == null)
        .penalizeLong(UNSERVED, job -> 1)
        .asConstraint("every job has a spool");
  }

  /** Dry as it is, or still dry from an earlier load of the same spool. */
  Constraint everyJobFindsItsFilamentDry(ConstraintFactory factory) {
    return factory
        .forEach(PlannedJob.class)
        .filter(job -> !job.isDried() && !job.job().isReadyAsIs(job.spool()))
        .ifNotExists(loads(factory), filtering((job, load) -> isStillDry(load, job)))
        .penalizeLong(UNSERVED, job -> 1)
        .asConstraint("every job finds its filament dry");
  }

  /** Whether a load for another job leaves this job's spool dry to its end. */
  static boolean isStillDry(PlannedLoad load, PlannedJob job) {
    double printing =
        load.jobs().stream()
            .filter(other -> job.spool().equals(other.spool()) && !other.printsOutOfDryer())
            .mapToDouble(other -> other.job().hours())
            .sum();
    return load.violations() == 0
        && load.spools().contains(job.spool())
        && !load.isTakenOutEarly(job.spool())
        && job.context().times().isToTheCore(job.spool(), load.dryer())
        && load.endH() <= job.job().startH()
        && job.job().holdsAfter(job.spool(), printing);
  }

  /** Dried for it: out in time, and holding to its end. */
  Constraint everyDriedJobIsServed(ConstraintFactory factory) {
    return loads(factory)
        .flattenLast(Served::of)
        .filter(Served::fails)
        .penalizeLong(UNSERVED, served -> 1)
        .asConstraint("dried in time and dry to the end");
  }

  Constraint energy(ConstraintFactory factory) {
    return loads(factory)
        .penalizeLong(COST, load -> Math.round(PER_KWH * load.energyKWh()))
        .asConstraint("little energy");
  }

  Constraint fewLoads(ConstraintFactory factory) {
    return loads(factory).penalizeLong(COST, load -> PER_LOAD).asConstraint("few loads");
  }

  Constraint fewHotHours(ConstraintFactory factory) {
    return loads(factory)
        .penalizeLong(COST, load -> Math.round(PER_HOT_HOUR * load.hotHours()))
        .asConstraint("few hot hours");
  }

  /** Too late counts as unserved; just in time costs margin. */
  Constraint margin(ConstraintFactory factory) {
    return loads(factory)
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
