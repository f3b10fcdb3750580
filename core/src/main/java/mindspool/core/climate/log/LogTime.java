package mindspool.core.climate.log;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mindspool.core.climate.log.LogLayout.DateOrder;

/** Reads a time as loggers write it. */
final class LogTime {

  private static final Pattern EPOCH = Pattern.compile("\\d{9,10}(\\.\\d+)?|\\d{12,13}");
  private static final String CLOCK =
      "(?:[T ,]+(\\d{1,2})[:.h](\\d{2})(?:[:.](\\d{2})(?:[.,]\\d+)?)?\\s*([AaPp]\\.?[Mm]\\.?)?)?";
  private static final Pattern ISO =
      Pattern.compile(
          "(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})" + CLOCK + "\\s*(Z|[+-]\\d{2}:?\\d{2})?");
  private static final Pattern PARTS =
      Pattern.compile("(\\d{1,2})([-/.])(\\d{1,2})[-/.](\\d{4}|\\d{2})" + CLOCK);

  private LogTime() {}

  /** How a text is written, as far as it tells. */
  enum Style {
    ISO,
    EPOCH,
    DAY_FIRST,
    MONTH_FIRST,
    /** Day and month could be either. */
    AMBIGUOUS,
    NOT_A_TIME
  }

  static Style styleOf(String text) {
    if (EPOCH.matcher(text).matches()) {
      return Style.EPOCH;
    }
    if (ISO.matcher(text).matches()) {
      return Style.ISO;
    }
    Matcher parts = PARTS.matcher(text);
    if (!parts.matches()) {
      return Style.NOT_A_TIME;
    }
    int first = Integer.parseInt(parts.group(1));
    int second = Integer.parseInt(parts.group(3));
    if (first > 12 && second > 12) {
      return Style.NOT_A_TIME;
    }
    if (first > 12) {
      return Style.DAY_FIRST;
    }
    if (second > 12) {
      return Style.MONTH_FIRST;
    }
    // Dates with points are written day first wherever points are used.
    return parts.group(2).equals(".") ? Style.DAY_FIRST : Style.AMBIGUOUS;
  }

  /** Epoch seconds, or nothing where the text is no time in that order. */
  static OptionalLong read(String text, DateOrder order, ZoneId zone) {
    try {
      return switch (order) {
        case EPOCH -> epoch(text);
        case ISO -> iso(text, zone);
        case DAY_FIRST -> parts(text, 1, 3, zone);
        case MONTH_FIRST -> parts(text, 3, 1, zone);
      };
    } catch (DateTimeException e) {
      return OptionalLong.empty();
    }
  }

  private static OptionalLong epoch(String text) {
    if (!EPOCH.matcher(text).matches()) {
      return OptionalLong.empty();
    }
    double value = Double.parseDouble(text);
    boolean milliseconds = !text.contains(".") && text.length() >= 12;
    return OptionalLong.of((long) (milliseconds ? value / 1000 : value));
  }

  private static OptionalLong iso(String text, ZoneId zone) {
    Matcher m = ISO.matcher(text);
    if (!m.matches()) {
      return OptionalLong.empty();
    }
    LocalDateTime local = local(m, 4, m.group(1), m.group(2), m.group(3));
    String offset = m.group(8);
    if (offset == null) {
      return OptionalLong.of(local.atZone(zone).toEpochSecond());
    }
    String plain = offset.equals("Z") ? "+00:00" : offset;
    String colon = plain.contains(":") ? plain : plain.substring(0, 3) + ":" + plain.substring(3);
    return OptionalLong.of(OffsetDateTime.of(local, ZoneOffset.of(colon)).toEpochSecond());
  }

  private static OptionalLong parts(String text, int day, int month, ZoneId zone) {
    Matcher m = PARTS.matcher(text);
    if (!m.matches()) {
      return OptionalLong.empty();
    }
    String year = m.group(4).length() == 2 ? "20" + m.group(4) : m.group(4);
    LocalDateTime local = local(m, 5, year, m.group(month), m.group(day));
    return OptionalLong.of(local.atZone(zone).toEpochSecond());
  }

  private static LocalDateTime local(
      Matcher m, int hourGroup, String year, String month, String day) {
    LocalTime clock = LocalTime.MIDNIGHT;
    if (m.group(hourGroup) != null) {
      int hour = Integer.parseInt(m.group(hourGroup));
      String half = m.group(hourGroup + 3);
      if (half != null) {
        hour = hour % 12 + (half.toLowerCase(java.util.Locale.ROOT).startsWith("p") ? 12 : 0);
      }
      String second = m.group(hourGroup + 2);
      clock =
          LocalTime.of(
              hour,
              Integer.parseInt(m.group(hourGroup + 1)),
              second == null ? 0 : Integer.parseInt(second));
    }
    return LocalDateTime.of(
        LocalDate.of(Integer.parseInt(year), Integer.parseInt(month), Integer.parseInt(day)),
        clock);
  }
}
