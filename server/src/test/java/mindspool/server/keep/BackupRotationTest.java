package mindspool.server.keep;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

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

  /** Whatever the program itself makes of a folder with names as it gives them. */
  @Test
  void thoseMadeByHandMakeRoomForLaterOnes(@TempDir Path data) throws IOException {
    Path backups = Files.createDirectory(data.resolve("backups"));
    for (int day = 1; day <= 28; day++) {
      Files.writeString(
          backups.resolve("mind-spool-2026-02-%02dT03-00-00Z-manual.zip".formatted(day)), "zip");
    }
    BackupFolder folder = BackupFolder.of(data);
    assertThat(folder.all()).hasSize(28);
    folder.rotate(ZoneOffset.UTC);
    assertThat(folder.all()).hasSize(BackupFolder.MANUAL_KEPT);
    assertThat(folder.all().get(0).file())
        .hasFileName("mind-spool-2026-02-28T03-00-00Z-manual.zip");
  }
}
