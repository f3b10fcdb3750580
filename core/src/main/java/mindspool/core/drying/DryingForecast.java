package mindspool.core.drying;

import static mindspool.core.PhysicalConstants.kelvin;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.ReelKind;

/**
 * What a cycle does to one spool: the safe setpoint, the moisture below which the room's air cannot
 * take it, and the hours until outer wraps, mean and core are dry.
 *
 * @param ceiling highest safe setpoint and who sets it
 * @param setpointC setpoint of the forecast
 * @param airTemperatureC true air temperature at that setpoint
 * @param floorPercent moisture in balance with the room's air once heated: never gets below
 * @param targetPercent moisture at which drying aims
 * @param hours until the target
 * @param series curves against time
 * @param recipes how long and how hot practitioners dry, with what comes of it; none where no time
 *     is offered
 * @param advice why it cannot be reached and what would help, or cautions; most useful first
 */
public record DryingForecast(
    DryingCeiling ceiling,
    double setpointC,
    double airTemperatureC,
    double floorPercent,
    double targetPercent,
    HoursToTarget hours,
    List<Point> series,
    List<Recipe> recipes,
    List<String> advice) {

  /** Longest cycle that is followed: ten days. */
  public static final double LONGEST_HOURS = 240;

  /** Dryers are not set lower, °C. */
  private static final double LOWEST_DIAL_C = 20;

  /** The heat of sorption is a tenth of that of evaporation: each round leaves a tenth. */
  private static final int SETTLING = 12;

  /** Heat capacity of an empty reel, 0.2 kg of polymer. */
  public static final double REEL_CAPACITY_J_PER_K = 300;

  /** Points of a drawn curve. */
  private static final int CURVE_POINTS = 72;

  /**
   * Hours until the moisture stays below the target; none where that does not happen in ten days.
   */
  public record HoursToTarget(OptionalDouble outer, OptionalDouble mean, OptionalDouble core) {

    /** When the last of the three is; none where one never is. */
    public OptionalDouble all() {
      return outer.isPresent() && mean.isPresent() && core.isPresent()
          ? OptionalDouble.of(
              Math.max(outer.getAsDouble(), Math.max(mean.getAsDouble(), core.getAsDouble())))
          : OptionalDouble.empty();
    }

    static final HoursToTarget NONE =
        new HoursToTarget(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
  }

  /** Moisture at one time of a cycle. */
  public record Point(double hour, double outerPercent, double meanPercent, double corePercent) {

    /** The wettest of the three: what is to come down to a target. */
    double wettestPercent() {
      return Math.max(outerPercent, Math.max(meanPercent, corePercent));
    }

    /** What a profile says at an hour. */
    public static Point of(double hour, MoistureProfile profile) {
      return new Point(hour, profile.outerPercent(), profile.meanPercent(), profile.corePercent());
    }
  }

  /**
   * A way of drying and what comes of it.
   *
   * @param hours none when it never ends
   * @param verdict the result in words
   */
  public record Recipe(
      String name,
      double setpointC,
      OptionalDouble hours,
      double outerPercent,
      double meanPercent,
      double corePercent,
      double energyKWh,
      String verdict) {}

  /**
   * Forecast for a spool.
   *
   * @param start its state; not changed
   * @param setpointC wanted setpoint, kept to from the first minute; none for the recommended one,
   *     which begins cooler where the filament is damp
   * @param targetPercent wanted moisture; none for the material's dry target
   */
  public static DryingForecast of(
      Material material,
      SpoolState start,
      ReelKind reel,
      Dryer dryer,
      MoistAir room,
      OptionalDouble setpointC,
      OptionalDouble targetPercent) {
    DryingCeiling ceiling = DryingCeiling.of(material, reel, dryer, start.profile().meanPercent());
    double setpoint =
        setpointC.orElseGet(
            () ->
                Math.max(
                    lowestSetpointC(dryer, room), ceiling.recommendedSetpointC(material, dryer)));
    checkSetpoint(setpoint, dryer, room);
    double target = targetPercent.orElse(material.dryTargetPercent());
    Require.within("limitPercent", target, 1e-4, 50, "%");
    LoadedSpool loaded = new LoadedSpool("", material, start, reel, target, Belief.anyLot(0));
    Runs runs =
        new Runs(
            loaded,
            dryer,
            room,
            setpointC.isPresent() ? Double.POSITIVE_INFINITY : ceiling.startC());
    CycleRun run = runs.untilDry(setpoint);
    Cycle cycle = run.cycle(0);
    boolean refused = ceiling.refusal().isPresent();
    return new DryingForecast(
        ceiling,
        setpoint,
        setpoint + dryer.biasC(),
        runs.floorPercent(setpoint),
        target,
        refused ? HoursToTarget.NONE : cycle.hours(),
        cycle.curve(CURVE_POINTS),
        refused ? List.of() : new Recipes(material, dryer, runs, ceiling, run).compared(),
        new DryingAdvice(material, dryer, room, ceiling, runs, cycle, target).lines());
  }

  /** A dial goes no lower, and no dryer cools; where a ceiling lies below, nothing is offered. */
  static double lowestSetpointC(Dryer dryer, MoistAir room) {
    return Math.min(
        dryer.ratedMaxC(), Math.max(LOWEST_DIAL_C, room.temperatureC() - dryer.biasC()));
  }

  static void checkSetpoint(double setpoint, Dryer dryer, MoistAir room) {
    Require.within(
        "dryer.setpointC",
        setpoint,
        LOWEST_DIAL_C,
        dryer.ratedMaxC(),
        "°C",
        "The upper end is what this dryer is rated for.");
    double air = setpoint + dryer.biasC();
    SpoolMoistureModel.checkTemperature("dryer.setpointC", air);
    if (air < room.temperatureC()) {
      throw new InvalidValueException(
          "dryer.setpointC",
          Require.plain(setpoint) + " °C",
          "air at or above the room's " + Require.plain(room.temperatureC()) + " °C",
          "A dryer only warms.");
    }
  }

  /**
   * Runs cycles of one spool, a load of one, in one dryer and room.
   *
   * @param startC highest setpoint of the first hours
   */
  record Runs(LoadedSpool loaded, Dryer dryer, MoistAir room, double startC) {

    double floorPercent(double setpoint) {
      return dryer.floorPercent(loaded.material().sorption(), setpoint, room);
    }

    CycleRun untilDry(double setpoint) {
      CycleRun run = at(setpoint);
      // Where the floor lies above the target, two days show the approach to it.
      run.followUntilDry(floorPercent(setpoint) < loaded.targetPercent() ? LONGEST_HOURS : 48);
      return run;
    }

    CycleRun of(double setpoint, double hours) {
      CycleRun run = at(setpoint);
      run.follow(hours);
      return run;
    }

    private CycleRun at(double setpoint) {
      return new CycleRun(
          List.of(loaded),
          dryer,
          room,
          startC,
          setpoint,
          Lots.ALIKE,
          Options.STANDARD,
          CycleRun.Steps.FINE);
    }
  }

  /** A followed cycle. */
  record Cycle(double setpointC, List<Point> points, double target) {

    HoursToTarget hours() {
      return new HoursToTarget(
          lastAbove(Point::outerPercent),
          lastAbove(Point::meanPercent),
          lastAbove(Point::corePercent));
    }

    /** Hour from which a moisture stays at or below the target. */
    private OptionalDouble lastAbove(ToDoubleFunction<Point> moisture) {
      int i = points.size() - 1;
      if (moisture.applyAsDouble(points.get(i)) > target) {
        return OptionalDouble.empty();
      }
      while (i > 0 && moisture.applyAsDouble(points.get(i - 1)) <= target) {
        i--;
      }
      if (i == 0) {
        return OptionalDouble.of(0);
      }
      double above = moisture.applyAsDouble(points.get(i - 1));
      double below = moisture.applyAsDouble(points.get(i));
      double share = (above - target) / (above - below);
      double start = points.get(i - 1).hour();
      return OptionalDouble.of(start + share * (points.get(i).hour() - start));
    }

    Point at(double hour) {
      for (int i = 1; i < points.size(); i++) {
        Point next = points.get(i);
        if (next.hour() >= hour) {
          Point before = points.get(i - 1);
          double share = (hour - before.hour()) / (next.hour() - before.hour());
          return new Point(
              hour,
              between(before.outerPercent(), next.outerPercent(), share),
              between(before.meanPercent(), next.meanPercent(), share),
              between(before.corePercent(), next.corePercent(), share));
        }
      }
      return points.get(points.size() - 1);
    }

    private static double between(double a, double b, double share) {
      return a + share * (b - a);
    }

    double lastHour() {
      return points.get(points.size() - 1).hour();
    }

    List<Point> curve(int count) {
      List<Point> curve = new ArrayList<>();
      for (int i = 0; i <= count; i++) {
        curve.add(at(lastHour() * i / count));
      }
      return curve;
    }
  }

  /** Temperature at which the room's air, heated, would just allow a moisture; °C. */
  static double temperatureForFloor(Material material, MoistAir room, double percent) {
    double activity = material.sorption().activity(percent / 100);
    double celsius = room.temperatureC();
    for (int i = 0; i < SETTLING; i++) {
      double needed = activity * material.sorption().humidityFactor(kelvin(celsius));
      celsius = SaturationPressure.temperatureC(room.vapourPressurePa() / needed);
    }
    return celsius;
  }
}
