package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import mindspool.core.EndedEarlyException;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingForecast.Cycle;
import mindspool.core.drying.DryingForecast.HoursToTarget;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolState;

/**
 * One pass of spools through a cycle, all in the air that they share ({@link SharedAir}): the one
 * engine behind the forecast of a spool, of a load, and the hours of a plan. A spool alone is a
 * load of one.
 *
 * <p>A spool is dry when its outer wraps, its mean and its core are at or below its target.
 */
final class CycleRun {

  /** A little past the goal, so that a curve shows it being crossed. */
  private static final double PAST_GOAL = 0.9;

  /** Shorter curves tell little. */
  private static final double SHORTEST_CURVE_H = 4;

  /** Sooner nobody takes a spool out. */
  private static final double SOONEST_OUT_H = 1;

  /**
   * Steps of the shared air; within them each spool's model takes its own. They grow with the time
   * passed, because drying slows likewise.
   *
   * @param firstS the shortest
   * @param share of the time passed
   * @param longestS the longest
   */
  record Steps(double firstS, double share, double longestS) {

    /** For what is shown. */
    static final Steps FINE = new Steps(300, 0.05, 3600);

    /** For plans that ask for hundreds: within 1 % of the others in hours. */
    static final Steps COARSE = new Steps(900, 0.08, Double.POSITIVE_INFINITY);
  }

  /** Models of runs that are only compared with one another, drawn, or planned by. */
  static final Options ROUGH = Options.STANDARD.withTolerance(8e-3);

  private final List<LoadedSpool> loadedSpools;
  private final Dryer dryer;
  private final MoistAir room;
  private final double setpointC;
  private final CycleAir warmth;
  private final Steps steps;
  private final SharedAir shared;
  private final List<SharedAir.Occupant> spools = new ArrayList<>();
  private final List<List<Point>> points = new ArrayList<>();
  private final List<LoadCourse.Vapour> vapour = new ArrayList<>();
  private final List<Integer> inside;
  private double timeS;

  /**
   * At the start of a cycle.
   *
   * @param setpointC as the dial says
   * @param startC setpoint of the first {@link DampStart#HOURS}, at most {@code setpointC}
   * @param lots how each spool differs from what is believed of it
   */
  CycleRun(
      List<LoadedSpool> loadedSpools,
      Dryer dryer,
      MoistAir room,
      double startC,
      double setpointC,
      Lots lots,
      Options options,
      Steps steps) {
    this.loadedSpools = loadedSpools;
    this.dryer = dryer;
    this.room = room;
    this.setpointC = setpointC;
    this.steps = steps;
    this.shared = new SharedAir(dryer, room);
    this.warmth =
        new CycleAir(
            room,
            Math.max(room.temperatureC(), Math.min(startC, setpointC) + dryer.biasC()),
            setpointC + dryer.biasC(),
            dryer.behaviour().warmingTimeS());
    this.inside = new ArrayList<>(IntStream.range(0, loadedSpools.size()).boxed().toList());
    for (int i = 0; i < loadedSpools.size(); i++) {
      LoadedSpool loaded = loadedSpools.get(i);
      double[] factors = lots.factors(i);
      SpoolMoistureModel model =
          new SpoolMoistureModel(loaded.material().ofLot(factors[0], factors[1]), options);
      SpoolState start = loaded.start().withContentScaled(factors[2], factors[3]);
      spools.add(new SharedAir.Occupant(model, start));
      points.add(new ArrayList<>(List.of(Point.of(0, start.profile()))));
    }
  }

  /** Goes on to an hour, or until all are dry and a little more. */
  void followUntilDry(double hours) {
    follow(hours, () -> lastHour() >= SHORTEST_CURVE_H && allDry(PAST_GOAL));
  }

  /** Goes on to an hour, or until all are dry, each taken out as soon as it is. */
  void followTakingOut(double hours) {
    follow(
        hours,
        () -> {
          inside.removeIf(i -> lastHour() >= SOONEST_OUT_H && dry(i, 1));
          return inside.isEmpty();
        });
  }

  /** Goes on to an hour. */
  void follow(double hours) {
    follow(hours, () -> false);
  }

  /** Goes on to an hour, or until it is over; called again it goes on where it was. */
  void follow(double hours, BooleanSupplier over) {
    double lastS = 3600 * hours;
    double jumpS = 3600 * DampStart.HOURS;
    while (timeS < lastS - 1) {
      EndedEarlyException.throwIfInterrupted();
      double step =
          Math.min(steps.longestS, Math.max(steps.firstS, Math.floor(steps.share * timeS)));
      double end = Math.min(lastS, timeS + step);
      if (timeS < jumpS && end > jumpS) {
        end = jumpS;
      }
      double celsius = warmth.temperatureC(0.5 * (timeS + end));
      shared.advance(inside.stream().map(spools::get).toList(), celsius, timeS, end);
      timeS = end;
      for (int i : inside) {
        points.get(i).add(Point.of(lastHour(), spools.get(i).state().profile()));
      }
      vapour.add(
          new LoadCourse.Vapour(
              lastHour(),
              shared.vapourPressurePa(),
              100 * shared.vapourPressurePa() / SaturationPressure.atCelsius(celsius)));
      if (over.getAsBoolean()) {
        return;
      }
    }
  }

  private boolean allDry(double share) {
    return inside.stream().allMatch(i -> dry(i, share));
  }

  private boolean dry(int i, double share) {
    List<Point> course = points.get(i);
    return course.get(course.size() - 1).wettestPercent()
        <= share * loadedSpools.get(i).targetPercent();
  }

  double lastHour() {
    return timeS / 3600;
  }

  /** Energy for so many hours of it, as far as it was followed, kWh. */
  double energyKWh(double hours) {
    double capacityJPerK = 0;
    double waterKg = 0;
    for (int i = 0; i < loadedSpools.size(); i++) {
      LoadedSpool loaded = loadedSpools.get(i);
      double dryKg = loaded.start().winding().dryMassKg();
      capacityJPerK +=
          dryKg * loaded.material().heatCapacityJPerKgK() + DryingForecast.REEL_CAPACITY_J_PER_K;
      double before = points.get(i).get(0).meanPercent();
      waterKg += dryKg * (before - cycle(i).at(hours).meanPercent()) / 100;
    }
    return DryerEnergy.kWh(dryer, room, setpointC + dryer.biasC(), hours, capacityJPerK, waterKg);
  }

  /** Vapour inside after each step. */
  List<LoadCourse.Vapour> vapour() {
    return vapour;
  }

  SpoolState state(int i) {
    return spools.get(i).state();
  }

  List<SpoolState> ends() {
    return spools.stream().map(SharedAir.Occupant::state).toList();
  }

  Cycle cycle(int i) {
    return new Cycle(setpointC, points.get(i), loadedSpools.get(i).targetPercent());
  }

  /** Of each spool, in their order. */
  List<HoursToTarget> hoursToTarget() {
    return IntStream.range(0, spools.size()).mapToObj(i -> cycle(i).hours()).toList();
  }

  /** When the last is dry; none where one is not. */
  OptionalDouble lastHours() {
    double last = 0;
    for (HoursToTarget hours : hoursToTarget()) {
      if (hours.all().isEmpty()) {
        return OptionalDouble.empty();
      }
      last = Math.max(last, hours.all().getAsDouble());
    }
    return OptionalDouble.of(last);
  }
}
