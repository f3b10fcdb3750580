package mindspool.core.drying;

import static mindspool.core.PhysicalConstants.kelvin;

import java.util.List;
import java.util.Optional;
import mindspool.core.climate.MoistAir;
import mindspool.core.learning.Weighed;
import mindspool.core.material.Material;

/**
 * What a row of weighings with nothing used between proves of drying.
 *
 * <p>Constant mass (idea of ISO 62, ASTM D570 and D6980): the last two changes are each within two
 * steps of the scale, or 0.02 % of the filament if that is more, with two hours or more between. It
 * means that this air can take no more, which is dry only where the air's floor lies at or below
 * the target.
 *
 * @param removedG water removed from the first weighing to the last, g; negative where it came
 * @param removedSdG its standard deviation by the scale
 * @param stepG step of the scale
 * @param stepNeededG step with which a change that matters would be seen
 * @param floorPercent moisture in balance with the air that it lay in last
 */
public record DryingProof(
    Verdict verdict,
    double removedG,
    double removedSdG,
    double stepG,
    double stepNeededG,
    double floorPercent) {

  /** Weighings closer together prove nothing, h (judgement). */
  private static final double LEAST_HOURS = 2;

  /** Masses within so many steps of the scale are the same (judgement). */
  private static final double STEPS = 2;

  /** Share of the filament that a scale repeats to, whatever its step (judgement, grade D). */
  private static final double NET_SHARE = 0.0002;

  /** A change matters from half the dry target on (judgement); a quarter of it must be seen. */
  private static final double STEP_SHARE_OF_TARGET = 0.5 / 4;

  /** A little coarser still does: the target itself is no sharper (judgement). */
  private static final double LEEWAY = 1.5;

  /** Whether the scale cannot see what matters for this much of this material. */
  public boolean isScaleTooCoarse() {
    return isTooCoarse(stepG, stepNeededG);
  }

  private static boolean isTooCoarse(double stepG, double neededG) {
    return stepG > LEEWAY * neededG;
  }

  /** What can be said. */
  public enum Verdict {
    /** Lost water between the last two weighings: go on. */
    LOSING,
    /** Took up water: it lies in the wrong air. */
    GAINING,
    /** Hardly changed, but too few weighings, or too soon after one another. */
    NOT_YET_PROVEN,
    /** Constant as far as this scale shows, and it does not show enough. */
    SCALE_TOO_COARSE,
    /** Constant, and the air's floor is at or below the target. */
    DRY,
    /** Constant, but the air's floor is above the target: this air can take no more. */
    AIR_TAKES_NO_MORE
  }

  /**
   * Judges a row.
   *
   * @param row weighings in order of time with nothing used between
   * @param netG filament, g
   * @param air in which it lay between the last two
   * @param targetPercent moisture at which drying aims
   * @return none where there is nothing to compare
   */
  public static Optional<DryingProof> of(
      List<Weighed> row, Material material, double netG, MoistAir air, double targetPercent) {
    if (row.size() < 2) {
      return Optional.empty();
    }
    Weighed first = row.get(0);
    Weighed last = row.get(row.size() - 1);
    double floor =
        100
            * material
                .sorption()
                .moistureFractionAt(
                    air.relativeHumidityPercent() / 100, kelvin(air.temperatureC()));
    double needed = netG * targetPercent / 100 * STEP_SHARE_OF_TARGET;
    return Optional.of(
        new DryingProof(
            verdict(row, netG, floor, targetPercent, needed),
            first.grossG() - last.grossG(),
            Math.hypot(first.sdG(), last.sdG()),
            last.stepG(),
            needed,
            floor));
  }

  private static Verdict verdict(
      List<Weighed> row, double netG, double floor, double target, double needed) {
    int n = row.size();
    double step = row.get(n - 1).stepG();
    double allowed = Math.max(STEPS * step, NET_SHARE * netG) * 1.0001;
    double change = row.get(n - 1).grossG() - row.get(n - 2).grossG();
    if (Math.abs(change) > allowed) {
      return change < 0 ? Verdict.LOSING : Verdict.GAINING;
    }
    if (n < 3
        || !steady(row.get(n - 3), row.get(n - 2), allowed)
        || !steady(row.get(n - 2), row.get(n - 1), allowed)) {
      return Verdict.NOT_YET_PROVEN;
    }
    if (isTooCoarse(step, needed)) {
      return Verdict.SCALE_TOO_COARSE;
    }
    return floor <= target ? Verdict.DRY : Verdict.AIR_TAKES_NO_MORE;
  }

  private static boolean steady(Weighed before, Weighed after, double allowedG) {
    return Math.abs(after.grossG() - before.grossG()) <= allowedG
        && after.atS() - before.atS() >= LEAST_HOURS * 3600;
  }
}
