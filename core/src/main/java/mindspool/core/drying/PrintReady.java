package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Charge.Load;
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
      Charge charge,
      List<Double> jobShares,
      Dryer dryer,
      MoistAir room,
      double startC,
      double setpointC) {
    return new Cycle(charge.spools(), jobShares, dryer, room, startC, setpointC).ready();
  }

  private static double goal(Load load) {
    return GOAL_SHARE * load.material().printLimitPercent();
  }

  private record Cycle(
      List<Load> loads,
      List<Double> shares,
      Dryer dryer,
      MoistAir room,
      double startC,
      double setpointC) {

    List<PrintReady> ready() {
      Track likely = followed(Lots.ALIKE, DryingForecast.LONGEST_HOURS, true);
      List<OptionalDouble> hours = likely.crossings();
      double last = hours.stream().mapToDouble(hour -> hour.orElse(0)).max().orElse(0);
      double[][] shifts = new double[loads.size()][];
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
        shifts[i] = loads.get(i).belief().worst(slopes, ProfileBand.EIGHTY_PERCENT_SD);
      }
      List<OptionalDouble> sure =
          followed(new Lots(shifts), DryingForecast.LONGEST_HOURS, true).crossings();
      List<PrintReady> all = new ArrayList<>();
      for (int i = 0; i < loads.size(); i++) {
        boolean ever = hours.get(i).isPresent();
        all.add(
            new PrintReady(
                goal(loads.get(i)), hours.get(i), ever ? sure.get(i) : OptionalDouble.empty()));
      }
      return all;
    }

    private Track followed(Lots lots, double hours, boolean untilReady) {
      CycleRun run =
          new CycleRun(
              loads, dryer, room, startC, setpointC, lots, CycleRun.ROUGH, CycleRun.Steps.COARSE);
      Track track = new Track(this, run);
      boolean hopeless =
          IntStream.range(0, loads.size()).noneMatch(i -> reachable(i, lots.factors(i)));
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
      Load load = loads.get(i);
      return dryer.floorPercent(load.material().sorption().scaled(factors[1]), setpointC, room)
          < goal(load);
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
          IntStream.range(0, of.loads.size())
              .mapToDouble(i -> run.state(i).profile().wettestPercentInNext(of.shares.get(i)))
              .toArray());
    }

    boolean allReady(Lots lots) {
      double[] now = wettest.get(wettest.size() - 1);
      return IntStream.range(0, now.length)
          .allMatch(i -> now[i] <= goal(of.loads.get(i)) || !of.reachable(i, lots.factors(i)));
    }

    double at(int spool, double hour) {
      for (int n = 1; n < hours.size(); n++) {
        if (hours.get(n) >= hour) {
          double share = (hour - hours.get(n - 1)) / (hours.get(n) - hours.get(n - 1));
          double before = wettest.get(n - 1)[spool];
          return before + share * (wettest.get(n)[spool] - before);
        }
      }
      return wettest.get(wettest.size() - 1)[spool];
    }

    /** From when on each stays at or below its goal. */
    List<OptionalDouble> crossings() {
      return IntStream.range(0, of.loads.size()).mapToObj(this::crossing).toList();
    }

    private OptionalDouble crossing(int spool) {
      double goal = goal(of.loads.get(spool));
      int n = hours.size() - 1;
      if (wettest.get(n)[spool] > goal) {
        return OptionalDouble.empty();
      }
      while (n > 0 && wettest.get(n - 1)[spool] <= goal) {
        n--;
      }
      if (n == 0) {
        return OptionalDouble.of(0);
      }
      double above = wettest.get(n - 1)[spool];
      double part = (above - goal) / (above - wettest.get(n)[spool]);
      return OptionalDouble.of(hours.get(n - 1) + part * (hours.get(n) - hours.get(n - 1)));
    }
  }
}
