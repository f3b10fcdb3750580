package mindspool.server.keep;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import mindspool.server.alerts.AlertSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Watches the room left where the data is, and has writing stop while there is still enough for the
 * database and the broker to finish what they are at. It goes on by itself once there is room.
 */
@Service
public class DiskSpace implements AlertSource {

  private static final long MB = 1 << 20;
  private static final long MARGIN_MB = 20;

  /** A look costs microseconds, but a thousand messages a second need not look each. */
  private static final long LOOK_EVERY_NS = 200_000_000;

  private final Path folder;
  private final long neededMb;
  private volatile long freeMb = Long.MAX_VALUE;
  private volatile long lookedNs;

  DiskSpace(
      @Value("${mindspool.data-dir}") Path folder,
      @Value("${mindspool.least-free-mb}") long neededMb) {
    this.folder = folder;
    this.neededMb = neededMb;
    this.lookedNs = System.nanoTime() - LOOK_EVERY_NS;
  }

  /** Whether there is too little room to store anything. */
  public boolean isLow() {
    long now = System.nanoTime();
    if (now - lookedNs >= LOOK_EVERY_NS) {
      lookedNs = now;
      freeMb = look();
    }
    return freeMb < neededMb;
  }

  /** Room left where the data is, MB. */
  long freeMb() {
    return look();
  }

  /** With less nothing is stored, MB. */
  long neededMb() {
    return neededMb;
  }

  private long look() {
    try {
      Path existing = folder.toAbsolutePath();
      while (existing != null && !Files.exists(existing)) {
        existing = existing.getParent();
      }
      return existing == null ? Long.MAX_VALUE : Files.getFileStore(existing).getUsableSpace() / MB;
    } catch (IOException e) {
      // A file system that does not say; then only writing itself can tell.
      return Long.MAX_VALUE;
    }
  }

  /** Whether so much more can be written and enough is left. */
  boolean hasRoomFor(long mb) {
    return !isLow() && freeMb >= neededMb + mb + MARGIN_MB;
  }

  /**
   * Refuses to go on where there is too little room.
   *
   * @throws NoRoomException which says how much there is and how much is needed
   */
  public void refuseWhenLow() {
    if (isLow()) {
      throw new NoRoomException(folder, freeMb, neededMb);
    }
  }

  /**
   * Refuses a file that would leave too little room.
   *
   * @throws NoRoomException which says how much there is and how much is needed
   */
  public void refuseUnlessRoomFor(long bytes) {
    refuseWhenLow();
    long mb = bytes / MB + 1;
    if (freeMb < neededMb + mb) {
      throw new NoRoomException(folder, freeMb, neededMb + mb);
    }
  }

  @Override
  public List<Alert> alerts() {
    return isLow()
        ? List.of(
            Alert.urgent(
                "disk",
                ("The disk is nearly full: %d MB free, %d MB needed. Nothing is stored until there"
                        + " is room again; readings of devices wait in the broker.")
                    .formatted(freeMb, neededMb),
                ""))
        : List.of();
  }
}
