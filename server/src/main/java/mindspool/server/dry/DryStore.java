package mindspool.server.dry;

import java.util.List;
import mindspool.server.acts.FactStore;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class DryStore {

  private DryStore() {}

  interface Dryers extends JpaRepository<DryerDescription, Long> {}

  interface Measurements extends FactStore<DryerMeasurement> {
    List<DryerMeasurement> findByPlaceIdOrderByAtSDescIdDesc(long placeId);
  }

  interface Cycles extends FactStore<DryingCycle> {
    List<DryingCycle> findByUndoneByIsNullOrderByAtSAscIdAsc();
  }

  interface Vapours extends JpaRepository<CycleVapour, Long> {
    List<CycleVapour> findAllByOrderByFromSAscIdAsc();

    void deleteByCycleIdAndFromSGreaterThanEqual(long cycleId, long fromS);
  }

  interface Facts extends FactStore<CycleFact> {
    List<CycleFact> findByCycleIdOrderByAtSAscIdAsc(long cycleId);

    List<CycleFact> findAllByOrderByAtSAscIdAsc();
  }
}
