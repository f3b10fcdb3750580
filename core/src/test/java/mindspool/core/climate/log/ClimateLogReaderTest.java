package mindspool.core.climate.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.core.climate.log.LogLayout.DateOrder;
import mindspool.core.climate.log.LogLayout.HumidityUnit;
import mindspool.core.climate.log.LogLayout.TemperatureUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files as loggers write them; layouts from memory of common practice, contents invented. */
class ClimateLogReaderTest {

  private static final ZoneId ZONE = ZoneId.of("Europe/Berlin");
  private static final Instant NOW = Instant.parse("2026-06-30T12:00:00Z");

  private static ClimateLog read(String text) {
    return read(text, LogAnswers.NONE);
  }

  private static ClimateLog read(String text, LogAnswers answers) {
    return ClimateLogReader.read(text.getBytes(StandardCharsets.UTF_8), ZONE, NOW, answers);
  }

  private static long epoch(int year, int month, int day, int hour, int minute) {
    return LocalDateTime.of(year, month, day, hour, minute).atZone(ZONE).toEpochSecond();
  }

  private static void assertFirst(ClimateLog log, long epoch, double celsius, double percent) {
    Reading first = log.readings().get(0);
    assertThat(first.epochS()).isEqualTo(epoch);
    assertThat(first.temperatureC()).isCloseTo(celsius, within(0.01));
    assertThat(first.relativeHumidityPercent()).isCloseTo(percent, within(0.01));
  }

  @Test
  void commaWithPointAndIso() {
    ClimateLog log = read("Time,Temperature (°C),Humidity (%RH)\n2026-03-05 14:30:00,21.4,43.5\n");
    assertFirst(log, epoch(2026, 3, 5, 14, 30), 21.4, 43.5);
    assertThat(log.questions()).isEmpty();
    assertThat(log.layout().hasHeader()).isTrue();
  }

  @Test
  void semicolonWithDecimalCommaAndPointedDates() {
    ClimateLog log =
        read(
            "Logger 7;;\nSeriennummer;123;\nDatum/Zeit;Feuchte [%];Temperatur [°C]\n"
                + "05.03.2026 14:30;43,5;21,4\n06.03.2026 14:30;44,0;20,9\n");
    assertFirst(log, epoch(2026, 3, 5, 14, 30), 21.4, 43.5);
    assertThat(log.layout().decimalComma()).isTrue();
    assertThat(log.layout().delimiter()).isEqualTo(';');
    assertThat(log.layout().dateOrder()).isEqualTo(DateOrder.DAY_FIRST);
    assertThat(log.readings()).hasSize(2);
  }

  @Test
  void tabWithSeparateDateAndClockAndDewPoint() {
    ClimateLog log =
        read("Date\tTime\tDew point °C\tTemp °C\tRH %\n2026/03/05\t14:30:10\t8.2\t21.4\t43.5\n");
    assertFirst(log, epoch(2026, 3, 5, 14, 30) + 10, 21.4, 43.5);
    assertThat(log.layout().timeColumns()).containsExactly(0, 1);
  }

  @Test
  void monthFirstWithHalfDaysAndFahrenheit() {
    ClimateLog log =
        read(
            "\"timestamp\",\"temp_F (F)\",\"rh\"\n\"3/25/2026 02:30:00 PM\",\"70.5\",\"43.5\"\n"
                + "\"3/26/2026 12:10:00 AM\",\"69.8\",\"44\"\n");
    assertFirst(log, epoch(2026, 3, 25, 14, 30), (70.5 - 32) / 1.8, 43.5);
    assertThat(log.readings().get(1).epochS()).isEqualTo(epoch(2026, 3, 26, 0, 10));
    assertThat(log.layout().dateOrder()).isEqualTo(DateOrder.MONTH_FIRST);
    assertThat(log.layout().temperatureUnit()).isEqualTo(TemperatureUnit.FAHRENHEIT);
  }

  @ParameterizedTest
  @ValueSource(strings = {"1772717400", "1772717400000"})
  void epochSecondsAndMilliseconds(String time) {
    assertFirst(read("ts,t,rh\n" + time + ",21.4,43.5\n"), 1_772_717_400L, 21.4, 43.5);
  }

  @Test
  void offsetsInIsoTimesWinOverTheZone() {
    ClimateLog log =
        read("time,temp,rh\n2026-03-05T14:30:00Z,21,40\n2026-03-05T14:30:00-05:00,21,40");
    assertThat(log.readings().get(1).epochS() - log.readings().get(0).epochS()).isEqualTo(5 * 3600);
  }

  @Test
  void filesWithoutHeadingsAndWithUnitsInCells() {
    ClimateLog log = read("2026-03-05 14:30;21,4 °C;43,5 %\n2026-03-05 14:40;21,5 °C;43,4 %\n");
    assertFirst(log, epoch(2026, 3, 5, 14, 30), 21.4, 43.5);
    assertThat(log.layout().hasHeader()).isFalse();
  }

  @Test
  void utf16AndWindowsFilesAreRead() {
    String text = "Zeit\tTemperatur °C\tFeuchte %\r\n05.03.2026 14:30\t21,4\t43,5\r\n";
    byte[] wide = ("\uFEFF" + text).getBytes(StandardCharsets.UTF_16LE);
    assertFirst(
        ClimateLogReader.read(wide, ZONE, NOW, LogAnswers.NONE),
        epoch(2026, 3, 5, 14, 30),
        21.4,
        43.5);
    byte[] windows = text.getBytes(Charset.forName("windows-1252"));
    assertThat(ClimateLogReader.read(windows, ZONE, NOW, LogAnswers.NONE).layout().columns())
        .contains("Temperatur °C");
  }

  @Test
  void asksWhenDatesCouldBeReadBothWays() {
    String text = "time,temp °C,rh %\n03/05/2026 14:30,21.4,43.5\n04/05/2026 14:30,21.4,43.5\n";
    ClimateLog asked = read(text);
    assertThat(asked.questions())
        .singleElement()
        .satisfies(
            q -> {
              assertThat(q.about()).isEqualTo("dateOrder");
              assertThat(q.options().get(0).text()).contains("4 May 2026");
              assertThat(q.options().get(1).text()).contains("5 April 2026");
            });
    ClimateLog answered =
        read(text, new LogAnswers(DateOrder.MONTH_FIRST, null, null, null, null, null));
    assertThat(answered.questions()).isEmpty();
    assertFirst(answered, epoch(2026, 3, 5, 14, 30), 21.4, 43.5);
  }

  @Test
  void oneTellingDateSettlesTheOrder() {
    ClimateLog log =
        read("time,temp °C,rh %\n03/05/2026 14:30,21.4,43.5\n13/05/2026 14:30,21.4,43.5\n");
    assertThat(log.questions()).isEmpty();
    assertFirst(log, epoch(2026, 5, 3, 14, 30), 21.4, 43.5);
  }

  @Test
  void asksWhenHumidityIsAFraction() {
    String text = "time,temp °C,rh %\n2026-03-05 14:30,21.4,0.435\n";
    assertThat(read(text).questions()).extracting("about").containsExactly("humidityUnit");
    ClimateLog answered =
        read(text, new LogAnswers(null, null, HumidityUnit.FRACTION, null, null, null));
    assertFirst(answered, epoch(2026, 3, 5, 14, 30), 21.4, 43.5);
  }

  @Test
  void asksWhenAnUnnamedTemperatureLooksLikeFahrenheit() {
    assertThat(read("time,temp,rh\n2026-03-05 14:30,70.2,43\n").questions())
        .extracting("about")
        .containsExactly("temperatureUnit");
  }

  @Test
  void listsBadRowsWithLineAndReasonAndTakesTheRest() {
    ClimateLog log =
        read(
            "time,temp °C,rh %\n2026-03-05 14:30,21.4,43.5\n2026-03-05 14:40,NaN,43\n"
                + "2026-03-05 14:50,21,130\n2026-02-30 10:00,21,40\n2027-01-01 10:00,21,40\n"
                + "2026-03-05 14:30,22,41\n2026-03-05 15:00,,40\n2026-03-05 15:10,21\n"
                + "2026-03-05 15:20,-80,40\n2026-03-05 15:30,21.0,44\n");
    assertThat(log.readings()).hasSize(2);
    assertThat(log.rejectedCount()).isEqualTo(8);
    assertThat(log.rejected())
        .extracting(row -> row.line() + ": " + row.reason())
        .containsExactly(
            "3: temperature \"NaN\" is not a number",
            "4: humidity 130.0 % is outside 0 to 100 %",
            "5: time \"2026-02-30 10:00\" is not readable",
            "6: time \"2027-01-01 10:00\" lies in the future",
            "7: the same time stands on line 2",
            "8: temperature is missing",
            "9: humidity is missing",
            "10: temperature -80.0 °C is outside -40 to 150 °C");
  }

  @Test
  void columnsCanBeChosenByHand() {
    String text = "time,inside °C,outside °C,rh %\n2026-03-05 14:30,21,9,43\n";
    ClimateLog log = read(text, new LogAnswers(null, null, null, null, 2, null));
    assertThat(log.readings().get(0).temperatureC()).isEqualTo(9);
    assertThatThrownBy(() -> read(text, new LogAnswers(null, null, null, null, 3, 3)))
        .hasMessageContaining("different columns");
    assertThatThrownBy(() -> read(text, new LogAnswers(null, null, null, null, 9, null)))
        .hasMessageContaining("0 to 3");
  }

  @Test
  void refusesWhatIsNoLog() {
    assertRefused(new byte[0], "empty");
    assertRefused(new byte[] {'P', 'K', 3, 4, 0, 0, 0, 8}, "binary");
    assertRefused(
        "hello world\nno table here\n".getBytes(StandardCharsets.UTF_8), "without columns");
    assertRefused("a,b,c\nx,y,z\n".getBytes(StandardCharsets.UTF_8), "no row has a time");
    assertThatThrownBy(() -> ClimateLogReader.checkSize(50_000_000))
        .hasMessageContaining("50.0 MB")
        .hasMessageContaining("up to 20 MB");
  }

  private static void assertRefused(byte[] content, String why) {
    assertThatThrownBy(() -> ClimateLogReader.read(content, ZONE, NOW, LogAnswers.NONE))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageStartingWith("file is")
        .hasMessageContaining(why);
  }
}
