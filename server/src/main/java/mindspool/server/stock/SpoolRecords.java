package mindspool.server.stock;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.SpoolCode;
import mindspool.server.http.NotFoundException;
import org.springframework.stereotype.Service;

/** Reads spools with their facts. */
@Service
public class SpoolRecords {

  private final SpoolStore.Spools spools;
  private final SpoolStore.Facts facts;
  private final SpoolStore.Lots lots;
  private final MaterialCatalogue catalogue;
  private final OwnLimits limits;

  SpoolRecords(
      SpoolStore.Spools spools,
      SpoolStore.Facts facts,
      SpoolStore.Lots lots,
      MaterialCatalogue catalogue,
      OwnLimits limits) {
    this.limits = limits;
    this.spools = spools;
    this.facts = facts;
    this.lots = lots;
    this.catalogue = catalogue;
  }

  /** All spools that still have filament. */
  public List<SpoolRecord> inStock() {
    return records(facts.findOfSpoolsInUse()).stream().filter(spool -> !spool.isEmpty()).toList();
  }

  /** All spools, also used-up ones, in three queries however many there are. */
  public List<SpoolRecord> all() {
    return records(facts.findAllByOrderByAtSAscIdAsc());
  }

  private List<SpoolRecord> records(List<SpoolFact> inOrder) {
    Map<Long, List<SpoolFact>> bySpool = new HashMap<>();
    for (SpoolFact fact : inOrder) {
      bySpool.computeIfAbsent(fact.spoolId, id -> new ArrayList<>()).add(fact);
    }
    EmptyReels reels = emptyReels();
    return spools.findAll().stream()
        .filter(spool -> bySpool.containsKey(spool.id))
        .map(reels::tell)
        .map(spool -> record(spool, bySpool.get(spool.id)))
        .filter(SpoolRecord::present)
        .toList();
  }

  public SpoolRecord byCode(String code) {
    String text = SpoolCode.parse(code).text();
    return find(text).orElseThrow(() -> new NotFoundException("spool with code " + text));
  }

  /** The spool with a code, in stock or used up; none where its receipt was undone. */
  public Optional<SpoolRecord> find(String code) {
    return spools
        .findByCode(code)
        .map(spool -> emptyReels().tell(spool))
        .map(spool -> record(spool, facts.findBySpoolIdOrderByAtSAscIdAsc(spool.id)))
        .filter(SpoolRecord::present);
  }

  public SpoolRecord byId(long id) {
    return spools
        .findById(id)
        .map(spool -> emptyReels().tell(spool))
        .map(spool -> record(spool, facts.findBySpoolIdOrderByAtSAscIdAsc(id)))
        .orElseThrow(() -> new NotFoundException("spool with number " + id));
  }

  /** The code of a spool, also of one whose receipt was undone. */
  String codeOf(long id) {
    return spools.findById(id).map(spool -> spool.code).orElse("a spool");
  }

  /** All facts, also those undone. */
  public List<SpoolFact> factsOf(long spoolId) {
    return facts.findBySpoolIdOrderByAtSAscIdAsc(spoolId);
  }

  /** Whether it was said, and perhaps taken back, that a spool is used up. */
  boolean hasEverBeenEmptied(long spoolId) {
    return factsOf(spoolId).stream().anyMatch(fact -> fact.kind == SpoolFact.Kind.EMPTIED);
  }

  /** What emptied reels tell of their siblings. */
  public EmptyReels emptyReels() {
    List<SpoolFact> emptied = facts.findByKindAndUndoneByIsNull(SpoolFact.Kind.EMPTIED);
    if (emptied.isEmpty()) {
      return new EmptyReels(Map.of(), Map.of());
    }
    Map<Long, String> makers = new HashMap<>();
    lots.findAll().forEach(lot -> makers.put(lot.id, lot.maker.toLowerCase(Locale.ROOT)));
    Map<Long, Double> masses = new HashMap<>();
    emptied.forEach(fact -> masses.put(fact.spoolId, fact.grossMassG));
    return EmptyReels.of(spools.findAllById(masses.keySet()), masses, makers);
  }

  private SpoolRecord record(Spool spool, List<SpoolFact> itsFacts) {
    return new SpoolRecord(
        spool, limits.of(catalogue.named(spool.material), spool.lotId), itsFacts);
  }
}
