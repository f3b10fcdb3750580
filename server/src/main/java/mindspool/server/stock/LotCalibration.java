package mindspool.server.stock;

import java.util.function.Consumer;
import mindspool.core.Require;
import mindspool.server.acts.Edits;
import mindspool.server.http.Acts;
import org.springframework.stereotype.Service;

/** Sets what was measured of a lot, as acts that can be undone. */
@Service
public class LotCalibration {

  private final LotBook book;
  private final SpoolStore.Lots lots;
  private final SpoolStore.Spools spools;
  private final SpoolRecords records;
  private final EditableLot editable;
  private final EditableSpool editableSpool;
  private final Edits edits;
  private final KnownSpools known;

  LotCalibration(
      LotBook book,
      SpoolStore.Lots lots,
      SpoolStore.Spools spools,
      SpoolRecords records,
      EditableLot editable,
      EditableSpool editableSpool,
      Edits edits,
      KnownSpools known) {
    this.book = book;
    this.lots = lots;
    this.spools = spools;
    this.records = records;
    this.editable = editable;
    this.editableSpool = editableSpool;
    this.edits = edits;
    this.known = known;
  }

  /** What a lot is called. */
  public String title(long lotId) {
    return book.lot(lotId).title();
  }

  public String material(long lotId) {
    return book.lot(lotId).material;
  }

  /** The lot of a spool; one of its own, of a maker that is not known, where it has none. */
  public long lotOf(String code) {
    Spool spool = spools.findById(records.byCode(code).spool().id).orElseThrow();
    if (spool.lotId == null) {
      Edits.Before before = edits.before(editableSpool, spool);
      spool.lotId = book.ofItsOwn(spool).id;
      Spool saved = spools.saveAndFlush(spool);
      edits.changed(editableSpool, spool.id, before, saved);
      Acts.nowAndAfterwards(known::forget);
    }
    return spool.lotId;
  }

  /** The nozzle that suits it best, °C. */
  public void setNozzle(long lotId, double celsius) {
    Require.within("nozzleC", celsius, 100, 500, "°C");
    change(lotId, lot -> lot.ownNozzleC = celsius);
  }

  /** The flow at which walls are as thick as set, %. */
  public void setFlow(long lotId, double percent) {
    Require.within("flowPercent", percent, 50, 150, "%");
    change(lotId, lot -> lot.ownFlowPercent = percent);
  }

  /** Its mean diameter, mm. */
  public void setDiameter(long lotId, double millimetres) {
    Require.within("diameterMm", millimetres, 1, 5, "mm");
    change(lotId, lot -> lot.ownDiameterMm = millimetres);
  }

  private void change(long lotId, Consumer<Lot> change) {
    Lot lot = book.lot(lotId);
    Edits.Before before = edits.before(editable, lot);
    change.accept(lot);
    Lot saved = lots.saveAndFlush(lot);
    edits.changed(editable, lotId, before, saved);
    Acts.nowAndAfterwards(known::forget);
  }
}
