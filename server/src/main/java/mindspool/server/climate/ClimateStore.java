package mindspool.server.climate;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class ClimateStore {

  private ClimateStore() {}

  interface Places extends JpaRepository<Place, Long> {
    List<Place> findAllByOrderByPositionInRoomAscIdAsc();

    Optional<Place> findByNameIgnoreCase(String name);
  }

  interface Typed extends JpaRepository<TypedClimate, Long> {
    List<TypedClimate> findByPlaceIdAndUndoneSIsNullOrderBySinceS(long placeId);
  }

  interface Planned extends JpaRepository<PlannedClimate, Long> {
    List<PlannedClimate> findByUndoneSIsNullOrderByFromS();
  }

  interface Files extends JpaRepository<ClimateFile, Long> {
    List<ClimateFile> findByPlaceIdOrderByImportedSDesc(long placeId);
  }
}
