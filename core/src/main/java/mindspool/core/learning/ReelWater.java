package mindspool.core.learning;

import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.ReelKind.WaterUptake;
import mindspool.core.storage.Isotherm;

/**
 * Water that an empty reel itself takes up and gives off, and that a scale shows along with the
 * filament's: a lag of one time constant towards balance with the air around, in a dryer the
 * shorter the hotter it is.
 *
 * @param uptake of its kind
 * @param massG of the empty reel
 */
public record ReelWater(WaterUptake uptake, double massG) {

  /** A reel that takes up nothing. */
  public static final ReelWater NONE = new ReelWater(ReelKind.METAL.uptake(), 0);

  /** Step in which a reel is followed, s: small against its lag of hours. */
  private static final double STEP_S = 1800;

  /** What was longer ago has left no trace: six of the longest time constants. */
  private static final double MEMORY_S = 6 * 40 * 3600.0;

  /** Twice as fast every ten kelvin: diffusion at 50 kJ/mol (judgement, grade D). */
  private static final double PER_KELVIN = Math.log(2) / 10;

  /** Temperature at which the lags are given, °C. */
  private static final double REFERENCE_C = 23;

  /** A reel of a kind. */
  public static ReelWater of(ReelKind kind, double massG) {
    return new ReelWater(kind.uptake(), massG);
  }

  /** Standard deviation of the logarithm of what it really takes up. */
  double logSd() {
    return uptake.logSd();
  }

  /**
   * Water in it at some times, g, in balance with the assumed start at first. Of a long time
   * between two of them only the last ten days are followed.
   *
   * @param atS in order, none before the history's start
   */
  public double[] grams(SpoolHistory history, double[] atS) {
    double[] grams = new double[atS.length];
    if (massG <= 0 || uptake.atSaturation() <= 0) {
      return grams;
    }
    Isotherm isotherm = Isotherm.of(uptake.sorption());
    double water = massG * isotherm.fraction(history.start().humidityPercent() / 100);
    double time = history.startS();
    for (int i = 0; i < atS.length; i++) {
      double recently = atS[i] - MEMORY_S;
      if (recently > time && isOpen(history.stayAt(recently))) {
        ClimateSeries then = history.stayAt(recently).climate();
        water = massG * isotherm.fraction(humidity(then, recently, recently));
        time = recently;
      }
      while (time < atS[i]) {
        Stay stay = history.stayAt(time);
        double next = Math.min(atS[i], history.nextStayAfter(time));
        if (isOpen(stay)) {
          next = Math.min(next, time + STEP_S);
          water +=
              (massG * isotherm.fraction(humidity(stay.climate(), time, next)) - water)
                  * share(stay.climate(), time, next);
        }
        time = next;
      }
      grams[i] = water;
    }
    return grams;
  }

  private static boolean isOpen(Stay stay) {
    return stay.contact().vapourTransferMPerS() > 0;
  }

  private static double humidity(ClimateSeries climate, double fromS, double toS) {
    return climate.at(0.5 * (fromS + toS)).relativeHumidityPercent() / 100;
  }

  private double share(ClimateSeries climate, double fromS, double toS) {
    MoistAir air = climate.at(0.5 * (fromS + toS));
    double pace = Math.exp(PER_KELVIN * (air.temperatureC() - REFERENCE_C));
    return -Math.expm1(-pace * (toS - fromS) / (3600 * uptake.lagH()));
  }
}
