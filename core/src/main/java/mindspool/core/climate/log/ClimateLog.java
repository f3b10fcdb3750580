package mindspool.core.climate.log;

import java.util.List;

/**
 * What was found in a logger's file.
 *
 * @param layout how the file was understood
 * @param readings rows that can be taken, in order of time, one per instant
 * @param rejected the first rows that cannot, with the reason
 * @param rejectedCount how many rows cannot be taken in all
 * @param questions what only a person can tell; nothing should be stored before they are answered
 */
public record ClimateLog(
    LogLayout layout,
    List<Reading> readings,
    List<RejectedRow> rejected,
    int rejectedCount,
    List<Question> questions) {

  /**
   * One reading.
   *
   * @param line line of the file, from 1
   * @param epochS time, seconds since 1970 UTC
   */
  public record Reading(
      int line, long epochS, double temperatureC, double relativeHumidityPercent) {}

  /**
   * A row that cannot be taken.
   *
   * @param line line of the file, from 1
   */
  public record RejectedRow(int line, String text, String reason) {}

  /**
   * A question to the person who brings the file.
   *
   * @param about which setting of {@link LogAnswers} answers it
   * @param text the question in words, with an example from the file
   * @param options possible answers
   */
  public record Question(String about, String text, List<Option> options) {}

  /** A possible answer and what it would mean. */
  public record Option(String value, String text) {}
}
