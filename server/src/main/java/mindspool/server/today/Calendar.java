package mindspool.server.today;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;

/** Writes a calendar as RFC 5545 has it, with name and refresh interval as in RFC 7986. */
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
    line("NAME:Mind Spool");
    line("X-WR-CALNAME:Mind Spool");
    line("REFRESH-INTERVAL;VALUE=DURATION:PT30M");
  }

  /**
   * Something that is due.
   *
   * @param link address of the page where it is done
   * @param alarm whether it rings before
   */
  record Event(
      String key,
      long fromS,
      long toS,
      String summary,
      String description,
      String link,
      boolean alarm) {}

  void add(Event event) {
    line("BEGIN:VEVENT");
    line("UID:" + escaped(event.key) + "@mind-spool");
    line("DTSTAMP:" + time(nowS));
    line("DTSTART:" + time(event.fromS));
    line("DTEND:" + time(event.toS));
    line("SUMMARY:" + escaped(event.summary));
    line("DESCRIPTION:" + escaped(event.description));
    line("URL:" + event.link);
    if (event.alarm) {
      line("BEGIN:VALARM");
      line("ACTION:DISPLAY");
      line("TRIGGER:-PT10M");
      line("DESCRIPTION:" + escaped(event.summary));
      line("END:VALARM");
    }
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
