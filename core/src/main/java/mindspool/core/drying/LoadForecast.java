package mindspool.core.drying;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryingForecast.HoursToTarget;
import mindspool.core.drying.DryingForecast.Point;

/**
 * What a cycle does to several spools in one dryer: the common setpoint, who allows no more, each
 * spool's way to its target with its 80 % band, who comes last, and what taking the early ones out
 * would save.
 *
 * @param setpointC common setpoint
 * @param airTemperatureC true air temperature at that setpoint
 * @param heldBackBy index of the spool whose ceiling is lowest
 * @param startC setpoint of the first hours, lower where something damp softens
 * @param withoutItC setpoint that the others would allow without it; equal where it does not matter
 * @param spools in the order of the load
 * @param lastHours until the last spool is dry to the core; none where one never is
 * @param sureLastHours until each of them is dry to the core nine times in ten
 * @param lastHoursTakingOut the same if each spool is taken out as soon as it is dry
 * @param air humidity inside over time
 * @param energyKWh until the last is dry, or of the span followed
 */
public record LoadForecast(
    double setpointC,
    double airTemperatureC,
    double startC,
    int heldBackBy,
    double withoutItC,
    List<SpoolCourse> spools,
    OptionalDouble lastHours,
    OptionalDouble sureLastHours,
    OptionalDouble lastHoursTakingOut,
    List<AirPoint> air,
    double energyKWh) {

  /** Humidity inside at a time, %. */
  public record AirPoint(double hour, double relativeHumidityPercent) {}

  /** Mean moisture and its 80 % band at a time. */
  public record BandPoint(double hour, double meanPercent, double lowPercent, double highPercent) {}

  /**
   * One spool's course.
   *
   * @param floorPercent moisture in balance with the room's air once heated: never gets below
   * @param hours as likely too short as too long
   * @param sureHours after so many it is dry to the core nine times in ten
   * @param nextWeighing which weighing tells most of it; none where the scale tells too little
   * @param curve outer, mean and core over time
   * @param band mean with its band
   */
  public record SpoolCourse(
      String name,
      DryingCeiling ceiling,
      double floorPercent,
      double targetPercent,
      HoursToTarget hours,
      OptionalDouble sureHours,
      Optional<NextWeighing> nextWeighing,
      List<Point> curve,
      List<BandPoint> band) {}

  /**
   * Forecast for a load.
   *
   * @param setpointC wanted setpoint, kept to from the first minute; none for what the one that
   *     wants most likes, as far as all allow, cooler at first where one is damp
   */
  public static LoadForecast of(
      DryerLoad load, Dryer dryer, MoistAir room, OptionalDouble setpointC) {
    List<DryingCeiling> ceilings =
        load.spools().stream().map(loaded -> DryingCeiling.of(loaded, dryer)).toList();
    double[] wanted =
        IntStream.range(0, ceilings.size())
            .mapToDouble(
                i -> ceilings.get(i).recommendedSetpointC(load.spools().get(i).material(), dryer))
            .toArray();
    int lowest =
        IntStream.range(0, wanted.length)
            .boxed()
            .min(Comparator.comparingDouble(i -> ceilings.get(i).cautiousC()))
            .orElseThrow();
    double setpoint =
        setpointC.orElseGet(
            () ->
                Math.max(
                    DryingForecast.lowestSetpointC(dryer, room), common(ceilings, wanted, -1)));
    DryingForecast.checkSetpoint(setpoint, dryer, room);
    double without =
        wanted.length == 1 ? setpoint : Math.max(setpoint, common(ceilings, wanted, lowest));
    double start = setpointC.isPresent() ? setpoint : LoadCourse.startC(load, dryer, setpoint);
    return new LoadRuns(load, dryer, room, setpoint, start, ceilings).forecast(lowest, without);
  }

  /**
   * Hours until each of a load is dry to the core nine times in ten, without curves and with longer
   * steps: for the loads of a plan.
   *
   * @param setpointC common to all
   * @return none where one never is, or not within ten days
   */
  public static OptionalDouble sureHours(
      DryerLoad load, Dryer dryer, MoistAir room, double setpointC) {
    double startC = LoadCourse.startC(load, dryer, setpointC);
    LoadRuns quick = new LoadRuns(load, dryer, room, setpointC, startC, List.of());
    return quick.sureHours();
  }

  private static double common(List<DryingCeiling> ceilings, double[] wanted, int leftOut) {
    List<DryingCeiling> others = new ArrayList<>(ceilings);
    List<Double> wishes = new ArrayList<>(Arrays.stream(wanted).boxed().toList());
    if (leftOut >= 0) {
      others.remove(leftOut);
      wishes.remove(leftOut);
    }
    return DryingCeiling.commonSetpointC(others, wishes);
  }
}
