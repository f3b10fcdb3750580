package mindspool.server.storage;

import java.util.List;
import mindspool.server.acts.FactStore;

/** What was done to containers. */
interface ContainerFactStore extends FactStore<ContainerFact> {

  List<ContainerFact> findByUndoneByIsNullOrderByAtSAscIdAsc();

  List<ContainerFact> findByPlaceIdOrderByAtSAscIdAsc(long placeId);
}
