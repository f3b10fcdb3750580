package mindspool.server.air;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.server.air.ReadingSamples.AirSample;
import mindspool.server.http.NotFoundException;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Stores imported readings, all of a file or none. */
@Service
public class ClimateImport {

  private static final int BATCH = 2_000;

  /** A file's reading so close to one of a device of that place is the same, s. */
  private static final long SAME_S = 60;

  private final ClimateStore.Files files;
  private final ReadingSamples readings;
  private final ObjectProvider<LiveReadings> live;

  ClimateImport(
      ClimateStore.Files files, ReadingSamples readings, ObjectProvider<LiveReadings> live) {
    this.files = files;
    this.readings = readings;
    this.live = live;
  }

  /** How many of a file's readings the place has not yet, from a file or a device of its own. */
  long newReadings(long placeId, List<Reading> found) {
    Set<Long> known = readings.times(placeId);
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
   * @param progress is given how many were looked at
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
    Set<Long> known = readings.times(placeId);
    NavigableSet<Long> measured = measured(placeId);
    ClimateFile file = files.saveAndFlush(new ClimateFile(placeId, fileName, nowS));
    List<AirSample> taken = new ArrayList<>(BATCH);
    int seen = 0;
    for (Reading reading : found) {
      if (cancelled.getAsBoolean()) {
        throw new InvalidValueException(
            "file", "cancelled", "an import that runs to its end", "Nothing was stored.");
      }
      if (!near(measured, reading.epochS()) && known.add(reading.epochS())) {
        taken.add(
            new AirSample(
                reading.epochS(), reading.temperatureC(), reading.relativeHumidityPercent()));
        file.rowsTaken++;
        file.firstS = file.firstS == null ? reading.epochS() : file.firstS;
        file.lastS = reading.epochS();
      }
      if (++seen % BATCH == 0) {
        readings.add(placeId, file.id, taken);
        taken.clear();
        progress.accept(seen);
      }
    }
    readings.add(placeId, file.id, taken);
    progress.accept(seen);
    return files.saveAndFlush(file);
  }

  /** Takes a file's readings out again. */
  @Transactional
  public ClimateFile remove(long placeId, long fileId) {
    ClimateFile file =
        files
            .findById(fileId)
            .filter(found -> found.placeId == placeId)
            .orElseThrow(() -> new NotFoundException("imported file with number " + fileId));
    readings.removeFile(placeId, fileId);
    files.delete(file);
    return file;
  }
}
