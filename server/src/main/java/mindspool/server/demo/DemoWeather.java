package mindspool.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.climate.log.ClimateLog.Reading;

/**
 * Invented weather of sixty autumn days that end now, and what it makes of the rooms: mild and damp
 * at first, then cold, with the heating on. All figures are invented for the demonstration.
 */
final class DemoWeather {

  static final int DAYS = 60;
  private static final int STEP_S = 600;
  private static final int STEPS = DAYS * 86_400 / STEP_S;
  private static final double HEATING_BELOW_C = 13;

  private final long nowS;
  private final double[] outsideC = new double[STEPS + 1];
  private final double[] outsidePa = new double[STEPS + 1];
  private final double[] roomC = new double[STEPS + 1];
  private final double[] roomPa = new double[STEPS + 1];

  DemoWeather(long nowS, Random random) {
    this.nowS = nowS - nowS % STEP_S;
    outside(random);
    room(random);
  }

  private void outside(Random random) {
    double front = 0;
    double dampness = 0;
    for (int i = 0; i <= STEPS; i++) {
      double day = (double) i / (86_400.0 / STEP_S);
      front += -front / 400 + 0.16 * random.nextGaussian();
      dampness += -dampness / 500 + 0.006 * random.nextGaussian();
      double season = 17 - 8 * day / DAYS;
      double daily = 3.5 * Math.sin(2 * Math.PI * (day(i) - 0.38));
      outsideC[i] = season + daily + front;
      double humidity =
          Math.min(0.97, Math.max(0.55, 0.74 + 0.10 * day / DAYS + dampness - 0.02 * daily));
      outsidePa[i] = humidity * SaturationPressure.atCelsius(season + front);
    }
  }

  /** Time of day as a share, from the real clock so that afternoons are afternoons. */
  private double day(int i) {
    long time = nowS - (long) (STEPS - i) * STEP_S;
    return (time % 86_400) / 86_400.0;
  }

  private void room(Random random) {
    double celsius = 22;
    double pascal = 1450;
    for (int i = 0; i <= STEPS; i++) {
      boolean open = day(i) > 0.33 && day(i) < 0.80;
      boolean heating = outsideC[i] < HEATING_BELOW_C;
      double wanted = heating ? (open ? 21.0 : 17.0) : outsideC[i] + (open ? 5.5 : 4.5);
      celsius += (wanted - celsius) / 40;
      double people = open ? 240 : 110;
      pascal += (outsidePa[i] + people - pascal) / 30;
      roomC[i] = celsius + 0.05 * random.nextGaussian();
      roomPa[i] = pascal;
    }
  }

  /** A place in the room, so much warmer. */
  List<Reading> inRoom(double warmerK, Random noise) {
    return log(noise, i -> roomC[i] + warmerK, i -> roomPa[i]);
  }

  /** A holder in a printer that runs most afternoons. */
  List<Reading> inPrinter(Random noise) {
    double[] warm = new double[STEPS + 1];
    for (int i = 1; i <= STEPS; i++) {
      boolean printing = day(i) > 0.50 && day(i) < 0.78 && (i / 144) % 7 < 5;
      warm[i] = warm[i - 1] + ((printing ? 12 : 1) - warm[i - 1]) / 10;
    }
    return log(noise, i -> roomC[i] + warm[i], i -> roomPa[i]);
  }

  /** A closed box whose desiccant lets humidity rise from one value to another. */
  List<Reading> inBox(double startPercent, double endPercent, Random noise) {
    double[] percent = new double[STEPS + 1];
    for (int i = 0; i <= STEPS; i++) {
      double share = (double) i / STEPS;
      percent[i] = startPercent + (endPercent - startPercent) * share * share;
    }
    return log(
        noise,
        i -> roomC[i] + 0.4,
        i -> percent[i] / 100 * SaturationPressure.atCelsius(roomC[i] + 0.4));
  }

  private interface Course {
    double at(int step);
  }

  private List<Reading> log(Random noise, Course celsius, Course pascal) {
    List<Reading> readings = new ArrayList<>(STEPS + 1);
    for (int i = 0; i <= STEPS; i++) {
      double temperature = Math.rint(10 * (celsius.at(i) + 0.08 * noise.nextGaussian())) / 10;
      double humidity =
          100 * pascal.at(i) / SaturationPressure.atCelsius(celsius.at(i))
              + 0.5 * noise.nextGaussian();
      MoistAir air =
          new MoistAir(temperature, Math.rint(10 * Math.min(98, Math.max(2, humidity))) / 10);
      readings.add(
          new Reading(
              i + 1,
              nowS - (long) (STEPS - i) * STEP_S,
              air.temperatureC(),
              air.relativeHumidityPercent()));
    }
    return readings;
  }
}
