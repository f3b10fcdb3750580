package mindspool.server.photos;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Photographs as things that people add and take away. */
@Component
class EditablePhoto extends StoredEditable<Photo> {

  EditablePhoto(PhotoStore.Photos photos) {
    super("photo", Photo.class, photos);
  }

  @Override
  public String title(Photo photo) {
    return "of " + photo.ofName;
  }

  @Override
  public String link(Photo photo) {
    return photo.ofLink;
  }
}
