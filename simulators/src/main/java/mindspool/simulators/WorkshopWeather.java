package mindspool.simulators;

import java.util.Random;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;

/**
 * Invented autumn weather and what it makes of a room: mild and damp at first, then cold, with the
 * heating on. The same seed and start always give the same weather, so that two processes agree.
 */
public final class WorkshopWeather {

  /** Spacing of the weather, s. */
  public static final int STEP_S = 600;

  private static final int STEPS_PER_DAY = 86_400 / STEP_S;
  private static final double HEATING_BELOW_C = 13;
  private static final double SEASON_DAYS = 60;

  private final long startS;
  private final double[] outsideC;
  private final double[] outsidePa;
  private final double[] roomC;
  private final double[] roomPa;
  private final double[] printerK;

  /**
   * Weather from a time on.
   *
   * @param startS epoch seconds
   * @param days length
   */
  public WorkshopWeather(long startS, int days, long seed) {
    this.startS = startS - startS % STEP_S;
    int steps = days * STEPS_PER_DAY + 1;
    outsideC = new double[steps];
    outsidePa = new double[steps];
    roomC = new double[steps];
    roomPa = new double[steps];
    printerK = new double[steps];
    Random random = new Random(seed);
    outside(random);
    room(random);
    printer();
  }

  public long startS() {
    return startS;
  }

  public long endS() {
    return startS + (long) (outsideC.length - 1) * STEP_S;
  }

  private void outside(Random random) {
    double front = 0;
    double dampness = 0;
    for (int i = 0; i < outsideC.length; i++) {
      double season = Math.min(1, (double) i / STEPS_PER_DAY / SEASON_DAYS);
      front += -front / 400 + 0.16 * random.nextGaussian();
      dampness += -dampness / 500 + 0.006 * random.nextGaussian();
      double mean = 17 - 8 * season + front;
      double daily = 3.5 * Math.sin(2 * Math.PI * (timeOfDay(i) - 0.38));
      outsideC[i] = mean + daily;
      double humidity =
          Math.min(0.97, Math.max(0.55, 0.74 + 0.10 * season + dampness - 0.02 * daily));
      outsidePa[i] = humidity * SaturationPressure.atCelsius(mean);
    }
  }

  /** Time of day as a share of it. */
  private double timeOfDay(int step) {
    return ((startS + (long) step * STEP_S) % 86_400) / 86_400.0;
  }

  private void room(Random random) {
    double celsius = 22;
    double pascal = 1450;
    for (int i = 0; i < roomC.length; i++) {
      boolean open = timeOfDay(i) > 0.33 && timeOfDay(i) < 0.80;
      boolean heating = outsideC[i] < HEATING_BELOW_C;
      double wanted = heating ? (open ? 21.0 : 17.0) : outsideC[i] + (open ? 5.5 : 4.5);
      celsius += (wanted - celsius) / 40;
      double people = open ? 240 : 110;
      pascal += (outsidePa[i] + people - pascal) / 30;
      roomC[i] = celsius + 0.05 * random.nextGaussian();
      roomPa[i] = pascal;
    }
  }

  /** A printer that runs on most afternoons warms its own air. */
  private void printer() {
    for (int i = 1; i < printerK.length; i++) {
      boolean printing = isPrinting(i);
      printerK[i] = printerK[i - 1] + ((printing ? 12 : 1) - printerK[i - 1]) / 10;
    }
  }

  private boolean isPrinting(int step) {
    return timeOfDay(step) > 0.50 && timeOfDay(step) < 0.78 && step / STEPS_PER_DAY % 7 < 5;
  }

  /** The room's air, warmer or cooler by so much. */
  public MoistAir room(double timeS, double warmerK) {
    int i = index(timeS);
    return air(roomC[i] + warmerK, roomPa[i]);
  }

  /** The air in the enclosed printer. */
  public MoistAir printer(double timeS) {
    int i = index(timeS);
    return air(roomC[i] + printerK[i], roomPa[i]);
  }

  private static MoistAir air(double celsius, double pascal) {
    return new MoistAir(
        celsius, Math.min(99, 100 * pascal / SaturationPressure.atCelsius(celsius)));
  }

  private int index(double timeS) {
    long step = (long) Math.floor((timeS - startS) / STEP_S);
    return (int) Math.max(0, Math.min(outsideC.length - 1L, step));
  }
}
