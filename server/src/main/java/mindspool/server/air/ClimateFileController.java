package mindspool.server.air;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import mindspool.core.InvalidValueException;
import mindspool.core.Text;
import mindspool.core.climate.log.ClimateLog;
import mindspool.core.climate.log.ClimateLogReader;
import mindspool.core.climate.log.LogAnswers;
import mindspool.core.climate.log.LogLayout;
import mindspool.server.http.Asks;
import mindspool.server.http.HeavyWork;
import mindspool.server.http.NotFoundException;
import mindspool.server.keep.DiskSpace;
import mindspool.server.keep.Durability;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/**
 * Imports a logger's file in two steps: it is looked at and shown, and only then stored. Between
 * the two it waits in memory for half an hour.
 */
@Asks
@RestController
@RequestMapping("/api/places/{placeId}/climate-files")
@Tag(name = "shelf")
class ClimateFileController {

  private static final Duration KEPT = Duration.ofMinutes(30);
  private static final int MOST_UPLOADS = 8;
  private static final int SHOWN_ROWS = 8;
  private static final int MOST_NAME = 200;

  private final Climates climates;
  private final ClimateImport importer;
  private final HeavyWork heavy;
  private final DiskSpace disk;
  private final Durability durability;
  private final Clock clock;
  private final Map<String, Upload> uploads = new ConcurrentHashMap<>();

  /** Only the latest, so that what was looked at need not be read again to be stored. */
  private volatile Understood latest;

  ClimateFileController(
      Climates climates,
      ClimateImport importer,
      HeavyWork heavy,
      DiskSpace disk,
      Durability durability,
      Clock clock) {
    this.heavy = heavy;
    this.disk = disk;
    this.durability = durability;
    this.climates = climates;
    this.importer = importer;
    this.clock = clock;
  }

  /** A file that was looked at and waits. */
  private record Upload(
      long placeId,
      String name,
      byte[] content,
      ZoneId zone,
      Instant at,
      AtomicInteger done,
      AtomicBoolean cancelled) {}

  /** A file as it was understood with some answers. */
  private record Understood(Upload upload, LogAnswers answers, ClimateLog log) {}

  record PreviewView(
      String uploadId,
      String fileName,
      String zone,
      LogLayout layout,
      List<ClimateLog.Reading> firstRows,
      int readings,
      long newReadings,
      Long firstS,
      Long lastS,
      int rejectedCount,
      List<ClimateLog.RejectedRow> rejected,
      List<ClimateLog.Question> questions) {}

  record ImportView(Long fileId, String fileName, int rowsTaken, int rowsKnown, int rejected) {}

  record ImportProgress(int readingsDone) {}

  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(summary = "Looks at a logger's file; nothing is stored yet")
  PreviewView upload(
      @PathVariable long placeId,
      @RequestParam("file") MultipartFile file,
      @RequestParam(value = "zone", required = false) String zone)
      throws IOException {
    PlaceInfo place = climates.presentPlace(placeId);
    if (place.kind() == PlaceKind.DRYER && place.withinId() != null) {
      throw new InvalidValueException(
          "placeId",
          place.name(),
          "a place whose air is not made from a room's",
          "Import the log of its room.");
    }
    ClimateLogReader.checkSize(file.getSize());
    forgetOld();
    disk.refuseWhenLow();
    if (uploads.size() >= MOST_UPLOADS) {
      throw new InvalidValueException(
          "file",
          "the " + (MOST_UPLOADS + 1) + "th file waiting",
          MOST_UPLOADS + " files",
          "Finish or cancel an earlier import first.");
    }
    String id = UUID.randomUUID().toString();
    Upload upload =
        new Upload(
            placeId,
            fileName(file),
            file.getBytes(),
            zone(zone),
            clock.instant(),
            new AtomicInteger(),
            new AtomicBoolean());
    PreviewView preview = preview(id, upload, LogAnswers.NONE);
    uploads.put(id, upload);
    return preview;
  }

  @PostMapping("/{uploadId}/preview")
  @Operation(summary = "Looks at the file again with a person's answers")
  PreviewView answer(
      @PathVariable long placeId, @PathVariable String uploadId, @RequestBody LogAnswers answers) {
    return preview(uploadId, waiting(placeId, uploadId), answers);
  }

  @PostMapping("/{uploadId}/import")
  @Operation(summary = "Stores the readings that can be taken; all or none")
  ImportView store(
      @PathVariable long placeId, @PathVariable String uploadId, @RequestBody LogAnswers answers) {
    Upload upload = waiting(placeId, uploadId);
    ClimateLog log = read(upload, answers);
    if (!log.questions().isEmpty()) {
      ClimateLog.Question open = log.questions().get(0);
      throw new InvalidValueException(
          open.about(),
          "not answered",
          String.join(", ", open.options().stream().map(ClimateLog.Option::value).toList()),
          open.text());
    }
    disk.refuseWhenLow();
    upload.done.set(0);
    upload.cancelled.set(false);
    ClimateFile file =
        importer.store(
            placeId,
            upload.name,
            log.readings(),
            clock.instant().getEpochSecond(),
            upload.done::set,
            upload.cancelled::get);
    durability.awaitDisk();
    uploads.remove(uploadId);
    latest = null;
    climates.changed(placeId);
    return new ImportView(
        file.id,
        file.name,
        file.rowsTaken,
        log.readings().size() - file.rowsTaken,
        log.rejectedCount());
  }

  @GetMapping("/{uploadId}/progress")
  @Operation(summary = "How far a running import is")
  ImportProgress progress(@PathVariable long placeId, @PathVariable String uploadId) {
    return new ImportProgress(waiting(placeId, uploadId).done.get());
  }

  @DeleteMapping("/{uploadId}/upload")
  @Operation(summary = "Forgets a file that waits, or stops its import; nothing is stored")
  void cancel(@PathVariable long placeId, @PathVariable String uploadId) {
    waiting(placeId, uploadId).cancelled.set(true);
    uploads.remove(uploadId);
  }

  @DeleteMapping("/{fileId}")
  @Operation(summary = "Takes an imported file's readings out again")
  void remove(@PathVariable long placeId, @PathVariable long fileId) {
    disk.refuseWhenLow();
    importer.remove(placeId, fileId);
    durability.awaitDisk();
    climates.changed(placeId);
  }

  private ClimateLog read(Upload upload, LogAnswers answers) {
    Understood before = latest;
    if (before != null && before.upload == upload && before.answers.equals(answers)) {
      return before.log;
    }
    ClimateLog log =
        heavy.run(
            () -> ClimateLogReader.read(upload.content, upload.zone, clock.instant(), answers));
    latest = new Understood(upload, answers, log);
    return log;
  }

  private PreviewView preview(String id, Upload upload, LogAnswers answers) {
    ClimateLog log = read(upload, answers);
    List<ClimateLog.Reading> readings = log.readings();
    int last = readings.size() - 1;
    return new PreviewView(
        id,
        upload.name,
        upload.zone.getId(),
        log.layout(),
        readings.stream().limit(SHOWN_ROWS).toList(),
        readings.size(),
        importer.newReadings(upload.placeId, readings),
        last < 0 ? null : readings.get(0).epochS(),
        last < 0 ? null : readings.get(last).epochS(),
        log.rejectedCount(),
        log.rejected(),
        log.questions());
  }

  private Upload waiting(long placeId, String uploadId) {
    Upload upload = uploads.get(uploadId);
    if (upload == null || upload.placeId != placeId) {
      throw new NotFoundException("file waiting under this number; choose it again");
    }
    return upload;
  }

  @Scheduled(fixedDelay = 300_000)
  void forgetOld() {
    Instant oldest = clock.instant().minus(KEPT);
    uploads.values().removeIf(upload -> upload.at.isBefore(oldest));
    Understood understood = latest;
    if (understood != null && !uploads.containsValue(understood.upload)) {
      latest = null;
    }
  }

  private static String fileName(MultipartFile file) {
    String name = file.getOriginalFilename() == null ? "log" : file.getOriginalFilename();
    return Text.cut(name.replaceAll("[\\p{Cntrl}\\p{Cs}]", "_"), MOST_NAME);
  }

  private ZoneId zone(String zone) {
    try {
      return zone == null ? clock.getZone() : ZoneId.of(zone);
    } catch (DateTimeException e) {
      throw new InvalidValueException(
          "zone", "\"" + zone + "\"", "a time zone such as Europe/Berlin", "Leave it out.");
    }
  }
}
