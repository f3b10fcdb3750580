package mindspool.core.device;

import java.util.List;
import java.util.OptionalDouble;

/**
 * Tells when a scale has come to rest: several readings in a row within two of its steps, over a
 * second or more, with something on it. Common practice of weighing.
 */
public final class StableMass {

  /** A reading; seconds on any scale. */
  public record Reading(double timeS, double massG) {}

  /** So many readings that agree make a resting mass (judgement). */
  private static final int LEAST_READINGS = 3;

  /** They span at least this, s (judgement). */
  private static final double LEAST_S = 1;

  /** Less is an empty scale that drifts, g (judgement). */
  private static final double LEAST_LOAD_G = 5;

  /** Readings within so many steps of the scale agree (judgement). */
  private static final double STEPS = 2;

  private StableMass() {}

  /**
   * Mean of the readings at rest, g.
   *
   * @param recent in order of time, the last the present
   * @param stepG smallest step that the scale shows
   */
  public static OptionalDouble of(List<Reading> recent, double stepG) {
    int last = recent.size() - 1;
    if (last < 0 || recent.get(last).massG < LEAST_LOAD_G) {
      return OptionalDouble.empty();
    }
    double low = recent.get(last).massG;
    double high = low;
    double sum = 0;
    int count = 0;
    for (int i = last; i >= 0; i--) {
      double mass = recent.get(i).massG;
      low = Math.min(low, mass);
      high = Math.max(high, mass);
      if (high - low > STEPS * stepG * 1.0001) {
        break;
      }
      sum += mass;
      count++;
      boolean longEnough = recent.get(last).timeS - recent.get(i).timeS >= LEAST_S;
      if (count >= LEAST_READINGS && longEnough) {
        return OptionalDouble.of(sum / count);
      }
    }
    return OptionalDouble.empty();
  }
}
