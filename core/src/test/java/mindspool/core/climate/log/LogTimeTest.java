package mindspool.core.climate.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.OptionalLong;
import mindspool.core.climate.log.LogLayout.DateOrder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Ways in which loggers write a time; from memory of common practice. */
class LogTimeTest {

  private static final ZoneId UTC = ZoneId.of("UTC");

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2026-03-05T14:30:10Z | ISO | 2026-03-05T14:30:10Z",
        "2026-03-05T14:30:10.250+02:00 | ISO | 2026-03-05T12:30:10Z",
        "2026-03-05 14:30 -0530 | ISO | 2026-03-05T20:00:00Z",
        "2026/3/5 4:05 | ISO | 2026-03-05T04:05:00Z",
        "2026.03.05 14:30:10 | ISO | 2026-03-05T14:30:10Z",
        "2026-03-05 | ISO | 2026-03-05T00:00:00Z",
        "5.3.2026 14:30 | DAY_FIRST | 2026-03-05T14:30:00Z",
        "05.03.26 14.30 | DAY_FIRST | 2026-03-05T14:30:00Z",
        "05-03-2026 14:30:59 | DAY_FIRST | 2026-03-05T14:30:59Z",
        "5/3/2026, 2:30 pm | DAY_FIRST | 2026-03-05T14:30:00Z",
        "3/5/2026 12:30 AM | MONTH_FIRST | 2026-03-05T00:30:00Z",
        "3/5/2026 12:30 PM | MONTH_FIRST | 2026-03-05T12:30:00Z",
        "3/5/26 2:30:15 p.m. | MONTH_FIRST | 2026-03-05T14:30:15Z",
        "1772721010 | EPOCH | 2026-03-05T14:30:10Z",
        "1772721010.75 | EPOCH | 2026-03-05T14:30:10Z",
        "1772721010750 | EPOCH | 2026-03-05T14:30:10Z"
      })
  void readsWhatLoggersWrite(String text, DateOrder order, String expected) {
    assertThat(LogTime.read(text, order, UTC))
        .isEqualTo(OptionalLong.of(Instant.parse(expected).getEpochSecond()));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "yesterday",
        "12:30",
        "2026-13-01 10:00",
        "2026-02-29",
        "31.04.2026",
        "5/3/2026 25:00",
        "21.5",
        "99999"
      })
  void refusesWhatIsNoTime(String text) {
    for (DateOrder order : DateOrder.values()) {
      assertThat(LogTime.read(text, order, UTC)).as(order.name()).isEmpty();
    }
  }

  @ParameterizedTest
  @CsvSource({
    "2026-03-05 10:00, ISO", "1772721010, EPOCH", "25/03/2026, DAY_FIRST",
        "03/25/2026, MONTH_FIRST",
    "03/05/2026, AMBIGUOUS", "03.05.2026, DAY_FIRST", "13/14/2026, NOT_A_TIME", "x, NOT_A_TIME"
  })
  void knowsWhatADateTells(String text, LogTime.Style style) {
    assertThat(LogTime.styleOf(text)).isEqualTo(style);
  }

  /** Local clocks are put back in autumn; the hour that happens twice is taken as the first. */
  @Test
  void localTimesFollowTheirZone() {
    ZoneId berlin = ZoneId.of("Europe/Berlin");
    assertThat(LogTime.read("2026-07-01 12:00", DateOrder.ISO, berlin).getAsLong())
        .isEqualTo(Instant.parse("2026-07-01T10:00:00Z").getEpochSecond());
    assertThat(LogTime.read("2026-01-01 12:00", DateOrder.ISO, berlin).getAsLong())
        .isEqualTo(Instant.parse("2026-01-01T11:00:00Z").getEpochSecond());
    assertThat(LogTime.read("2026-10-25 02:30", DateOrder.ISO, berlin).getAsLong())
        .isEqualTo(Instant.parse("2026-10-25T00:30:00Z").getEpochSecond());
  }
}
