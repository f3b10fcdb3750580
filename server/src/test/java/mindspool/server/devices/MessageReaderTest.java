package mindspool.server.devices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.device.ReadingUnit;
import mindspool.core.hygrometer.HygrometerCorrection;
import mindspool.core.hygrometer.HygrometerCorrection.Point;
import mindspool.core.hygrometer.Salt;
import mindspool.server.devices.MessageReader.Found;
import mindspool.server.devices.MessageReader.Refusal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MessageReaderTest {

  private static Found read(String text, String pointer, ReadingUnit unit, String timePointer) {
    return MessageReader.read(text, MessageReader.json(text), pointer, unit, timePointer);
  }

  @ParameterizedTest
  @CsvSource({
    "'21.5', '', CELSIUS, 21.5",
    "' 21,5 ', '', CELSIUS, 21.5",
    "'-3', '', CELSIUS, -3",
    "'7.2e1', '', FAHRENHEIT, 22.2222",
    "'{\"t\": 294.65}', /t, KELVIN, 21.5",
    "'{\"a\": [{\"rh\": \"0.45\"}]}', /a/0/rh, FRACTION, 45",
    "'[1, 2, 1215.4]', /2, GRAM, 1215.4",
    "'{\"a/b\": 2.2}', /a~1b, POUND, 997.903"
  })
  void findsNumbers(String text, String pointer, ReadingUnit unit, double expected) {
    assertThat(read(text, pointer, unit, null).value()).isCloseTo(expected, within(1e-3));
  }

  @ParameterizedTest
  @CsvSource({
    "'warm', '', CELSIUS, NOT_A_NUMBER",
    "'', '', CELSIUS, NOT_A_NUMBER",
    "'1 2', '', CELSIUS, NOT_A_NUMBER",
    "'NaN', '', CELSIUS, NOT_A_NUMBER",
    "'not json', /t, CELSIUS, NOT_JSON",
    "'{\"t\": 21', /t, CELSIUS, NOT_JSON",
    "'{\"x\": 21}', /t, CELSIUS, NO_SUCH_FIELD",
    "'{\"t\": null}', /t, CELSIUS, NO_SUCH_FIELD",
    "'{\"t\": true}', /t, CELSIUS, NOT_A_NUMBER",
    "'{\"t\": {\"c\": 21}}', /t, CELSIUS, NOT_A_NUMBER",
    "'140', '', PERCENT, IMPOSSIBLE",
    "'-5', '', PERCENT, IMPOSSIBLE",
    "'900', '', CELSIUS, IMPOSSIBLE",
    "'1e9', '', GRAM, IMPOSSIBLE"
  })
  void saysWhyThereIsNone(String text, String pointer, ReadingUnit unit, Refusal refusal) {
    assertThat(read(text, pointer, unit, null).refusal()).isEqualTo(refusal);
  }

  @ParameterizedTest
  @CsvSource({
    "1760000000",
    "1760000000000",
    "'\"1760000000\"'",
    "'\"2025-10-09T08:53:20Z\"'",
    "'\"2025-10-09T10:53:20+02:00\"'",
    "1760000000.0"
  })
  void readsTimes(String time) {
    Found found = read("{\"t\": 21, \"at\": " + time + "}", "/t", ReadingUnit.CELSIUS, "/at");
    assertThat(Instant.ofEpochMilli(found.timeMs()))
        .isEqualTo(Instant.parse("2025-10-09T08:53:20Z"));
  }

  @ParameterizedTest
  @CsvSource({"'\"yesterday\"'", "-5", "null", "'\"2025-10-09 08:53\"'", "1e20"})
  void refusesWhatIsNoTime(String time) {
    assertThat(
            read("{\"t\": 21, \"at\": " + time + "}", "/t", ReadingUnit.CELSIUS, "/at").refusal())
        .isEqualTo(Refusal.NOT_A_TIME);
  }

  @Test
  void textIsTextAndNothingElse() {
    assertThat(MessageReader.text("21 °C".getBytes(StandardCharsets.UTF_8))).isEqualTo("21 °C");
    assertThat(MessageReader.text(new byte[] {(byte) 0xff, (byte) 0xfe, 0x31})).isNull();
  }

  @Test
  void pointersAreChecked() {
    assertThat(MessageReader.checkedPointer("pointer", " /a/0 ")).isEqualTo("/a/0");
    assertThat(MessageReader.checkedPointer("pointer", null)).isEmpty();
    assertThatThrownBy(() -> MessageReader.checkedPointer("pointer", "a.b"))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("/temperature");
  }

  private static HygrometerCheck check(long atS, double offset) {
    HygrometerCheck check = new HygrometerCheck(1, atS, atS);
    check.points = "NaCl@23.0=78.9";
    check.gain = 1;
    check.offsetPercent = offset;
    check.verdict = HygrometerCorrection.Verdict.ONE_POINT_ONLY;
    return check;
  }

  /** A check holds until the next; the first also for what was read before it. */
  @Test
  void correctionsHoldFromCheckToCheck() {
    HygrometerCheck undone = check(150, -50);
    undone.undoneBy = 151L;
    HygrometerCheck rejected = check(160, 20);
    rejected.verdict = HygrometerCorrection.Verdict.REJECT;
    Corrections corrections =
        new Corrections(List.of(check(100, -3), undone, rejected, check(200, -5)));
    assertThat(corrections.at(0).corrected(50)).isEqualTo(47);
    assertThat(corrections.at(199).corrected(50)).isEqualTo(47);
    assertThat(corrections.at(200).corrected(50)).isEqualTo(45);
    assertThat(corrections.latest().corrected(50)).isEqualTo(45);
    assertThat(new Corrections(List.of()).at(5).corrected(50)).isEqualTo(50);
  }

  @Test
  void saltPointsAreKeptAsText() {
    List<Point> points =
        List.of(
            new Point(Salt.MAGNESIUM_NITRATE, 22.5, 51.3),
            new Point(Salt.SODIUM_CHLORIDE, 23, 78.9));
    String text = SaltPoints.text(points);
    assertThat(text).isEqualTo("Mg(NO3)2@22.5=51.3 NaCl@23.0=78.9");
    assertThat(SaltPoints.parse(text)).isEqualTo(points);
  }
}
