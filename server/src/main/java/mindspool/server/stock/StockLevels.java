package mindspool.server.stock;

import java.util.List;
import java.util.Map;
import mindspool.server.http.MayBeNull;
import org.springframework.stereotype.Service;

/** What is there of each spool and what it cost, for other stations. */
@Service
public class StockLevels {

  private static final double GRAMS_PER_KG = 1000;

  private final KnownSpools known;
  private final LotBook lots;

  StockLevels(KnownSpools known, LotBook lots) {
    this.known = known;
    this.lots = lots;
  }

  /**
   * A spool, in stock or used up.
   *
   * @param leftG what is left; 0 for one that is used up
   * @param pricePerKg by its lot's price and the mass on its label; null where nobody gave one
   */
  public record Level(
      String code,
      String material,
      String colourName,
      double leftG,
      Double pricePerKg,
      @MayBeNull String currency) {}

  /** All spools that are known. */
  public List<Level> all() {
    Map<Long, Lot> byId = lots.byId();
    return known.all().stream().map(spool -> level(spool, byId.get(spool.spool().lotId))).toList();
  }

  private static Level level(SpoolRecord record, Lot lot) {
    Spool spool = record.spool();
    boolean priced = lot != null && lot.price != null && spool.nominalNetG > 0;
    return new Level(
        spool.code,
        spool.material,
        spool.colourName,
        record.isEmpty() ? 0 : record.remaining().massG().typical(),
        priced ? lot.price * GRAMS_PER_KG / spool.nominalNetG : null,
        priced ? lot.currency : null);
  }
}
