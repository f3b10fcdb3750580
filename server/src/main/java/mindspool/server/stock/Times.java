package mindspool.server.stock;

import java.time.Instant;
import mindspool.core.InvalidValueException;

/** Checks of the times that people give. */
public final class Times {

  /** A browser's clock may run this far ahead of the server's. */
  private static final long CLOCK_TOLERANCE_S = 120;

  private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");

  private Times() {}

  public static Instant past(String field, Instant time, long nowS) {
    if (time.getEpochSecond() > nowS + CLOCK_TOLERANCE_S) {
      throw new InvalidValueException(
          field, time, "a time up to now", "Record what has happened; the forecast does the rest.");
    }
    return notBefore(field, time, EARLIEST.getEpochSecond(), "the year 2000");
  }

  public static Instant notBefore(String field, Instant time, long earliestS, String what) {
    if (time.getEpochSecond() < earliestS) {
      throw new InvalidValueException(
          field,
          time,
          "not before " + what + ", " + Instant.ofEpochSecond(earliestS),
          "Check the date.");
    }
    return time;
  }
}
