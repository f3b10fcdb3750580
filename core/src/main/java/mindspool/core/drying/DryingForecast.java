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
  private static final double LOWEST_DIAL_C = 20;

  /** Heat capacity of an empty reel, 0.2 kg of polymer. */
  public static final double REEL_CAPACITY_J_PER_K = 300;

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
    Run run =
        new Run(
            material,
            start,
            dryer,
            room,
            target,
            setpointC.isPresent() ? Double.POSITIVE_INFINITY : ceiling.startC());
    Cycle cycle = run.atSetpoint(setpoint);
    Schools schools = new Schools(material, dryer, run, ceiling, cycle);
    return new DryingForecast(
        ceiling,
        setpoint,
        setpoint + dryer.biasC(),
        run.floorPercent(setpoint),
        target,
        ceiling.refusal().isPresent() ? HoursToTarget.NONE : cycle.hours(),
        cycle.curve(CURVE_POINTS),
        schools.compared(),
        new DryingAdvice(material, dryer, room, ceiling, run, cycle, target).lines());
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
   * Runs cycles of one spool in one dryer and room; {@code startC} is the highest setpoint of the
   * first hours.
   */
  static final class Run {
    private final Material material;
    private final SpoolState start;
    private final Dryer dryer;
    private final MoistAir room;
    private final double target;
    private final double startC;

    Run(
        Material material,
        SpoolState start,
        Dryer dryer,
        MoistAir room,
        double target,
        double startC) {
      this.startC = startC;
      this.material = material;
      this.start = start;
      this.dryer = dryer;
      this.room = room;
      this.target = target;
    }

    double floorPercent(double setpoint) {
      double activity = dryer.driestPercentAt(setpoint + dryer.biasC(), room) / 100;
      return 100 * material.sorption().moistureFraction(activity);
    }

    Cycle atSetpoint(double setpoint) {
      // Where the floor lies above the target, two days show the approach to it.
      double longest = floorPercent(setpoint) < target ? LONGEST_HOURS : 48;
      return follow(setpoint, longest, true);
    }

    Cycle follow(double setpoint, double hours, boolean untilDry) {
      double air = setpoint + dryer.biasC();
      Passing passing = passing(setpoint, air);
      List<Point> points = new ArrayList<>();
      points.add(Point.of(0, start.profile()));
      double hour = 0;
      boolean dry = false;
      // A little past the goal, so that the curve shows it being crossed.
      while (hour < hours && !dry) {
        double next = Math.min(hours, hour + Math.max(1, Math.ceil(hour / 8)));
        passing.until(next, points);
        hour = next;
        dry = untilDry && driest(points);
      }
      double load =
          start.winding().dryMassKg() * material.heatCapacityJPerKgK() + REEL_CAPACITY_J_PER_K;
      double energy =
          DryerEnergy.kWh(
              dryer, room, air, hour, load, start.waterKg() - passing.state().waterKg());
      return new Cycle(setpoint, points, target, energy, load);
    }

    private Passing passing(double setpoint, double airC) {
      double first = Math.min(setpoint, startC);
      CycleAir warmth =
          new CycleAir(
              dryer.inlet(room),
              Math.max(room.temperatureC(), first + dryer.biasC()),
              airC,
              dryer.behaviour().warmingTimeS());
      SpoolMoistureModel model =
          new SpoolMoistureModel(
              material.sorption(),
              material.diffusion(),
              material.heatCapacityJPerKgK(),
              SpoolMoistureModel.Options.STANDARD.withMaxStep(STEP_S));
      return dryer.desiccant().isPresent()
          ? new OverDesiccant(model, start, warmth, new SharedAir(dryer, room))
          : new InRoomAir(model, start.copy(), warmth.ventedFreely(), contact());
    }

    private AirContact contact() {
      return dryer.airChangesPerHour().isPresent()
          ? AirContact.ventedChamber(
              dryer.airChangesPerHour().getAsDouble(), dryer.volumeL() / 1000, 1)
          : AirContact.FORCED;
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

  /** A spool on its way through a cycle. */
  private interface Passing {

    /** Goes on to an hour, noting what it comes by. */
    void until(double hour, List<Point> points);

    SpoolState state();
  }

  /** In the room's heated air, its exchange with it as a resistance. */
  private static final class InRoomAir implements Passing {
    private final SpoolMoistureModel model;
    private final SpoolState state;
    private final ClimateSeries air;
    private final AirContact contact;
    private double hour;

    InRoomAir(SpoolMoistureModel model, SpoolState state, ClimateSeries air, AirContact contact) {
      this.model = model;
      this.state = state;
      this.air = air;
      this.contact = contact;
    }

    @Override
    public void until(double next, List<Point> points) {
      model.advance(
          state,
          air,
          contact,
          3600 * hour,
          3600 * next,
          (time, now) -> points.add(Point.of(time / 3600, now.profile())));
      hour = next;
    }

    @Override
    public SpoolState state() {
      return state;
    }
  }

  /** In air that desiccant dries. */
  private static final class OverDesiccant implements Passing {
    private final SharedAir.Occupant spool;
    private final CycleAir warmth;
    private final SharedAir shared;
    private double timeS;

    OverDesiccant(SpoolMoistureModel model, SpoolState start, CycleAir warmth, SharedAir shared) {
      this.spool = new SharedAir.Occupant(model, start);
      this.warmth = warmth;
      this.shared = shared;
    }

    @Override
    public void until(double hour, List<Point> points) {
      while (timeS < 3600 * hour - 1) {
        double end = Math.min(3600 * hour, timeS + STEP_S);
        shared.advance(List.of(spool), warmth.temperatureC(0.5 * (timeS + end)), timeS, end);
        timeS = end;
        points.add(Point.of(timeS / 3600, spool.state().profile()));
      }
    }

    @Override
    public SpoolState state() {
      return spool.state();
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
