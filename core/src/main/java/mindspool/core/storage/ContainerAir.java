package mindspool.core.storage;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import mindspool.core.EndedEarlyException;

/**
 * The humidity in a container from its water balance: what the air and everything in it hold
 * changes by what leaks in,
 *
 * <p>{@code d/dt (V c_s h + sum of stores) = G (h_out - h)},
 *
 * <p>each store following the air with its own lag. A step solves for the humidity at its end, so
 * that the balance closes however long the step is.
 */
public final class ContainerAir {

  /** Of the root of the water balance, as relative humidity (numerical). */
  private static final double TOLERANCE = 1e-10;

  private static final int MOST_ITERATIONS = 80;

  private final Container container;
  private double relativeHumidity;

  /**
   * Air in a container.
   *
   * @param relativeHumidity at the start, 0..1
   */
  public ContainerAir(Container container, double relativeHumidity) {
    this.container = container;
    this.relativeHumidity = relativeHumidity;
  }

  /** Humidity now, 0..1. */
  public double relativeHumidity() {
    return relativeHumidity;
  }

  /** Takes the humidity, 0..1, as it was measured. */
  public void set(double measuredHumidity) {
    relativeHumidity = measuredHumidity;
  }

  /** Lets the air and the stores come to rest with one another, nothing leaking in or out. */
  public void settle(List<WaterStore> stores, double temperatureC) {
    double air = container.saturatedAirG(temperatureC);
    double held = air * relativeHumidity + stores.stream().mapToDouble(WaterStore::waterG).sum();
    relativeHumidity =
        root(
            h ->
                air * h
                    + stores.stream().mapToDouble(store -> store.balanceG(h, temperatureC)).sum()
                    - held,
            relativeHumidity);
    for (WaterStore store : stores) {
      store.setWaterG(store.balanceG(relativeHumidity, temperatureC));
    }
  }

  /**
   * Goes on by a span.
   *
   * @param hours length of the span
   * @param temperatureC temperature of the container
   * @param outside humidity of the air around it, referred to that temperature, 0 or more
   * @param exchangeG water exchanged over the span per unit of humidity difference, g: conductance
   *     times duration, openings included
   * @param stores what is in it; carried along
   */
  public void step(
      double hours,
      double temperatureC,
      double outside,
      double exchangeG,
      List<WaterStore> stores) {
    EndedEarlyException.throwIfInterrupted();
    double air = container.saturatedAirG(temperatureC);
    double before = relativeHumidity;
    double h =
        root(
            x -> {
              double taken = 0;
              for (WaterStore store : stores) {
                taken += store.after(hours, x, temperatureC) - store.waterG();
              }
              return air * (x - before) + taken - exchangeG * (outside - x);
            },
            before);
    relativeHumidity = h;
    for (WaterStore store : stores) {
      store.advance(hours, h, temperatureC);
    }
  }

  /** Zero of a rising function between 0 and 1.2 by regula falsi with halving (Illinois). */
  private static double root(DoubleUnaryOperator rising, double guess) {
    double low = Math.max(0, guess - 0.02);
    double high = Math.min(1.2, guess + 0.02);
    double atLow = rising.applyAsDouble(low);
    while (atLow > 0 && low > 0) {
      high = low;
      low = Math.max(0, low - 0.2);
      atLow = rising.applyAsDouble(low);
    }
    if (atLow > 0) {
      return 0;
    }
    double atHigh = rising.applyAsDouble(high);
    while (atHigh < 0 && high < 1.2) {
      low = high;
      atLow = atHigh;
      high = Math.min(1.2, high + 0.2);
      atHigh = rising.applyAsDouble(high);
    }
    if (atHigh < 0) {
      return 1.2;
    }
    int side = 0;
    for (int i = 0; i < MOST_ITERATIONS && high - low > TOLERANCE && atHigh - atLow > 0; i++) {
      double x = (low * atHigh - high * atLow) / (atHigh - atLow);
      double at = rising.applyAsDouble(x);
      if (at == 0) {
        return x;
      }
      if (at < 0) {
        low = x;
        atLow = at;
        atHigh *= side == -1 ? 0.5 : 1;
        side = -1;
      } else {
        high = x;
        atHigh = at;
        atLow *= side == 1 ? 0.5 : 1;
        side = 1;
      }
      if (Math.abs(at) < 1e-13) {
        return x;
      }
    }
    return 0.5 * (low + high);
  }
}
