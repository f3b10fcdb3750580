package mindspool.core.procedure;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/**
 * Times and temperatures of a nozzle from a text of columns: seconds or times first, the
 * temperature in the column whose head names it, else in the next.
 *
 * @param timesS seconds, rising
 */
public record NozzleLog(double[] timesS, double[] temperaturesC) {

  private static final int MOST_CHARACTERS = 2_000_000;
  private static final String FIELD = "log";
  private static final double DAY_S = 86_400;

  /** Reads it; says which line cannot be read. */
  public static NozzleLog read(String text) {
    if (text == null || text.isBlank()) {
      throw new InvalidValueException(
          FIELD, "empty", "lines of a time and a temperature", "Choose another file.");
    }
    if (text.length() > MOST_CHARACTERS) {
      throw new InvalidValueException(
          FIELD,
          text.length() + " characters",
          "up to " + MOST_CHARACTERS,
          "Cut out the minutes that matter.");
    }
    char delimiter = text.indexOf(';') >= 0 ? ';' : text.indexOf('\t') >= 0 ? '\t' : ',';
    List<double[]> rows = new ArrayList<>();
    int column = 1;
    double addedS = 0;
    for (CSVRecord row : records(text, delimiter)) {
      OptionalDouble time = row.size() < 2 ? OptionalDouble.empty() : time(row.get(0));
      if (time.isEmpty()) {
        if (rows.isEmpty()) {
          column = Math.max(1, named(row));
          continue;
        }
        throw unreadable(row, "a time and a temperature");
      }
      if (row.size() <= column) {
        throw unreadable(row, "a temperature in column " + (column + 1));
      }
      double timeS = time.getAsDouble() + addedS;
      // A clock of hours and minutes begins again at midnight.
      if (!rows.isEmpty()
          && row.get(0).length() <= LONGEST_CLOCK
          && rows.get(rows.size() - 1)[0] - timeS > DAY_S / 2) {
        addedS += DAY_S;
        timeS += DAY_S;
      }
      rows.add(new double[] {timeS, temperature(row, column, delimiter)});
    }
    return new NozzleLog(
        rows.stream().mapToDouble(row -> row[0]).toArray(),
        rows.stream().mapToDouble(row -> row[1]).toArray());
  }

  private static final int LONGEST_CLOCK = 12;

  private static List<CSVRecord> records(String text, char delimiter) {
    try {
      return CSVFormat.DEFAULT
          .builder()
          .setDelimiter(delimiter)
          .setIgnoreEmptyLines(true)
          .setTrim(true)
          .get()
          .parse(new StringReader(text))
          .getRecords();
    } catch (IOException | UncheckedIOException e) {
      throw new InvalidValueException(
          FIELD, "unreadable text", "lines of a time and a temperature", "Choose another file.");
    }
  }

  private static int named(CSVRecord head) {
    for (int i = 1; i < head.size(); i++) {
      String name = head.get(i).toLowerCase(Locale.ROOT);
      if (name.contains("nozzle") || name.contains("hot end") || name.contains("hotend")) {
        return i;
      }
    }
    return -1;
  }

  private static OptionalDouble time(String text) {
    try {
      return OptionalDouble.of(Double.parseDouble(text.replace(',', '.')));
    } catch (NumberFormatException notSeconds) {
      return clock(text);
    }
  }

  private static OptionalDouble clock(String text) {
    try {
      if (text.length() <= LONGEST_CLOCK) {
        return OptionalDouble.of(LocalTime.parse(text).toNanoOfDay() / 1e9);
      }
      if (text.endsWith("Z")) {
        return OptionalDouble.of(Instant.parse(text).toEpochMilli() / 1e3);
      }
      LocalDateTime local = LocalDateTime.parse(text.replace(' ', 'T'));
      return OptionalDouble.of(local.toInstant(ZoneOffset.UTC).toEpochMilli() / 1e3);
    } catch (DateTimeParseException neither) {
      return OptionalDouble.empty();
    }
  }

  private static double temperature(CSVRecord row, int column, char delimiter) {
    String text = row.get(column);
    try {
      return Double.parseDouble(delimiter == ',' ? text : text.replace(',', '.'));
    } catch (NumberFormatException e) {
      throw unreadable(row, "a number of °C in column " + (column + 1));
    }
  }

  private static InvalidValueException unreadable(CSVRecord row, String allowed) {
    String line = String.join(" ", row.toList());
    return new InvalidValueException(
        FIELD,
        "line " + row.getRecordNumber() + ", " + line.substring(0, Math.min(40, line.length())),
        allowed,
        "Mend or remove that line.");
  }
}
