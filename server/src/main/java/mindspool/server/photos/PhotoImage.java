package mindspool.server.photos;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;

/** The pixels of a photograph as JPEG: as it is looked at, and as a small one in a row. */
@Entity
@Table(name = "photo_image")
class PhotoImage {

  @Id long photoId;

  @Lob byte[] large;
  @Lob byte[] small;

  protected PhotoImage() {}

  PhotoImage(long photoId, ScaledPhoto scaled) {
    this.photoId = photoId;
    this.large = scaled.large();
    this.small = scaled.small();
  }
}
