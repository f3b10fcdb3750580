package mindspool.core;

import java.time.Instant;

/**
 * Checks of the times that people give. "Now" is always allowed: the clocks of two computers
 * differ, so what lies within two minutes on the wrong side of a bound is taken as the bound
 * itself.
 */
public final class Times {

  /** So far apart may two clocks be. */
  private static final long CLOCK_TOLERANCE_S = 120;

  private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");

  private Times() {}

  /**
   * When something happened.
   *
   * @return epoch seconds, never after {@code nowS}
   * @throws InvalidValueException for a time to come, or before the year 2000
   */
  public static long past(String field, Instant time, long nowS) {
    if (time.getEpochSecond() > nowS + CLOCK_TOLERANCE_S) {
      throw new InvalidValueException(
          field, time, "a time up to now", "Record what has happened; the forecast does the rest.");
    }
    return Math.min(nowS, notBefore(field, time, EARLIEST.getEpochSecond(), "the year 2000"));
  }

  /**
   * When something happened that cannot have happened before something else.
   *
   * @param what else, in words
   * @return epoch seconds, never before {@code earliestS}
   * @throws InvalidValueException for an earlier time
   */
  public static long notBefore(String field, Instant time, long earliestS, String what) {
    if (time.getEpochSecond() < earliestS - CLOCK_TOLERANCE_S) {
      throw new InvalidValueException(
          field,
          time,
          "not before " + what + ", " + Instant.ofEpochSecond(earliestS),
          "Check the date.");
    }
    return Math.max(earliestS, time.getEpochSecond());
  }

  /**
   * When something is to happen.
   *
   * @param advice what to do about a time that is over
   * @return epoch seconds, never before {@code nowS}
   * @throws InvalidValueException for a time that is over
   */
  public static long toCome(String field, Instant time, long nowS, String advice) {
    if (time.getEpochSecond() < nowS - CLOCK_TOLERANCE_S) {
      throw new InvalidValueException(field, time, "now or a time to come", advice);
    }
    return Math.max(nowS, time.getEpochSecond());
  }
}
