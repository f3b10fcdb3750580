package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingForecast.Cycle;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.drying.LoadForecast.AirPoint;
import mindspool.core.drying.LoadForecast.BandPoint;
import mindspool.core.drying.LoadForecast.SpoolCourse;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolMoistureModel.Options;

/**
 * Follows one load at one setpoint: as believed, with each unknown quantity a step better, and at
 * the likeliest way of being late one time in ten.
 *
 * <p>The last is the design point of first-order reliability (Hasofer and Lind 1974): of all ways
 * in which diffusivity, uptake, water and its depth can together be as bad as one in ten is, the
 * likeliest.
 */
final class LoadRuns {

  /** Shown where one never dries, h. */
  private static final double SHOWN_WHERE_NEVER_H = 48;

  /** Standard deviations that are exceeded one time in ten. */
  private static final double SURE_SD = ProfileBand.EIGHTY_PERCENT_SD;

  /** Points of a drawn curve. */
  private static final int CURVE_POINTS = 60;

  private final DryerLoad load;
  private final Dryer dryer;
  private final MoistAir room;
  private final double setpoint;
  private final double startC;
  private final List<DryingCeiling> ceilings;

  LoadRuns(
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
      Stream.concat(Stream.of(run), varied.stream()).parallel().forEach(each -> each.follow(shown));
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
    if (load.spools().stream().anyMatch(loaded -> floorPercent(loaded) >= loaded.targetPercent())) {
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
      double hour = WeighingAdvice.decisiveHour(run.cycle(i));
      shifts[i] =
          load.spools()
              .get(i)
              .belief()
              .worst(CycleSlopes.of(around, each -> each.at(hour).wettestPercent()), SURE_SD);
    }
    return new Lots(shifts);
  }

  private static List<Cycle> cycles(List<CycleRun> runs, int i) {
    return runs.stream().map(each -> each.cycle(i)).toList();
  }

  private SpoolCourse course(
      int i, CycleRun run, List<CycleRun> varied, CycleRun soon, CycleRun late) {
    LoadedSpool loaded = load.spools().get(i);
    Cycle cycle = run.cycle(i);
    List<Cycle> around = cycles(varied, i);
    List<BandPoint> band = new ArrayList<>();
    for (Point point : cycle.curve(CURVE_POINTS)) {
      double[] slopes = CycleSlopes.of(around, each -> each.at(point.hour()).meanPercent());
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
            ? WeighingAdvice.next(
                loaded,
                around,
                WeighingAdvice.decisiveHour(cycle),
                soon.cycle(i).hours().all().orElse(0),
                sure.getAsDouble())
            : Optional.empty(),
        cycle.curve(CURVE_POINTS),
        band);
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
