package mindspool.server.devices;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import mindspool.core.InvalidValueException;
import mindspool.core.device.ReadingUnit;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads numbers and times out of device messages: a plain number, or JSON by pointer. */
final class MessageReader {

  /** Above this an epoch is in milliseconds: as seconds it would be past the year 5000. */
  private static final double FIRST_MILLISECONDS = 1e11;

  private static final JsonMapper JSON = JsonMapper.shared();

  /** A device whose clock says less has lost it. */
  private static final long EARLIEST_MS = Instant.parse("2000-01-01T00:00:00Z").toEpochMilli();

  /** Largest message that is looked into. */
  static final int MOST_BYTES = 64 << 10;

  private MessageReader() {}

  /** Why a message could not be used. */
  enum Refusal {
    TOO_LARGE,
    NOT_TEXT,
    NOT_JSON,
    NO_SUCH_FIELD,
    NOT_A_NUMBER,
    NOT_A_TIME,
    IMPOSSIBLE,
    FUTURE,
    OLD_RETAINED,
    /** The database did not take it. */
    NOT_STORED
  }

  /** What was found, or why nothing was. */
  record Found(double value, Long timeMs, Refusal refusal) {

    static Found refused(Refusal refusal) {
      return new Found(Double.NaN, null, refusal);
    }
  }

  /** A message as text; null where it is not text. */
  static String text(byte[] payload) {
    try {
      return StandardCharsets.UTF_8
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(payload))
          .toString();
    } catch (CharacterCodingException e) {
      return null;
    }
  }

  /** A message as JSON; null where it is none. */
  static JsonNode json(String text) {
    try {
      return JSON.readTree(text);
    } catch (JacksonException e) {
      return null;
    }
  }

  /**
   * Reads a channel's value.
   *
   * @param text the message
   * @param json the message as JSON, null where it is none
   */
  static Found read(
      String text, JsonNode json, String pointer, ReadingUnit unit, String timePointer) {
    double raw;
    if (pointer.isEmpty()) {
      raw = number(text);
    } else {
      if (json == null) {
        return Found.refused(Refusal.NOT_JSON);
      }
      JsonNode field = json.at(pointer);
      if (field.isMissingNode() || field.isNull()) {
        return Found.refused(Refusal.NO_SUCH_FIELD);
      }
      raw =
          field.isNumber()
              ? field.asDouble()
              : field.isString() ? number(field.asString()) : Double.NaN;
    }
    if (Double.isNaN(raw)) {
      return Found.refused(Refusal.NOT_A_NUMBER);
    }
    double value = unit.convert(raw);
    if (!unit.quantity().possible(value)) {
      return Found.refused(Refusal.IMPOSSIBLE);
    }
    if (timePointer == null) {
      return new Found(value, null, null);
    }
    Long time = json == null ? null : timeMs(json.at(timePointer));
    return time == null || time < EARLIEST_MS
        ? Found.refused(Refusal.NOT_A_TIME)
        : new Found(value, time, null);
  }

  private static double number(String text) {
    String trimmed = text.strip();
    if (!trimmed.matches("[+-]?\\d{1,12}([.,]\\d{1,9})?([eE][+-]?\\d{1,2})?")) {
      return Double.NaN;
    }
    return Double.parseDouble(trimmed.replace(',', '.'));
  }

  private static Long timeMs(JsonNode field) {
    if (field.isNumber()) {
      return epochMs(field.asDouble());
    }
    if (!field.isString()) {
      return null;
    }
    String text = field.asString().strip();
    double number = number(text);
    if (!Double.isNaN(number)) {
      return epochMs(number);
    }
    try {
      return text.endsWith("Z")
          ? Instant.parse(text).toEpochMilli()
          : OffsetDateTime.parse(text).toInstant().toEpochMilli();
    } catch (DateTimeException | ArithmeticException e) {
      // Text that is no time, or one beyond what milliseconds can count.
      return null;
    }
  }

  private static Long epochMs(double number) {
    if (!(number > 0) || number > 1e14) {
      return null;
    }
    return Math.round(number >= FIRST_MILLISECONDS ? number : 1000 * number);
  }

  /** The pointer itself when it is one. */
  static String checkedPointer(String field, String pointer) {
    String trimmed = pointer == null ? "" : pointer.strip();
    try {
      JsonPointer.compile(trimmed);
      return trimmed;
    } catch (IllegalArgumentException e) {
      throw new InvalidValueException(
          field,
          "\"" + pointer + "\"",
          "a JSON pointer such as /temperature or /sensors/0/rh, or empty for a plain number",
          "Begin with a slash.");
    }
  }
}
