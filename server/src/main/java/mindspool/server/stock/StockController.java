package mindspool.server.stock;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.ReelKind;
import mindspool.server.acts.Edits;
import mindspool.server.http.MayBeNull;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How much there is of what, and what to order. */
@RestController
@RequestMapping("/api/stock")
@Tag(name = "shelf")
class StockController {

  private static final double MOST_MINIMUM_G = 1_000_000;

  private final KnownSpools known;
  private final LotBook lots;
  private final StockMinimum.Store minimums;
  private final EditableMinimum editable;
  private final Edits edits;
  private final MaterialCatalogue catalogue;
  private final Clock clock;

  StockController(
      KnownSpools known,
      LotBook lots,
      StockMinimum.Store minimums,
      EditableMinimum editable,
      Edits edits,
      MaterialCatalogue catalogue,
      Clock clock) {
    this.known = known;
    this.lots = lots;
    this.minimums = minimums;
    this.editable = editable;
    this.edits = edits;
    this.catalogue = catalogue;
    this.clock = clock;
  }

  /**
   * A material in a colour.
   *
   * @param minimumG null where nobody set one
   * @param toOrderG what is missing to the minimum; 0 where nothing is
   */
  record StockGroup(
      String material,
      String colourName,
      int spools,
      double grams,
      double metres,
      Double minimumG,
      double toOrderG) {}

  /** {@code minimumG} null to take the minimum back. */
  record MinimumRequest(String material, String colourName, @MayBeNull Double minimumG) {}

  /** How a maker's reels were described when one was received last. */
  record MakerTemplate(
      String maker,
      String material,
      double diameterMm,
      double nominalNetG,
      String reel,
      @MayBeNull Double emptyReelG,
      double hubRadiusMm,
      double rimRadiusMm,
      double widthMm) {}

  private record Of(String material, String colour) implements Comparable<Of> {
    private static final Comparator<Of> ORDER =
        Comparator.comparing(Of::material).thenComparing(Of::colour);

    static Of of(String material, String colour) {
      return new Of(material, colour.toLowerCase(Locale.ROOT));
    }

    @Override
    public int compareTo(Of other) {
      return ORDER.compare(this, other);
    }
  }

  @GetMapping("/groups")
  @Operation(summary = "Stock by material and colour, with what is below its minimum")
  List<StockGroup> groups() {
    Map<Of, List<SpoolRecord>> groups = new TreeMap<>();
    for (SpoolRecord spool : known.inStock()) {
      groups
          .computeIfAbsent(
              Of.of(spool.spool().material, spool.spool().colourName), key -> new ArrayList<>())
          .add(spool);
    }
    Map<Of, StockMinimum> wanted = new TreeMap<>();
    for (StockMinimum each : minimums.findByRemovedSIsNullOrderByMaterialAscColourNameAsc()) {
      Of of = Of.of(each.material, each.colourName);
      wanted.put(of, each);
      groups.computeIfAbsent(of, key -> new ArrayList<>());
    }
    return groups.entrySet().stream()
        .map(entry -> group(entry.getKey(), entry.getValue(), wanted.get(entry.getKey())))
        .toList();
  }

  private static StockGroup group(Of of, List<SpoolRecord> spools, StockMinimum minimum) {
    double grams = spools.stream().mapToDouble(spool -> spool.remaining().massG().typical()).sum();
    return new StockGroup(
        of.material,
        spools.isEmpty() ? minimum.colourName : spools.get(0).spool().colourName,
        spools.size(),
        grams,
        spools.stream().mapToDouble(spool -> spool.remaining().lengthM().typical()).sum(),
        minimum == null ? null : minimum.minimumG,
        minimum == null ? 0 : Math.max(0, minimum.minimumG - grams));
  }

  @PutMapping("/minimums")
  @Operation(summary = "Sets how much of a material in a colour is to be in stock at least")
  List<StockGroup> setMinimum(@RequestBody MinimumRequest request) {
    String material = catalogue.named(request.material).name();
    String colour =
        Text.line("colourName", request.colourName, 1, 60, "As the spools are described.");
    Double minimum =
        request.minimumG == null
            ? null
            : Require.within("minimumG", request.minimumG, 1, MOST_MINIMUM_G, "g");
    StockMinimum stored =
        minimums
            .findByMaterialAndColourNameIgnoreCase(material, colour)
            .orElseGet(() -> new StockMinimum(material, colour));
    if (stored.id == null && minimum == null) {
      return groups();
    }
    Edits.Before before = stored.id == null ? null : edits.before(editable, stored);
    stored.removedS = minimum == null ? Long.valueOf(clock.instant().getEpochSecond()) : null;
    stored.minimumG = minimum == null ? stored.minimumG : minimum;
    StockMinimum saved = minimums.saveAndFlush(stored);
    if (before == null) {
      edits.added(editable, saved.id, saved);
    } else {
      edits.changed(editable, saved.id, before, saved);
    }
    return groups();
  }

  @GetMapping("/templates")
  @Operation(summary = "How each maker's reels were described last, to fill in a receipt")
  List<MakerTemplate> templates() {
    Map<String, SpoolRecord> latest = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    Map<Long, Lot> byId = lots.byId();
    for (SpoolRecord spool : known.all()) {
      Lot lot = byId.get(spool.spool().lotId);
      if (lot != null) {
        latest.merge(lot.maker, spool, (a, b) -> a.spool().arrivedS > b.spool().arrivedS ? a : b);
      }
    }
    return latest.entrySet().stream()
        .map(entry -> template(entry.getKey(), entry.getValue().spool()))
        .toList();
  }

  private static MakerTemplate template(String maker, Spool spool) {
    Double empty = spool.ownEmptyReelG != null ? spool.ownEmptyReelG : spool.siblingEmptyReelG;
    ReelKind reel = spool.reelKind;
    return new MakerTemplate(
        maker,
        spool.material,
        spool.diameterMm,
        spool.nominalNetG,
        reel.id(),
        empty,
        spool.hubRadiusMm,
        spool.rimRadiusMm,
        spool.widthMm);
  }
}
