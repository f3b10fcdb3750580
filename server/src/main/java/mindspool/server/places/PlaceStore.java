package mindspool.server.places;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Places in the database. */
interface PlaceStore extends JpaRepository<Place, Long> {

  List<Place> findAllByOrderByPositionInRoomAscIdAsc();

  Optional<Place> findByNameIgnoreCaseAndRemovedSIsNull(String name);
}
