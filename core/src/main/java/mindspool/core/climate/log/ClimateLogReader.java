package mindspool.core.climate.log;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.BiConsumer;
import java.util.regex.Pattern;
import mindspool.core.EndedEarlyException;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.log.ClimateLog.Option;
import mindspool.core.climate.log.ClimateLog.Question;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.core.climate.log.ClimateLog.RejectedRow;
import mindspool.core.climate.log.LogLayout.DateOrder;
import mindspool.core.climate.log.LogLayout.HumidityUnit;
import mindspool.core.climate.log.LogLayout.TemperatureUnit;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Understands a logger's file: finds its delimiter, decimal sign, columns, units and date order,
 * says what it cannot tell, and reads the rows.
 */
public final class ClimateLogReader {

  /** About a year of readings every minute. */
  public static final long MAX_BYTES = 20_000_000;

  private static final int SAMPLE_LINES = 200;
  private static final int MAX_LISTED_REJECTS = 500;
  private static final int MAX_TEXT = 120;

  /** Loggers saturate a little above 100 %; that much is taken as 100. */
  private static final double SATURATED_PERCENT = 105;

  /** A logger's clock may run this far ahead. */
  private static final long CLOCK_TOLERANCE_S = 600;

  /** Above this median an unnamed temperature is likelier Fahrenheit. */
  private static final double SUSPECT_FAHRENHEIT = 35;

  private static final Pattern TIME_WORDS =
      Pattern.compile("time|date|zeit|datum|stamp|heure|fecha|hora|epoch|\\btid\\b|\\bts\\b");
  private static final Pattern TEMPERATURE_WORDS =
      Pattern.compile("temp|°\\s*[cf]|celsius|fahrenheit|^t$|^t[ _\\[(/]");
  private static final Pattern HUMIDITY_WORDS =
      Pattern.compile("hum|\\brh\\b|rh[ _%(\\[]|r\\.h|feucht|%|humed|^hr$|^rf$|^h$");
  private static final Pattern OTHER_WORDS =
      Pattern.compile("dew|taupunkt|ros[eé]e|absol|batter|volt|\\bmin\\b|\\bmax\\b|vpd");
  private static final Pattern FAHRENHEIT =
      Pattern.compile("°\\s*f|fahrenheit|deg\\s*f|[ _(\\[]f[)\\]]?$");
  private static final Pattern CELSIUS =
      Pattern.compile("°\\s*c|celsius|deg\\s*c|[ _(\\[]c[)\\]]?$");
  private static final Pattern NUMBER =
      Pattern.compile("[-+]?(\\d+([.,]\\d*)?|[.,]\\d+)([eE][-+]?\\d+)?");

  private static final Pattern UNIT =
      Pattern.compile("\\s*(°\\s*[CcFf]|[CcFf]|%\\s*([Rr][Hh])?|[Rr][Hh]|K)$");
  private static final Pattern DECIMAL_COMMA = Pattern.compile("\\d,\\d");

  /** Longer, and it is no number. */
  private static final int MOST_NUMBER = 40;

  /** No logger writes more columns. */
  private static final int MOST_COLUMNS = 200;

  private final String text;
  private final ZoneId zone;
  private final long latestS;
  private final LogAnswers answers;

  private ClimateLogReader(String text, ZoneId zone, Instant now, LogAnswers answers) {
    this.text = text;
    this.zone = zone;
    this.latestS = now.getEpochSecond() + CLOCK_TOLERANCE_S;
    this.answers = answers;
  }

  /**
   * Reads a file.
   *
   * @param content its bytes, at most {@link #MAX_BYTES}
   * @param zone time zone of local times in it
   * @param now readings later than this are refused
   * @param answers what a person said about it
   * @throws InvalidValueException when it is no readable climate log at all
   */
  public static ClimateLog read(byte[] content, ZoneId zone, Instant now, LogAnswers answers) {
    checkSize(content.length);
    return new ClimateLogReader(decode(content), zone, now, answers).read();
  }

  /** Refuses empty and too large files before they are loaded. */
  public static void checkSize(long bytes) {
    if (bytes == 0) {
      throw unreadable("an empty file", "Export the log again; the file has no content.");
    }
    if (bytes > MAX_BYTES) {
      throw new InvalidValueException(
          "file",
          "%.1f MB".formatted(bytes / 1e6),
          "up to %d MB".formatted(MAX_BYTES / 1_000_000),
          "Split it by months, or let the logger write every ten minutes; nothing was stored.");
    }
  }

  private static InvalidValueException unreadable(String what, String advice) {
    return new InvalidValueException(
        "file",
        what,
        "a text table with a time, a temperature and a relative humidity in each row",
        advice);
  }

  private static String decode(byte[] content) {
    Charset charset = StandardCharsets.UTF_8;
    int skip = 0;
    if (content.length >= 2 && (content[0] & 0xff) == 0xff && (content[1] & 0xff) == 0xfe) {
      charset = StandardCharsets.UTF_16LE;
      skip = 2;
    } else if (content.length >= 2 && (content[0] & 0xff) == 0xfe && (content[1] & 0xff) == 0xff) {
      charset = StandardCharsets.UTF_16BE;
      skip = 2;
    } else {
      int controls = 0;
      for (int i = 0; i < Math.min(content.length, 20_000); i++) {
        int b = content[i] & 0xff;
        if (b == 0) {
          throw unreadable("a binary file", "Export the log as CSV or text from the logger.");
        }
        controls += b < 32 && b != '\t' && b != '\r' && b != '\n' ? 1 : 0;
      }
      if (controls > 20) {
        throw unreadable("a binary file", "Export the log as CSV or text from the logger.");
      }
    }
    String decoded = new String(content, skip, content.length - skip, charset);
    if (charset == StandardCharsets.UTF_8 && decoded.indexOf('\uFFFD') >= 0) {
      decoded = new String(content, Charset.forName("windows-1252"));
    }
    return decoded.startsWith("\uFEFF") ? decoded.substring(1) : decoded;
  }

  private ClimateLog read() {
    char delimiter = findDelimiter();
    List<Row> sample = new ArrayList<>();
    rows(delimiter, SAMPLE_LINES, (line, cells) -> sample.add(new Row(line, cells)));
    Row firstData = firstDataRow(sample);
    Row header = headerBefore(sample, firstData);
    Columns columns = findColumns(header, firstData, sample);
    Survey survey = survey(delimiter, firstData.line, columns);
    List<Question> questions = new ArrayList<>();
    LogLayout layout =
        new LogLayout(
            delimiter,
            survey.decimalComma(),
            header != null ? header.cells : firstData.cells,
            header != null,
            firstData.line,
            columns.time,
            columns.temperature,
            columns.humidity,
            temperatureUnit(survey, header, columns, questions),
            humidityUnit(survey, questions),
            dateOrder(survey, questions));
    return take(layout, questions);
  }

  private record Row(int line, List<String> cells) {}

  private record Columns(List<Integer> time, int temperature, int humidity) {}

  private void rows(char delimiter, BiConsumer<Integer, List<String>> consumer) {
    rows(delimiter, Integer.MAX_VALUE, consumer);
  }

  private void rows(char delimiter, int most, BiConsumer<Integer, List<String>> consumer) {
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(delimiter)
            .setIgnoreSurroundingSpaces(true)
            .setIgnoreEmptyLines(true)
            .setLenientEof(true)
            .setTrailingData(true)
            .get();
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      for (CSVRecord line : parser) {
        if (line.getRecordNumber() > most) {
          return;
        }
        EndedEarlyException.throwIfInterrupted();
        if (line.size() > MOST_COLUMNS) {
          throw unreadable(
              "a table with " + line.size() + " columns in line " + parser.getCurrentLineNumber(),
              "A log has at most "
                  + MOST_COLUMNS
                  + "; export only time, temperature and humidity.");
        }
        List<String> cells = new ArrayList<>(line.size());
        line.forEach(cell -> cells.add(cell.strip()));
        consumer.accept((int) parser.getCurrentLineNumber(), cells);
      }
    } catch (IOException | UncheckedIOException | IllegalStateException e) {
      throw unreadable(
          "a table with broken quotes", "Export it again without quotes, or with closed ones.");
    }
  }

  private char findDelimiter() {
    char best = 0;
    int bestLines = 0;
    for (char candidate : new char[] {'\t', ';', ','}) {
      Map<Integer, Integer> linesByCount = new HashMap<>();
      text.lines()
          .limit(SAMPLE_LINES)
          .forEach(
              line -> {
                int count = (int) line.chars().filter(c -> c == candidate).count();
                linesByCount.merge(count, 1, Integer::sum);
              });
      linesByCount.remove(0);
      int lines = linesByCount.values().stream().mapToInt(Integer::intValue).max().orElse(0);
      // Strictly more, so that a semicolon wins over decimal commas.
      if (lines > bestLines) {
        best = candidate;
        bestLines = lines;
      }
    }
    if (best == 0) {
      throw unreadable(
          "text without columns", "Columns must be separated by comma, semicolon or tab.");
    }
    return best;
  }

  private static Row firstDataRow(List<Row> sample) {
    for (Row row : sample) {
      long numbers = row.cells.stream().filter(cell -> number(cell).isPresent()).count();
      boolean timed = row.cells.stream().anyMatch(ClimateLogReader::looksLikeTime);
      if (timed && numbers >= 1 && row.cells.size() >= 3) {
        return row;
      }
    }
    throw unreadable(
        "a table in which no row has a time and a number",
        "Each row needs a date with time (or epoch seconds), a temperature and a humidity.");
  }

  private static boolean looksLikeTime(String cell) {
    return LogTime.styleOf(cell) != LogTime.Style.NOT_A_TIME;
  }

  private static Row headerBefore(List<Row> sample, Row firstData) {
    Row header = null;
    for (Row row : sample) {
      if (row.line >= firstData.line) {
        break;
      }
      boolean words =
          row.cells.stream().anyMatch(cell -> !cell.isEmpty() && number(cell).isEmpty());
      if (words && row.cells.size() >= Math.min(3, firstData.cells.size())) {
        header = row;
      }
    }
    return header;
  }

  private Columns findColumns(Row header, Row firstData, List<Row> sample) {
    List<Integer> time = new ArrayList<>();
    int temperature = -1;
    int humidity = -1;
    if (header != null) {
      for (int i = 0; i < header.cells.size(); i++) {
        String heading = header.cells.get(i).toLowerCase(Locale.ROOT);
        if (OTHER_WORDS.matcher(heading).find()) {
          continue;
        }
        if (TIME_WORDS.matcher(heading).find()) {
          time.add(i);
        } else if (temperature < 0 && TEMPERATURE_WORDS.matcher(heading).find()) {
          temperature = i;
        } else if (humidity < 0 && HUMIDITY_WORDS.matcher(heading).find()) {
          humidity = i;
        }
      }
    }
    for (int i = 0; i < firstData.cells.size() && time.isEmpty(); i++) {
      if (looksLikeTime(firstData.cells.get(i))) {
        time.add(i);
      }
    }
    time = usableTimeColumns(time, firstData);
    for (int i = 0; i < firstData.cells.size(); i++) {
      boolean free = !time.contains(i) && i != temperature && i != humidity;
      if (free && number(firstData.cells.get(i)).isPresent()) {
        if (temperature < 0) {
          temperature = i;
        } else if (humidity < 0) {
          humidity = i;
        }
      }
    }
    if (answers.timeColumn() != null) {
      time = List.of(answers.timeColumn());
    }
    temperature = answers.temperatureColumn() != null ? answers.temperatureColumn() : temperature;
    humidity = answers.humidityColumn() != null ? answers.humidityColumn() : humidity;
    checkColumns(time, temperature, humidity, firstData);
    return new Columns(time, temperature, humidity);
  }

  /** One column with the whole time, or a date column followed by a clock column. */
  private static List<Integer> usableTimeColumns(List<Integer> found, Row row) {
    for (int i : found) {
      String cell = i < row.cells.size() ? row.cells.get(i) : "";
      boolean whole = cell.contains(":") || LogTime.styleOf(cell) == LogTime.Style.EPOCH;
      if (whole && looksLikeTime(cell)) {
        return List.of(i);
      }
    }
    if (found.size() >= 2) {
      return looksLikeTime(row.cells.get(found.get(0)))
          ? List.of(found.get(0), found.get(1))
          : List.of(found.get(1), found.get(0));
    }
    return found;
  }

  private static void checkColumns(
      List<Integer> time, int temperature, int humidity, Row firstData) {
    String missing =
        time.isEmpty()
            ? "time"
            : temperature < 0 ? "temperature" : humidity < 0 ? "relative humidity" : null;
    if (missing != null) {
      throw unreadable(
          "a table without a column for " + missing,
          "Name the columns in the first row, or choose them by hand.");
    }
    List<Integer> all = new ArrayList<>(time);
    all.add(temperature);
    all.add(humidity);
    for (int column : all) {
      Require.within("column", column, 0, firstData.cells.size() - 1, "");
    }
    if (all.stream().distinct().count() < all.size()) {
      throw new InvalidValueException(
          "column",
          all.toString(),
          "different columns for time, temperature and humidity",
          "Choose each column once.");
    }
  }

  /** What all rows together say about units and dates. */
  private record Survey(
      boolean decimalComma,
      double medianTemperature,
      double highestHumidity,
      boolean fahrenheitMarked,
      boolean celsiusMarked,
      Map<LogTime.Style, Integer> styles,
      String ambiguousExample) {}

  private Survey survey(char delimiter, int firstLine, Columns columns) {
    List<Double> temperatures = new ArrayList<>();
    double[] highest = {Double.NEGATIVE_INFINITY};
    int[] marks = new int[3];
    Map<LogTime.Style, Integer> styles = new EnumMap<>(LogTime.Style.class);
    String[] example = {""};
    rows(
        delimiter,
        (line, cells) -> {
          if (line < firstLine) {
            return;
          }
          String temperature = cell(cells, columns.temperature);
          number(temperature).ifPresent(temperatures::add);
          marks[0] +=
              temperature.indexOf(',') >= 0 && DECIMAL_COMMA.matcher(temperature).find() ? 1 : 0;
          marks[1] += endsWith(temperature, 'f') ? 1 : 0;
          marks[2] += endsWith(temperature, 'c') ? 1 : 0;
          number(cell(cells, columns.humidity))
              .ifPresent(value -> highest[0] = Math.max(highest[0], value));
          String time = timeText(cells, columns.time);
          LogTime.Style style = LogTime.styleOf(time);
          styles.merge(style, 1, Integer::sum);
          if (style == LogTime.Style.AMBIGUOUS) {
            example[0] = time;
          }
        });
    temperatures.sort(Comparator.naturalOrder());
    double median = temperatures.isEmpty() ? Double.NaN : temperatures.get(temperatures.size() / 2);
    return new Survey(
        marks[0] > 0, median, highest[0], marks[1] > 0, marks[2] > 0, styles, example[0]);
  }

  private static boolean endsWith(String cell, char letter) {
    return !cell.isEmpty() && Character.toLowerCase(cell.charAt(cell.length() - 1)) == letter;
  }

  private TemperatureUnit temperatureUnit(
      Survey survey, Row header, Columns columns, List<Question> questions) {
    if (answers.temperatureUnit() != null) {
      return answers.temperatureUnit();
    }
    String heading =
        header == null ? "" : cell(header.cells, columns.temperature).toLowerCase(Locale.ROOT);
    if (survey.fahrenheitMarked || FAHRENHEIT.matcher(heading).find()) {
      return TemperatureUnit.FAHRENHEIT;
    }
    boolean named = survey.celsiusMarked || CELSIUS.matcher(heading).find();
    if (!named && survey.medianTemperature > SUSPECT_FAHRENHEIT) {
      String example = Require.plain(survey.medianTemperature);
      questions.add(
          new Question(
              "temperatureUnit",
              "The file does not name its temperature unit; half of the readings are above "
                  + example
                  + ". Which is it?",
              List.of(
                  new Option("FAHRENHEIT", example + " °F"),
                  new Option("CELSIUS", example + " °C"))));
    }
    return TemperatureUnit.CELSIUS;
  }

  private HumidityUnit humidityUnit(Survey survey, List<Question> questions) {
    if (answers.humidityUnit() != null) {
      return answers.humidityUnit();
    }
    if (survey.highestHumidity <= 1) {
      String example = Require.plain(survey.highestHumidity);
      questions.add(
          new Question(
              "humidityUnit",
              "No humidity in the file is above 1. Is it a fraction, or really that dry?",
              List.of(
                  new Option(
                      "FRACTION",
                      "fraction: %s is %s %%"
                          .formatted(example, Require.plain(100 * survey.highestHumidity))),
                  new Option("PERCENT", "percent: " + example + " is " + example + " %"))));
      return HumidityUnit.FRACTION;
    }
    return HumidityUnit.PERCENT;
  }

  private DateOrder dateOrder(Survey survey, List<Question> questions) {
    if (answers.dateOrder() != null) {
      return answers.dateOrder();
    }
    int day = survey.styles.getOrDefault(LogTime.Style.DAY_FIRST, 0);
    int month = survey.styles.getOrDefault(LogTime.Style.MONTH_FIRST, 0);
    int ambiguous = survey.styles.getOrDefault(LogTime.Style.AMBIGUOUS, 0);
    int iso = survey.styles.getOrDefault(LogTime.Style.ISO, 0);
    int epoch = survey.styles.getOrDefault(LogTime.Style.EPOCH, 0);
    if (epoch > Math.max(iso, day + month + ambiguous)) {
      return DateOrder.EPOCH;
    }
    if (iso >= day + month + ambiguous) {
      return DateOrder.ISO;
    }
    if (day == 0 && month == 0) {
      String date = survey.ambiguousExample;
      questions.add(
          new Question(
              "dateOrder",
              "Every date could be read both ways, such as " + date + ". Which comes first?",
              List.of(
                  new Option("DAY_FIRST", "day first: " + readAs(date, DateOrder.DAY_FIRST)),
                  new Option(
                      "MONTH_FIRST", "month first: " + readAs(date, DateOrder.MONTH_FIRST)))));
    }
    return month > day ? DateOrder.MONTH_FIRST : DateOrder.DAY_FIRST;
  }

  private String readAs(String time, DateOrder order) {
    OptionalLong epoch = LogTime.read(time, order, zone);
    return epoch.isEmpty()
        ? "unreadable"
        : java.time.format.DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH)
            .format(Instant.ofEpochSecond(epoch.getAsLong()).atZone(zone));
  }

  private ClimateLog take(LogLayout layout, List<Question> questions) {
    List<Reading> readings = new ArrayList<>();
    List<RejectedRow> rejected = new ArrayList<>();
    int[] rejectedCount = {0};
    Map<Long, Integer> lineOfTime = new HashMap<>();
    rows(
        layout.delimiter(),
        (line, cells) -> {
          if (line < layout.firstDataLine()) {
            return;
          }
          try {
            Reading reading = reading(layout, line, cells);
            Integer earlier = lineOfTime.putIfAbsent(reading.epochS(), line);
            if (earlier != null) {
              throw new RowProblem("the same time stands on line " + earlier);
            }
            readings.add(reading);
          } catch (RowProblem problem) {
            rejectedCount[0]++;
            if (rejected.size() < MAX_LISTED_REJECTS) {
              String row = String.join(String.valueOf(layout.delimiter()), cells);
              rejected.add(
                  new RejectedRow(
                      line,
                      row.length() > MAX_TEXT ? row.substring(0, MAX_TEXT) + "…" : row,
                      problem.getMessage()));
            }
          }
        });
    readings.sort(Comparator.comparingLong(Reading::epochS));
    return new ClimateLog(layout, readings, rejected, rejectedCount[0], questions);
  }

  private Reading reading(LogLayout layout, int line, List<String> cells) {
    String time = timeText(cells, layout.timeColumns());
    long epoch =
        LogTime.read(time, layout.dateOrder(), zone)
            .orElseThrow(() -> new RowProblem("time \"" + time + "\" is not readable"));
    if (epoch > latestS) {
      throw new RowProblem("time \"" + time + "\" lies in the future");
    }
    if (epoch < 946_684_800L) {
      throw new RowProblem("time \"" + time + "\" lies before the year 2000");
    }
    double temperature =
        layout
            .temperatureUnit()
            .toCelsius(value("temperature", cell(cells, layout.temperatureColumn())));
    if (temperature < MoistAir.MIN_TEMPERATURE_C || temperature > MoistAir.MAX_TEMPERATURE_C) {
      throw new RowProblem("temperature %.1f °C is outside -40 to 150 °C".formatted(temperature));
    }
    double humidity =
        layout.humidityUnit().toPercent(value("humidity", cell(cells, layout.humidityColumn())));
    if (humidity < 0 || humidity > SATURATED_PERCENT) {
      throw new RowProblem("humidity %.1f %% is outside 0 to 100 %%".formatted(humidity));
    }
    return new Reading(line, epoch, temperature, Math.min(100, humidity));
  }

  private static double value(String what, String cell) {
    return number(cell)
        .orElseThrow(
            () ->
                new RowProblem(
                    cell.isEmpty()
                        ? what + " is missing"
                        : "%s \"%s\" is not a number".formatted(what, cell)));
  }

  private static String timeText(List<String> cells, List<Integer> columns) {
    StringBuilder joined = new StringBuilder();
    for (int column : columns) {
      joined.append(joined.isEmpty() ? "" : " ").append(cell(cells, column));
    }
    return joined.toString();
  }

  private static String cell(List<String> cells, int column) {
    return column < cells.size() ? cells.get(column) : "";
  }

  /** A number with point or comma, with or without a unit behind it. */
  private static OptionalDouble number(String cell) {
    if (cell.isEmpty()) {
      return OptionalDouble.empty();
    }
    char last = cell.charAt(cell.length() - 1);
    // Most cells end in a digit; looking for a unit in them took most of an import's time.
    String bare =
        last >= '0' && last <= '9' || cell.length() > MOST_NUMBER
            ? cell
            : UNIT.matcher(cell).replaceAll("");
    if (bare.length() > MOST_NUMBER || !NUMBER.matcher(bare).matches()) {
      return OptionalDouble.empty();
    }
    double value = Double.parseDouble(bare.replace(',', '.'));
    return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
  }

  /** Why one row cannot be taken. */
  private static final class RowProblem extends RuntimeException {
    private static final long serialVersionUID = 1L;

    RowProblem(String reason) {
      super(reason, null, false, false);
    }
  }
}
