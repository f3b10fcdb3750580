package mindspool.core.drying;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingForecast.Cycle;
import mindspool.core.drying.DryingForecast.HoursToTarget;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolMoistureModel.Options;

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

  private static final double SHOWN_WHERE_NEVER_H = 48;

  /** Exceeded one time in ten. */
  private static final double SURE_SD = ProfileBand.EIGHTY_PERCENT_SD;

  private static final int CURVE_POINTS = 60;

  /** Below this, h, a drying time is no more than "at once". */
  private static final double LEAST_HOURS = 0.5;

  /** Weighings that are proposed as one row. */
  private static final int WEIGHINGS = 3;

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
   * Forecast for a charge.
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
            .min(Comparator.comparingDouble(i -> ceilings.get(i).temperatureC()))
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
    return new Followed(load, dryer, room, setpoint, start, ceilings).forecast(lowest, without);
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
    Followed quick = new Followed(load, dryer, room, setpointC, startC, List.of());
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

  /** Runs of one load at one setpoint. */
  private static final class Followed {
    private final DryerLoad load;
    private final Dryer dryer;
    private final MoistAir room;
    private final double setpoint;
    private final double startC;
    private final List<DryingCeiling> ceilings;

    Followed(
        DryerLoad load,
        Dryer dryer,
        MoistAir room,
        double setpoint,
        double startC,
        List<DryingCeiling> ceilings) {
      this.startC = startC;
      this.load = load;
      this.dryer = dryer;
      this.room = room;
      this.setpoint = setpoint;
      this.ceilings = ceilings;
    }

    private double floorPercent(LoadedSpool loaded) {
      return dryer.floorPercent(loaded.material().sorption(), setpoint, room);
    }

    LoadForecast forecast(int lowest, double withoutItC) {
      boolean all =
          load.spools().stream().allMatch(loaded -> floorPercent(loaded) < loaded.targetPercent());
      CycleRun run = run(Lots.ALIKE, Options.STANDARD);
      run.followUntilDry(all ? DryingForecast.LONGEST_HOURS : SHOWN_WHERE_NEVER_H);
      CycleRun early = run(Lots.ALIKE, CycleRun.ROUGH);
      if (all && load.spools().size() > 1) {
        early.followTakingOut(DryingForecast.LONGEST_HOURS);
      }
      List<CycleRun> varied = varied(run.lastHour(), CycleRun.Steps.FINE);
      Lots likeliestLate = likeliestLate(run, varied);
      CycleRun late = run(likeliestLate, CycleRun.ROUGH);
      CycleRun soon = run(likeliestLate.reversed(), CycleRun.ROUGH);
      if (all) {
        List.of(late, soon).parallelStream()
            .forEach(each -> each.followUntilDry(DryingForecast.LONGEST_HOURS));
        // Drawn as far as the hour that is sure.
        double shown = late.lastHours().orElse(run.lastHour());
        Stream.concat(Stream.of(run), varied.stream())
            .parallel()
            .forEach(each -> each.follow(shown));
      }
      List<SpoolCourse> courses = new ArrayList<>();
      for (int i = 0; i < load.spools().size(); i++) {
        courses.add(course(i, run, varied, soon, late));
      }
      OptionalDouble last = run.lastHours();
      double hours = last.orElse(run.lastHour());
      return new LoadForecast(
          setpoint,
          setpoint + dryer.biasC(),
          startC,
          lowest,
          withoutItC,
          courses,
          last,
          latest(courses),
          load.spools().size() > 1 && all ? early.lastHours() : last,
          thinned(run.vapour()),
          run.energyKWh(hours));
    }

    OptionalDouble sureHours() {
      if (load.spools().stream()
          .anyMatch(loaded -> floorPercent(loaded) >= loaded.targetPercent())) {
        return OptionalDouble.empty();
      }
      CycleRun run = run(Lots.ALIKE, CycleRun.ROUGH, CycleRun.Steps.COARSE);
      run.followUntilDry(DryingForecast.LONGEST_HOURS);
      CycleRun late =
          run(
              likeliestLate(run, varied(run.lastHour(), CycleRun.Steps.COARSE)),
              CycleRun.ROUGH,
              CycleRun.Steps.COARSE);
      late.followUntilDry(DryingForecast.LONGEST_HOURS);
      return late.lastHours();
    }

    /** One as believed and one for each quantity a step better. */
    private List<CycleRun> varied(double hours, CycleRun.Steps steps) {
      List<CycleRun> varied =
          IntStream.rangeClosed(0, Belief.QUANTITIES)
              .mapToObj(k -> run(k == 0 ? Lots.ALIKE : Lots.easier(k - 1), CycleRun.ROUGH, steps))
              .toList();
      varied.parallelStream().forEach(each -> each.follow(hours));
      return varied;
    }

    private CycleRun run(Lots lots, Options options) {
      return run(lots, options, CycleRun.Steps.FINE);
    }

    private CycleRun run(Lots lots, Options options, CycleRun.Steps steps) {
      return new CycleRun(load.spools(), dryer, room, startC, setpoint, lots, options, steps);
    }

    /**
     * Of all the ways in which each spool can be as bad as one in ten is, the likeliest (the design
     * point of first-order reliability): the drying time there is exceeded one time in ten, also
     * where time hangs on what is unknown in no simple way.
     */
    private Lots likeliestLate(CycleRun run, List<CycleRun> varied) {
      double[][] shifts = new double[load.spools().size()][];
      for (int i = 0; i < shifts.length; i++) {
        List<Cycle> around = cycles(varied, i);
        double hour = decisiveHour(run.cycle(i));
        shifts[i] =
            load.spools()
                .get(i)
                .belief()
                .worst(slopes(around, each -> each.at(hour).wettestPercent()), SURE_SD);
      }
      return new Lots(shifts);
    }

    private static List<Cycle> cycles(List<CycleRun> runs, int i) {
      return runs.stream().map(each -> each.cycle(i)).toList();
    }

    /** When it matters how wet it is: as it is about to be dry, else at the end. */
    private static double decisiveHour(Cycle cycle) {
      return Math.max(LEAST_HOURS, cycle.hours().all().orElse(cycle.lastHour()));
    }

    private SpoolCourse course(
        int i, CycleRun run, List<CycleRun> varied, CycleRun soon, CycleRun late) {
      LoadedSpool loaded = load.spools().get(i);
      Cycle cycle = run.cycle(i);
      List<Cycle> around = cycles(varied, i);
      List<BandPoint> band = new ArrayList<>();
      for (Point point : cycle.curve(CURVE_POINTS)) {
        double[] slopes = slopes(around, each -> each.at(point.hour()).meanPercent());
        double half = ProfileBand.EIGHTY_PERCENT_SD * loaded.belief().sd(slopes);
        band.add(
            new BandPoint(
                point.hour(),
                point.meanPercent(),
                Math.max(0, point.meanPercent() - half),
                point.meanPercent() + half));
      }
      OptionalDouble sure = late.cycle(i).hours().all();
      return new SpoolCourse(
          loaded.name(),
          ceilings.get(i),
          floorPercent(loaded),
          loaded.targetPercent(),
          cycle.hours(),
          sure,
          sure.isPresent()
              ? nextWeighing(
                  loaded,
                  around,
                  decisiveHour(cycle),
                  soon.cycle(i).hours().all().orElse(0),
                  sure.getAsDouble())
              : Optional.empty(),
          cycle.curve(CURVE_POINTS),
          band);
    }

    /** How a quantity changes per unit of the logarithm of each thing that is not known. */
    private static double[] slopes(List<Cycle> around, ToDoubleFunction<Cycle> quantity) {
      double centre = quantity.applyAsDouble(around.get(0));
      double[] slopes = new double[Belief.QUANTITIES];
      for (int k = 0; k < slopes.length; k++) {
        slopes[k] = Lots.slope(k, quantity.applyAsDouble(around.get(k + 1)), centre);
      }
      return slopes;
    }

    /**
     * The row of weighings that ends earliest of those that tell enough: before it may be dry
     * already, by when it is as likely as not, or by when it surely is.
     */
    private static Optional<NextWeighing> nextWeighing(
        LoadedSpool loaded,
        List<Cycle> around,
        double dryHours,
        double soonHours,
        double sureHours) {
      if (sureHours <= LEAST_HOURS) {
        return Optional.empty();
      }
      double[] slopes = slopes(around, each -> each.at(dryHours).wettestPercent());
      return DoubleStream.of(soonHours, dryHours, sureHours)
          .mapToObj(until -> candidates(loaded, around, until))
          .map(row -> NextWeighing.of(loaded.belief(), slopes, row, loaded.scaleStepG()))
          .flatMap(Optional::stream)
          .findFirst();
    }

    private static List<NextWeighing.Candidate> candidates(
        LoadedSpool loaded, List<Cycle> around, double untilHours) {
      double gramsPerPercent = 10 * loaded.start().winding().dryMassKg();
      return IntStream.rangeClosed(1, WEIGHINGS)
          .mapToDouble(step -> Math.ceil(4 * untilHours * step / WEIGHINGS) / 4)
          .filter(hour -> hour >= LEAST_HOURS)
          .distinct()
          .mapToObj(
              hour ->
                  new NextWeighing.Candidate(
                      hour,
                      slopes(
                          around,
                          each ->
                              gramsPerPercent
                                  * (each.at(0).meanPercent() - each.at(hour).meanPercent()))))
          .toList();
    }

    private static OptionalDouble latest(List<SpoolCourse> courses) {
      return latest(courses.stream().map(SpoolCourse::sureHours));
    }

    /** The latest, or none where one never comes. */
    private static OptionalDouble latest(Stream<OptionalDouble> hours) {
      return hours.reduce(
          OptionalDouble.of(0),
          (a, b) ->
              a.isPresent() && b.isPresent()
                  ? OptionalDouble.of(Math.max(a.getAsDouble(), b.getAsDouble()))
                  : OptionalDouble.empty());
    }

    private static List<AirPoint> thinned(List<LoadCourse.Vapour> air) {
      int every = Math.max(1, air.size() / (2 * CURVE_POINTS));
      return IntStream.range(0, air.size())
          .filter(i -> i % every == 0 || i == air.size() - 1)
          .mapToObj(air::get)
          .map(point -> new AirPoint(point.hour(), point.relativeHumidityPercent()))
          .toList();
    }
  }
}
