package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.moisture.ProfileBand;

/**
 * When the metres that a job takes print: the wettest of them lies so far below the print limit
 * that it stays below while the spool waits and prints. That is sooner than dry to the core, often
 * by hours: the dry target is a wish, the print limit a need.
 *
 * @param goalPercent moisture that the wettest of the job's wraps is to come down to
 * @param likelyHours as likely sooner as later; none where this air never allows it, or not within
 *     ten days
 * @param sureHours nine times in ten
 */
public record PrintReady(double goalPercent, OptionalDouble likelyHours, OptionalDouble sureHours) {

  /** A fifth of the limit is left for what is taken up on the way (judgement). */
  private static final double GOAL_SHARE = 0.8;

  /**
   * For each of a load, in the air that they share.
   *
   * @param jobShares share of each spool that its job takes, from outside; above 0 up to 1 for all
   * @param startC setpoint of the first {@link DampStart#HOURS}
   */
  public static List<PrintReady> of(
      DryerLoad load,
      List<Double> jobShares,
      Dryer dryer,
      MoistAir room,
      double startC,
      double setpointC) {
    List<Wraps> wraps =
        IntStream.range(0, jobShares.size()).mapToObj(i -> new Wraps(i, jobShares.get(i))).toList();
    return new Cycle(load.spools(), wraps, dryer, room, startC, setpointC).ready();
  }

  /** After so many hours, as likely sooner as later, so large a share prints, from outside. */
  public record Step(double hour, double share) {}

  /**
   * What each further hour in the dryer buys of one spool: how much of it prints, the outermost
   * wraps first, by tenths.
   *
   * @return in order of time, each with more than the one before; tenths that never print are left
   *     out
   */
  public static List<Step> steps(
      LoadedSpool loaded, Dryer dryer, MoistAir room, double startC, double setpointC) {
    List<Double> shares = IntStream.rangeClosed(1, 10).mapToObj(tenth -> tenth / 10.0).toList();
    Cycle cycle =
        new Cycle(
            List.of(loaded),
            shares.stream().map(share -> new Wraps(0, share)).toList(),
            dryer,
            room,
            startC,
            setpointC);
    List<OptionalDouble> hours =
        cycle.followed(Lots.ALIKE, DryingForecast.LONGEST_HOURS, true).crossings();
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < shares.size(); i++) {
      if (hours.get(i).isPresent()) {
        Step step = new Step(hours.get(i).getAsDouble(), shares.get(i));
        steps.removeIf(before -> before.hour() >= step.hour());
        steps.add(step);
      }
    }
    return steps;
  }

  /** Moisture that the wettest of a job's wraps is to come down to, %. */
  public static double goalPercent(LoadedSpool loaded) {
    return GOAL_SHARE * loaded.material().printLimitPercent();
  }

  /** The outermost wraps of a spool of the load, up to a share of it. */
  private record Wraps(int spool, double share) {}

  private record Cycle(
      List<LoadedSpool> loadedSpools,
      List<Wraps> wraps,
      Dryer dryer,
      MoistAir room,
      double startC,
      double setpointC) {

    List<PrintReady> ready() {
      Track likely = followed(Lots.ALIKE, DryingForecast.LONGEST_HOURS, true);
      List<OptionalDouble> hours = likely.crossings();
      double last = hours.stream().mapToDouble(hour -> hour.orElse(0)).max().orElse(0);
      double[][] shifts = new double[loadedSpools.size()][];
      List<Track> easier =
          IntStream.range(0, Belief.QUANTITIES)
              .parallel()
              .mapToObj(k -> followed(Lots.easier(k), last, false))
              .toList();
      for (int i = 0; i < shifts.length; i++) {
        double[] slopes = new double[Belief.QUANTITIES];
        double hour = hours.get(i).orElse(0);
        for (int k = 0; k < slopes.length; k++) {
          slopes[k] = Lots.slope(k, easier.get(k).at(i, hour), likely.at(i, hour));
        }
        shifts[i] = loadedSpools.get(i).belief().worst(slopes, ProfileBand.EIGHTY_PERCENT_SD);
      }
      List<OptionalDouble> sure =
          followed(new Lots(shifts), DryingForecast.LONGEST_HOURS, true).crossings();
      List<PrintReady> all = new ArrayList<>();
      for (int i = 0; i < loadedSpools.size(); i++) {
        boolean ever = hours.get(i).isPresent();
        all.add(
            new PrintReady(
                goalPercent(loadedSpools.get(i)),
                hours.get(i),
                ever ? sure.get(i) : OptionalDouble.empty()));
      }
      return all;
    }

    private Track followed(Lots lots, double hours, boolean untilReady) {
      CycleRun run =
          new CycleRun(
              loadedSpools,
              dryer,
              room,
              startC,
              setpointC,
              lots,
              CycleRun.ROUGH,
              CycleRun.Steps.COARSE);
      Track track = new Track(this, run);
      boolean hopeless =
          IntStream.range(0, loadedSpools.size()).noneMatch(i -> reachable(i, lots.factors(i)));
      if (!hopeless || !untilReady) {
        run.follow(
            hours,
            () -> {
              track.note();
              return untilReady && track.allReady(lots);
            });
      }
      return track;
    }

    boolean reachable(int i, double[] factors) {
      LoadedSpool loaded = loadedSpools.get(i);
      return dryer.floorPercent(loaded.material().sorption().scaled(factors[1]), setpointC, room)
          < goalPercent(loaded);
    }
  }

  /** How wet the job's wraps of each spool were after each step. */
  private static final class Track {
    private final Cycle of;
    private final CycleRun run;
    private final List<Double> hours = new ArrayList<>();
    private final List<double[]> wettest = new ArrayList<>();

    Track(Cycle of, CycleRun run) {
      this.of = of;
      this.run = run;
      note();
    }

    void note() {
      hours.add(run.lastHour());
      wettest.add(
          of.wraps.stream()
              .mapToDouble(w -> run.state(w.spool).profile().wettestPercentInNext(w.share))
              .toArray());
    }

    boolean allReady(Lots lots) {
      double[] now = wettest.get(wettest.size() - 1);
      return IntStream.range(0, now.length)
          .allMatch(i -> now[i] <= goal(i) || !isReachable(of.wraps.get(i).spool, lots));
    }

    private boolean isReachable(int spool, Lots lots) {
      return of.reachable(spool, lots.factors(spool));
    }

    private double goal(int i) {
      return goalPercent(of.loadedSpools.get(of.wraps.get(i).spool));
    }

    double at(int i, double hour) {
      for (int n = 1; n < hours.size(); n++) {
        if (hours.get(n) >= hour) {
          double share = (hour - hours.get(n - 1)) / (hours.get(n) - hours.get(n - 1));
          double before = wettest.get(n - 1)[i];
          return before + share * (wettest.get(n)[i] - before);
        }
      }
      return wettest.get(wettest.size() - 1)[i];
    }

    /** From when on each stays at or below its goal. */
    List<OptionalDouble> crossings() {
      return IntStream.range(0, of.wraps.size()).mapToObj(this::crossing).toList();
    }

    private OptionalDouble crossing(int i) {
      double goal = goal(i);
      int n = hours.size() - 1;
      if (wettest.get(n)[i] > goal) {
        return OptionalDouble.empty();
      }
      while (n > 0 && wettest.get(n - 1)[i] <= goal) {
        n--;
      }
      if (n == 0) {
        return OptionalDouble.of(0);
      }
      double above = wettest.get(n - 1)[i];
      double part = (above - goal) / (above - wettest.get(n)[i]);
      return OptionalDouble.of(hours.get(n - 1) + part * (hours.get(n) - hours.get(n - 1)));
    }
  }
}
