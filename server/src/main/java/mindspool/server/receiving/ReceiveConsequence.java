package mindspool.server.receiving;

import java.util.List;
import mindspool.core.material.Sorption;
import mindspool.core.moisture.ProfileBand;
import mindspool.server.receiving.Receiving.Draft;
import mindspool.server.receiving.ReceivingController.ReceivePreview;
import mindspool.server.stock.SpoolRecord;

/** Says what the state of a spool on arrival means for it. */
public final class ReceiveConsequence {

  private ReceiveConsequence() {}

  static ReceivePreview of(Draft draft) {
    Sorption sorption = draft.material().sorption();
    double humidity = draft.spool().startHumidityPercent;
    double spread = ProfileBand.EIGHTY_PERCENT_SD * draft.spool().startUncertaintyPercent;
    double start = percent(sorption, humidity);
    double high = percent(sorption, humidity + spread);
    double limit = draft.material().printLimitPercent();
    double target = draft.material().dryTargetPercent();
    SpoolRecord record = new SpoolRecord(draft.spool(), draft.material(), List.of());
    return new ReceivePreview(
        draft.left().massG(),
        draft.left().lengthM(),
        draft.spool().emptyReelG(),
        1000 * record.winding(Math.max(1, draft.left().massG().typical())).outerRadiusM(),
        start,
        percent(sorption, humidity - spread),
        high,
        target,
        limit,
        words(start, high, target, limit),
        draft.spool().siblingEmptyReelG,
        draft.check().consequences(draft.spool().diameterMm));
  }

  private static double percent(Sorption sorption, double humidityPercent) {
    return 100 * sorption.moistureFraction(Math.min(100, Math.max(0, humidityPercent)) / 100);
  }

  private static String words(double start, double high, double target, double limit) {
    if (start > limit) {
      return "Likely past its print limit: dry before use.";
    }
    if (high > limit) {
      return "May be past its print limit: dry before use, or weigh before and after drying.";
    }
    if (start > target) {
      return "Prints, but is not dry; drying before long or fine jobs pays.";
    }
    return "Dry enough to print at once.";
  }
}
