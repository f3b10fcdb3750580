package mindspool.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import org.junit.jupiter.api.Test;

class TimesTest {

  private static final long NOW = 1_790_000_000;

  private static Instant at(long afterNowS) {
    return Instant.ofEpochSecond(NOW + afterNowS);
  }

  /** Two clocks differ: what somebody calls now is never refused for a second. */
  @Test
  void nowIsATimeByAnyClockNearby() {
    assertThat(Times.past("at", at(0), NOW)).isEqualTo(NOW);
    assertThat(Times.past("at", at(90), NOW)).isEqualTo(NOW);
    assertThat(Times.past("at", at(-90), NOW)).isEqualTo(NOW - 90);
    assertThat(Times.notBefore("at", at(-90), NOW, "its arrival")).isEqualTo(NOW);
    assertThat(Times.notBefore("at", at(7), NOW, "its arrival")).isEqualTo(NOW + 7);
    assertThat(Times.toCome("startAt", at(-90), NOW, "")).isEqualTo(NOW);
    assertThat(Times.toCome("startAt", at(60), NOW, "")).isEqualTo(NOW + 60);
  }

  @Test
  void whatIsTrulyElsewhereInTimeIsRefusedWithTheField() {
    assertThatThrownBy(() -> Times.past("weighedAt", at(600), NOW))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("weighedAt")
        .hasMessageContaining("up to now");
    assertThatThrownBy(() -> Times.past("at", Instant.parse("1999-12-30T00:00:00Z"), NOW))
        .hasMessageContaining("the year 2000");
    assertThatThrownBy(() -> Times.notBefore("at", at(-600), NOW, "its arrival"))
        .hasMessageContaining("its arrival");
    assertThatThrownBy(() -> Times.toCome("startAt", at(-600), NOW, "Choose another."))
        .hasMessageContaining("a time to come")
        .hasMessageContaining("Choose another.");
  }
}
