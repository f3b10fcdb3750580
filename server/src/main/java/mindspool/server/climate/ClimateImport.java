package mindspool.server.climate;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.NavigableSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.server.http.NotFoundException;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Stores imported readings, all of a file or none. */
@Service
class ClimateImport {

  private static final int BATCH = 2_000;

  /** A file's reading so close to one of a device of that place is the same, s. */
  private static final long SAME_S = 60;

  private final ClimateStore.Files files;
  private final ClimateStore.Readings readings;
  private final ObjectProvider<LiveReadings> live;
  private final JdbcTemplate jdbc;

  ClimateImport(
      ClimateStore.Files files,
      ClimateStore.Readings readings,
      ObjectProvider<LiveReadings> live,
      JdbcTemplate jdbc) {
    this.files = files;
    this.readings = readings;
    this.live = live;
    this.jdbc = jdbc;
  }

  /** How many of a file's readings the place has not yet, from a file or a device of its own. */
  long newReadings(long placeId, List<Reading> found) {
    Set<Long> known = new HashSet<>(readings.times(placeId));
    NavigableSet<Long> measured = measured(placeId);
    return found.stream()
        .filter(reading -> !known.contains(reading.epochS()) && !near(measured, reading.epochS()))
        .count();
  }

  /** When a device of the place was already heard. */
  private NavigableSet<Long> measured(long placeId) {
    NavigableSet<Long> times = new TreeSet<>();
    LiveReadings arriving = live.getIfAvailable();
    if (arriving != null) {
      arriving.readings(placeId).forEach(reading -> times.add(reading.timeS()));
    }
    return times;
  }

  private static boolean near(NavigableSet<Long> times, long timeS) {
    Long after = times.ceiling(timeS - SAME_S);
    return after != null && after <= timeS + SAME_S;
  }

  /**
   * Adds the readings whose time the place does not have yet.
   *
   * @param progress is told how many were looked at
   * @param cancelled when it turns true nothing is stored
   */
  @Transactional
  public ClimateFile store(
      long placeId,
      String fileName,
      List<Reading> found,
      long nowS,
      IntConsumer progress,
      BooleanSupplier cancelled) {
    Set<Long> known = new HashSet<>(readings.times(placeId));
    NavigableSet<Long> measured = measured(placeId);
    ClimateFile file = files.saveAndFlush(new ClimateFile(placeId, fileName, nowS));
    Rows rows = new Rows();
    int seen = 0;
    for (Reading reading : found) {
      if (cancelled.getAsBoolean()) {
        throw new InvalidValueException(
            "file", "cancelled", "an import that runs to its end", "Nothing was stored.");
      }
      if (!near(measured, reading.epochS()) && known.add(reading.epochS())) {
        rows.add(reading);
        file.rowsTaken++;
        file.firstS = file.firstS == null ? reading.epochS() : file.firstS;
        file.lastS = reading.epochS();
      }
      if (++seen % BATCH == 0) {
        rows.insert(placeId, file.id);
        progress.accept(seen);
      }
    }
    rows.insert(placeId, file.id);
    progress.accept(seen);
    return files.saveAndFlush(file);
  }

  /** Rows that go to the database in one statement: one a row takes five times as long. */
  private final class Rows {
    private final List<Long> times = new ArrayList<>(BATCH);
    private final List<Double> temperatures = new ArrayList<>(BATCH);
    private final List<Double> humidities = new ArrayList<>(BATCH);

    void add(Reading reading) {
      times.add(reading.epochS());
      temperatures.add(reading.temperatureC());
      humidities.add(reading.relativeHumidityPercent());
    }

    void insert(long placeId, long fileId) {
      if (times.isEmpty()) {
        return;
      }
      jdbc.update(
          "insert into climate_reading"
              + " (place_id, time_s, temperature_c, relative_humidity_percent, file_id)"
              + " select cast(? as bigint), t, c, h, cast(? as bigint)"
              + " from unnest(cast(? as bigint array), cast(? as double precision array),"
              + " cast(? as double precision array)) as rows_of_file (t, c, h)",
          placeId,
          fileId,
          times.toArray(),
          temperatures.toArray(),
          humidities.toArray());
      times.clear();
      temperatures.clear();
      humidities.clear();
    }
  }

  /** Takes a file's readings out again. */
  @Transactional
  public ClimateFile remove(long placeId, long fileId) {
    ClimateFile file =
        files
            .findById(fileId)
            .filter(found -> found.placeId == placeId)
            .orElseThrow(() -> new NotFoundException("imported file with number " + fileId));
    readings.deleteByFile(placeId, fileId);
    files.delete(file);
    return file;
  }
}
