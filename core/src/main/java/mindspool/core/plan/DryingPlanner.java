package mindspool.core.plan;

import ai.timefold.solver.core.api.solver.Solver;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.heuristic.selector.move.factory.MoveIteratorFactoryConfig;
import ai.timefold.solver.core.config.localsearch.LocalSearchPhaseConfig;
import ai.timefold.solver.core.config.localsearch.decider.acceptor.LocalSearchAcceptorConfig;
import ai.timefold.solver.core.config.localsearch.decider.forager.LocalSearchForagerConfig;
import ai.timefold.solver.core.config.phase.PhaseConfig;
import ai.timefold.solver.core.config.solver.EnvironmentMode;
import ai.timefold.solver.core.config.solver.SolverConfig;
import ai.timefold.solver.core.config.solver.termination.TerminationConfig;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * Seeks a plan: begins with a greedy one, then lets Timefold's local search better it by the {@link
 * PlanRules} until the time is over, nothing is gained any more, or somebody has seen enough.
 */
public final class DryingPlanner {

  /** How much worse a plan may be at first on the way to a better one: two kWh (judgement). */
  private static final String LEAVING = "0hard/0medium/200soft";

  /** How long each round of the search lasts, of the whole. */
  private static final double[] ROUND_SHARES = {0.1, 0.2, 0.3, 0.4};

  private static final long TOLD_EVERY_NS = 200_000_000;
  private static final long LOOKS_EVERY_MS = 100;

  private static final double GRID_H = 0.5;
  private static final double COARSE_GRID_H = 1;

  /** With more slots than this a start on the half hour costs more than it gains. */
  private static final int MANY_SLOTS = 2500;

  private final PlanProblem problem;
  private final PlanContext context;
  private final List<Slot> slots;

  /** Follows every spool in every dryer once; that takes most of the time to a first plan. */
  public DryingPlanner(PlanProblem problem) {
    this.problem = problem;
    this.context = new PlanContext(problem.hands(), new DryTimes(problem.room()));
    context.times().follow(problem.spools(), problem.dryers());
    List<Slot> fine = slots(GRID_H);
    this.slots = fine.size() > MANY_SLOTS ? slots(COARSE_GRID_H) : fine;
    refuseOverlappingPins();
  }

  /** Pins that cannot both be kept are a person's to sort out, not the solver's. */
  private void refuseOverlappingPins() {
    List<PlannedJob> pinned = greedy().jobs().stream().filter(PlannedJob::isPinned).toList();
    List<PlannedCharge> charges = GreedyPlan.chargesOf(pinned);
    for (PlannedCharge a : charges) {
      for (PlannedCharge b : charges) {
        if (a.startH() <= b.startH() && a != b && a.clashesWith(b)) {
          throw Pin.contradiction(
              String.format(
                  Locale.ROOT,
                  "%s in %s until %.1f h and %s in %s from %.1f h",
                  a.jobs().get(0).job().name(),
                  a.dryer().name(),
                  a.endH(),
                  b.jobs().get(0).job().name(),
                  b.dryer().name(),
                  b.startH()),
              "They overlap: give both the same start and dryer, or take one pin off.");
        }
      }
    }
    for (PlannedJob a : pinned) {
      for (PlannedJob b : pinned) {
        if (a.getId() < b.getId() && a.spool().equals(b.spool()) && a.job().overlaps(b.job())) {
          throw Pin.contradiction(
              String.format(
                  Locale.ROOT,
                  "%s and %s, both on %s at %.1f h",
                  a.job().name(),
                  b.job().name(),
                  a.spool().code(),
                  Math.max(a.job().startH(), b.job().startH())),
              "One spool prints one job at a time: give one of them another.");
        }
      }
    }
  }

  /** Hours at which each dryer may be loaded: when somebody is there and it is free. */
  private List<Slot> slots(double gridH) {
    List<Slot> all = new ArrayList<>();
    all.add(Slot.NONE);
    for (PlanDryer dryer : problem.dryers()) {
      if (!dryer.outOfOrder()) {
        for (Hands.Window window : problem.hands().windows()) {
          double first = Math.max(Math.max(0, window.fromH()), dryer.freeFromH());
          for (double hour = Math.ceil(first / gridH - 1e-9) * gridH + 0.0;
              hour <= Math.min(window.toH(), problem.horizonH());
              hour += gridH) {
            all.add(new Slot(dryer, hour));
          }
        }
      }
    }
    return all;
  }

  /** The first plan: one job after the other, none moved again. */
  public DryingPlan first() {
    return explained(greedy());
  }

  /**
   * The best plan found.
   *
   * @param most how long to seek
   * @param idle stop after so long without gain
   * @param better told of better plans, a few times in a second, and of the best at last
   * @param cancelled asked now and then; the best so far is then the answer
   */
  public DryingPlan best(
      Duration most, Duration idle, Consumer<DryingPlan> better, BooleanSupplier cancelled) {
    PlanDraft begin = greedy();
    better.accept(explained(begin));
    if (begin.jobs().stream().allMatch(PlannedJob::isPinned)) {
      return explained(begin);
    }
    Solver<PlanDraft> solver = SolverFactory.<PlanDraft>create(config(most, idle)).buildSolver();
    AtomicLong toldNs = new AtomicLong(System.nanoTime());
    solver.addEventListener(
        event -> {
          // Reasons take longer than moves: not for every one of hundreds.
          long now = System.nanoTime();
          if (now - toldNs.get() >= TOLD_EVERY_NS) {
            toldNs.set(now);
            better.accept(explained(event.getNewBestSolution()));
          }
        });
    Thread watch = watching(solver, cancelled);
    try {
      DryingPlan best =
          explained(
              solver.solve(begin.offering(new PlanOptions(context, slots).of(problem.jobs()))));
      better.accept(best);
      return best;
    } finally {
      watch.interrupt();
    }
  }

  private static Thread watching(Solver<PlanDraft> solver, BooleanSupplier cancelled) {
    Thread watch =
        new Thread(
            () -> {
              try {
                // Again and again: told before it seeks, the solver does not hear it.
                while (!Thread.currentThread().isInterrupted()) {
                  if (cancelled.getAsBoolean()) {
                    solver.terminateEarly();
                  }
                  Thread.sleep(LOOKS_EVERY_MS);
                }
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              }
            },
            "plan-watch");
    watch.setDaemon(true);
    watch.start();
    return watch;
  }

  private static SolverConfig config(Duration most, Duration idle) {
    return new SolverConfig()
        .withSolutionClass(PlanDraft.class)
        .withEntityClasses(PlannedJob.class)
        .withConstraintProviderClass(PlanRules.class)
        .withEnvironmentMode(EnvironmentMode.NO_ASSERT)
        .withRandomSeed(0L)
        .withTerminationConfig(
            new TerminationConfig().withSpentLimit(most).withUnimprovedSpentLimit(idle))
        .withPhaseList(rounds(most));
  }

  /**
   * Annealing over and over, each from the best so far and each longer than the one before: where
   * few plans are possible at all, the way to a better one leads over worse.
   */
  private static List<PhaseConfig> rounds(Duration most) {
    List<PhaseConfig> rounds = new ArrayList<>();
    for (double share : ROUND_SHARES) {
      rounds.add(
          new LocalSearchPhaseConfig()
              .withMoveSelectorConfig(
                  new MoveIteratorFactoryConfig().withMoveIteratorFactoryClass(PlanMoves.class))
              .withAcceptorConfig(
                  new LocalSearchAcceptorConfig()
                      .withSimulatedAnnealingStartingTemperature(LEAVING))
              .withForagerConfig(new LocalSearchForagerConfig().withAcceptedCountLimit(1))
              .withTerminationConfig(
                  new TerminationConfig()
                      .withSpentLimit(Duration.ofMillis(Math.round(share * most.toMillis())))));
    }
    return rounds;
  }

  /** Where the search begins. */
  PlanDraft greedy() {
    return new GreedyPlan(problem, context, slots).draft();
  }

  private DryingPlan explained(PlanDraft draft) {
    return new PlanReasons(problem, context, slots, draft).plan();
  }
}
