package mindspool.core.climate;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * How far ahead the program looks, and at which hours it shows what it sees.
 *
 * <p>Two weeks: the longest for which a room's last week says something of its air (common
 * practice), and long enough for the slowest materials to pass their print limit on an open shelf.
 */
public final class Horizon {

  /** The farthest look, h. */
  public static final double HOURS = 14 * 24;

  /** The same, s. */
  public static final double SECONDS = 3600 * HOURS;

  /** Jobs that start later are not planned for yet, h. */
  public static final double PLANNED_HOURS = 7 * 24;

  private static final int[] FIRST = {0, 1, 2, 3, 4, 6, 9};

  /** Four a day, so that the swing between day and night stays. */
  private static final int EVERY = 6;

  private static final List<Integer> FRAMES =
      Stream.concat(
              IntStream.of(FIRST).boxed(),
              IntStream.iterate(12, hour -> hour <= HOURS, hour -> hour + EVERY).boxed())
          .toList();

  private Horizon() {}

  /**
   * Hours from now for which there are pictures, from 0 to the horizon; closer where more happens.
   */
  public static List<Integer> frameHours() {
    return FRAMES;
  }
}
