package mindspool.server.keep;

import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.temporal.IsoFields;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * Which daily backups stay: the latest of each of the last seven days that have one, of the last
 * four weeks, and of the last twelve months.
 */
final class BackupRotation {

  static final int DAYS = 7;
  static final int WEEKS = 4;
  static final int MONTHS = 12;

  private BackupRotation() {}

  /** Those of the given times whose backups stay. */
  static Set<Instant> kept(List<Instant> times, ZoneId zone) {
    Set<Instant> kept = new HashSet<>();
    keepLatest(times, DAYS, time -> date(time, zone), kept);
    keepLatest(
        times,
        WEEKS,
        time ->
            date(time, zone).get(IsoFields.WEEK_BASED_YEAR) * 100
                + date(time, zone).get(IsoFields.WEEK_OF_WEEK_BASED_YEAR),
        kept);
    keepLatest(times, MONTHS, time -> YearMonth.from(date(time, zone)), kept);
    return kept;
  }

  private static LocalDate date(Instant time, ZoneId zone) {
    return LocalDate.ofInstant(time, zone);
  }

  private static <S> void keepLatest(
      List<Instant> times, int most, Function<Instant, S> span, Set<Instant> kept) {
    Set<S> spans = new HashSet<>();
    times.stream()
        .sorted(Comparator.reverseOrder())
        .filter(time -> spans.size() < most && spans.add(span.apply(time)))
        .forEach(kept::add);
  }
}
