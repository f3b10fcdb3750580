package mindspool.core.drying;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Pattern;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Temperatures of several probes in a dryer against time, from switching on.
 *
 * @param rows in order of time, each with the same number of probes
 */
public record ProbeLog(List<Row> rows) {

  /** More columns than anybody has probes. */
  private static final int MOST_PROBES = 16;

  /** Fewer rows are no log of a run. */
  private static final int LEAST_ROWS = 10;

  /** A year of minutes. */
  private static final int MOST_CHARACTERS = 5_000_000;

  private static final Pattern DECIMAL_COMMA = Pattern.compile("-?\\d+,\\d+");
  private static final DateTimeFormatter DATE_AND_TIME =
      DateTimeFormatter.ofPattern("yyyy-MM-dd['T'][ ]HH:mm[:ss]");

  /** Temperatures, °C, at a time, s. */
  public record Row(double timeS, double[] temperatureC) {

    double mean() {
      double sum = 0;
      for (double each : temperatureC) {
        sum += each;
      }
      return sum / temperatureC.length;
    }

    double highest() {
      double highest = temperatureC[0];
      for (double each : temperatureC) {
        highest = Math.max(highest, each);
      }
      return highest;
    }
  }

  public ProbeLog {
    if (rows.size() < LEAST_ROWS) {
      throw bad(
          rows.size() + " readings", "at least " + LEAST_ROWS, "Log every minute for 90 minutes.");
    }
    for (int i = 1; i < rows.size(); i++) {
      if (rows.get(i).timeS <= rows.get(i - 1).timeS) {
        throw bad(
            "reading %d is not later than the one before".formatted(i + 1),
            "times that rise",
            "Sort the log by time and take doubles out.");
      }
    }
    rows = List.copyOf(rows);
  }

  /**
   * Reads a table of which the first column is the time (minutes since switching on, or date and
   * time, as ISO 8601 writes it) and each further one a probe, °C; a heading is skipped.
   *
   * @throws InvalidValueException naming the line and what is wrong with it
   */
  public static ProbeLog read(String text) {
    if (text.length() > MOST_CHARACTERS) {
      throw bad("a file of more than 5 MB", "up to 5 MB", "Cut out the run that counts.");
    }
    char delimiter = text.contains(";") ? ';' : text.contains("\t") ? '\t' : ',';
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(delimiter)
            .setTrim(true)
            .setIgnoreEmptyLines(true)
            .get();
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      List<Row> rows = new ArrayList<>();
      int probes = -1;
      for (CSVRecord line : parser) {
        OptionalDouble time = time(line.get(0));
        if (time.isEmpty() && line.getRecordNumber() == 1) {
          continue;
        }
        Row row = row(line, time);
        probes = probes < 0 ? row.temperatureC.length : probes;
        if (row.temperatureC.length != probes) {
          throw bad(
              "line %d has %d temperatures, the first has %d"
                  .formatted(line.getRecordNumber(), row.temperatureC.length, probes),
              "the same probes in every line",
              "Take out lines that the logger broke off.");
        }
        rows.add(row);
      }
      return new ProbeLog(rows);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Row row(CSVRecord line, OptionalDouble time) {
    String where = "line " + line.getRecordNumber();
    if (time.isEmpty()) {
      throw bad(
          "%s: \"%s\"".formatted(where, line.get(0)),
          "minutes, or a time such as 2026-05-01 10:00",
          "Put the time into the first column.");
    }
    int probes = line.size() - 1;
    if (probes < 1 || probes > MOST_PROBES) {
      throw bad(
          where + " has " + probes + " temperatures",
          "1 to " + MOST_PROBES,
          "One column per probe, after the time.");
    }
    double[] temperatures = new double[probes];
    for (int i = 0; i < probes; i++) {
      String cell = line.get(i + 1);
      OptionalDouble value = number(cell);
      if (value.isEmpty()) {
        throw bad(
            "%s, probe %d: \"%s\"".formatted(where, i + 1, cell),
            "a temperature in °C",
            "Take out lines in which a probe was not read.");
      }
      temperatures[i] =
          Require.within(
              "log, " + where + ", probe " + (i + 1),
              value.getAsDouble(),
              -20,
              300,
              "°C",
              "Is it in °F, or is the probe broken?");
    }
    return new Row(time.getAsDouble(), temperatures);
  }

  private static OptionalDouble time(String cell) {
    OptionalDouble minutes = number(cell);
    if (minutes.isPresent()) {
      return OptionalDouble.of(60 * minutes.getAsDouble());
    }
    try {
      return OptionalDouble.of(
          LocalDateTime.parse(cell, DATE_AND_TIME).toEpochSecond(ZoneOffset.UTC));
    } catch (DateTimeParseException e) {
      return instant(cell);
    }
  }

  private static OptionalDouble instant(String cell) {
    try {
      return OptionalDouble.of(Instant.parse(cell).toEpochMilli() / 1000.0);
    } catch (DateTimeParseException e) {
      return OptionalDouble.empty();
    }
  }

  private static OptionalDouble number(String cell) {
    String plain = DECIMAL_COMMA.matcher(cell).matches() ? cell.replace(',', '.') : cell;
    try {
      double value = Double.parseDouble(plain);
      return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
    } catch (NumberFormatException e) {
      return OptionalDouble.empty();
    }
  }

  static InvalidValueException bad(String value, String allowed, String advice) {
    return new InvalidValueException("log", value, allowed, advice);
  }
}
