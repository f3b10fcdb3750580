package mindspool.server.http;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.server.keep.DiskSpace;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;
import org.springframework.web.util.ContentCachingResponseWrapper;

/** Answers of acts by the key under which they were sent, kept with what the acts stored. */
@Repository
class RememberedActs {

  /** So long a page or a phone may be without a network and then send again. */
  private static final long KEPT_S = 7 * 86_400;

  private final JdbcTemplate jdbc;
  private final DiskSpace disk;
  private final Clock clock;

  RememberedActs(JdbcTemplate jdbc, DiskSpace disk, Clock clock) {
    this.disk = disk;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** An answer as it was given. */
  record Remembered(long digest, int status, String contentType, String body, String act) {

    static Remembered of(long digest, ContentCachingResponseWrapper answer) {
      return new Remembered(
          digest,
          answer.getStatus(),
          answer.getContentType(),
          new String(answer.getContentAsByteArray(), StandardCharsets.UTF_8),
          answer.getHeader(ActGate.ACT));
    }

    /** Gives it again to the same request. */
    void replay(long asked, HttpServletResponse answer) throws IOException {
      if (asked != digest) {
        throw new InvalidValueException(
            "Idempotency-Key",
            "the key of another act",
            "a key that no other act was sent with",
            "Make a new random key for every act.");
      }
      answer.setStatus(status);
      answer.setHeader("Idempotency-Replayed", "true");
      if (act != null) {
        answer.setHeader(ActGate.ACT, act);
      }
      if (contentType != null) {
        answer.setContentType(contentType);
      }
      answer.getOutputStream().write(body.getBytes(StandardCharsets.UTF_8));
    }
  }

  Optional<Remembered> find(String key) {
    return jdbc
        .query(
            "select digest, status, content_type, body, act from remembered_act where act_key = ?",
            (row, i) ->
                new Remembered(
                    row.getLong(1),
                    row.getInt(2),
                    row.getString(3),
                    row.getString(4),
                    row.getString(5)),
            key)
        .stream()
        .findFirst();
  }

  void keep(String key, Remembered answer) {
    jdbc.update(
        "insert into remembered_act (act_key, at_s, digest, status, content_type, body, act)"
            + " values (?, ?, ?, ?, ?, ?, ?)",
        key,
        clock.instant().getEpochSecond(),
        answer.digest,
        answer.status,
        answer.contentType,
        answer.body,
        answer.act);
  }

  @Scheduled(initialDelay = 3_600_000, fixedDelay = 6 * 3_600_000)
  void forgetOld() {
    if (disk.isLow()) {
      return;
    }
    jdbc.update(
        "delete from remembered_act where at_s < ?", clock.instant().getEpochSecond() - KEPT_S);
  }
}
