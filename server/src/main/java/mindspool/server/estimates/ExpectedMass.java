package mindspool.server.estimates;

import java.util.List;
import mindspool.core.learning.ReelWater;
import mindspool.core.learning.Weighed;
import mindspool.server.estimates.SpoolEstimate.PastPoint;
import mindspool.server.stock.SpoolRecord;

/** What a scale should show of a spool if nothing was used since it was weighed last. */
public final class ExpectedMass {

  private ExpectedMass() {}

  /**
   * The last weighing, and the water that came and went since, in filament and reel.
   *
   * @return gross mass, g; from the label where it was never weighed
   */
  public static double grossG(SpoolRecord spool, SpoolEstimate estimate, long nowS) {
    List<Weighed> weighings = spool.weighings();
    if (weighings.isEmpty()) {
      return spool.spool().nominalNetG
          + spool.spool().emptyReelG().typical()
          - spool.usedSinceWeighingG();
    }
    Weighed last = weighings.get(weighings.size() - 1);
    double dryG = 1000 * estimate.state().winding().dryMassKg();
    double now = estimate.profileAt(nowS).meanPercent();
    return last.grossG()
        - spool.usedSinceWeighingG()
        + dryG * (now - meanPercentAt(estimate.past(), last.atS())) / 100
        + reelGainG(spool, estimate, last.atS(), nowS);
  }

  /** Water that the reel itself took up between two times, g. */
  public static double reelGainG(
      SpoolRecord spool, SpoolEstimate estimate, double fromS, double toS) {
    double factor =
        estimate.learned() == null
            ? 1
            : Math.exp(estimate.learned().calibration().best().logReelWater());
    double[] grams = reel(spool).grams(estimate.history(), new double[] {fromS, toS});
    return factor * (grams[1] - grams[0]);
  }

  static ReelWater reel(SpoolRecord spool) {
    return ReelWater.of(spool.spool().reelKind, spool.spool().emptyReelG().typical());
  }

  private static double meanPercentAt(List<PastPoint> past, double timeS) {
    PastPoint before = past.get(0);
    for (PastPoint point : past) {
      if (point.timeS() >= timeS) {
        double span = point.timeS() - before.timeS();
        double share = span > 0 ? (timeS - before.timeS()) / span : 0;
        return before.meanPercent() + share * (point.meanPercent() - before.meanPercent());
      }
      before = point;
    }
    return before.meanPercent();
  }
}
