package mindspool.simulators;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A scale with a coarse display and a zero that wanders. */
public final class SimulatedScale {

  private static final double ZERO_SPREAD_STEPS = 0.5;
  private static final int RISE = 4;
  private static final int REST = 6;

  private final double stepG;
  private final Random random;

  public SimulatedScale(double stepG, Random random) {
    this.stepG = stepG;
    this.random = random;
  }

  /** What it shows of a mass once it rests, g. */
  public double read(double massG) {
    return shown(massG + ZERO_SPREAD_STEPS * stepG * random.nextGaussian());
  }

  /** What it shows in turn while something is put on it, until it rests. */
  public List<Double> putOn(double massG) {
    List<Double> readings = new ArrayList<>();
    double rest = massG + ZERO_SPREAD_STEPS * stepG * random.nextGaussian();
    for (int i = 0; i < RISE; i++) {
      readings.add(shown(rest * (1 + 0.2 * random.nextGaussian()) * i / RISE));
    }
    for (int i = 0; i < REST; i++) {
      readings.add(shown(rest));
    }
    return readings;
  }

  private double shown(double massG) {
    return Math.rint(massG / stepG) * stepG;
  }
}
