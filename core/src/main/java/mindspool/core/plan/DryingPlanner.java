package mindspool.core.plan;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import ai.timefold.solver.core.api.solver.SolutionManager;
import ai.timefold.solver.core.api.solver.Solver;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.heuristic.selector.move.factory.MoveIteratorFactoryConfig;
import ai.timefold.solver.core.config.localsearch.LocalSearchPhaseConfig;
import ai.timefold.solver.core.config.localsearch.decider.acceptor.LocalSearchAcceptorConfig;
import ai.timefold.solver.core.config.localsearch.decider.forager.LocalSearchForagerConfig;
import ai.timefold.solver.core.config.solver.EnvironmentMode;
import ai.timefold.solver.core.config.solver.SolverConfig;
import ai.timefold.solver.core.config.solver.termination.TerminationConfig;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * Seeks a plan: begins with a greedy one, then lets Timefold's local search better it by the {@link
 * PlanRules} until the effort is spent, nothing is gained any more, or somebody has seen enough.
 *
 * <p>The search is annealing over and over, each round from the best so far and longer than the one
 * before: where few plans are possible at all, the way to a better one leads over worse. It goes by
 * estimates of what spools take together; after each round the loads that were kept are followed by
 * the model, and the next round goes by what that found.
 */
public final class DryingPlanner {

  /** How much worse a plan may be at first on the way to a better one: two kWh (judgement). */
  private static final String LEAVING = "0hard/0medium/200soft";

  /**
   * How long each round of the search lasts, of the whole; the last ones only where following the
   * loads kept by then changed what they take.
   */
  private static final double[] ROUND_SHARES = {0.1, 0.2, 0.25, 0.25, 0.1, 0.1};

  /** So many rounds go through whether or not a round found anything (found by trial). */
  private static final int SURE_ROUNDS = 4;

  private static final long TOLD_EVERY_NS = 200_000_000;
  private static final long LOOKS_EVERY_MS = 100;

  /** Loads begin on this grid, h; coarser where there is much to plan. */
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
    this.context =
        new PlanContext(problem.attendance(), new DryTimes(problem.room(), gramsOfJobs(problem)));
    context.times().follow(problem.spools(), problem.dryers());
    List<Slot> fine = slots(GRID_H);
    this.slots = fine.size() > MANY_SLOTS ? slots(COARSE_GRID_H) : fine;
    refuseOverlappingPins();
  }

  /** What the jobs that may take a spool take together, g. */
  private static Map<String, Double> gramsOfJobs(PlanProblem problem) {
    Map<String, Double> grams = new HashMap<>();
    problem
        .jobs()
        .forEach(
            job ->
                job.candidates()
                    .forEach(spool -> grams.merge(spool.code(), job.grams(), Double::sum)));
    return grams;
  }

  /** Pins that cannot both be kept are a person's to sort out, not the solver's. */
  private void refuseOverlappingPins() {
    List<PlannedJob> pinned = greedy().jobs().stream().filter(PlannedJob::isPinned).toList();
    List<PlannedLoad> loads = GreedyPlan.loadsOf(pinned);
    for (PlannedLoad a : loads) {
      for (PlannedLoad b : loads) {
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
        for (Attendance.Window window : problem.attendance().windows()) {
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
    return explained(beginning());
  }

  /** A greedy plan, with its pinned loads followed too. */
  PlanDraft beginning() {
    PlanDraft draft = greedy();
    followed(draft);
    return draft;
  }

  /** Follows the loads of a plan; returns whether that changed what they take. */
  private boolean followed(PlanDraft draft) {
    boolean changed = false;
    for (PlannedLoad load : GreedyPlan.loadsOf(draft.jobs())) {
      changed |= context.times().follow(load.dryer(), new LinkedHashSet<>(load.spools()));
    }
    return changed;
  }

  /**
   * The best plan found.
   *
   * @param effort how long to seek, or how many changes to try
   * @param better is given better plans, a few times in a second, and of the best at last
   * @param cancelled asked now and then; the best so far is then the answer
   */
  public DryingPlan best(
      SearchEffort effort, Consumer<DryingPlan> better, BooleanSupplier cancelled) {
    PlanDraft begin = beginning();
    better.accept(outlined(begin));
    if (begin.jobs().stream().allMatch(PlannedJob::isPinned)) {
      return explained(begin);
    }
    PlanDraft now = begin.offering(new PlanOptions(context, slots).of(problem.jobs()));
    PlanDraft best = null;
    boolean changed = false;
    for (int round = 0; round < ROUND_SHARES.length; round++) {
      if (cancelled.getAsBoolean() || (round >= SURE_ROUNDS && !changed)) {
        break;
      }
      SolverFactory<PlanDraft> rules =
          SolverFactory.create(config(effort.round(ROUND_SHARES[round])));
      long beganNs = System.nanoTime();
      now = searched(rules, now, better, cancelled);
      boolean tired = effort.isTired(ROUND_SHARES[round], System.nanoTime() - beganNs);
      changed = followed(now);
      best = better(SolutionManager.create(rules), best, now);
      if (tired && !changed && best != now) {
        break;
      }
      now = best;
    }
    DryingPlan plan = explained(best == null ? begin : best);
    better.accept(plan);
    return plan;
  }

  /** The better of two by what their loads are known to take now. */
  private static PlanDraft better(
      SolutionManager<PlanDraft, HardMediumSoftLongScore> scores, PlanDraft before, PlanDraft now) {
    scores.update(now);
    if (before == null) {
      return now;
    }
    scores.update(before);
    return now.score().compareTo(before.score()) >= 0 ? now : before;
  }

  /** One round, from a plan to the best found. */
  private PlanDraft searched(
      SolverFactory<PlanDraft> rules,
      PlanDraft begin,
      Consumer<DryingPlan> better,
      BooleanSupplier cancelled) {
    Solver<PlanDraft> solver = rules.buildSolver();
    AtomicLong toldNs = new AtomicLong(System.nanoTime());
    solver.addEventListener(
        event -> {
          // Reasons take longer than moves: not for every one of hundreds.
          long now = System.nanoTime();
          if (now - toldNs.get() >= TOLD_EVERY_NS) {
            toldNs.set(now);
            better.accept(outlined(event.getNewBestSolution()));
          }
        });
    Thread watch = watching(solver, cancelled);
    try {
      return solver.solve(begin);
    } finally {
      watch.interrupt();
    }
  }

  private static Thread watching(Solver<PlanDraft> solver, BooleanSupplier cancelled) {
    Thread watch =
        new Thread(
            () -> {
              try {
                // Again and again: a stop asked for before it starts is not noticed by the solver.
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

  private static SolverConfig config(TerminationConfig end) {
    return new SolverConfig()
        .withSolutionClass(PlanDraft.class)
        .withEntityClasses(PlannedJob.class)
        .withConstraintProviderClass(PlanRules.class)
        .withEnvironmentMode(EnvironmentMode.NO_ASSERT)
        .withRandomSeed(0L)
        .withTerminationConfig(end)
        .withPhaseList(
            List.of(
                new LocalSearchPhaseConfig()
                    .withMoveSelectorConfig(
                        new MoveIteratorFactoryConfig()
                            .withMoveIteratorFactoryClass(PlanMoves.class))
                    .withAcceptorConfig(
                        new LocalSearchAcceptorConfig()
                            .withSimulatedAnnealingStartingTemperature(LEAVING))
                    .withForagerConfig(new LocalSearchForagerConfig().withAcceptedCountLimit(1))));
  }

  /** Where the search begins. */
  PlanDraft greedy() {
    return new GreedyPlan(problem, context, slots).draft();
  }

  DryingPlan explained(PlanDraft draft) {
    return new PlanReasons(problem, context, slots, draft, true).plan();
  }

  /** Without what takes a while to find out. */
  private DryingPlan outlined(PlanDraft draft) {
    return new PlanReasons(problem, context, slots, draft, false).plan();
  }
}
