package mindspool.core.drying;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.material.Sorption;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolState;

/**
 * Hours after which one spool is dry to the core nine times in ten, in one run: an estimate for
 * plans that ask for hundreds of them, near in dryers that are vented well. The run takes the spool
 * as bad as one in ten is, along the direction in which most spools are slow: less diffusive, with
 * more water, deeper in.
 */
public final class DryTime {

  /** Typical slopes of the logarithm of the drying time, for the direction only. */
  private static final double[] SLOWER = {-1, 0.4, 0.7, 0.5};

  private DryTime() {}

  /**
   * Time alone in a dryer, to the core.
   *
   * @param setpointC as the dial says
   * @return none where the air never allows it, or not within ten days
   */
  public static OptionalDouble sureHours(
      LoadedSpool loaded, Dryer dryer, MoistAir room, double setpointC) {
    return sureHours(loaded, dryer, room, setpointC, 1);
  }

  /**
   * Time alone in a dryer until the outer wraps are dry.
   *
   * @param share of the spool that is to be dry, from outside, above 0 up to 1 for all
   * @return none where the air never allows it, or not within ten days
   */
  public static OptionalDouble sureHours(
      LoadedSpool loaded, Dryer dryer, MoistAir room, double setpointC, double share) {
    Lots slow =
        new Lots(new double[][] {loaded.belief().worst(SLOWER, ProfileBand.EIGHTY_PERCENT_SD)});
    double target = loaded.targetPercent();
    Sorption sorption = loaded.material().sorption().scaled(slow.factors(0)[1]);
    if (dryer.floorPercent(sorption, setpointC, room) >= target) {
      return OptionalDouble.empty();
    }
    List<LoadedSpool> alone = List.of(loaded);
    double startC = LoadCourse.startC(new DryerLoad(alone), dryer, setpointC);
    CycleRun run =
        new CycleRun(
            alone, dryer, room, startC, setpointC, slow, CycleRun.ROUGH, CycleRun.Steps.COARSE);
    double[] before = {wettest(run.state(0), share), 0};
    if (before[0] <= target) {
      return OptionalDouble.of(0);
    }
    double[] crossed = {Double.NaN};
    run.follow(
        DryingForecast.LONGEST_HOURS,
        () -> {
          double now = wettest(run.state(0), share);
          if (now <= target) {
            double part = (before[0] - target) / (before[0] - now);
            crossed[0] = before[1] + part * (run.lastHour() - before[1]);
          }
          before[0] = now;
          before[1] = run.lastHour();
          return now <= target;
        });
    return Double.isNaN(crossed[0]) ? OptionalDouble.empty() : OptionalDouble.of(crossed[0]);
  }

  private static double wettest(SpoolState state, double share) {
    return share < 1
        ? state.profile().wettestPercentInNext(share)
        : Point.of(0, state.profile()).wettestPercent();
  }
}
