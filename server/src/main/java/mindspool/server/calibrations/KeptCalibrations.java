package mindspool.server.calibrations;

import java.time.Clock;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.calibration.LotSeries;
import mindspool.core.calibration.LotSeries.Measurement;
import mindspool.core.calibration.Worksheet;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import mindspool.server.machines.Machines;
import mindspool.server.stock.LotCalibration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps worksheets and sets what they found for their lots. */
@Service
class KeptCalibrations {

  private final KeptCalibration.Store store;
  private final EditableCalibration editable;
  private final LotCalibration lots;
  private final Machines machines;
  private final Edits edits;
  private final Clock clock;

  KeptCalibrations(
      KeptCalibration.Store store,
      EditableCalibration editable,
      LotCalibration lots,
      Machines machines,
      Edits edits,
      Clock clock) {
    this.store = store;
    this.editable = editable;
    this.lots = lots;
    this.machines = machines;
    this.edits = edits;
    this.clock = clock;
  }

  /** Those that were kept, the latest first. */
  List<KeptCalibration> all() {
    return store.findByRemovedSIsNullOrderByAtSDescIdDesc();
  }

  /** What to measure of a lot next. */
  List<LotSeries.Step> next(long lotId) {
    lots.title(lotId);
    Set<Measurement> done = EnumSet.noneOf(Measurement.class);
    store
        .findByLotIdAndRemovedSIsNullOrderByAtSDescIdDesc(lotId)
        .forEach(it -> done.add(Measurement.valueOf(it.kind.name())));
    return LotSeries.after(done);
  }

  /**
   * A worksheet to be kept.
   *
   * @param inputs its measurements, as JSON
   * @param code a spool instead of a lot; it gets a lot of its own where it has none
   */
  record Said(
      WorksheetKind kind,
      Worksheet found,
      String inputs,
      Long lotId,
      String code,
      Long printerId,
      String note) {}

  /** Keeps one and sets what it found for its lot. */
  @Transactional
  public KeptCalibration keep(Said said) {
    KeptCalibration kept = new KeptCalibration();
    kept.kind = said.kind;
    if (said.kind.isOfLot()) {
      kept.lotId =
          said.lotId == null && said.code != null
              ? (Long) lots.lotOf(said.code)
              : Require.present("lotId", said.lotId, "the number of a lot, or a code of a spool");
    }
    if (said.kind.isOfPrinter()) {
      Require.present("printerId", said.printerId, "the place of a printer");
    }
    if (said.printerId != null) {
      kept.printerId = machines.printer(said.printerId).placeId();
    }
    kept.inputs = said.inputs;
    kept.amount = said.found.value();
    kept.unsure = said.found.unsure();
    kept.unit = said.found.unit();
    kept.note =
        said.note == null || said.note.isBlank()
            ? null
            : Text.line("note", said.note, 1, 300, "Say it in a sentence.");
    kept.atS = clock.instant().getEpochSecond();
    if (kept.lotId != null) {
      set(said.kind, kept.lotId, said.found.value());
    }
    KeptCalibration saved = store.saveAndFlush(kept);
    edits.added(editable, saved.id, saved);
    return saved;
  }

  private void set(WorksheetKind kind, long lotId, double value) {
    switch (kind) {
      case TEMPERATURE_LADDER -> lots.setNozzle(lotId, Math.rint(value));
      case FLOW -> lots.setFlow(lotId, Math.rint(10 * value) / 10);
      case DIAMETER -> lots.setDiameter(lotId, Math.rint(1000 * value) / 1000);
      default -> lots.title(lotId);
    }
  }

  /** Takes one out of the record; the lot's value stays. */
  @Transactional
  public void remove(long id) {
    KeptCalibration kept =
        store
            .findById(id)
            .filter(it -> it.removedS == null)
            .orElseThrow(() -> new NotFoundException("calibration with number " + id));
    Edits.Before before = edits.before(editable, kept);
    kept.removedS = clock.instant().getEpochSecond();
    KeptCalibration saved = store.saveAndFlush(kept);
    edits.changed(editable, saved.id, before, saved);
  }
}
