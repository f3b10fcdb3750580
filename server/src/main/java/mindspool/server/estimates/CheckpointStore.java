package mindspool.server.estimates;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import mindspool.server.keep.DiskSpace;
import mindspool.server.stock.SpoolRecord;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/**
 * Checkpoints in the database, one per spool. They can always be computed anew from the facts; they
 * only save the time.
 */
@Repository
class CheckpointStore {

  /** To be raised when the model changes, so that older checkpoints are not gone on from. */
  private static final int MODEL = 2;

  private final JdbcTemplate jdbc;
  private final DiskSpace disk;

  CheckpointStore(JdbcTemplate jdbc, DiskSpace disk) {
    this.disk = disk;
    this.jdbc = jdbc;
  }

  /** A spool's checkpoint if the facts before it are still the same. */
  Optional<Checkpoint> find(SpoolRecord spool) {
    List<Checkpoint> found =
        jdbc.query(
            "select facts_digest, content from spool_checkpoint where spool_id = ? and model = ?",
            (row, i) -> {
              Checkpoint checkpoint = Checkpoint.of(row.getBytes(2));
              return row.getLong(1) == spool.digest(checkpoint.timeS()) ? checkpoint : null;
            },
            spool.spool().id,
            MODEL);
    return found.stream().filter(Objects::nonNull).findFirst();
  }

  void save(SpoolRecord spool, Checkpoint checkpoint) {
    if (disk.isLow()) {
      return;
    }
    jdbc.update(
        "merge into spool_checkpoint (spool_id, time_s, model, facts_digest, content)"
            + " key (spool_id) values (?, ?, ?, ?, ?)",
        spool.spool().id,
        (long) checkpoint.timeS(),
        MODEL,
        spool.digest(checkpoint.timeS()),
        checkpoint.toBytes());
  }

  /** Forgets a spool's checkpoint if it is later than a time. */
  void dropAfter(long spoolId, double fromS) {
    jdbc.update(
        "delete from spool_checkpoint where spool_id = ? and time_s > ?",
        spoolId,
        Double.isInfinite(fromS) ? Long.MIN_VALUE : (long) fromS);
  }
}
