package mindspool.server.keep;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import javax.sql.DataSource;
import mindspool.core.InvalidValueException;
import mindspool.server.alerts.AlertSource;
import mindspool.server.keep.BackupFolder.Backup;
import mindspool.server.keep.BackupFolder.Reason;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Makes a backup every day and whenever it is asked for. */
@Service
class Backups implements AlertSource {

  private static final Logger LOG = LoggerFactory.getLogger(Backups.class);

  /** A little less than a day, so that it does not wander through the day. */
  private static final Duration DAILY = Duration.ofHours(23);

  private static final Duration WORRY = Duration.ofDays(3);

  private final BackupPlace place;
  private final KnownData known;
  private final DiskSpace disk;
  private final DataSource database;
  private final Clock clock;
  private volatile String problem = "";

  Backups(BackupPlace place, KnownData known, DiskSpace disk, DataSource database, Clock clock) {
    this.place = place;
    this.known = known;
    this.disk = disk;
    this.database = database;
    this.clock = clock;
  }

  List<Backup> all() {
    return place.folder().all();
  }

  /** Makes one now. */
  synchronized Backup make(Reason reason) {
    if (!known.isOnDisk()) {
      throw new InvalidValueException(
          "data", "of a demonstration", "data that is kept", "Start with your own data.");
    }
    disk.refuseWhenLow();
    try (Connection connection = database.getConnection()) {
      Backup made = place.folder().make(connection, reason, clock.instant());
      place.folder().rotate(clock.getZone());
      problem = "";
      return made;
    } catch (IOException | SQLException e) {
      problem = String.valueOf(e.getMessage());
      LOG.warn("No backup", e);
      throw new BackupFailedException(problem, e);
    }
  }

  /** A backup that could not be made. */
  static final class BackupFailedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    BackupFailedException(String why, Throwable cause) {
      super("The backup could not be made: " + why, cause);
    }
  }

  @Scheduled(
      initialDelayString = "${mindspool.backup.first-ms:300000}",
      fixedDelayString = "${mindspool.backup.every-ms:1800000}")
  void daily() {
    Instant due = clock.instant().minus(DAILY);
    boolean done =
        all().stream()
            .anyMatch(backup -> backup.reason() == Reason.DAILY && backup.at().isAfter(due));
    if (!known.isOnDisk() || done || disk.isLow()) {
      return;
    }
    try {
      make(Reason.DAILY);
    } catch (RuntimeException e) {
      // Said on every page until the next one succeeds.
      LOG.debug("No daily backup", e);
    }
  }

  @Override
  public List<Alert> alerts() {
    Optional<Instant> newest = all().stream().map(Backup::at).findFirst();
    boolean old = newest.map(at -> at.isBefore(clock.instant().minus(WORRY))).orElse(false);
    return problem.isEmpty() && !old
        ? List.of()
        : List.of(
            Alert.urgent(
                "backup",
                "The last backup is of %s. %s"
                    .formatted(
                        newest.map(Instant::toString).orElse("never"),
                        problem.isEmpty() ? "" : "The next could not be made: " + problem),
                ""));
  }
}
