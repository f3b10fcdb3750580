package mindspool.server.devices;

import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Readings of devices in the database, many at a time. */
@Repository
class ReadingStore {

  private static final String INSERT =
      "insert into device_reading (channel_id, time_ms, reading, readings)"
          + " select ?, ?, ?, 1 where not exists"
          + " (select 1 from device_reading where channel_id = ? and time_ms = ?)";

  private static final String ADD_TO_CHANNEL =
      "update channel set readings = readings + ?,"
          + " last_reading = case when last_ms >= ? then last_reading else ? end,"
          + " last_ms = case when last_ms >= ? then last_ms else ? end where id = ?";

  private static final int MOST_REFUSED = 20_000;

  private final JdbcTemplate jdbc;

  ReadingStore(JdbcTemplate jdbc) {
    this.jdbc = jdbc;
  }

  /** A value to keep. */
  record Reading(long channelId, long timeMs, double value) {}

  /** A message to keep although it could not be used. */
  record Refused(long receivedS, String topic, String reason, String payload) {}

  /** A stored value, or the mean of several. */
  record Kept(long timeMs, double value) {}

  /**
   * Stores readings and refused messages, all or none.
   *
   * @return for every reading whether it was new
   */
  @Transactional
  public boolean[] store(List<Reading> readings, List<Refused> refused) {
    boolean[] fresh = new boolean[readings.size()];
    if (!readings.isEmpty()) {
      List<Object[]> rows = new ArrayList<>();
      for (Reading reading : readings) {
        rows.add(
            new Object[] {
              reading.channelId, reading.timeMs, reading.value, reading.channelId, reading.timeMs
            });
      }
      int[] counts = jdbc.batchUpdate(INSERT, rows);
      for (int i = 0; i < counts.length; i++) {
        fresh[i] = counts[i] == 1 || counts[i] == Statement.SUCCESS_NO_INFO;
      }
      addToChannels(readings, fresh);
    }
    if (!refused.isEmpty()) {
      jdbc.batchUpdate(
          "insert into refused_message (received_s, topic, reason, payload) values (?, ?, ?, ?)",
          refused.stream()
              .map(each -> new Object[] {each.receivedS, each.topic, each.reason, each.payload})
              .toList());
    }
    return fresh;
  }

  private void addToChannels(List<Reading> readings, boolean[] fresh) {
    Map<Long, Integer> brought = new HashMap<>();
    Map<Long, Reading> last = new HashMap<>();
    for (int i = 0; i < fresh.length; i++) {
      Reading reading = readings.get(i);
      if (fresh[i]) {
        brought.merge(reading.channelId, 1, Integer::sum);
        last.merge(reading.channelId, reading, (a, b) -> b.timeMs >= a.timeMs ? b : a);
      }
    }
    jdbc.batchUpdate(
        ADD_TO_CHANNEL,
        last.values().stream()
            .map(
                reading ->
                    new Object[] {
                      brought.get(reading.channelId),
                      reading.timeMs,
                      reading.value,
                      reading.timeMs,
                      reading.timeMs,
                      reading.channelId
                    })
            .toList());
  }

  /** Means per minute of a channel from a time on. */
  List<Kept> perMinute(long channelId, long fromMs) {
    return jdbc.query(
        "select min(time_ms) t, sum(reading * readings) / sum(readings) v from device_reading"
            + " where channel_id = ? and time_ms >= ? group by time_ms / 60000 order by t",
        (row, i) -> new Kept(row.getLong(1), row.getDouble(2)),
        channelId,
        fromMs);
  }

  /** The readings of a channel from a time on, in order of time. */
  List<Kept> since(long channelId, long fromMs) {
    return jdbc.query(
        "select time_ms, reading from device_reading where channel_id = ? and time_ms >= ?"
            + " order by time_ms",
        (row, i) -> new Kept(row.getLong(1), row.getDouble(2)),
        channelId,
        fromMs);
  }

  /** How many there are. */
  long countAll() {
    Long count = jdbc.queryForObject("select count(*) from device_reading", Long.class);
    return count == null ? 0 : count;
  }

  /** How many readings of a channel were ever taken; thinned ones count for all they replaced. */
  long count(long channelId) {
    Long count =
        jdbc.queryForObject("select readings from channel where id = ?", Long.class, channelId);
    return count == null ? 0 : count;
  }

  List<Refused> refused(int count) {
    return jdbc.query(
        "select received_s, topic, reason, payload from refused_message order by id desc limit ?",
        (row, i) ->
            new Refused(row.getLong(1), row.getString(2), row.getString(3), row.getString(4)),
        count);
  }

  /**
   * Replaces readings of a span by means over slices, keeping the least, the most and the number.
   *
   * @return rows replaced
   */
  @Transactional
  public int thin(long channelId, long fromMs, long toMs, long sliceMs) {
    jdbc.update(
        "create local temporary table if not exists thinned (slice bigint primary key,"
            + " time_ms bigint, reading double precision, least double precision,"
            + " most double precision, readings int)");
    jdbc.update("delete from thinned");
    jdbc.update(
        "insert into thinned select time_ms / ? slice,"
            + " min(time_ms) + (max(time_ms) - min(time_ms)) / 2,"
            + " sum(reading * readings) / sum(readings), min(coalesce(least, reading)),"
            + " max(coalesce(most, reading)), sum(readings) from device_reading"
            + " where channel_id = ? and time_ms >= ? and time_ms < ?"
            + " group by slice having count(*) > 1",
        sliceMs,
        channelId,
        fromMs,
        toMs);
    int removed =
        jdbc.update(
            "delete from device_reading where channel_id = ? and time_ms >= ? and time_ms < ?"
                + " and exists (select 1 from thinned where slice = device_reading.time_ms / ?)",
            channelId,
            fromMs,
            toMs,
            sliceMs);
    jdbc.update(
        "insert into device_reading (channel_id, time_ms, reading, least, most, readings)"
            + " select ?, time_ms, reading, least, most, readings from thinned",
        channelId);
    return removed;
  }

  /** Drops the oldest refused messages beyond what is kept. */
  void forgetOldRefusals() {
    jdbc.update(
        "delete from refused_message where id <= (select max(id) - ? from refused_message)",
        MOST_REFUSED);
  }
}
