package mindspool.server.devices;

import java.time.Clock;
import java.util.List;
import mindspool.server.keep.DiskSpace;
import mindspool.server.keep.SpaceUse;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Thins old readings: to a minute after a day, to ten minutes after thirty days, keeping mean,
 * least, most and number.
 */
@Service
class ReadingRetention implements SpaceUse {

  private static final Logger LOG = LoggerFactory.getLogger(ReadingRetention.class);

  static final long MINUTE_MS = 60_000;
  private static final long TENS_MS = 10 * MINUTE_MS;
  private static final long DAY_MS = 86_400_000;
  private static final long MINUTES_AFTER_MS = DAY_MS;
  private static final long TENS_AFTER_MS = 30 * DAY_MS;

  private final DeviceStore.Channels channels;
  private final ReadingStore store;
  private final DiskSpace disk;
  private final Clock clock;

  ReadingRetention(DeviceStore.Channels channels, ReadingStore store, DiskSpace disk, Clock clock) {
    this.disk = disk;
    this.channels = channels;
    this.store = store;
    this.clock = clock;
  }

  /** Thins whatever is due, in whole slices. */
  @Scheduled(initialDelay = 600_000, fixedDelay = 6 * 3_600_000)
  void thin() {
    if (disk.isLow()) {
      return;
    }
    long now = clock.millis();
    long tens = (now - TENS_AFTER_MS) / TENS_MS * TENS_MS;
    long minutes = (now - MINUTES_AFTER_MS) / MINUTE_MS * MINUTE_MS;
    int removed = 0;
    for (Channel channel : channels.findAll()) {
      removed += store.thin(channel.id, 0, tens, TENS_MS);
      removed += store.thin(channel.id, tens, minutes, MINUTE_MS);
    }
    store.forgetOldRefusals();
    if (removed > 0) {
      LOG.info("Thinned {} readings", removed);
    }
  }

  @Override
  public List<Use> uses() {
    return List.of(
        Use.inDatabase(
            "readings",
            "Readings of devices",
            store.countAll(),
            0,
            "Thinned to one a minute after %d day and to one in %d minutes after %d days, with mean, least and most; then kept for good, up to %d a year for each value."
                .formatted(
                    MINUTES_AFTER_MS / DAY_MS,
                    TENS_MS / MINUTE_MS,
                    TENS_AFTER_MS / DAY_MS,
                    365 * DAY_MS / TENS_MS)));
  }
}
