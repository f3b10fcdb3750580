package mindspool.server.photos;

import mindspool.core.InvalidValueException;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Photographs as things that people add and take away. */
@Component
class EditablePhoto extends StoredEditable<Photo> {

  private final PhotoStore.Images images;

  EditablePhoto(PhotoStore.Photos photos, PhotoStore.Images images) {
    super("photo", Photo.class, photos);
    this.images = images;
  }

  @Override
  protected void check(Photo photo) {
    if (photo.removedS == null && !images.existsById(photo.id)) {
      throw new InvalidValueException(
          "photo",
          title(photo) + ", deleted since",
          "one that was taken away at most %d days ago".formatted(PhotoTrash.KEPT.toDays()),
          "Take it again where the thing is still there.");
    }
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
