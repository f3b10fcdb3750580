package mindspool.server.shelf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.SpoolCode;
import mindspool.server.http.NotFoundException;
import org.springframework.stereotype.Service;

/** Reads spools with their facts. */
@Service
class SpoolRecords {

  private final SpoolStore.Spools spools;
  private final SpoolStore.Facts facts;
  private final MaterialCatalogue catalogue;

  SpoolRecords(SpoolStore.Spools spools, SpoolStore.Facts facts, MaterialCatalogue catalogue) {
    this.spools = spools;
    this.facts = facts;
    this.catalogue = catalogue;
  }

  /** All spools in stock, in two queries however many there are. */
  List<SpoolRecord> all() {
    Map<Long, List<SpoolFact>> bySpool = new HashMap<>();
    for (SpoolFact fact : facts.findAllByOrderByAtSAscIdAsc()) {
      bySpool.computeIfAbsent(fact.spoolId, id -> new ArrayList<>()).add(fact);
    }
    return spools.findAll().stream()
        .map(spool -> record(spool, bySpool.getOrDefault(spool.id, List.of())))
        .filter(SpoolRecord::present)
        .toList();
  }

  SpoolRecord byCode(String code) {
    String text = SpoolCode.parse(code).text();
    return spools
        .findByCode(text)
        .map(spool -> record(spool, facts.findBySpoolIdOrderByAtSAscIdAsc(spool.id)))
        .filter(SpoolRecord::present)
        .orElseThrow(() -> new NotFoundException("spool with code " + text));
  }

  SpoolRecord byId(long id) {
    return spools
        .findById(id)
        .map(spool -> record(spool, facts.findBySpoolIdOrderByAtSAscIdAsc(id)))
        .orElseThrow(() -> new NotFoundException("spool with number " + id));
  }

  /** All facts, also those undone. */
  List<SpoolFact> factsOf(long spoolId) {
    return facts.findBySpoolIdOrderByAtSAscIdAsc(spoolId);
  }

  private SpoolRecord record(Spool spool, List<SpoolFact> itsFacts) {
    return new SpoolRecord(spool, catalogue.named(spool.material), itsFacts);
  }
}
