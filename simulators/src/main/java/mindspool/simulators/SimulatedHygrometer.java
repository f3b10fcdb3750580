package mindspool.simulators;

import java.util.Optional;
import java.util.Random;
import mindspool.core.climate.MoistAir;

/**
 * A cheap capacitive hygrometer: an error of its own that drifts, noise, a coarse display, and now
 * and then no reading. Spreads: trade-typical for cheap ones (grade C).
 */
public final class SimulatedHygrometer {

  private static final double OFFSET_SPREAD = 2.0;
  private static final double GAIN_SPREAD = 0.02;
  private static final double DRIFT_PER_YEAR_SPREAD = 0.7;
  private static final double NOISE = 0.15;
  private static final double TEMPERATURE_SPREAD = 0.2;
  private static final double DROPOUT = 0.01;
  private static final double YEAR_S = 365 * 86_400.0;

  private final String topic;
  private final Random random;
  private final double offset;
  private final double gain;
  private final double driftPerYear;
  private final double temperatureOffset;
  private double madeS = Double.NaN;

  public SimulatedHygrometer(String topic, Random random) {
    this.topic = topic;
    this.random = random;
    this.offset = OFFSET_SPREAD * random.nextGaussian();
    this.gain = 1 + GAIN_SPREAD * random.nextGaussian();
    this.driftPerYear = DRIFT_PER_YEAR_SPREAD * random.nextGaussian();
    this.temperatureOffset = TEMPERATURE_SPREAD * random.nextGaussian();
  }

  public String topic() {
    return topic;
  }

  /** What it shows of some air. */
  public record Reading(double temperatureC, double relativeHumidityPercent) {}

  /** A reading; now and then none. */
  public Optional<Reading> read(double timeS, MoistAir air) {
    madeS = Double.isNaN(madeS) ? timeS : madeS;
    if (random.nextDouble() < DROPOUT) {
      return Optional.empty();
    }
    double humidity =
        gain * air.relativeHumidityPercent()
            + offset
            + driftPerYear * (timeS - madeS) / YEAR_S
            + NOISE * random.nextGaussian();
    return Optional.of(
        new Reading(
            tenths(air.temperatureC() + temperatureOffset + 0.05 * random.nextGaussian()),
            tenths(Math.min(100, Math.max(0, humidity)))));
  }

  private static double tenths(double value) {
    return Math.rint(10 * value) / 10;
  }
}
