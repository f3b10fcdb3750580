package mindspool.server.climate;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** What was done to containers. */
interface ContainerFactStore extends JpaRepository<ContainerFact, Long> {

  List<ContainerFact> findByUndoneSIsNullOrderByAtSAscIdAsc();

  List<ContainerFact> findByPlaceIdOrderByAtSAscIdAsc(long placeId);
}
