package mindspool.simulators;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.climate.MoistAir;
import mindspool.core.moisture.AirContact;
import mindspool.core.storage.Container;
import mindspool.core.storage.WaterStore;

/**
 * A closed box whose true leak is its own. Each step finds the humidity at which what leaks in is
 * what desiccant and spools take.
 */
public final class SimulatedBox {

  private static final double TOLERANCE = 1e-6;
  private static final int MOST_TRIALS = 30;

  private final Container container;
  private final double leakGPerDay;
  private final WaterStore desiccant;
  private final List<SimulatedSpool> spools = new ArrayList<>();
  private double relativeHumidity;
  private double temperatureC;
  private double openedG;

  /**
   * A box closed with room air in it.
   *
   * @param leakGPerDay true conductance, g per day and unit of humidity difference
   * @param desiccant may be null
   */
  public SimulatedBox(
      Container container, double leakGPerDay, WaterStore desiccant, MoistAir room) {
    this.container = container;
    this.leakGPerDay = leakGPerDay;
    this.desiccant = desiccant;
    this.relativeHumidity = room.relativeHumidityPercent() / 100;
    this.temperatureC = room.temperatureC();
  }

  public MoistAir air() {
    return new MoistAir(temperatureC, 100 * relativeHumidity);
  }

  List<SimulatedSpool> spools() {
    return spools;
  }

  /** Exchanges air as an opening does. */
  public void open() {
    openedG += container.openingG(temperatureC);
  }

  void advance(MoistAir room, double seconds) {
    temperatureC = room.temperatureC();
    double outside = room.relativeHumidityPercent() / 100;
    double exchangeG = leakGPerDay * seconds / 86_400 + openedG;
    openedG = 0;
    relativeHumidity = balance(outside, exchangeG, seconds);
    MoistAir air = air();
    spools.forEach(spool -> spool.advance(air, AirContact.STILL, seconds));
    if (desiccant != null) {
      desiccant.advance(seconds / 3600, relativeHumidity, temperatureC);
    }
  }

  private double surplusG(double h, double outside, double exchangeG, double seconds) {
    MoistAir air = new MoistAir(temperatureC, 100 * h);
    double taken = container.saturatedAirG(temperatureC) * (h - relativeHumidity);
    for (SimulatedSpool spool : spools) {
      taken += spool.wouldTakeG(air, AirContact.STILL, seconds);
    }
    if (desiccant != null) {
      WaterStore trial = desiccant.copy();
      trial.advance(seconds / 3600, h, temperatureC);
      taken += trial.waterG() - desiccant.waterG();
    }
    return taken - exchangeG * (outside - h);
  }

  /** Secant with bisection as a net: the surplus rises with humidity, nearly straight. */
  private double balance(double outside, double exchangeG, double seconds) {
    double low = 0;
    double high = 1;
    double x = relativeHumidity;
    double at = surplusG(x, outside, exchangeG, seconds);
    double slope = 10;
    for (int i = 0; i < MOST_TRIALS && high - low > TOLERANCE; i++) {
      if (at > 0) {
        high = x;
      } else {
        low = x;
      }
      double next = x - at / slope;
      if (!(next > low && next < high)) {
        next = 0.5 * (low + high);
      }
      if (Math.abs(next - x) < TOLERANCE) {
        return next;
      }
      double atNext = surplusG(next, outside, exchangeG, seconds);
      slope = (atNext - at) / (next - x);
      x = next;
      at = atNext;
    }
    return x;
  }
}
