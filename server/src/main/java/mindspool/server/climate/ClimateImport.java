package mindspool.server.climate;

import jakarta.persistence.EntityManager;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.log.ClimateLog.Reading;
import mindspool.server.http.NotFoundException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Stores imported readings, all of a file or none. */
@Service
class ClimateImport {

  private static final int BATCH = 500;

  private final ClimateStore.Files files;
  private final ClimateStore.Readings readings;
  private final EntityManager entityManager;

  ClimateImport(
      ClimateStore.Files files, ClimateStore.Readings readings, EntityManager entityManager) {
    this.files = files;
    this.readings = readings;
    this.entityManager = entityManager;
  }

  /** How many of a file's readings the place has not yet. */
  long newReadings(long placeId, List<Reading> found) {
    Set<Long> known = new HashSet<>(readings.times(placeId));
    return found.stream().filter(reading -> !known.contains(reading.epochS())).count();
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
    ClimateFile file = files.save(new ClimateFile(placeId, fileName, nowS));
    int seen = 0;
    for (Reading reading : found) {
      if (cancelled.getAsBoolean()) {
        throw new InvalidValueException(
            "file", "cancelled", "an import that runs to its end", "Nothing was stored.");
      }
      if (known.add(reading.epochS())) {
        entityManager.persist(
            new ClimateReading(
                new ClimateReading.Key(placeId, reading.epochS()),
                reading.temperatureC(),
                reading.relativeHumidityPercent(),
                file.id));
        file.rowsTaken++;
        file.firstS = file.firstS == null ? reading.epochS() : file.firstS;
        file.lastS = reading.epochS();
      }
      if (++seen % BATCH == 0) {
        progress.accept(seen);
        flush(file);
      }
    }
    flush(file);
    progress.accept(seen);
    return file;
  }

  private void flush(ClimateFile file) {
    files.saveAndFlush(file);
    entityManager.clear();
  }

  /** Takes a file's readings out again. */
  @Transactional
  public ClimateFile remove(long placeId, long fileId) {
    ClimateFile file =
        files
            .findById(fileId)
            .filter(found -> found.placeId == placeId)
            .orElseThrow(() -> new NotFoundException("imported file with number " + fileId));
    readings.deleteByFile(fileId);
    files.delete(file);
    return file;
  }
}
