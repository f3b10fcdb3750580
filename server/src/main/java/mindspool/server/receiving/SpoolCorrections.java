package mindspool.server.receiving;

import mindspool.server.acts.Edits;
import mindspool.server.http.StaleEditException;
import mindspool.server.stock.EditableSpool;
import mindspool.server.stock.Lot;
import mindspool.server.stock.LotBook;
import mindspool.server.stock.Spool;
import mindspool.server.stock.SpoolChanged;
import mindspool.server.stock.SpoolRecord;
import mindspool.server.stock.SpoolRecords;
import mindspool.server.stock.SpoolRequests.LotRequest;
import mindspool.server.stock.SpoolRequests.ReceiveRequest;
import mindspool.server.stock.SpoolStore;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Corrects what was said of spools on receiving. */
@Service
class SpoolCorrections {

  private final SpoolStore.Spools spools;
  private final SpoolRecords records;
  private final Receiving receiving;
  private final LotBook lots;
  private final Edits edits;
  private final EditableSpool editable;
  private final ApplicationEventPublisher events;

  SpoolCorrections(
      SpoolStore.Spools spools,
      SpoolRecords records,
      Receiving receiving,
      LotBook lots,
      Edits edits,
      EditableSpool editable,
      ApplicationEventPublisher events) {
    this.spools = spools;
    this.records = records;
    this.receiving = receiving;
    this.lots = lots;
    this.edits = edits;
    this.editable = editable;
    this.events = events;
  }

  SpoolDescription description(String code) {
    return describe(records.byCode(code).spool());
  }

  private SpoolDescription describe(Spool spool) {
    Lot lot = spool.lotId == null ? null : lots.lot(spool.lotId);
    return new SpoolDescription(
        spool.material,
        spool.colourName,
        spool.colourHex,
        spool.diameterMm,
        spool.nominalNetG,
        spool.reelKind.id(),
        spool.ownEmptyReelG,
        spool.hubRadiusMm,
        spool.rimRadiusMm,
        spool.widthMm,
        spool.arrival,
        null,
        lot == null ? null : lot.maker(),
        lot == null ? null : lot.batch(),
        spool.version);
  }

  @Transactional
  public SpoolDescription correct(String code, SpoolDescription said) {
    SpoolRecord record = records.byCode(code);
    Spool spool = spools.findById(record.spool().id).orElseThrow();
    StaleEditException.refuse(
        "The spool " + spool.code, said.version(), spool.version, describe(spool));
    Spool drafted = receiving.draft(request(said, record)).spool();
    Edits.Before before = edits.before(editable, spool);
    spool.material = drafted.material;
    spool.colourName = drafted.colourName;
    spool.colourHex = drafted.colourHex;
    spool.diameterMm = drafted.diameterMm;
    spool.nominalNetG = drafted.nominalNetG;
    spool.reelKind = drafted.reelKind;
    spool.ownEmptyReelG = drafted.ownEmptyReelG;
    spool.hubRadiusMm = drafted.hubRadiusMm;
    spool.rimRadiusMm = drafted.rimRadiusMm;
    spool.widthMm = drafted.widthMm;
    if (said.initialMoisturePercent() != null || spool.arrival != drafted.arrival) {
      spool.startHumidityPercent = drafted.startHumidityPercent;
      spool.startUncertaintyPercent = drafted.startUncertaintyPercent;
    }
    spool.arrival = drafted.arrival;
    spool.lotId =
        isBlank(said.maker())
            ? null
            : lots.findOrAdd(LotRequest.named(said.maker(), said.batch()), spool).id;
    refuseTooHeavy(record, spool);
    Spool saved = spools.saveAndFlush(spool);
    edits.changed(editable, spool.id, before, saved);
    events.publishEvent(new SpoolChanged(spool.id, spool.arrivedS));
    return describe(saved);
  }

  /** What was weighed must still fit on the reel as it is described now. */
  private void refuseTooHeavy(SpoolRecord record, Spool spool) {
    SpoolRecord corrected = records.byId(record.spool().id);
    corrected.winding(Math.max(1, corrected.arrivedNetG()));
  }

  private static boolean isBlank(String text) {
    return text == null || text.isBlank();
  }

  private static ReceiveRequest request(SpoolDescription said, SpoolRecord record) {
    return new ReceiveRequest(
        said.material(),
        said.colourName(),
        said.colourHex(),
        said.diameterMm(),
        said.nominalNetG(),
        null,
        said.reel(),
        said.emptyReelG(),
        said.hubRadiusMm(),
        said.rimRadiusMm(),
        said.widthMm(),
        said.arrival(),
        null,
        null,
        null,
        said.initialMoisturePercent(),
        isBlank(said.maker()) ? null : LotRequest.named(said.maker(), said.batch()),
        null);
  }
}
