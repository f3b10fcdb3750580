package mindspool.simulators;

import java.util.Random;
import mindspool.core.climate.MoistAir;

/**
 * The empty reel under a winding: it holds water of its own, which a scale cannot tell from the
 * filament's. Plastic holds little and slowly, cardboard much and soon (common practice).
 */
final class TrueReel {

  private static final double PLASTIC_SATURATION = 0.004;
  private static final double PLASTIC_TIME_S = 40 * 3600;
  private static final double SPREAD = 0.4;

  /** Twice as fast every ten kelvin, about. */
  private static final double PER_KELVIN = 0.065;

  private static final double REFERENCE_C = 23;

  private final double dryG;
  private final double saturation;
  private final double timeS;
  private final double openness;
  private double waterG;

  private TrueReel(double dryG, double saturation, double timeS, double openness, double waterG) {
    this.dryG = dryG;
    this.saturation = saturation;
    this.timeS = timeS;
    this.openness = openness;
    this.waterG = waterG;
  }

  /**
   * A plastic reel.
   *
   * @param massG as it was weighed once, in some room
   * @param startHumidityPercent with which it is in balance
   */
  static TrueReel plastic(double massG, double startHumidityPercent, Random random) {
    double saturation = PLASTIC_SATURATION * Math.exp(SPREAD * random.nextGaussian());
    double time = PLASTIC_TIME_S * Math.exp(SPREAD * random.nextGaussian());
    double openness = 0.15 * random.nextDouble();
    double dry = massG / (1 + 0.5 * saturation);
    return new TrueReel(
        dry, saturation, time, openness, dry * saturation * startHumidityPercent / 100);
  }

  TrueReel copy() {
    return new TrueReel(dryG, saturation, timeS, openness, waterG);
  }

  /** Share of the flanges that is open towards the winding. */
  double openness() {
    return openness;
  }

  double massG() {
    return dryG + waterG;
  }

  double waterG() {
    return waterG;
  }

  void advance(MoistAir air, double seconds) {
    double balance = dryG * saturation * air.relativeHumidityPercent() / 100;
    double pace = Math.exp(PER_KELVIN * (air.temperatureC() - REFERENCE_C)) / timeS;
    waterG += (balance - waterG) * -Math.expm1(-pace * seconds);
  }
}
