package mindspool.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** Tables that ship with the program, as comma-separated text beside a class. */
public final class ResourceTable {

  private ResourceTable() {}

  /** Rows of a table, its first line being the names of columns. */
  public static List<CSVRecord> rows(Class<?> beside, String name) {
    try (InputStream stream = beside.getResourceAsStream(name);
        Reader reader = new InputStreamReader(stream, StandardCharsets.UTF_8)) {
      return CSVFormat.DEFAULT
          .builder()
          .setHeader()
          .setSkipHeaderRecord(true)
          .get()
          .parse(reader)
          .getRecords();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Several texts in one field, between upright strokes; none where it is empty. */
  public static List<String> texts(CSVRecord row, String column) {
    String all = row.get(column);
    return all.isEmpty() ? List.of() : Arrays.asList(all.split(" \\| "));
  }
}
