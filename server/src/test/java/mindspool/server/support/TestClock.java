package mindspool.server.support;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/**
 * A clock that goes on as any does, from an hour of a day that is the same in every run: what a
 * plan says hangs on who is there at which hour. Days pass in a test by putting it forward. Only
 * where {@code mindspool.test.begins} says at which time of the place it begins.
 */
@Component
@Primary
@ConditionalOnProperty("mindspool.test.begins")
public final class TestClock extends Clock {

  private final ZoneId zone;
  private volatile Duration ahead;

  @Autowired
  TestClock(@Value("${mindspool.test.begins}") String begins) {
    this(
        ZoneId.systemDefault(),
        Duration.between(
            Instant.now(), LocalDateTime.parse(begins).atZone(ZoneId.systemDefault())));
  }

  private TestClock(ZoneId zone, Duration ahead) {
    this.zone = zone;
    this.ahead = ahead;
  }

  /** Puts it forward. */
  public void pass(Duration time) {
    ahead = ahead.plus(time);
  }

  /** How far it is ahead of the computer's, ms. */
  public long aheadMs() {
    return ahead.toMillis();
  }

  @Override
  public Instant instant() {
    return Instant.now().plus(ahead);
  }

  @Override
  public ZoneId getZone() {
    return zone;
  }

  @Override
  public Clock withZone(ZoneId other) {
    return new TestClock(other, ahead);
  }
}
