package mindspool.server.climate;

import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.server.climate.DryerRuns.DryerRun;
import mindspool.server.climate.LiveReadings.LiveTemperature;
import mindspool.server.climate.ReadingSamples.AirSample;

/**
 * Air of a dryer over time: the room's, heated while it ran, and what was measured inside wherever
 * it was measured.
 */
final class DryerAir {

  /** Readings further apart say nothing of the time between. */
  private static final double GAP_S = 15 * 60;

  private DryerAir() {}

  /**
   * The room's air as the runs heat it.
   *
   * @param usualC setpoint that it was at before the first recorded run
   */
  static ClimateSeries heated(ClimateSeries room, List<DryerRun> runs, double usualC) {
    if (runs.isEmpty()) {
      return room.heatedTo(usualC);
    }
    ClimateSeries air = ClimateSeries.joined(room.heatedTo(usualC), runs.get(0).fromS(), room);
    for (DryerRun run : runs) {
      // Heat lags the switch by the warm-up's time constant: as much is missing as if it came so
      // much later at once.
      double warm = Math.min(run.toS(), run.fromS() + run.warmingTimeS());
      double cool = Math.max(warm, Math.min(run.toS(), run.coolUntilS()));
      if (cool > warm) {
        air = ClimateSeries.joined(air, warm, room.heatedTo(run.coolAirC()));
      }
      if (run.toS() > cool) {
        air = ClimateSeries.joined(air, cool, room.heatedTo(run.airC()));
      }
      air = ClimateSeries.joined(air, run.toS(), room);
    }
    return air;
  }

  /** A temperature inside with the vapour of the room. */
  static AirSample sample(ClimateSeries room, LiveTemperature shown) {
    double humidity = room.at(shown.timeS()).relativeHumidityPercentAt(shown.temperatureC());
    return new AirSample(shown.timeS(), shown.temperatureC(), Math.min(100, humidity));
  }

  /** With what was measured inside in its place, as far as readings follow closely. */
  static ClimateSeries measured(ClimateSeries reckoned, List<AirSample> samples) {
    ClimateSeries air = reckoned;
    int first = 0;
    for (int i = 1; i <= samples.size(); i++) {
      boolean ends =
          i == samples.size() || samples.get(i).timeS() - samples.get(i - 1).timeS() > GAP_S;
      if (ends) {
        if (i - first > 1) {
          air = withSpan(air, reckoned, samples.subList(first, i));
        }
        first = i;
      }
    }
    return air;
  }

  private static ClimateSeries withSpan(
      ClimateSeries air, ClimateSeries reckoned, List<AirSample> span) {
    ClimateSeries.Builder measured = ClimateSeries.builder();
    for (AirSample sample : span) {
      measured.reading(
          sample.timeS(), new MoistAir(sample.temperatureC(), sample.relativeHumidityPercent()));
    }
    ClimateSeries inside = measured.build();
    return ClimateSeries.joined(
        ClimateSeries.joined(air, span.get(0).timeS(), inside),
        span.get(span.size() - 1).timeS(),
        reckoned);
  }
}
