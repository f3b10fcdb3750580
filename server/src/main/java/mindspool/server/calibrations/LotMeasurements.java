package mindspool.server.calibrations;

import java.util.List;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;

/** What the worksheets of a lot found that setup sheets go by: the latest of each kind. */
@Service
public class LotMeasurements {

  private final KeptCalibration.Store store;

  LotMeasurements(KeptCalibration.Store store) {
    this.store = store;
  }

  /**
   * What was found; null where nothing was.
   *
   * @param mostFlowMm3PerS up to which the melt follows on that printer, mm³/s
   * @param shrinkagePercent of lengths, %
   */
  public record Measured(Double mostFlowMm3PerS, Double shrinkagePercent) {}

  /**
   * Finds what was measured of a lot. How fast a melt can be is a matter of the hot end too, so
   * that counts only where it was measured on this printer.
   */
  public Measured of(long lotId, long printerId) {
    List<KeptCalibration> kept = store.findByLotIdAndRemovedSIsNullOrderByAtSDescIdDesc(lotId);
    return new Measured(
        latest(kept, it -> it.kind == WorksheetKind.MELT_CEILING && isOn(it, printerId)),
        latest(kept, it -> it.kind == WorksheetKind.SHRINKAGE));
  }

  private static boolean isOn(KeptCalibration kept, long printerId) {
    return kept.printerId != null && kept.printerId == printerId;
  }

  private static Double latest(List<KeptCalibration> kept, Predicate<KeptCalibration> wanted) {
    return kept.stream().filter(wanted).findFirst().map(it -> it.amount).orElse(null);
  }
}
