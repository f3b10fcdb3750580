package mindspool.server.dry;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class DryStore {

  private DryStore() {}

  interface Dryers extends JpaRepository<DryerDescription, Long> {}

  interface Measurements extends JpaRepository<DryerMeasurement, Long> {
    List<DryerMeasurement> findByPlaceIdOrderByAtSDescIdDesc(long placeId);
  }

  interface Cycles extends JpaRepository<DryingCycle, Long> {
    List<DryingCycle> findByUndoneSIsNullOrderByStartedSAscIdAsc();
  }

  interface Vapours extends JpaRepository<CycleVapour, Long> {
    List<CycleVapour> findAllByOrderByFromSAscIdAsc();

    void deleteByCycleIdAndFromSGreaterThanEqual(long cycleId, long fromS);
  }

  interface Facts extends JpaRepository<CycleFact, Long> {
    List<CycleFact> findByCycleIdOrderByAtSAscIdAsc(long cycleId);

    List<CycleFact> findAllByOrderByAtSAscIdAsc();
  }
}
