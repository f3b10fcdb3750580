package mindspool.server.photos;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import mindspool.server.keep.DiskSpace;
import mindspool.server.keep.SpaceUse;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Deletes the pixels of photographs that were taken away some time ago. */
@Component
class PhotoTrash implements SpaceUse {

  static final Duration KEPT = Duration.ofDays(30);

  private static final Logger LOG = LoggerFactory.getLogger(PhotoTrash.class);

  private final PhotoStore.Images images;
  private final DiskSpace disk;
  private final Clock clock;

  PhotoTrash(PhotoStore.Images images, DiskSpace disk, Clock clock) {
    this.images = images;
    this.disk = disk;
    this.clock = clock;
  }

  /** Deletes what is due; until then an undo brings a photograph back. */
  @Scheduled(initialDelay = 900_000, fixedDelay = 6 * 3_600_000)
  @Transactional
  public void empty() {
    if (disk.isLow()) {
      return;
    }
    int deleted = images.deleteTakenAwayBefore(clock.instant().minus(KEPT).getEpochSecond());
    if (deleted > 0) {
      LOG.info("{} photographs that were taken away are deleted", deleted);
    }
  }

  @Override
  public List<Use> uses() {
    return List.of(
        Use.inDatabase(
            "photographs",
            "Photographs",
            images.count(),
            images.bytes(),
            "One that is taken away is deleted after %d days; until then undo brings it back."
                .formatted(KEPT.toDays())));
  }
}
