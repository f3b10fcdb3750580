package mindspool.server.calc;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.drying.LoadForecast;
import mindspool.core.drying.NextWeighing;
import mindspool.server.http.MayBeNull;

/**
 * A forecast for spools dried together, as it is sent.
 *
 * @param heldBackBy index of the spool whose ceiling is lowest
 * @param withoutItC setpoint that the others would allow without it
 * @param lastHours until all are dry to the core; null where one never is
 * @param startC setpoint of the first two hours, lower where something damp softens
 * @param sureLastHours until each is dry to the core nine times in ten
 * @param lastHoursTakingOut the same if each is taken out once it is dry
 */
public record LoadAnswer(
    double setpointC,
    double airTemperatureC,
    double startC,
    int heldBackBy,
    double withoutItC,
    Double lastHours,
    Double sureLastHours,
    Double lastHoursTakingOut,
    double energyKWh,
    List<SpoolInLoad> spools,
    List<HumidityPoint> air) {

  /**
   * One spool's way.
   *
   * @param dryHours until it is dry to the core, as likely sooner as later; null where it never is
   * @param sureHours until it is dry nine times in ten
   * @param nextWeighing which weighings tell most of it; null where this scale tells too little
   */
  public record SpoolInLoad(
      String name,
      DryingAnswer.Ceiling ceiling,
      double floorPercent,
      double targetPercent,
      DryingAnswer.HoursToLimit hoursToLimit,
      Double dryHours,
      Double sureHours,
      @MayBeNull WeighingAdvice nextWeighing,
      List<LoadPoint> series) {}

  /** Moisture at a time; {@code low} and {@code high} bound the mean's 80 % band. */
  public record LoadPoint(
      double hour,
      double outerPercent,
      double meanPercent,
      double corePercent,
      double lowPercent,
      double highPercent) {}

  /**
   * Weighings that tell when it is dry.
   *
   * @param hours from now, the next first
   * @param narrowsTo what is left of the uncertainty, as a share
   */
  public record WeighingAdvice(List<Double> hours, double narrowsTo, double scaleStepG) {

    private static WeighingAdvice of(NextWeighing next) {
      return new WeighingAdvice(next.hours(), next.sdAfter() / next.sdBefore(), next.stepG());
    }
  }

  /** Humidity inside at a time. */
  public record HumidityPoint(double hour, double relativeHumidityPercent) {}

  /** Turns a forecast into its answer. */
  public static LoadAnswer of(LoadForecast forecast) {
    return new LoadAnswer(
        forecast.setpointC(),
        forecast.airTemperatureC(),
        forecast.startC(),
        forecast.heldBackBy(),
        forecast.withoutItC(),
        DryingAnswer.orNull(forecast.lastHours()),
        DryingAnswer.orNull(forecast.sureLastHours()),
        DryingAnswer.orNull(forecast.lastHoursTakingOut()),
        forecast.energyKWh(),
        forecast.spools().stream().map(LoadAnswer::spool).toList(),
        forecast.air().stream()
            .map(point -> new HumidityPoint(point.hour(), point.relativeHumidityPercent()))
            .toList());
  }

  private static SpoolInLoad spool(LoadForecast.SpoolCourse course) {
    List<LoadPoint> series = new ArrayList<>();
    for (int i = 0; i < course.curve().size(); i++) {
      var point = course.curve().get(i);
      var band = course.band().get(i);
      series.add(
          new LoadPoint(
              point.hour(),
              point.outerPercent(),
              point.meanPercent(),
              point.corePercent(),
              band.lowPercent(),
              band.highPercent()));
    }
    return new SpoolInLoad(
        course.name(),
        DryingAnswer.ceiling(course.ceiling()),
        course.floorPercent(),
        course.targetPercent(),
        DryingAnswer.hours(course.hours()),
        DryingAnswer.orNull(course.hours().all()),
        DryingAnswer.orNull(course.sureHours()),
        course.nextWeighing().map(WeighingAdvice::of).orElse(null),
        series);
  }
}
