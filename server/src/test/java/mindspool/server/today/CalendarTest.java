package mindspool.server.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import mindspool.server.today.Calendar.Event;
import org.junit.jupiter.api.Test;

/** Against RFC 5545: times in UTC (3.3.5), escapes (3.3.11), folding (3.1). */
class CalendarTest {

  private static final long NOON_S = 1_750_766_400L;

  private static List<String> lines(String summary, String description) {
    Calendar calendar = new Calendar(NOON_S);
    calendar.add(
        new Event("load-1-2", NOON_S, NOON_S + 900, summary, description, "http://a/plan", true));
    return calendar.text().lines().toList();
  }

  @Test
  void anEventHasWhatTheStandardWants() {
    assertThat(lines("Weigh AAAA", "because"))
        .startsWith("BEGIN:VCALENDAR", "VERSION:2.0")
        .endsWith("END:VEVENT", "END:VCALENDAR")
        .contains(
            "UID:load-1-2@mind-spool",
            "DTSTAMP:20250624T120000Z",
            "DTSTART:20250624T120000Z",
            "DTEND:20250624T121500Z",
            "SUMMARY:Weigh AAAA",
            "URL:http://a/plan");
  }

  /** An alarm stands within its event and has action, trigger and description (3.6.6). */
  @Test
  void whatAPersonDoesRingsBefore() {
    assertThat(lines("Weigh AAAA", "because"))
        .containsSubsequence(
            "BEGIN:VEVENT",
            "BEGIN:VALARM",
            "ACTION:DISPLAY",
            "TRIGGER:-PT10M",
            "DESCRIPTION:Weigh AAAA",
            "END:VALARM",
            "END:VEVENT");
  }

  @Test
  void commasSemicolonsAndLineBreaksAreEscaped() {
    assertThat(lines("Put A, B; then C\\D", "one\ntwo"))
        .contains("SUMMARY:Put A\\, B\\; then C\\\\D", "DESCRIPTION:one\\ntwo");
  }

  @Test
  void longLinesAreFoldedBetweenCharacters() {
    String long1 = "Ten kelvin: °".repeat(20);
    Calendar calendar = new Calendar(NOON_S);
    calendar.add(new Event("k", NOON_S, NOON_S, long1, "d", "http://a/today", false));
    String text = calendar.text();
    for (String line : text.split("\r\n")) {
      assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75);
    }
    assertThat(text.replace("\r\n ", "")).contains("SUMMARY:" + long1).doesNotContain("VALARM");
  }
}
