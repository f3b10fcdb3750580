package mindspool.server.stock;

import java.util.List;
import java.util.Optional;
import mindspool.server.acts.FactStore;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Repositories of this station. */
public final class SpoolStore {

  private SpoolStore() {}

  public interface Spools extends JpaRepository<Spool, Long> {
    Optional<Spool> findByCode(String code);

    boolean existsByCode(String code);

    List<Spool> findByLotId(long lotId);
  }

  interface Lots extends JpaRepository<Lot, Long> {
    List<Lot> findAllByOrderByCreatedSDescIdDesc();

    Optional<Lot> findFirstByMakerIgnoreCaseAndBatchIgnoreCaseAndMaterialAndColourNameIgnoreCase(
        String maker, String batch, String material, String colourName);
  }

  public interface Facts extends FactStore<SpoolFact> {
    List<SpoolFact> findBySpoolIdOrderByAtSAscIdAsc(long spoolId);

    List<SpoolFact> findAllByOrderByAtSAscIdAsc();

    /** Of spools that nobody used up: after years those are few among many. */
    @Query(
        "select f from SpoolFact f where f.spoolId not in (select e.spoolId from SpoolFact e"
            + " where e.kind = mindspool.server.stock.SpoolFact.Kind.EMPTIED"
            + " and e.undoneBy is null) order by f.atS, f.id")
    List<SpoolFact> findOfSpoolsInUse();

    List<SpoolFact> findByVisitId(long visitId);

    List<SpoolFact> findByKindAndUndoneByIsNull(SpoolFact.Kind kind);
  }
}
