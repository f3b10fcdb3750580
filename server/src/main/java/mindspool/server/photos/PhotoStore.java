package mindspool.server.photos;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Photographs and their pixels. */
final class PhotoStore {

  private PhotoStore() {}

  interface Photos extends JpaRepository<Photo, Long> {
    List<Photo> findByOfKindAndOfIdInAndRemovedSIsNullOrderById(
        String ofKind, Collection<Long> ofIds);
  }

  interface Images extends JpaRepository<PhotoImage, Long> {

    @Modifying
    @Query(
        "delete from PhotoImage i where i.photoId in"
            + " (select p.id from Photo p where p.removedS < :beforeS)")
    int deleteTakenAwayBefore(long beforeS);

    @Query(
        nativeQuery = true,
        value =
            "select coalesce(sum(octet_length(large) + octet_length(small)), 0) from photo_image")
    long bytes();
  }
}
