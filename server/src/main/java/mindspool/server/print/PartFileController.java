package mindspool.server.print;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.print.JobMetres;
import mindspool.core.print.PrintFileCheck;
import mindspool.core.print.SetupSheet;
import mindspool.server.calc.PartAnswer;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.NotFoundException;
import mindspool.server.plan.PrintJobs;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.print.Sheets.Assembled;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Parts of jobs from their files. */
@RestController
@RequestMapping("/api")
@Tag(name = "print")
class PartFileController {

  private static final double LEAST_DIRECTION = 1e-6;
  private static final double MOST_DIRECTION = 1e6;

  private final PartFiles files;
  private final PrintJobs jobs;
  private final Prints prints;
  private final Sheets sheets;

  PartFileController(PartFiles files, PrintJobs jobs, Prints prints, Sheets sheets) {
    this.files = files;
    this.jobs = jobs;
    this.prints = prints;
    this.sheets = sheets;
  }

  /** A file that was read; {@code uploadId} is told to the job that it is to be kept with. */
  record PartReadView(String uploadId, String name, long sizeBytes, PartAnswer part) {}

  /** Another job of the same file, and how its last print came out; null while it has none. */
  record SameFileView(long jobId, String name, @MayBeNull String outcome) {}

  /** Where the file asks for what machine or material cannot do; layers are counted from 1. */
  record FileFindingView(String id, int fromLayer, int toLayer, String words, String remedy) {}

  /**
   * A layer held against the sheet.
   *
   * @param flowShare fastest flow over what the melt allows; 1 is the limit
   * @param bond strength across layers over strength along them; null for the first
   * @param moisturePercent of the metres that it gets; null without a spool
   */
  record LayerCheckView(double meltC, double flowShare, Double bond, Double moisturePercent) {}

  /**
   * The file of a job.
   *
   * @param here whether the file itself is there; not where a backup was restored elsewhere, which
   *     has only what was read of it
   * @param findings of a print file, held against the job's sheet as it is kept, or as it would be
   *     with the file's size while none is
   * @param cornerRatios pull over grip at each corner of a mesh's footprint, 1 lets go; empty
   *     without a sheet
   * @param layerChecks one for each layer; empty without a sheet or for a mesh
   */
  record PartFileView(
      long jobId,
      String name,
      long sizeBytes,
      boolean here,
      long recordedS,
      PartAnswer part,
      List<FileFindingView> findings,
      List<LayerCheckView> layerChecks,
      List<Double> cornerRatios,
      List<SameFileView> sameFile) {}

  record KeepPartRequest(String uploadId) {}

  /** What points down, in the file's axes; its length does not matter. */
  record LayPartRequest(Double x, Double y, Double z) {}

  /**
   * A side that the part can be laid on.
   *
   * @param down out of the side, in the file's axes
   * @param steepPercent of the surface that would hang over nothing
   * @param present whether it lies on it
   */
  record PartSideView(
      PartAnswer.AxesView down,
      double areaMm2,
      double heightMm,
      double steepPercent,
      boolean present) {}

  @Asks
  @PostMapping(value = "/part-files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(summary = "Reads a part's file, up to 512 MB; it is kept once a job takes it")
  PartReadView read(@RequestParam("file") MultipartFile file) throws IOException {
    try (InputStream content = file.getInputStream()) {
      PartFiles.Waiting read = files.read(file.getOriginalFilename(), file.getSize(), content);
      return new PartReadView(read.uploadId(), read.name(), read.sizeBytes(), read.part());
    }
  }

  @PostMapping("/jobs/{id}/part-file")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a part's file with a job, in the place of the one before")
  PartFileView keep(@PathVariable long id, @RequestBody KeepPartRequest request) {
    KnownJob job = jobs.job(id);
    StoredPartFile kept = files.keep(job, request.uploadId);
    takesAsTold(job);
    return view(job, kept);
  }

  @GetMapping("/jobs/{id}/part-file")
  @Operation(summary = "The file of a job: what is in it, held against the job's sheet")
  PartFileView file(@PathVariable long id) {
    return view(jobs.job(id), present(id));
  }

  @GetMapping(
      value = "/jobs/{id}/part-file/content",
      produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @Operation(summary = "The file of a job itself, as it was sent")
  ResponseEntity<Resource> content(@PathVariable long id) {
    StoredPartFile file = present(id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(file.name, StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(new FileSystemResource(files.content(file)));
  }

  @GetMapping("/jobs/{id}/part-file/sides")
  @Operation(summary = "Flat sides that a job's part can be laid on, the largest first")
  List<PartSideView> sides(@PathVariable long id) throws IOException {
    StoredPartFile file = present(id);
    return files.sides(file).stream()
        .map(
            side ->
                new PartSideView(
                    new PartAnswer.AxesView(side.downX(), side.downY(), side.downZ()),
                    side.areaMm2(),
                    side.heightMm(),
                    100 * side.steepShare(),
                    file.downX == null
                        ? side.isToward(0, 0, -1)
                        : side.isToward(file.downX, file.downY, file.downZ)))
        .toList();
  }

  @PutMapping("/jobs/{id}/part-file/laying")
  @Operation(summary = "Lays a job's part on another side and measures it anew")
  PartFileView lay(@PathVariable long id, @RequestBody LayPartRequest down) throws IOException {
    StoredPartFile file = present(id);
    double x = along("x", down.x);
    double y = along("y", down.y);
    double z = along("z", down.z);
    double length = Math.hypot(Math.hypot(x, y), z);
    if (length < LEAST_DIRECTION) {
      throw new InvalidValueException(
          "z", "0, as x and y are", "a direction", "Say what points down, such as 0, 0, -1.");
    }
    files.lay(file, x / length, y / length, z / length);
    takesAsTold(jobs.job(id));
    return view(jobs.job(id), present(id));
  }

  /** The plan counts with what the file tells, as the sheet does. */
  private void takesAsTold(KnownJob job) {
    Sheets.Chosen chosen = sheets.chosen(job);
    SetupSheet sheet = sheets.assemble(job, chosen).sheet();
    if (sheet != null && job.startedS() == null) {
      jobs.takes(job.id(), sheet.grams(), sheet.hours(), null, sheets.isDryHolder(chosen));
    }
  }

  private static double along(String field, Double value) {
    return Require.within(
        field, Require.present(field, value, "a number"), -MOST_DIRECTION, MOST_DIRECTION, "");
  }

  @DeleteMapping("/jobs/{id}/part-file")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a part's file away from its job")
  void remove(@PathVariable long id) {
    files.remove(present(id));
  }

  private StoredPartFile present(long jobId) {
    return files
        .ofJob(jobId)
        .orElseThrow(() -> new NotFoundException("file of the part of job " + jobId));
  }

  private PartFileView view(KnownJob job, StoredPartFile file) {
    PartAnswer part = PartFiles.part(file);
    Assembled set = set(job, part);
    SetupSheet sheet = set == null ? null : set.sheet();
    Optional<PrintFileCheck> check =
        sheet == null || part.layers().isEmpty()
            ? Optional.empty()
            : Optional.of(PrintFileCheck.of(part.toProfile(), sheet));
    List<JobMetres.Point> metres = set == null ? List.of() : set.metres();
    return new PartFileView(
        job.id(),
        file.name,
        file.sizeBytes,
        files.isHere(file),
        file.recordedS,
        part,
        check.map(PrintFileCheck::findings).orElse(List.of()).stream()
            .map(
                it ->
                    new FileFindingView(
                        it.id(), it.fromLayer(), it.toLayer(), it.words(), it.remedy()))
            .toList(),
        check.map(it -> layers(it, part, metres)).orElse(List.of()),
        sheet == null || part.footprint() == null ? List.of() : corners(sheet, part),
        files.same(file.sha256, job.id()).stream().map(this::same).toList());
  }

  /** The job's sheet as it is kept; by the size of its print file while none is. */
  private Assembled set(KnownJob job, PartAnswer part) {
    Sheets.Chosen chosen = sheets.chosen(job);
    if (chosen.part() == null) {
      return part.layers().isEmpty()
          ? null
          : sheets.assemble(job, chosen.of(PartFiles.asBox(part)));
    }
    return sheets.assemble(job, chosen);
  }

  /** Corners of one kind are reckoned once: a round table of them has few. */
  private static List<Double> corners(SetupSheet sheet, PartAnswer part) {
    Map<List<Long>, Double> known = new HashMap<>();
    return part.footprint().corners().stream()
        .map(
            corner ->
                known.computeIfAbsent(
                    List.of(Math.round(corner.angleDeg()), Math.round(10 * corner.radiusMm())),
                    key -> sheet.cornerRatio(corner.angleDeg(), corner.radiusMm() / 1000)))
        .toList();
  }

  private static List<LayerCheckView> layers(
      PrintFileCheck check, PartAnswer part, List<JobMetres.Point> metres) {
    List<LayerCheckView> views = new ArrayList<>();
    for (int i = 0; i < check.layers().size(); i++) {
      PrintFileCheck.LayerState state = check.layers().get(i);
      views.add(
          new LayerCheckView(
              state.meltC(),
              Math.min(99, state.flowShare()),
              Double.isNaN(state.bond()) ? null : state.bond(),
              moisture(metres, part.layers().get(i).startS() / 3600)));
    }
    return views;
  }

  /** Moisture of the metres at an hour of the job; the last known one after its end. */
  private static Double moisture(List<JobMetres.Point> metres, double hour) {
    JobMetres.Point before = null;
    for (JobMetres.Point point : metres) {
      if (point.hour() >= hour) {
        if (before == null || point.hour() == before.hour()) {
          return point.percent();
        }
        double share = (hour - before.hour()) / (point.hour() - before.hour());
        return before.percent() + share * (point.percent() - before.percent());
      }
      before = point;
    }
    return before == null ? null : Double.valueOf(before.percent());
  }

  private SameFileView same(StoredPartFile other) {
    return new SameFileView(
        other.jobId,
        other.jobName,
        prints.ofJob(other.jobId).stream()
            .filter(run -> run.outcome != null)
            .reduce((first, second) -> second)
            .map(run -> run.outcome.title())
            .orElse(null));
  }
}
