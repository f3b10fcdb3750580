package mindspool.simulators;

import java.util.Random;

/** A dryer that overshoots its setpoint on heating up and then ripples around it. */
public final class SimulatedDryer {

  private static final double HEAT_UP_S = 900;
  private static final double RIPPLE_K = 1.2;
  private static final double RIPPLE_S = 420;
  private static final double OVERSHOOT_K = 5;

  private final double biasK;
  private double startedS = Double.NaN;
  private double setpointC;
  private double temperatureC = Double.NaN;

  public SimulatedDryer(Random random) {
    this.biasK = 1.5 * random.nextGaussian();
  }

  public void start(double timeS, double setC) {
    startedS = timeS;
    setpointC = setC;
  }

  public void stop() {
    startedS = Double.NaN;
  }

  public boolean isRunning() {
    return !Double.isNaN(startedS);
  }

  /** Its air at a time, °C. */
  public double temperatureC(double timeS, double roomC) {
    temperatureC = Double.isNaN(temperatureC) ? roomC : temperatureC;
    if (!isRunning()) {
      temperatureC += 0.2 * (roomC - temperatureC);
      return temperatureC;
    }
    double on = timeS - startedS;
    double rise = -Math.expm1(-on / HEAT_UP_S * 3);
    double overshoot = OVERSHOOT_K * Math.exp(-Math.pow((on - 1.3 * HEAT_UP_S) / HEAT_UP_S, 2));
    temperatureC =
        roomC
            + (setpointC + biasK - roomC) * rise
            + overshoot
            + RIPPLE_K * Math.sin(2 * Math.PI * on / RIPPLE_S) * rise;
    return temperatureC;
  }
}
