package mindspool.server.keep;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class BackupRotationTest {

  private static final Instant FIRST = Instant.parse("2026-01-05T03:00:00Z");

  /** A backup a day for two years, rotated every day as the program does. */
  @Test
  void sevenDaysFourWeeksTwelveMonthsStay() {
    List<Instant> there = new ArrayList<>();
    for (int day = 0; day < 730; day++) {
      there.add(FIRST.plus(day, ChronoUnit.DAYS));
      there.retainAll(BackupRotation.kept(there, ZoneOffset.UTC));
    }
    Instant last = FIRST.plus(729, ChronoUnit.DAYS);
    assertThat(there)
        .contains(last, last.minus(6, ChronoUnit.DAYS))
        .doesNotContain(last.minus(8, ChronoUnit.DAYS));
    // Some of a day's, week's and month's are the same one.
    assertThat(there).hasSizeBetween(7 + 2 + 10, 7 + 3 + 11);
    Instant oldest = there.stream().min(Instant::compareTo).orElseThrow();
    assertThat(ChronoUnit.DAYS.between(oldest, last)).isBetween(304L, 366L);
  }

  @Test
  void fewAreAllKeptAndOfOneDayTheLatest() {
    Instant evening = FIRST.plus(15, ChronoUnit.HOURS);
    assertThat(BackupRotation.kept(List.of(), ZoneOffset.UTC)).isEmpty();
    assertThat(BackupRotation.kept(List.of(FIRST), ZoneOffset.UTC)).containsExactly(FIRST);
    Set<Instant> kept = new HashSet<>(BackupRotation.kept(List.of(FIRST, evening), ZoneOffset.UTC));
    assertThat(kept).containsExactly(evening);
  }
}
