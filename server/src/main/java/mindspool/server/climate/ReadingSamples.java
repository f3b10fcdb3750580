package mindspool.server.climate;

import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Imported readings of a place by the ten thousand, without the weight of entities. */
@Repository
class ReadingSamples {

  private static final int FETCH = 5_000;

  private final JdbcTemplate jdbc;

  ReadingSamples(JdbcTemplate jdbc) {
    this.jdbc = new JdbcTemplate(jdbc.getDataSource());
    this.jdbc.setFetchSize(FETCH);
  }

  /** A reading; epoch seconds. */
  record AirSample(long timeS, double temperatureC, double relativeHumidityPercent) {}

  /** All readings of a place in order of time. */
  List<AirSample> of(long placeId) {
    List<AirSample> samples = new ArrayList<>();
    jdbc.query(
        "select time_s, temperature_c, relative_humidity_percent from climate_reading"
            + " where place_id = ? order by time_s",
        row -> {
          samples.add(new AirSample(row.getLong(1), row.getDouble(2), row.getDouble(3)));
        },
        placeId);
    return samples;
  }
}
