package mindspool.server.air;

import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import mindspool.core.climate.ClimateSeries;

/** The air in closed places, computed from what is around and in them; storage supplies it. */
public interface ClosedAir {

  /** Air in a closed place, up to now and ahead. */
  ClimateSeries air(Climates climates, long placeId);

  /** Air in a closed place as last found; none while it was never followed. */
  Optional<ClimateSeries> lastAir(long placeId);

  /** Something that the air of closed places follows from is another. */
  void invalidate();

  /** Whether everything was followed once, so that only what changes is left to do. */
  boolean isSettled();

  /**
   * Follows whatever is not up to date. Whoever returns from here finds the air and all that hangs
   * on it as of what was known when it came, whoever else is at it.
   *
   * @param listener is told, by place, from when on its air is another than before; of some of them
   *     perhaps twice
   */
  void settle(Climates climates, Consumer<Map<Long, Double>> listener);

  /** Has it done in the background. */
  void settleSoon(Climates climates);
}
