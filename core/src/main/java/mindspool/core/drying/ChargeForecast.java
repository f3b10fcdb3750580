package mindspool.core.drying;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.drying.Charge.Load;
import mindspool.core.drying.DryingForecast.Cycle;
import mindspool.core.drying.DryingForecast.HoursToTarget;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.moisture.MoistureBand;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolState;

/**
 * What a cycle does to several spools in one dryer: the common setpoint, who allows no more, each
 * spool's way to its target with its 80 % band, who comes last, and what taking the early ones out
 * would save.
 *
 * @param setpointC common setpoint
 * @param airTemperatureC true air temperature at that setpoint
 * @param heldBackBy index of the spool whose ceiling is lowest
 * @param withoutItC setpoint that the others would allow without it; equal where it does not matter
 * @param spools in the order of the charge
 * @param lastHours until the last spool is dry to the core; none where one never is
 * @param lastHoursTakingOut the same if each spool is taken out as soon as it is dry
 * @param air humidity inside over time
 * @param energyKWh until the last is dry, or of the span followed
 */
public record ChargeForecast(
    double setpointC,
    double airTemperatureC,
    int heldBackBy,
    double withoutItC,
    List<SpoolCourse> spools,
    OptionalDouble lastHours,
    OptionalDouble lastHoursTakingOut,
    List<AirPoint> air,
    double energyKWh) {

  /** Steps grow with the time passed, one twentieth of it, because drying slows likewise. */
  private static final double FIRST_STEP_S = 300;

  private static final double STEP_GROWTH = 20;
  private static final double LONGEST_STEP_S = 3600;
  private static final double SHOWN_WHERE_NEVER_H = 48;
  private static final int CURVE_POINTS = 60;

  /** Warm after three of these; a purpose-made dryer takes half an hour (grade C). */
  private static final double WARMING_TIME_S = 600;

  /** For runs that are only compared with one another. */
  private static final Options ROUGH = Options.STANDARD.withTolerance(8e-3);

  /** Humidity inside at a time, %. */
  public record AirPoint(double hour, double relativeHumidityPercent) {}

  /** Mean moisture and its 80 % band at a time. */
  public record BandPoint(double hour, double meanPercent, double lowPercent, double highPercent) {}

  /**
   * One spool's course.
   *
   * @param floorPercent moisture in balance with the room's air once heated: never gets below
   * @param curve outer, mean and core over time
   * @param band mean with its band
   */
  public record SpoolCourse(
      String name,
      DryingCeiling ceiling,
      double floorPercent,
      double targetPercent,
      HoursToTarget hours,
      List<Point> curve,
      List<BandPoint> band) {}

  /**
   * Forecast for a charge.
   *
   * @param setpointC wanted setpoint; none for what the one that wants most likes, as far as all
   *     allow
   */
  public static ChargeForecast of(
      Charge charge, Dryer dryer, MoistAir room, OptionalDouble setpointC) {
    List<DryingCeiling> ceilings =
        charge.spools().stream()
            .map(load -> DryingCeiling.of(load.material(), load.reel(), dryer))
            .toList();
    double[] wanted =
        IntStream.range(0, ceilings.size())
            .mapToDouble(
                i -> ceilings.get(i).recommendedSetpointC(charge.spools().get(i).material(), dryer))
            .toArray();
    int lowest =
        IntStream.range(0, wanted.length)
            .boxed()
            .min(Comparator.comparingDouble(i -> ceilings.get(i).temperatureC()))
            .orElseThrow();
    double setpoint = setpointC.orElseGet(() -> common(ceilings, wanted, -1));
    DryingForecast.checkSetpoint(setpoint, dryer, room);
    double without =
        wanted.length == 1 ? setpoint : Math.max(setpoint, common(ceilings, wanted, lowest));
    return new Followed(charge, dryer, room, setpoint, ceilings).forecast(lowest, without);
  }

  /** As warm as the one that wants most likes it, but no warmer than any allows. */
  private static double common(List<DryingCeiling> ceilings, double[] wanted, int leftOut) {
    double most = 20;
    double allowed = Double.POSITIVE_INFINITY;
    for (int i = 0; i < wanted.length; i++) {
      if (i != leftOut) {
        most = Math.max(most, wanted[i]);
        allowed = Math.min(allowed, ceilings.get(i).temperatureC());
      }
    }
    return Math.min(most, allowed);
  }

  /** Runs of one charge at one setpoint. */
  private static final class Followed {
    private final Charge charge;
    private final Dryer dryer;
    private final MoistAir room;
    private final double setpoint;
    private final double airC;
    private final List<DryingCeiling> ceilings;

    Followed(
        Charge charge, Dryer dryer, MoistAir room, double setpoint, List<DryingCeiling> ceilings) {
      this.charge = charge;
      this.dryer = dryer;
      this.room = room;
      this.setpoint = setpoint;
      this.airC = setpoint + dryer.biasC();
      this.ceilings = ceilings;
    }

    double floorPercent(Load load) {
      return 100
          * load.material().sorption().moistureFraction(room.relativeHumidityPercentAt(airC) / 100);
    }

    ChargeForecast forecast(int lowest, double withoutItC) {
      boolean all =
          charge.spools().stream().allMatch(load -> floorPercent(load) < load.targetPercent());
      Run run = run(1, 1, 0, Options.STANDARD);
      run.follow(all ? DryingForecast.LONGEST_HOURS : SHOWN_WHERE_NEVER_H, false);
      Run early = run(1, 1, 0, ROUGH);
      if (all && charge.spools().size() > 1) {
        early.follow(DryingForecast.LONGEST_HOURS, true);
      }
      List<Run> varied =
          List.of(
              run(1, 1, 0, ROUGH),
              run(Math.exp(MoistureBand.LOG_DIFFUSION_SD), 1, 0, ROUGH),
              run(1, Math.exp(MoistureBand.LOG_SORPTION_SD), 0, ROUGH),
              run(1, 1, 1, ROUGH));
      varied.parallelStream().forEach(each -> each.follow(run.lastHour(), false, true));
      List<SpoolCourse> courses = new ArrayList<>();
      for (int i = 0; i < charge.spools().size(); i++) {
        courses.add(course(i, run, varied));
      }
      OptionalDouble last = last(run.hoursToTarget());
      double hours = last.orElse(run.lastHour());
      return new ChargeForecast(
          setpoint,
          airC,
          lowest,
          withoutItC,
          courses,
          last,
          charge.spools().size() > 1 && all ? last(early.hoursToTarget()) : last,
          thinned(run.air),
          energyKWh(run, hours));
    }

    private Run run(double diffusion, double sorption, double startSpreads, Options options) {
      return new Run(this, diffusion, sorption, startSpreads, options);
    }

    private SpoolCourse course(int i, Run run, List<Run> varied) {
      Load load = charge.spools().get(i);
      Cycle cycle = run.cycle(i);
      List<BandPoint> band = new ArrayList<>();
      for (Point point : cycle.curve(CURVE_POINTS)) {
        double centre = varied.get(0).cycle(i).at(point.hour()).meanPercent();
        double sum = 0;
        for (Run other : varied.subList(1, varied.size())) {
          double off = other.cycle(i).at(point.hour()).meanPercent() - centre;
          sum += off * off;
        }
        double half = ProfileBand.EIGHTY_PERCENT_SD * Math.sqrt(sum);
        band.add(
            new BandPoint(
                point.hour(),
                point.meanPercent(),
                Math.max(0, point.meanPercent() - half),
                point.meanPercent() + half));
      }
      return new SpoolCourse(
          load.name(),
          ceilings.get(i),
          floorPercent(load),
          load.targetPercent(),
          cycle.hours(),
          cycle.curve(CURVE_POINTS),
          band);
    }

    private double energyKWh(Run run, double hours) {
      double capacity = 0;
      double water = 0;
      for (int i = 0; i < charge.spools().size(); i++) {
        Load load = charge.spools().get(i);
        double dry = load.start().winding().dryMassKg();
        capacity +=
            dry * load.material().heatCapacityJPerKgK() + DryingForecast.REEL_CAPACITY_J_PER_K;
        double left = run.cycle(i).at(hours).meanPercent();
        water += dry * (run.cycle(i).points().get(0).meanPercent() - left) / 100;
      }
      return DryerEnergy.kWh(dryer, room, airC, hours, capacity, water);
    }

    private static OptionalDouble last(List<HoursToTarget> all) {
      double last = 0;
      for (HoursToTarget hours : all) {
        for (OptionalDouble each : List.of(hours.outer(), hours.mean(), hours.core())) {
          if (each.isEmpty()) {
            return OptionalDouble.empty();
          }
          last = Math.max(last, each.getAsDouble());
        }
      }
      return OptionalDouble.of(last);
    }

    private static List<AirPoint> thinned(List<AirPoint> air) {
      int every = Math.max(1, air.size() / (2 * CURVE_POINTS));
      return IntStream.range(0, air.size())
          .filter(i -> i % every == 0 || i == air.size() - 1)
          .mapToObj(air::get)
          .toList();
    }
  }

  /** One pass through the cycle with certain polymers. */
  private static final class Run {
    private final Followed of;
    private final List<SharedAir.Occupant> spools = new ArrayList<>();
    private final List<List<Point>> points = new ArrayList<>();
    private final List<AirPoint> air = new ArrayList<>();

    Run(
        Followed of,
        double diffusionFactor,
        double sorptionFactor,
        double startSpreads,
        Options options) {
      this.of = of;
      for (Load load : of.charge.spools()) {
        SpoolMoistureModel model =
            new SpoolMoistureModel(
                load.material().sorption().scaled(sorptionFactor),
                load.material().diffusion().scaled(diffusionFactor),
                load.material().heatCapacityJPerKgK(),
                options);
        double water = sorptionFactor * Math.max(0.05, 1 + startSpreads * load.startSpread());
        SpoolState start = load.start().withContentScaled(water);
        spools.add(new SharedAir.Occupant(model, start));
        points.add(new ArrayList<>(List.of(point(0, start))));
      }
    }

    private static Point point(double hour, SpoolState state) {
      MoistureProfile profile = state.profile();
      return new Point(hour, profile.outerPercent(), profile.meanPercent(), profile.corePercent());
    }

    void follow(double hours, boolean takingOut) {
      follow(hours, takingOut, false);
    }

    /** Until all are dry, or so many hours; {@code toTheEnd} goes on although all are dry. */
    void follow(double hours, boolean takingOut, boolean toTheEnd) {
      double exchange =
          of.dryer.airChangesPerHour().isPresent()
              ? of.dryer.airChangesPerHour().getAsDouble() * of.dryer.volumeL() / 1000 / 3600
              : Double.POSITIVE_INFINITY;
      SharedAir shared = new SharedAir(of.dryer.volumeL() / 1000, exchange, of.room);
      List<Integer> inside = new ArrayList<>(IntStream.range(0, spools.size()).boxed().toList());
      double time = 0;
      while (time < 3600 * hours - 1 && !inside.isEmpty()) {
        double step =
            Math.min(LONGEST_STEP_S, Math.max(FIRST_STEP_S, Math.floor(time / STEP_GROWTH)));
        double end = Math.min(3600 * hours, time + step);
        double middle = 0.5 * (time + end);
        double celsius =
            of.room.temperatureC()
                - (of.airC - of.room.temperatureC()) * Math.expm1(-middle / WARMING_TIME_S);
        shared.advance(inside.stream().map(spools::get).toList(), celsius, time, end);
        time = end;
        double hour = time / 3600;
        for (int i : inside) {
          points.get(i).add(point(hour, spools.get(i).state()));
        }
        air.add(
            new AirPoint(
                hour, 100 * shared.vapourPressurePa() / SaturationPressure.atCelsius(celsius)));
        if (takingOut) {
          inside.removeIf(i -> hour >= 1 && dry(i, 1));
        } else if (!toTheEnd && hour >= 4 && inside.stream().allMatch(i -> dry(i, 0.9))) {
          break;
        }
      }
    }

    private boolean dry(int i, double share) {
      Point last = points.get(i).get(points.get(i).size() - 1);
      return Math.max(last.outerPercent(), Math.max(last.meanPercent(), last.corePercent()))
          <= share * of.charge.spools().get(i).targetPercent();
    }

    double lastHour() {
      return points.stream().mapToDouble(each -> each.get(each.size() - 1).hour()).max().orElse(0);
    }

    Cycle cycle(int i) {
      return new Cycle(of.setpoint, points.get(i), of.charge.spools().get(i).targetPercent(), 0, 0);
    }

    List<HoursToTarget> hoursToTarget() {
      return IntStream.range(0, spools.size()).mapToObj(i -> cycle(i).hours()).toList();
    }
  }
}
