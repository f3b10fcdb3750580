package mindspool.server.air;

import java.util.List;
import mindspool.server.acts.FactStore;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class ClimateStore {

  private ClimateStore() {}

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
