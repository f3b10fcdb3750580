package mindspool.core.upkeep;

import java.util.List;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.print.NozzleCare;

/**
 * What filament in a nozzle went through while it stood hot and nothing was printed.
 *
 * @param dose of heat, as a share of that from which it chars
 * @param minutes that it stood where it flows
 * @param nowC of the nozzle; NaN where it is not hot now, or nothing has shown it lately
 * @param standbyC at which it may wait
 */
public record HotIdle(double dose, double minutes, double nowC, double standbyC) {

  /** From here on a nozzle that waits should wait cooler; field notes. */
  private static final double LONG = 0.3;

  /** So far below where it flows a melt may wait, K; field notes. */
  private static final double STANDBY_K = 30;

  /** A reading tells no more after that, s: many printers report once a minute; judgement. */
  private static final long LONGEST_S = 300;

  private static final double MINUTE_S = 60;

  /** A temperature of the nozzle. */
  public record Reading(long timeS, double celsius) {}

  /** What is to be done. */
  public enum Advice {
    NOTHING,
    COOL,
    CLEAN
  }

  /**
   * Adds up the heat.
   *
   * @param readings since the filament moved last, in the order of time; each holds until the next,
   *     and five minutes at most
   */
  public static HotIdle of(Material material, List<Reading> readings, long nowS) {
    double standbyC = material.value(Parameter.FLOWING) - STANDBY_K;
    double dose = 0;
    double minutes = 0;
    double nowC = Double.NaN;
    for (int i = 0; i < readings.size(); i++) {
      Reading reading = readings.get(i);
      boolean last = i == readings.size() - 1;
      long untilS = last ? nowS : readings.get(i + 1).timeS;
      double held = Math.min(LONGEST_S, Math.max(0, untilS - reading.timeS)) / MINUTE_S;
      if (reading.celsius <= standbyC) {
        continue;
      }
      dose += NozzleCare.idleDose(material, reading.celsius, held);
      if (reading.celsius >= material.value(Parameter.FLOWING)) {
        minutes += held;
      }
      if (last && nowS - reading.timeS <= LONGEST_S) {
        nowC = reading.celsius;
      }
    }
    return new HotIdle(dose, minutes, nowC, standbyC);
  }

  /** Whether it has to cool, or to be cleaned before the next print. */
  public Advice advice() {
    if (dose >= 1) {
      return Advice.CLEAN;
    }
    return dose > LONG && !Double.isNaN(nowC) ? Advice.COOL : Advice.NOTHING;
  }

  /**
   * How long it may stay as hot as it is now before it chars, min; infinite where it is not hot.
   */
  public double minutesLeft(Material material) {
    return Double.isNaN(nowC)
        ? Double.POSITIVE_INFINITY
        : Math.max(0, 1 - dose) * NozzleCare.idleMinutes(material, nowC);
  }
}
