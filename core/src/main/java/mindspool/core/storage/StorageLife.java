package mindspool.core.storage;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import mindspool.core.Require;

/**
 * How long a closed container stays below a humidity, and how much desiccant it needs for a time.
 *
 * <p>It is closed with room air in it; air, desiccant and contents first share their water, then
 * what leaks in is followed with {@link ContainerAir} until the limit is passed.
 *
 * @param temperatureC of container and room
 * @param outside humidity of the room, 0..1
 * @param conductanceGPerDay water getting in per day and unit of humidity difference
 * @param limit humidity not to be passed, 0..1
 */
public record StorageLife(
    Container container,
    double temperatureC,
    double outside,
    double conductanceGPerDay,
    double limit) {

  /** Beyond this the answer is no longer of use to anybody. */
  public static final double LONGEST_DAYS = 3653;

  /** More desiccant than this in a container means that it should rather be sealed. */
  public static final double MOST_DESICCANT_G = 1000;

  /** Desiccant is given with this reserve over what was computed. */
  private static final double RESERVE = 1.3;

  /** A twelfth of a year. */
  private static final double DAYS_PER_MONTH = 30.4;

  /** Steps of the storage forecast, h (numerical). */
  private static final double SHORTEST_STEP_H = 0.25;

  private static final double LONGEST_STEP_H = 24;

  public StorageLife {
    Require.within("limitRelativeHumidityPercent", 100 * limit, 1, 99, "%");
  }

  /** What becomes of a container. */
  public record Outcome(double startHumidity, OptionalDouble days) {}

  /**
   * Follows the container.
   *
   * @param contents fresh stores; they are used up
   * @return humidity once the contents have shared their water, and days until the limit; none when
   *     it is not passed within ten years
   */
  public Outcome follow(List<WaterStore> contents) {
    ContainerAir air = new ContainerAir(container, outside);
    air.settle(contents, temperatureC);
    double start = air.relativeHumidity();
    if (start >= limit) {
      return new Outcome(start, OptionalDouble.of(0));
    }
    if (outside <= limit) {
      return new Outcome(start, OptionalDouble.empty());
    }
    double hours = 0;
    double step = SHORTEST_STEP_H;
    while (hours < 24 * LONGEST_DAYS) {
      double before = air.relativeHumidity();
      air.step(step, temperatureC, outside, conductanceGPerDay * step / 24, contents);
      double now = air.relativeHumidity();
      if (now >= limit) {
        double share = (limit - before) / (now - before);
        return new Outcome(start, OptionalDouble.of((hours + share * step) / 24));
      }
      hours += step;
      step =
          Math.abs(now - before) < 2e-4
              ? Math.min(LONGEST_STEP_H, 1.5 * step)
              : Math.abs(now - before) > 2e-3 ? Math.max(SHORTEST_STEP_H, step / 2) : step;
    }
    return new Outcome(start, OptionalDouble.empty());
  }

  /**
   * Regenerated desiccant, g, with which the container stays below the limit for a time, with a
   * reserve of 30 %.
   *
   * @param others makes fresh stores of everything else in it
   * @return none when no amount that anybody would put in does it
   */
  public OptionalDouble desiccantG(
      Desiccant kind, double months, Supplier<List<WaterStore>> others) {
    double days = months * DAYS_PER_MONTH;
    if (holds(kind, 0, days, others)) {
      return OptionalDouble.of(0);
    }
    double low = 0;
    double high = 1;
    while (!holds(kind, high, days, others)) {
      low = high;
      high *= 2;
      if (RESERVE * low > MOST_DESICCANT_G) {
        return OptionalDouble.empty();
      }
    }
    while (high - low > 0.005 * high) {
      double middle = 0.5 * (low + high);
      if (holds(kind, middle, days, others)) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return RESERVE * high > MOST_DESICCANT_G
        ? OptionalDouble.empty()
        : OptionalDouble.of(RESERVE * high);
  }

  private boolean holds(
      Desiccant kind, double grams, double days, Supplier<List<WaterStore>> others) {
    List<WaterStore> all = new ArrayList<>(others.get());
    if (grams > 0) {
      all.add(WaterStore.of(kind, grams, grams * kind.residualFraction()));
    }
    OptionalDouble held = follow(all).days();
    return held.isEmpty() || held.getAsDouble() >= days;
  }
}
