package mindspool.bench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import mindspool.core.plan.DryingPlan;
import mindspool.core.plan.DryingPlanner;
import mindspool.core.plan.PlanProblem;
import mindspool.core.plan.SearchEffort;
import mindspool.core.plan.Workshops;

/**
 * How soon there is a plan for 40 spools, 6 dryers and 25 jobs over 7 days, and how far the plan
 * after 20 s is from the best that a long search finds.
 */
final class PlanSearch {

  private static final long SHORT_S = 20;

  /** A better plan and when it was found. */
  private record Found(double afterS, int unserved, long cost) {

    Found(double afterS, DryingPlan plan) {
      this(afterS, plan.unserved(), plan.costPoints());
    }

    @Override
    public String toString() {
      return unserved + " jobs unserved, cost " + cost;
    }
  }

  private PlanSearch() {}

  /**
   * @param args "plan", seconds of the long search (default 600), then seeds (default 1 2 3)
   */
  static void run(String[] args) {
    long seconds = args.length > 1 ? Long.parseLong(args[1]) : 600;
    List<Long> seeds = new ArrayList<>();
    for (int i = 2; i < args.length; i++) {
      seeds.add(Long.parseLong(args[i]));
    }
    for (long seed : seeds.isEmpty() ? List.of(1L, 2L, 3L) : seeds) {
      search(seed, seconds);
    }
  }

  private static void search(long seed, long seconds) {
    List<Found> within = found(seed, SHORT_S);
    Found first = within.get(0);
    say("workshop %d: first plan after %.2f s, %s", seed, first.afterS, first);
    Found soon = last(within);
    Found best = last(found(seed, seconds));
    say("  a search of %d s: %s", SHORT_S, soon);
    say(
        "  a search of %d s: %s; the short one is %+.1f %% of it",
        seconds, best, 100.0 * (soon.cost - best.cost) / best.cost);
  }

  private static List<Found> found(long seed, long seconds) {
    PlanProblem problem = Workshops.seeded(seed, 40, 6, 25, 7);
    List<Found> found = new ArrayList<>();
    long began = System.nanoTime();
    Duration most = Duration.ofSeconds(seconds);
    new DryingPlanner(problem)
        .best(
            SearchEffort.within(most, most),
            plan -> found.add(new Found((System.nanoTime() - began) / 1e9, plan)),
            () -> false);
    return found;
  }

  private static Found last(List<Found> found) {
    return found.get(found.size() - 1);
  }

  private static void say(String format, Object... values) {
    System.out.println(String.format(Locale.ROOT, format, values));
  }
}
