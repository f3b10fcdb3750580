package mindspool.server.calc;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.drying.DryingCeiling;
import mindspool.core.drying.DryingForecast;
import mindspool.server.http.MayBeNull;

/** A drying forecast as it is sent. */
public record DryingAnswer(
    Ceiling ceiling,
    double setpointC,
    double airTemperatureC,
    double floorPercent,
    double targetPercent,
    boolean reachable,
    HoursToLimit hoursToLimit,
    List<SeriesPoint> series,
    List<RecipeResult> recipes,
    List<String> advice) {

  /**
   * Highest setpoint that is offered.
   *
   * @param cautiousC the same if the dryer, never measured, is among the worst of its kind
   * @param startC the same for the first two hours, lower where the filament is damp and softens
   * @param setBy filament, reel, adhesive or dryer
   * @param raisedBy what would raise it, most useful first
   * @param slow why it is far below the usual temperature; null where it is not
   * @param risk what may happen above {@code cautiousC}; null where the ceiling is no higher
   * @param refusal why no cycle is offered; null where one is
   */
  public record Ceiling(
      double temperatureC,
      double cautiousC,
      double startC,
      String setBy,
      List<CeilingLimit> limits,
      List<String> raisedBy,
      @MayBeNull String slow,
      @MayBeNull String risk,
      @MayBeNull String refusal) {}

  /** One of the limits of the ceiling. */
  public record CeilingLimit(String what, double temperatureC, String why) {}

  /** Hours; null where it does not happen within ten days. */
  public record HoursToLimit(Double outer, Double mean, Double core) {}

  /** One time of the curves. */
  public record SeriesPoint(
      double hour, double outerPercent, double meanPercent, double corePercent) {}

  /** A recipe and its result; {@code hours} null where it never ends. */
  public record RecipeResult(
      String name,
      double setpointC,
      Double hours,
      double outerPercent,
      double meanPercent,
      double corePercent,
      double energyKWh,
      String verdict) {}

  static Ceiling ceiling(DryingCeiling ceiling) {
    return new Ceiling(
        ceiling.temperatureC(),
        ceiling.cautiousC(),
        ceiling.startC(),
        ceiling.setBy().word(),
        ceiling.limits().stream()
            .map(l -> new CeilingLimit(l.what().word(), l.temperatureC(), l.why()))
            .toList(),
        ceiling.raisedBy(),
        ceiling.slow().orElse(null),
        ceiling.risk().orElse(null),
        ceiling.refusal().orElse(null));
  }

  static HoursToLimit hours(DryingForecast.HoursToTarget hours) {
    return new HoursToLimit(orNull(hours.outer()), orNull(hours.mean()), orNull(hours.core()));
  }

  /** Turns a forecast into its answer. */
  public static DryingAnswer of(DryingForecast forecast) {
    var hours = forecast.hours();
    return new DryingAnswer(
        ceiling(forecast.ceiling()),
        forecast.setpointC(),
        forecast.airTemperatureC(),
        forecast.floorPercent(),
        forecast.targetPercent(),
        hours.outer().isPresent() && hours.mean().isPresent() && hours.core().isPresent(),
        hours(hours),
        forecast.series().stream()
            .map(p -> new SeriesPoint(p.hour(), p.outerPercent(), p.meanPercent(), p.corePercent()))
            .toList(),
        forecast.recipes().stream()
            .map(
                s ->
                    new RecipeResult(
                        s.name(),
                        s.setpointC(),
                        orNull(s.hours()),
                        s.outerPercent(),
                        s.meanPercent(),
                        s.corePercent(),
                        s.energyKWh(),
                        s.verdict()))
            .toList(),
        forecast.advice());
  }

  static Double orNull(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }
}
