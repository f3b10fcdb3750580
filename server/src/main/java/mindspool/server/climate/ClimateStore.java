package mindspool.server.climate;

import java.util.List;
import java.util.Optional;
import mindspool.server.acts.FactStore;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class ClimateStore {

  private ClimateStore() {}

  interface Places extends JpaRepository<Place, Long> {
    List<Place> findAllByOrderByPositionInRoomAscIdAsc();

    Optional<Place> findByNameIgnoreCase(String name);
  }

  interface Typed extends FactStore<TypedClimate> {
    List<TypedClimate> findByPlaceIdAndUndoneByIsNullOrderByAtSAscIdAsc(long placeId);
  }

  interface Planned extends FactStore<PlannedClimate> {
    List<PlannedClimate> findByUndoneByIsNullOrderByAtSAscIdAsc();
  }

  interface Files extends JpaRepository<ClimateFile, Long> {
    List<ClimateFile> findByPlaceIdOrderByImportedSDesc(long placeId);
  }
}
