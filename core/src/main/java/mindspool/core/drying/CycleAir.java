package mindspool.core.drying;

import java.util.Set;
import java.util.TreeSet;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;

/**
 * Temperature of a dryer's air over a cycle: a cooler start where something is damp, an exponential
 * warm-up, then the setpoint as this dryer keeps it.
 */
final class CycleAir {

  private final MoistAir room;
  private final double startC;
  private final double endC;
  private final double warmingTimeS;

  /**
   * Air of a cycle.
   *
   * @param startC true air temperature aimed at in the first {@link DampStart#HOURS}
   * @param endC and afterwards
   */
  CycleAir(MoistAir room, double startC, double endC, double warmingTimeS) {
    this.room = room;
    this.startC = startC;
    this.endC = endC;
    this.warmingTimeS = warmingTimeS;
  }

  double temperatureC(double timeS) {
    double aim = timeS < 3600 * DampStart.HOURS ? startC : endC;
    if (warmingTimeS <= 0) {
      return aim;
    }
    return room.temperatureC() - (aim - room.temperatureC()) * Math.expm1(-timeS / warmingTimeS);
  }

  /** The same with the vapour of a dryer that is vented freely. */
  ClimateSeries ventedFreely() {
    if (warmingTimeS <= 0 && startC == endC) {
      return ClimateSeries.constant(at(0));
    }
    Set<Double> times = new TreeSet<>();
    for (double share : new double[] {0, 0.3, 0.7, 1.2, 2, 3, 4.5, 7}) {
      times.add(share * warmingTimeS);
    }
    times.add(3600 * DampStart.HOURS - 1);
    times.add(3600 * DampStart.HOURS);
    ClimateSeries.Builder air = ClimateSeries.builder();
    times.forEach(time -> air.reading(time, at(time)));
    return air.build();
  }

  private MoistAir at(double timeS) {
    double celsius = temperatureC(timeS);
    return new MoistAir(celsius, Math.min(100, room.relativeHumidityPercentAt(celsius)));
  }
}
