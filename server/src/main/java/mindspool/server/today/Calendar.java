package mindspool.server.today;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;

/** Writes a calendar as RFC 5545 has it. */
final class Calendar {

  private static final int MOST_OCTETS = 75;
  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss'Z'").withZone(ZoneOffset.UTC);

  private final StringBuilder text = new StringBuilder();
  private final long nowS;

  Calendar(long nowS) {
    this.nowS = nowS;
    line("BEGIN:VCALENDAR");
    line("VERSION:2.0");
    line("PRODID:-//Mind Spool//Run sheet//EN");
    line("X-WR-CALNAME:Mind Spool");
  }

  void event(String key, long fromS, long toS, String summary, String description) {
    line("BEGIN:VEVENT");
    line("UID:" + escaped(key) + "@mind-spool");
    line("DTSTAMP:" + time(nowS));
    line("DTSTART:" + time(fromS));
    line("DTEND:" + time(toS));
    line("SUMMARY:" + escaped(summary));
    line("DESCRIPTION:" + escaped(description));
    line("END:VEVENT");
  }

  String text() {
    return text + "END:VCALENDAR\r\n";
  }

  private static String time(long seconds) {
    return TIME.format(Instant.ofEpochSecond(seconds));
  }

  private static String escaped(String value) {
    return value.replace("\\", "\\\\").replace(";", "\\;").replace(",", "\\,").replace("\n", "\\n");
  }

  /** Folds after 75 octets, never within a character. */
  private void line(String content) {
    int octets = 0;
    for (int i = 0; i < content.length(); ) {
      int point = content.codePointAt(i);
      String character = Character.toString(point);
      int length = character.getBytes(StandardCharsets.UTF_8).length;
      if (octets + length > MOST_OCTETS) {
        text.append("\r\n ");
        octets = 1;
      }
      text.append(character);
      octets += length;
      i += Character.charCount(point);
    }
    text.append("\r\n");
  }
}
