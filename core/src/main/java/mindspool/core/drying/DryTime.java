package mindspool.core.drying;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Charge.Load;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolState;

/**
 * Hours after which one spool is dry to the core nine times in ten, in one run: for plans that ask
 * for hundreds of them. The run takes the spool as bad as one in ten is, along the direction in
 * which most spools are slow: less diffusive, with more water, deeper in.
 */
public final class DryTime {

  /** Typical slopes of the logarithm of the drying time, for the direction only. */
  private static final double[] SLOWER = {-1, 0.4, 0.7, 0.5};

  private static final Options ROUGH = Options.STANDARD.withTolerance(8e-3);
  private static final double FIRST_STEP_S = 900;
  private static final double STEP_SHARE = 0.08;

  private DryTime() {}

  /**
   * Time alone in a dryer, to the core.
   *
   * @param setpointC as the dial says
   * @return none where the air never allows it, or not within ten days
   */
  public static OptionalDouble sureHours(Load load, Dryer dryer, MoistAir room, double setpointC) {
    return sureHours(load, dryer, room, setpointC, 1);
  }

  /**
   * Time alone in a dryer until the outer wraps are dry.
   *
   * @param share of the spool that is to be dry, from outside, above 0 up to 1 for all
   * @return none where the air never allows it, or not within ten days
   */
  public static OptionalDouble sureHours(
      Load load, Dryer dryer, MoistAir room, double setpointC, double share) {
    double airC = setpointC + dryer.biasC();
    double[] shift = load.belief().worst(SLOWER, ProfileBand.EIGHTY_PERCENT_SD);
    double floor =
        100
            * load.material()
                .sorption()
                .scaled(Math.exp(shift[1]))
                .moistureFraction(dryer.driestPercentAt(airC, room) / 100);
    if (floor >= load.targetPercent()) {
      return OptionalDouble.empty();
    }
    SpoolMoistureModel model =
        new SpoolMoistureModel(
            load.material().sorption().scaled(Math.exp(shift[1])),
            load.material().diffusion().scaled(Math.exp(shift[0])),
            load.material().heatCapacityJPerKgK(),
            ROUGH);
    SharedAir.Occupant spool =
        new SharedAir.Occupant(
            model, load.start().withContentScaled(Math.exp(shift[2]), Math.exp(shift[3])));
    return followed(load, dryer, room, airC, spool, share);
  }

  private static OptionalDouble followed(
      Load load, Dryer dryer, MoistAir room, double airC, SharedAir.Occupant spool, double share) {
    SharedAir shared = new SharedAir(dryer, room);
    CycleAir warmth =
        new CycleAir(room, startC(load, dryer, airC), airC, dryer.behaviour().warmingTimeS());
    double time = 0;
    double before = wettest(spool.state(), share);
    if (before <= load.targetPercent()) {
      return OptionalDouble.of(0);
    }
    while (time < 3600 * DryingForecast.LONGEST_HOURS) {
      double end = time + Math.max(FIRST_STEP_S, STEP_SHARE * time);
      shared.advance(List.of(spool), warmth.temperatureC(0.5 * (time + end)), time, end);
      double now = wettest(spool.state(), share);
      if (now <= load.targetPercent()) {
        double part = (before - load.targetPercent()) / (before - now);
        return OptionalDouble.of((time + part * (end - time)) / 3600);
      }
      before = now;
      time = end;
    }
    return OptionalDouble.empty();
  }

  private static double startC(Load load, Dryer dryer, double airC) {
    return Math.min(airC, DryingCeiling.of(load, dryer).startC() + dryer.biasC());
  }

  private static double wettest(SpoolState state, double share) {
    MoistureProfile profile = state.profile();
    if (share < 1) {
      return profile.wettestPercentInNext(share);
    }
    return Math.max(profile.outerPercent(), Math.max(profile.meanPercent(), profile.corePercent()));
  }
}
