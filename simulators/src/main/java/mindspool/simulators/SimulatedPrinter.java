package mindspool.simulators;

import java.util.Random;
import mindspool.core.print.GripLearning.Ending;

/**
 * A printer with a hidden truth of its own: how its plate really grips, how hard it is really held,
 * how draughty it stands. Bed, nozzle and chamber warm and cool as lumps.
 */
public final class SimulatedPrinter {

  private static final double BED_S = 240;
  private static final double BED_COOLS_S = 1_500;
  private static final double NOZZLE_S = 60;
  private static final double NOZZLE_COOLS_S = 200;
  private static final double CHAMBER_S = 1_800;

  /** True factors differ from the table by this, one standard deviation of the logarithm. */
  private static final double TRUTH_LOG_SD = Math.log(1.35);

  /** From print to print. */
  private static final double PRINT_LOG_SD = 0.2;

  private static final double RIPPLE_K = 0.4;
  private static final double RIPPLE_S = 37;

  private final String topic;
  private final double keeps;
  private final double gripFactor;
  private final double holdFactor;
  private final Random random;
  private double bedC = Double.NaN;
  private double nozzleC;
  private double chamberC;
  private double lastS;
  private double startedS = Double.NaN;
  private double hours;
  private double bedSetC;
  private double nozzleSetC;

  /**
   * What it shows.
   *
   * @param progressPercent of its print; 0 while it stands
   * @param filament whether filament passes its sensor
   */
  public record State(
      double timeS,
      double chamberC,
      double bedC,
      double nozzleC,
      double progressPercent,
      boolean filament) {}

  /**
   * A printer that stands cold.
   *
   * @param keeps share of the bed's warmth above the room that its chamber keeps
   */
  public SimulatedPrinter(String topic, double keeps, Random random) {
    this.topic = topic;
    this.keeps = keeps;
    this.random = random;
    this.gripFactor = Math.exp(TRUTH_LOG_SD * random.nextGaussian());
    this.holdFactor = Math.exp(TRUTH_LOG_SD * random.nextGaussian());
  }

  public String topic() {
    return topic;
  }

  /** How its plate truly grips, against the table. */
  public double gripFactor() {
    return gripFactor;
  }

  /** How hard its plate is truly held, against what was said. */
  public double holdFactor() {
    return holdFactor;
  }

  /** Starts a print. */
  public void start(
      double timeS, double bedTemperatureC, double nozzleTemperatureC, double printHours) {
    startedS = timeS;
    bedSetC = bedTemperatureC;
    nozzleSetC = nozzleTemperatureC;
    hours = printHours;
  }

  public void stop() {
    startedS = Double.NaN;
  }

  public boolean isPrinting() {
    return !Double.isNaN(startedS);
  }

  /** Lets time pass up to a time, not before the last, and shows what it is then. */
  public State at(double timeS, double roomC) {
    if (Double.isNaN(bedC)) {
      bedC = roomC;
      nozzleC = roomC;
      chamberC = roomC;
      lastS = timeS;
    }
    double passed = Math.max(0, timeS - lastS);
    lastS = timeS;
    boolean hot = isPrinting();
    bedC = towards(bedC, hot ? bedSetC : roomC, passed / (hot ? BED_S : BED_COOLS_S));
    nozzleC =
        towards(nozzleC, hot ? nozzleSetC : roomC, passed / (hot ? NOZZLE_S : NOZZLE_COOLS_S));
    chamberC = towards(chamberC, roomC + keeps * Math.max(0, bedC - roomC), passed / CHAMBER_S);
    double ripple = hot ? RIPPLE_K * Math.sin(2 * Math.PI * timeS / RIPPLE_S) : 0;
    double progress = hot ? Math.min(100, Math.max(0, (timeS - startedS) / (36 * hours))) : 0;
    return new State(timeS, chamberC, bedC + ripple, nozzleC + 2 * ripple, progress, true);
  }

  private static double towards(double now, double target, double timeConstants) {
    return target + (now - target) * Math.exp(-timeConstants);
  }

  /**
   * How a part truly ends.
   *
   * @param adhesionRatio and {@code plateRatio} as the table foretells them
   */
  public Ending ending(double adhesionRatio, double plateRatio) {
    boolean corner = lets(adhesionRatio / gripFactor);
    boolean plate = lets(plateRatio / holdFactor);
    if (corner && plate) {
      return Ending.CAME_OFF;
    }
    return corner ? Ending.CORNER_LIFTED : plate ? Ending.PLATE_LIFTED : Ending.HELD;
  }

  private boolean lets(double ratio) {
    return ratio * Math.exp(PRINT_LOG_SD * random.nextGaussian()) > 1;
  }
}
