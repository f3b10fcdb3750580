package mindspool.server.air;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Imported readings of a place by the ten thousand, without the weight of entities. */
@Repository
class ReadingSamples {

  private static final int FETCH = 5_000;

  /** A key counts the seconds of one place after those of another. */
  private static final long SECONDS_OF_A_PLACE = 1L << 38;

  private static final String OF_A_PLACE = " where place_and_time between ? and ?";

  private final JdbcTemplate jdbc;

  ReadingSamples(JdbcTemplate jdbc) {
    this.jdbc = new JdbcTemplate(jdbc.getDataSource());
    this.jdbc.setFetchSize(FETCH);
  }

  /** A reading; epoch seconds. */
  record AirSample(long timeS, double temperatureC, double relativeHumidityPercent) {}

  private static long first(long placeId) {
    return placeId * SECONDS_OF_A_PLACE;
  }

  private static long last(long placeId) {
    return first(placeId + 1) - 1;
  }

  /** All readings of a place in order of time. */
  List<AirSample> of(long placeId) {
    List<AirSample> samples = new ArrayList<>();
    jdbc.query(
        "select place_and_time, temperature_c, relative_humidity_percent from climate_reading"
            + OF_A_PLACE
            + " order by place_and_time",
        row -> {
          samples.add(
              new AirSample(row.getLong(1) - first(placeId), row.getDouble(2), row.getDouble(3)));
        },
        first(placeId),
        last(placeId));
    return samples;
  }

  /** When a place was read, epoch seconds. */
  Set<Long> times(long placeId) {
    Set<Long> times = new HashSet<>();
    jdbc.query(
        "select place_and_time from climate_reading" + OF_A_PLACE,
        row -> {
          times.add(row.getLong(1) - first(placeId));
        },
        first(placeId),
        last(placeId));
    return times;
  }

  /** Adds readings of a file in one statement: one a row takes five times as long. */
  void add(long placeId, long fileId, List<AirSample> samples) {
    jdbc.update(
        "insert into climate_reading"
            + " (place_and_time, temperature_c, relative_humidity_percent, file_id)"
            + " select k, t, h, cast(? as bigint)"
            + " from unnest(cast(? as bigint array), cast(? as double precision array),"
            + " cast(? as double precision array)) as rows_of_file (k, t, h)",
        fileId,
        samples.stream().map(sample -> first(placeId) + sample.timeS).toArray(),
        samples.stream().map(sample -> (Object) sample.temperatureC).toArray(),
        samples.stream().map(sample -> (Object) sample.relativeHumidityPercent).toArray());
  }

  /** Takes a file's readings out again. */
  void removeFile(long placeId, long fileId) {
    jdbc.update(
        "delete from climate_reading" + OF_A_PLACE + " and file_id = ?",
        first(placeId),
        last(placeId),
        fileId);
  }
}
