package mindspool.server.calc;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.drying.ChargeForecast;

/**
 * A forecast for spools dried together, as it is sent.
 *
 * @param heldBackBy index of the spool whose ceiling is lowest
 * @param withoutItC setpoint that the others would allow without it
 * @param lastHours until all are dry to the core; null where one never is
 * @param lastHoursTakingOut the same if each is taken out once it is dry
 */
public record ChargeAnswer(
    double setpointC,
    double airTemperatureC,
    int heldBackBy,
    double withoutItC,
    Double lastHours,
    Double lastHoursTakingOut,
    double energyKWh,
    List<SpoolInCharge> spools,
    List<HumidityPoint> air) {

  /**
   * One spool's way.
   *
   * @param dryHours until it is dry to the core; null where it never is
   */
  public record SpoolInCharge(
      String name,
      DryingAnswer.Ceiling ceiling,
      double floorPercent,
      double targetPercent,
      DryingAnswer.HoursToLimit hoursToLimit,
      Double dryHours,
      List<ChargePoint> series) {}

  /** Moisture at a time; {@code low} and {@code high} bound the mean's 80 % band. */
  public record ChargePoint(
      double hour,
      double outerPercent,
      double meanPercent,
      double corePercent,
      double lowPercent,
      double highPercent) {}

  /** Humidity inside at a time. */
  public record HumidityPoint(double hour, double relativeHumidityPercent) {}

  /** Turns a forecast into its answer. */
  public static ChargeAnswer of(ChargeForecast forecast) {
    return new ChargeAnswer(
        forecast.setpointC(),
        forecast.airTemperatureC(),
        forecast.heldBackBy(),
        forecast.withoutItC(),
        DryingAnswer.orNull(forecast.lastHours()),
        DryingAnswer.orNull(forecast.lastHoursTakingOut()),
        forecast.energyKWh(),
        forecast.spools().stream().map(ChargeAnswer::spool).toList(),
        forecast.air().stream()
            .map(point -> new HumidityPoint(point.hour(), point.relativeHumidityPercent()))
            .toList());
  }

  private static SpoolInCharge spool(ChargeForecast.SpoolCourse course) {
    List<ChargePoint> series = new ArrayList<>();
    for (int i = 0; i < course.curve().size(); i++) {
      var point = course.curve().get(i);
      var band = course.band().get(i);
      series.add(
          new ChargePoint(
              point.hour(),
              point.outerPercent(),
              point.meanPercent(),
              point.corePercent(),
              band.lowPercent(),
              band.highPercent()));
    }
    DryingAnswer.HoursToLimit hours = DryingAnswer.hours(course.hours());
    boolean ever = hours.outer() != null && hours.mean() != null && hours.core() != null;
    return new SpoolInCharge(
        course.name(),
        DryingAnswer.ceiling(course.ceiling()),
        course.floorPercent(),
        course.targetPercent(),
        hours,
        ever ? Math.max(hours.outer(), Math.max(hours.mean(), hours.core())) : null,
        series);
  }
}
