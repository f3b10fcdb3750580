package mindspool.server.photos;

import static java.util.stream.Collectors.toList;

import java.io.InputStream;
import java.time.Clock;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import org.springframework.stereotype.Service;

/** Photographs of things, for the stations that have things to show. */
@Service
public class Photos {

  private static final int MOST_WAITING = 20;
  private static final int MOST_OF_ONE = 40;

  private final PhotoStore.Photos store;
  private final PhotoStore.Images images;
  private final Edits edits;
  private final EditablePhoto editable;
  private final Clock clock;

  /** Read and not kept yet; the longest waiting goes when there are too many. */
  private final Map<String, ScaledPhoto> waiting =
      new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, ScaledPhoto> eldest) {
          return size() > MOST_WAITING;
        }
      };

  Photos(
      PhotoStore.Photos store,
      PhotoStore.Images images,
      Edits edits,
      EditablePhoto editable,
      Clock clock) {
    this.store = store;
    this.images = images;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  /** A photograph; its pixels are at {@code /api/photos/{id}}. */
  public record PhotoView(long id, int widthPx, int heightPx, long recordedS) {}

  /**
   * What a photograph shows.
   *
   * @param kind such as "print"
   * @param link page of the thing
   */
  public record Shown(String kind, long id, String name, String link) {}

  /** A photograph that was read and is not kept yet. */
  record Waiting(String uploadId, ScaledPhoto photo) {}

  Waiting read(InputStream file, String name) {
    ScaledPhoto scaled = ScaledPhoto.of(file, name);
    String id = UUID.randomUUID().toString();
    synchronized (waiting) {
      waiting.put(id, scaled);
    }
    return new Waiting(id, scaled);
  }

  /** Reads a photograph and keeps it as one of a thing. */
  public void keepFile(Shown shown, InputStream file, String name) {
    keep(shown, read(file, name).uploadId);
  }

  /** Keeps a photograph that was read as one of a thing. */
  public void keep(Shown shown, String uploadId) {
    Require.present("uploadId", uploadId, "the uploadId of a photograph that was sent");
    if (of(shown.kind, shown.id).size() >= MOST_OF_ONE) {
      throw new InvalidValueException(
          "uploadId",
          "one more photograph",
          "up to " + MOST_OF_ONE + " of one " + shown.kind,
          "Take some away first.");
    }
    ScaledPhoto scaled;
    synchronized (waiting) {
      scaled = waiting.get(uploadId);
    }
    if (scaled == null) {
      throw new NotFoundException("photograph that waits as " + uploadId + "; send its file again");
    }
    Photo photo = new Photo();
    photo.ofKind = shown.kind;
    photo.ofId = shown.id;
    photo.ofName = shown.name;
    photo.ofLink = shown.link;
    photo.widthPx = scaled.widthPx();
    photo.heightPx = scaled.heightPx();
    photo.recordedS = clock.instant().getEpochSecond();
    Photo saved = store.saveAndFlush(photo);
    images.saveAndFlush(new PhotoImage(saved.id, scaled));
    edits.added(editable, saved.id, saved);
  }

  /** Photographs of a thing, the first added first. */
  public List<PhotoView> of(String kind, long id) {
    return of(kind, List.of(id)).getOrDefault(id, List.of());
  }

  /** Photographs of things by the things' numbers; those without any are left out. */
  public Map<Long, List<PhotoView>> of(String kind, Collection<Long> ids) {
    return store.findByOfKindAndOfIdInAndRemovedSIsNullOrderById(kind, ids).stream()
        .collect(
            Collectors.groupingBy(photo -> photo.ofId, Collectors.mapping(this::view, toList())));
  }

  private PhotoView view(Photo photo) {
    return new PhotoView(photo.id, photo.widthPx, photo.heightPx, photo.recordedS);
  }

  PhotoImage image(long id) {
    present(id);
    return images.findById(id).orElseThrow(() -> missing(id));
  }

  void remove(long id) {
    Photo photo = present(id);
    Edits.Before before = edits.before(editable, photo);
    photo.removedS = clock.instant().getEpochSecond();
    store.saveAndFlush(photo);
    edits.changed(editable, id, before, photo);
  }

  private Photo present(long id) {
    return store.findById(id).filter(it -> it.removedS == null).orElseThrow(() -> missing(id));
  }

  private static NotFoundException missing(long id) {
    return new NotFoundException("photograph with number " + id);
  }
}
