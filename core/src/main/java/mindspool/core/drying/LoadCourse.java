package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.moisture.SpoolState;

/**
 * One likely way of a load through a span that is given: each spool as it is believed to be, all in
 * the air that they share.
 *
 * @param spools moisture over time of each, in the order of the load; from hour 0
 * @param ends state of each at the end
 * @param vapour inside, after each step
 */
public record LoadCourse(List<List<Point>> spools, List<SpoolState> ends, List<Vapour> vapour) {

  /** Vapour inside at a time: its pressure, and the humidity that it makes there. */
  public record Vapour(double hour, double pressurePa, double relativeHumidityPercent) {}

  /**
   * Follows a charge.
   *
   * @param startC setpoint of the first {@link DampStart#HOURS}, at most {@code setpointC}
   * @param hours how long, above 0
   */
  public static LoadCourse of(
      DryerLoad load, Dryer dryer, MoistAir room, double startC, double setpointC, double hours) {
    CycleRun run =
        new CycleRun(
            load.spools(),
            dryer,
            room,
            startC,
            setpointC,
            Lots.ALIKE,
            CycleRun.ROUGH,
            CycleRun.Steps.FINE);
    run.follow(hours);
    List<List<Point>> spools = new ArrayList<>();
    for (int i = 0; i < load.spools().size(); i++) {
      spools.add(List.copyOf(run.cycle(i).points()));
    }
    return new LoadCourse(spools, run.ends(), List.copyOf(run.vapour()));
  }

  /** Setpoint of the first hours: lower where a damp polymer would soften at the full one. */
  public static double startC(DryerLoad load, Dryer dryer, double setpointC) {
    return load.spools().stream()
        .map(spool -> DryingCeiling.of(spool, dryer))
        .filter(DryingCeiling::startsCooler)
        .mapToDouble(DryingCeiling::startC)
        .reduce(setpointC, Math::min);
  }
}
