package mindspool.core.plan;

import ai.timefold.solver.core.config.solver.termination.TerminationConfig;
import java.time.Duration;
import mindspool.core.Require;

/**
 * How much is spent on seeking a plan: time where somebody waits for it, moves where the same
 * question must get the same answer however busy the computer is.
 */
public sealed interface SearchEffort {

  long LEAST_MOVES = 100;
  long MOST_MOVES = 1_000_000_000;

  /**
   * By the clock.
   *
   * @param most how long to seek
   * @param idle a round ends after so long without gain
   */
  static SearchEffort within(Duration most, Duration idle) {
    return new Timed(most, idle);
  }

  /**
   * By the number of changes tried, at least 100.
   *
   * @throws mindspool.core.InvalidValueException for fewer
   */
  static SearchEffort ofMoves(long moves) {
    return new Counted((long) Require.within("moves", moves, LEAST_MOVES, MOST_MOVES, "moves"));
  }

  /** When a round ends that has this share of the whole. */
  TerminationConfig round(double share);

  /** Whether a round of this share that took so long ended early, for want of gain. */
  boolean isTired(double share, long tookNs);

  /** By the clock. */
  record Timed(Duration most, Duration idle) implements SearchEffort {
    private Duration of(double share) {
      return Duration.ofMillis(Math.round(share * most.toMillis()));
    }

    @Override
    public TerminationConfig round(double share) {
      return new TerminationConfig().withSpentLimit(of(share)).withUnimprovedSpentLimit(idle);
    }

    @Override
    public boolean isTired(double share, long tookNs) {
      return tookNs < 0.9 * of(share).toNanos();
    }
  }

  /** By moves. */
  record Counted(long moves) implements SearchEffort {
    @Override
    public TerminationConfig round(double share) {
      return new TerminationConfig().withMoveCountLimit(Math.round(share * moves));
    }

    @Override
    public boolean isTired(double share, long tookNs) {
      return false;
    }
  }
}
