package mindspool.core.learning;

import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;

/** What the weighed set of states says of a spool's moisture: every member followed to one time. */
public final class CalibratedBand implements ProfileBand {

  /** Ends of an 80 % band. */
  private static final double LOW = 0.1;

  private static final double HIGH = 0.9;

  private final Calibration calibration;
  private final List<MoistureProfile> profiles;

  private CalibratedBand(Calibration calibration, List<MoistureProfile> profiles) {
    this.calibration = calibration;
    this.profiles = profiles;
  }

  /**
   * Follows all members.
   *
   * @param timeS not before the history's start
   */
  public static CalibratedBand at(
      Material material, SpoolHistory history, double timeS, Calibration calibration) {
    return new CalibratedBand(
        calibration,
        IntStream.range(0, calibration.members().size())
            .parallel()
            .mapToObj(i -> profile(material, history, timeS, calibration.members().get(i)))
            .toList());
  }

  private static MoistureProfile profile(
      Material material, SpoolHistory history, double timeS, Member member) {
    SpoolReplay replay =
        new SpoolReplay(member.of(material), history, member.startShift(), Options.COARSE);
    return replay.advance(replay.start(), history.startS(), timeS, null).profile();
  }

  /** Water by depth in each member, in the order of the calibration's. */
  public List<MoistureProfile> profiles() {
    return profiles;
  }

  /** Value below which a share of the belief lies. */
  public double quantile(ToDoubleFunction<MoistureProfile> quantity, double share) {
    return calibration.quantile(profiles.stream().mapToDouble(quantity).toArray(), share);
  }

  @Override
  public double halfWidth(ToDoubleFunction<MoistureProfile> quantity) {
    double taught = (quantile(quantity, HIGH) - quantile(quantity, LOW)) / 2;
    return Math.hypot(taught, EIGHTY_PERCENT_SD * UNMODELLED_SHARE_SD * quantile(quantity, 0.5));
  }
}
