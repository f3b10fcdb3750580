package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.SpoolMoistureModel;
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
 * @param schools how long and how hot practitioners dry, with what comes of it
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
    List<School> schools,
    List<String> advice) {

  /** Longest cycle that is followed: ten days. */
  public static final double LONGEST_HOURS = 240;

  private static final double STEP_S = 450;

  /** Heat capacity of an empty reel, 0.2 kg of polymer. */
  static final double REEL_CAPACITY_J_PER_K = 300;

  private static final int CURVE_POINTS = 72;

  /**
   * Hours until the moisture stays below the target; none where that does not happen in ten days.
   */
  public record HoursToTarget(OptionalDouble outer, OptionalDouble mean, OptionalDouble core) {}

  /** Moisture at one time of a cycle. */
  public record Point(double hour, double outerPercent, double meanPercent, double corePercent) {

    private static Point of(double hour, MoistureProfile profile) {
      return new Point(hour, profile.outerPercent(), profile.meanPercent(), profile.corePercent());
    }
  }

  /**
   * A way of drying and what comes of it.
   *
   * @param hours none when it never ends
   * @param verdict the result in words
   */
  public record School(
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
   * @param setpointC wanted setpoint; none for the recommended one
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
    DryingCeiling ceiling = DryingCeiling.of(material, reel, dryer);
    double setpoint = setpointC.orElseGet(() -> ceiling.recommendedSetpointC(material, dryer));
    checkSetpoint(setpoint, dryer, room);
    double target = targetPercent.orElse(material.dryTargetPercent());
    Require.within("limitPercent", target, 1e-4, 50, "%");
    Run run = new Run(material, start, dryer, room, target);
    Cycle cycle = run.atSetpoint(setpoint);
    Schools schools = new Schools(material, dryer, run, ceiling, cycle);
    return new DryingForecast(
        ceiling,
        setpoint,
        setpoint + dryer.biasC(),
        run.floorPercent(setpoint),
        target,
        cycle.hours(),
        cycle.curve(CURVE_POINTS),
        schools.compared(),
        new DryingAdvice(material, reel, dryer, room, ceiling, run, cycle, target).lines());
  }

  static void checkSetpoint(double setpoint, Dryer dryer, MoistAir room) {
    Require.within(
        "dryer.setpointC",
        setpoint,
        20,
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

  /** Runs cycles of one spool in one dryer and room. */
  static final class Run {
    private final Material material;
    private final SpoolState start;
    private final Dryer dryer;
    private final MoistAir room;
    private final double target;

    Run(Material material, SpoolState start, Dryer dryer, MoistAir room, double target) {
      this.material = material;
      this.start = start;
      this.dryer = dryer;
      this.room = room;
      this.target = target;
    }

    double floorPercent(double setpoint) {
      double activity = room.relativeHumidityPercentAt(setpoint + dryer.biasC()) / 100;
      return 100 * material.sorption().moistureFraction(activity);
    }

    Cycle atSetpoint(double setpoint) {
      // Where the floor lies above the target, two days show the approach to it.
      double longest = floorPercent(setpoint) < target ? LONGEST_HOURS : 48;
      return follow(setpoint, longest, true);
    }

    Cycle follow(double setpoint, double hours, boolean untilDry) {
      double air = setpoint + dryer.biasC();
      ClimateSeries climate =
          ClimateSeries.constant(
              new MoistAir(air, Math.min(100, room.relativeHumidityPercentAt(air))));
      AirContact contact =
          dryer.airChangesPerHour().isPresent()
              ? AirContact.ventedChamber(
                  dryer.airChangesPerHour().getAsDouble(), dryer.volumeL() / 1000, 1)
              : AirContact.FORCED;
      SpoolMoistureModel model =
          new SpoolMoistureModel(
              material.sorption(),
              material.diffusion(),
              material.heatCapacityJPerKgK(),
              SpoolMoistureModel.Options.STANDARD.withMaxStep(STEP_S));
      SpoolState state = start.copy();
      List<Point> points = new ArrayList<>();
      points.add(Point.of(0, state.profile()));
      double hour = 0;
      boolean dry = false;
      // A little past the goal, so that the curve shows it being crossed.
      while (hour < hours && !dry) {
        double next = Math.min(hours, hour + Math.max(1, Math.ceil(hour / 8)));
        model.advance(
            state,
            climate,
            contact,
            3600 * hour,
            3600 * next,
            (time, now) -> points.add(Point.of(time / 3600, now.profile())));
        hour = next;
        dry = untilDry && driest(points);
      }
      double load =
          start.winding().dryMassKg() * material.heatCapacityJPerKgK() + REEL_CAPACITY_J_PER_K;
      double energy =
          DryerEnergy.kWh(dryer, room, air, hour, load, start.waterKg() - state.waterKg());
      return new Cycle(setpoint, points, target, energy, load);
    }

    private boolean driest(List<Point> points) {
      Point last = points.get(points.size() - 1);
      return last.hour() >= 4
          && Math.max(last.outerPercent(), Math.max(last.meanPercent(), last.corePercent()))
              < 0.9 * target;
    }

    double energyKWh(double setpoint, double hours, Cycle cycle) {
      Point end = cycle.at(hours);
      double driven =
          (cycle.points().get(0).meanPercent() - end.meanPercent())
              / 100
              * start.winding().dryMassKg();
      return DryerEnergy.kWh(
          dryer, room, setpoint + dryer.biasC(), hours, cycle.loadJPerK(), driven);
    }
  }

  /** A followed cycle. */
  record Cycle(
      double setpointC, List<Point> points, double target, double energyKWh, double loadJPerK) {

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
    return SaturationPressure.temperatureC(room.vapourPressurePa() / activity);
  }
}
