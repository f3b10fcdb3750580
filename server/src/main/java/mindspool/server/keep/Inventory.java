package mindspool.server.keep;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What a database holds, counted.
 *
 * @param mark how often anything was written to the disk; 0 for a database of before that was noted
 * @param counts by what is counted, in plain words
 */
record Inventory(long mark, Map<String, Long> counts) {

  /** Whatever happens, none of these becomes less. */
  private static final Map<String, String> COUNTED = new LinkedHashMap<>();

  static {
    COUNTED.put("places", "select count(*) from place");
    COUNTED.put("spools", "select count(*) from spool");
    COUNTED.put(
        "facts",
        "select (select count(*) from spool_fact) + (select count(*) from container_fact)"
            + " + (select count(*) from cycle_fact)");
    COUNTED.put("readings of devices", "select coalesce(sum(readings), 0) from channel");
  }

  private static final String MARK =
      "select base_value from information_schema.sequences where sequence_name = 'KEPT_MARK'";

  /** Counts what a database holds; zeros for one that is empty. */
  static Inventory of(Connection connection) throws SQLException {
    Map<String, Long> counts = new LinkedHashMap<>();
    try (Statement statement = connection.createStatement()) {
      boolean empty =
          number(
                  statement,
                  "select count(*) from information_schema.tables where table_name = 'SPOOL_FACT'")
              == 0;
      for (Map.Entry<String, String> each : COUNTED.entrySet()) {
        counts.put(each.getKey(), empty ? 0 : countOrZero(statement, each.getValue()));
      }
      return new Inventory(empty ? 0 : number(statement, MARK), counts);
    }
  }

  /** Zero where an old database has no such table yet. */
  private static long countOrZero(Statement statement, String query) {
    try {
      return number(statement, query);
    } catch (SQLException noSuchTable) {
      return 0;
    }
  }

  private static long number(Statement statement, String query) throws SQLException {
    try (ResultSet row = statement.executeQuery(query)) {
      return row.next() ? row.getLong(1) : 0;
    }
  }

  boolean isEmpty() {
    return counts.values().stream().allMatch(count -> count == 0);
  }

  /** Such as "3 places, 24 spools, 120 facts, 0 readings of devices". */
  String words() {
    return counts.entrySet().stream()
        .map(each -> each.getValue() + " " + each.getKey())
        .collect(Collectors.joining(", "));
  }

  /** Such as "27 of 500 readings of devices", for whatever is less than it was. */
  String wordsOfWhatIsLeft(Inventory before) {
    return before.counts.entrySet().stream()
        .map(
            each ->
                "%d of %d %s"
                    .formatted(
                        counts.getOrDefault(each.getKey(), 0L), each.getValue(), each.getKey()))
        .collect(Collectors.joining(", "));
  }
}
