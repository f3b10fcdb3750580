package mindspool.core.upkeep;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import mindspool.core.InvalidValueException;

/**
 * How far a task is on its way to being due: counters since it was last done, counted anew from all
 * uses, so that a use that is undone or corrected later counts as it is now.
 *
 * @param counts the counter that is used up most first
 * @param dueS when it is due at the usual rate of the last weeks, epoch seconds; none where nothing
 *     moves it
 */
public record UpkeepDue(List<Count> counts, OptionalLong dueS) {

  /** From this share on it is soon; common practice. */
  public static final double SOON = 0.8;

  /** The usual rate is that of so many days; judgement. */
  private static final double RATE_DAYS = 42;

  private static final double DAY_S = 86_400;

  /** How far in time a due date is worth saying, days. */
  private static final double FAR_DAYS = 730;

  /**
   * A counter.
   *
   * @param perDay its usual rate
   */
  public record Count(Counter counter, double used, double every, double perDay) {

    public double share() {
      return used / every;
    }

    /** Until it is used up at the usual rate; without end where nothing moves it. */
    private double daysLeft() {
      double left = every - used;
      return left <= 0 ? 0 : perDay > 0 ? left / perDay : Double.POSITIVE_INFINITY;
    }
  }

  /** In which way something is due. */
  public enum State {
    DUE,
    SOON,
    LATER
  }

  /**
   * Counts.
   *
   * @param every how much of each counter may pass
   * @param uses of the thing, in any order; those that ended before {@code sinceS} do not count
   * @param sinceS when it was last done, or when counting began
   */
  public static UpkeepDue of(Map<Counter, Double> every, List<Use> uses, long sinceS, long nowS) {
    if (every.isEmpty()) {
      throw new InvalidValueException(
          "every", "nothing", "an amount of at least one counter", "Say after how much it is due.");
    }
    List<Count> counts = new ArrayList<>();
    for (Map.Entry<Counter, Double> each : every.entrySet()) {
      Counter counter = each.getKey();
      double used = counter == Counter.DAYS ? Math.max(0, nowS - sinceS) / DAY_S : 0;
      double lately = counter == Counter.DAYS ? RATE_DAYS : 0;
      for (Use use : uses) {
        if (use.endS() > sinceS && use.endS() <= nowS) {
          used += counter.of(use);
        }
        if (use.endS() > nowS - RATE_DAYS * DAY_S && use.endS() <= nowS) {
          lately += counter.of(use);
        }
      }
      counts.add(new Count(counter, used, each.getValue(), lately / RATE_DAYS));
    }
    return of(counts, nowS);
  }

  private static UpkeepDue of(List<Count> counts, long nowS) {
    double firstDays = counts.stream().mapToDouble(Count::daysLeft).min().orElseThrow();
    return new UpkeepDue(
        counts.stream().sorted(Comparator.comparingDouble(Count::share).reversed()).toList(),
        firstDays <= FAR_DAYS
            ? OptionalLong.of(Math.round(nowS + firstDays * DAY_S))
            : OptionalLong.empty());
  }

  /** The same with what a machine itself keeps of a counter in the stead of what was counted. */
  public UpkeepDue with(Counter counter, double used, long nowS) {
    return of(
        counts.stream()
            .map(it -> it.counter == counter ? new Count(counter, used, it.every, it.perDay) : it)
            .toList(),
        nowS);
  }

  /** The counter that is used up most. */
  public Count binding() {
    return counts.get(0);
  }

  /** Whether it is due, soon, or later. */
  public State state() {
    double share = binding().share();
    return share >= 1 ? State.DUE : share >= SOON ? State.SOON : State.LATER;
  }
}
