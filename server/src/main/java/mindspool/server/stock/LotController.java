package mindspool.server.stock;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Objects;
import mindspool.server.http.Acts;
import mindspool.server.http.MayBeNull;
import mindspool.server.stock.SpoolRequests.LotRequest;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/lots")
@Tag(name = "receive")
class LotController {

  private static final double GRAMS_PER_KG = 1000;

  private final LotBook book;
  private final SpoolStore.Lots lots;
  private final SpoolRecords records;
  private final KnownSpools known;

  LotController(LotBook book, SpoolStore.Lots lots, SpoolRecords records, KnownSpools known) {
    this.book = book;
    this.lots = lots;
    this.records = records;
    this.known = known;
  }

  /**
   * A lot with what is known of it. Jams, failures and good prints are counted from the stations
   * that print; until those exist they are null, not nought.
   *
   * @param pricePerKg price of a spool by the mass on its label
   * @param emptyReelG mean of its emptied reels; null without one
   * @param version rises with every change of it
   */
  record LotView(
      long id,
      String maker,
      String batch,
      String material,
      String colourName,
      Double price,
      @MayBeNull String currency,
      Double pricePerKg,
      Double nozzleLowC,
      Double nozzleHighC,
      Double bedLowC,
      Double bedHighC,
      Double ownNozzleC,
      Double ownFlowPercent,
      Double ownDiameterMm,
      List<String> spools,
      int usedUp,
      double usedG,
      int heatEvents,
      int tangles,
      Double emptyReelG,
      Integer jams,
      Integer failures,
      Double costPerGoodPrint,
      int version) {}

  @GetMapping
  @Operation(summary = "All lots, the latest first")
  List<LotView> all() {
    List<SpoolRecord> all = records.all();
    return lots.findAllByOrderByCreatedSDescIdDesc().stream().map(lot -> view(lot, all)).toList();
  }

  @PutMapping("/{id}")
  @Operation(summary = "Changes a lot: its label's ranges, its price, its own calibrated values")
  LotView change(@PathVariable long id, @RequestBody LotRequest request) {
    Lot changed = book.change(id, request, view(book.lot(id), records.all()));
    Acts.nowAndAfterwards(known::forget);
    return view(changed, records.all());
  }

  private static LotView view(Lot lot, List<SpoolRecord> all) {
    List<SpoolRecord> its =
        all.stream().filter(spool -> Objects.equals(spool.spool().lotId, lot.id)).toList();
    double nominal =
        its.stream().mapToDouble(spool -> spool.spool().nominalNetG).average().orElse(0);
    return new LotView(
        lot.id,
        lot.maker,
        lot.batch,
        lot.material,
        lot.colourName,
        lot.price,
        lot.currency,
        lot.price == null || nominal == 0 ? null : lot.price * GRAMS_PER_KG / nominal,
        lot.nozzleLowC,
        lot.nozzleHighC,
        lot.bedLowC,
        lot.bedHighC,
        lot.ownNozzleC,
        lot.ownFlowPercent,
        lot.ownDiameterMm,
        its.stream().filter(spool -> !spool.isEmpty()).map(spool -> spool.spool().code).toList(),
        (int) its.stream().filter(SpoolRecord::isEmpty).count(),
        its.stream()
            .mapToDouble(
                spool ->
                    Math.max(0, spool.spool().nominalNetG - spool.remaining().massG().typical()))
            .sum(),
        count(its, SpoolFact.Kind.HEATED, null),
        count(its, SpoolFact.Kind.END, "CROSSING_SEEN") + count(its, SpoolFact.Kind.END, "STUCK"),
        its.stream()
            .map(spool -> spool.spool().siblingEmptyReelG)
            .filter(Objects::nonNull)
            .findFirst()
            .orElse(null),
        null,
        null,
        null,
        lot.version);
  }

  private static int count(List<SpoolRecord> spools, SpoolFact.Kind kind, String detail) {
    return (int)
        spools.stream()
            .flatMap(spool -> spool.facts().stream())
            .filter(fact -> fact.kind == kind && (detail == null || detail.equals(fact.detail)))
            .count();
  }
}
