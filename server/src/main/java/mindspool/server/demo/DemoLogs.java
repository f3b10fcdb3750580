package mindspool.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleFunction;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.simulators.SimulatedHygrometer;
import mindspool.simulators.WeirLane;
import mindspool.simulators.WorkshopWeather;

/** Logs of the demonstration's hygrometers from the day they were hung up until now. */
final class DemoLogs {

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
