package mindspool.server.air;

import java.util.List;
import java.util.TreeSet;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.server.air.DryerRuns.DryerRun;
import mindspool.server.air.DryerRuns.VapourChange;
import mindspool.server.air.LiveReadings.LiveTemperature;
import mindspool.server.air.ReadingSamples.AirSample;

/**
 * Air of a dryer over time: the room's, heated while it ran, and what was measured inside wherever
 * it was measured.
 */
final class DryerAir {

  /** Readings further apart say nothing of the time between. */
  private static final double GAP_S = 15 * 60;

  /** The latest reading holds for so long: what is shown now is what the probe shows. */
  private static final double HELD_S = 5 * 60;

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
      if (!run.vapour().isEmpty() && run.toS() > warm) {
        air = ClimateSeries.joined(air, warm, withVapour(room, run, warm, cool));
      }
      air = ClimateSeries.joined(air, run.toS(), room);
    }
    return air;
  }

  /** The same heat with the vapour that spools and desiccant inside make of the room's. */
  private static ClimateSeries withVapour(
      ClimateSeries room, DryerRun run, double warmS, double coolS) {
    TreeSet<Double> times = new TreeSet<>(List.of(warmS, coolS, run.toS()));
    run.vapour().stream()
        .map(VapourChange::fromS)
        .filter(time -> time > warmS && time < run.toS())
        .forEach(times::add);
    ClimateSeries.Builder air = ClimateSeries.builder();
    for (double time : times) {
      if (time == coolS && coolS > warmS) {
        air.reading(time - 1, inside(room, run, time - 1, run.coolAirC()));
      }
      air.reading(time, inside(room, run, time, time < coolS ? run.coolAirC() : run.airC()));
    }
    return air.build();
  }

  private static MoistAir inside(ClimateSeries room, DryerRun run, double timeS, double celsius) {
    double pressure = Math.max(0, room.at(timeS).vapourPressurePa() + moreAt(run, timeS));
    return new MoistAir(
        celsius, Math.min(100, 100 * pressure / SaturationPressure.atCelsius(celsius)));
  }

  /** On the straight line between what is known; afterwards as it was last. */
  private static double moreAt(DryerRun run, double timeS) {
    VapourChange before = null;
    for (VapourChange next : run.vapour()) {
      if (next.fromS() >= timeS) {
        double share =
            before == null || next.fromS() == before.fromS()
                ? 1
                : (timeS - before.fromS()) / (next.fromS() - before.fromS());
        double from = before == null ? 0 : before.morePa();
        return from + share * (next.morePa() - from);
      }
      before = next;
    }
    return before == null ? 0 : before.morePa();
  }

  /** A temperature inside with the vapour that was computed for it. */
  static AirSample sample(ClimateSeries computed, LiveTemperature shown) {
    double humidity = computed.at(shown.timeS()).relativeHumidityPercentAt(shown.temperatureC());
    return new AirSample(shown.timeS(), shown.temperatureC(), Math.min(100, humidity));
  }

  /** With what was measured inside in its place, as far as readings follow closely. */
  static ClimateSeries measured(ClimateSeries computed, List<AirSample> samples) {
    ClimateSeries air = computed;
    int first = 0;
    for (int i = 1; i <= samples.size(); i++) {
      boolean ends =
          i == samples.size() || samples.get(i).timeS() - samples.get(i - 1).timeS() > GAP_S;
      if (ends) {
        if (i - first > 1) {
          air = withSpan(air, computed, samples.subList(first, i));
        }
        first = i;
      }
    }
    return air;
  }

  private static ClimateSeries withSpan(
      ClimateSeries air, ClimateSeries computed, List<AirSample> span) {
    ClimateSeries.Builder measured = ClimateSeries.builder();
    for (AirSample sample : span) {
      measured.reading(
          sample.timeS(), new MoistAir(sample.temperatureC(), sample.relativeHumidityPercent()));
    }
    ClimateSeries inside = measured.build();
    return ClimateSeries.joined(
        ClimateSeries.joined(air, span.get(0).timeS(), inside),
        span.get(span.size() - 1).timeS() + HELD_S,
        computed);
  }
}
