package mindspool.server.http;

import java.time.Clock;
import java.util.OptionalLong;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Numbers acts: all that is stored in one transaction is one act, which is noted with its first
 * fact.
 */
@Repository
public class ActNumber {

  private final JdbcTemplate jdbc;
  private final Clock clock;

  ActNumber(JdbcTemplate jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Number of the act going on. */
  public long current() {
    Long number = (Long) TransactionSynchronizationManager.getResource(this);
    return number == null ? begin() : number;
  }

  /** Number of the act going on; none where nothing of it was noted yet. */
  public OptionalLong ifBegun() {
    Long number = (Long) TransactionSynchronizationManager.getResource(this);
    return number == null ? OptionalLong.empty() : OptionalLong.of(number);
  }

  private long begin() {
    long number = jdbc.queryForObject("select next value for act_number", Long.class);
    jdbc.update(
        "insert into act (id, recorded_s, person) values (?, ?, ?)",
        number,
        clock.instant().getEpochSecond(),
        PersonAtWork.name().orElse(null));
    TransactionSynchronizationManager.bindResource(this, number);
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void suspend() {
            TransactionSynchronizationManager.unbindResource(ActNumber.this);
          }

          @Override
          public void resume() {
            TransactionSynchronizationManager.bindResource(ActNumber.this, number);
          }

          @Override
          public void afterCompletion(int status) {
            TransactionSynchronizationManager.unbindResource(ActNumber.this);
          }
        });
    return number;
  }
}
