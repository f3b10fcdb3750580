package mindspool.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.DoubleFunction;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.simulators.SimulatedHygrometer;
import mindspool.simulators.WeirLane;
import mindspool.simulators.WorkshopWeather;

/** Logs of the demonstration's hygrometers from the day they were hung up until now. */
final class DemoLogs {

  private static final int PROBE_MINUTES = 90;
  private static final double WARMING_MIN = 8;
  private static final double OVERSHOOT_K = 1.9;
  private static final double ROOM_C = 21;

  private final WorkshopWeather weather;
  private final long nowS;

  DemoLogs(long nowS) {
    this.weather = WeirLane.weather(nowS);
    this.nowS = nowS;
  }

  List<Reading> inRoom(double warmerK, Random random) {
    return log(time -> weather.room(time, warmerK), random);
  }

  List<Reading> inPrinter(Random random) {
    return log(weather::printer, random);
  }

  /** A run with three probes in a good dryer, minute by minute. */
  static String ofProbes(double setpointC) {
    StringBuilder log = new StringBuilder("minute,bore,near the heater,far rim\n");
    for (int minute = 0; minute <= PROBE_MINUTES; minute++) {
      double rise = -Math.expm1(-minute / WARMING_MIN);
      double overshoot = OVERSHOOT_K * Math.exp(-Math.pow((minute - 28) / 10.0, 2));
      double ripple = 0.5 * Math.sin(minute);
      double air = ROOM_C + (setpointC - 0.8 - ROOM_C) * rise + overshoot + ripple;
      log.append(
          String.format(Locale.ROOT, "%d,%.1f,%.1f,%.1f\n", minute, air, air + 1.4, air - 1.1));
    }
    return log.toString();
  }

  private List<Reading> log(DoubleFunction<MoistAir> air, Random random) {
    SimulatedHygrometer hygrometer = new SimulatedHygrometer("", random);
    List<Reading> readings = new ArrayList<>();
    long first = nowS - WeirLane.DAYS_BEFORE * 86_400L;
    for (long time = first - first % WorkshopWeather.STEP_S + WorkshopWeather.STEP_S;
        time <= nowS;
        time += WorkshopWeather.STEP_S) {
      long at = time;
      hygrometer
          .read(at, air.apply(at))
          .ifPresent(
              shown ->
                  readings.add(
                      new Reading(
                          readings.size() + 1,
                          at,
                          shown.temperatureC(),
                          shown.relativeHumidityPercent())));
    }
    return readings;
  }
}
