package mindspool.server.photos;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** Photographs and their pixels. */
final class PhotoStore {

  private PhotoStore() {}

  interface Photos extends JpaRepository<Photo, Long> {
    List<Photo> findByOfKindAndOfIdInAndRemovedSIsNullOrderById(
        String ofKind, Collection<Long> ofIds);
  }

  interface Images extends JpaRepository<PhotoImage, Long> {}
}
