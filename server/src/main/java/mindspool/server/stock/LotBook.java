package mindspool.server.stock;

import java.time.Clock;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import mindspool.server.stock.SpoolRequests.LotRequest;
import org.springframework.stereotype.Service;

/** Keeps lots. */
@Service
public class LotBook {

  private static final int MOST_NAME = 80;

  private final SpoolStore.Lots lots;
  private final Edits edits;
  private final EditableLot editable;
  private final Clock clock;

  LotBook(SpoolStore.Lots lots, Edits edits, EditableLot editable, Clock clock) {
    this.lots = lots;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  /** The lot that a request means for a spool, if there is one already. */
  public Optional<Lot> find(LotRequest request, Spool spool) {
    return lots.findFirstByMakerIgnoreCaseAndBatchIgnoreCaseAndMaterialAndColourNameIgnoreCase(
        name("lot.maker", request.maker(), true),
        name("lot.batch", request.batch(), false),
        spool.material,
        spool.colourName);
  }

  /** All lots by number. */
  Map<Long, Lot> byId() {
    return lots.findAll().stream().collect(Collectors.toMap(lot -> lot.id, lot -> lot));
  }

  /** Any lot of a maker. */
  public Optional<Lot> anyOf(String maker) {
    return lots.findAll().stream()
        .filter(lot -> lot.maker.equalsIgnoreCase(maker.strip()))
        .findFirst();
  }

  public Lot findOrAdd(LotRequest request, Spool spool) {
    return find(request, spool)
        .orElseGet(
            () -> {
              Lot lot =
                  new Lot(
                      name("lot.maker", request.maker(), true),
                      name("lot.batch", request.batch(), false),
                      spool.material,
                      spool.colourName,
                      clock.instant().getEpochSecond());
              describe(lot, request);
              return lots.save(lot);
            });
  }

  /** The lot of one spool whose maker nobody entered; no other spool shares that maker. */
  Lot ofItsOwn(Spool spool) {
    return findOrAdd(LotRequest.named("Maker of " + spool.code + " not known", ""), spool);
  }

  public Lot lot(long id) {
    return lots.findById(id).orElseThrow(() -> new NotFoundException("lot with number " + id));
  }

  /**
   * Changes a lot.
   *
   * @param current the lot as it is shown now
   */
  Lot change(long id, LotRequest request, Object current) {
    Lot lot = lot(id);
    StaleEditException.refuse("The lot " + lot.title(), request.version(), lot.version, current);
    String maker = name("maker", request.maker(), true);
    String batch = name("batch", request.batch(), false);
    refuseDouble(lot, maker, batch);
    Edits.Before before = edits.before(editable, lot);
    lot.maker = maker;
    lot.batch = batch;
    describe(lot, request);
    Lot changed = lots.saveAndFlush(lot);
    edits.changed(editable, id, before, changed);
    return changed;
  }

  private void refuseDouble(Lot lot, String maker, String batch) {
    lots.findFirstByMakerIgnoreCaseAndBatchIgnoreCaseAndMaterialAndColourNameIgnoreCase(
            maker, batch, lot.material, lot.colourName)
        .filter(other -> !other.id.equals(lot.id))
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "batch",
                  "\"" + batch + "\"",
                  "a batch that no other lot of " + maker + " has in this colour",
                  "Receive spools of it into the lot that is there already.");
            });
  }

  private static void describe(Lot lot, LotRequest request) {
    lot.price = optional("price", request.price(), 0, 100_000, "");
    lot.currency =
        request.currency() == null || request.currency().isBlank()
            ? null
            : currency(request.currency());
    lot.nozzleLowC = optional("nozzleLowC", request.nozzleLowC(), 100, 500, "°C");
    lot.nozzleHighC = optional("nozzleHighC", request.nozzleHighC(), 100, 500, "°C");
    lot.bedLowC = optional("bedLowC", request.bedLowC(), 0, 200, "°C");
    lot.bedHighC = optional("bedHighC", request.bedHighC(), 0, 200, "°C");
    lot.ownNozzleC = optional("ownNozzleC", request.ownNozzleC(), 100, 500, "°C");
    lot.ownFlowPercent = optional("ownFlowPercent", request.ownFlowPercent(), 50, 150, "%");
    lot.ownDiameterMm = optional("ownDiameterMm", request.ownDiameterMm(), 1, 5, "mm");
    ordered("nozzleHighC", lot.nozzleLowC, lot.nozzleHighC);
    ordered("bedHighC", lot.bedLowC, lot.bedHighC);
  }

  private static void ordered(String field, Double low, Double high) {
    if (low != null && high != null && high < low) {
      throw new InvalidValueException(
          field,
          Require.plain(high) + " °C",
          "not below the lower end, " + Require.plain(low) + " °C",
          "As printed on the label.");
    }
  }

  private static String currency(String text) {
    String code = text.strip().toUpperCase(Locale.ROOT);
    if (!code.matches("[A-Z]{3}")) {
      throw new InvalidValueException(
          "currency", "\"" + text + "\"", "three letters, such as EUR", "ISO 4217.");
    }
    return code;
  }

  private static Double optional(String field, Double value, double min, double max, String unit) {
    return value == null ? null : Require.within(field, value, min, max, unit);
  }

  private static String name(String field, String text, boolean needed) {
    return Text.line(field, text, needed ? 1 : 0, MOST_NAME, "As it stands on the label.");
  }
}
