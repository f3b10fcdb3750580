package mindspool.server.print;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import mindspool.core.Require;
import mindspool.core.device.Quantity;
import mindspool.core.print.GripLearning;
import mindspool.core.print.GripLearning.Ending;
import mindspool.server.devices.Probes;
import mindspool.server.http.MayBeNull;
import mindspool.server.machines.Machines;
import mindspool.server.photos.Photos;
import mindspool.server.print.PrintRun.Outcome;
import mindspool.server.print.PrintRun.UsedBy;
import mindspool.server.print.Prints.Finish;
import mindspool.server.print.Prints.Override;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Prints as they run and end, and what they teach of their plates. */
@RestController
@RequestMapping("/api")
@Tag(name = "print")
class PrintController {

  private static final String PHOTOS_OF = "print";

  private final Prints prints;
  private final Machines machines;
  private final Learning learning;
  private final Probes probes;
  private final Photos photos;
  private final Clock clock;

  PrintController(
      Prints prints,
      Machines machines,
      Learning learning,
      Probes probes,
      Photos photos,
      Clock clock) {
    this.prints = prints;
    this.machines = machines;
    this.learning = learning;
    this.probes = probes;
    this.photos = photos;
    this.clock = clock;
  }

  /** A hard check that a print was started against, with the reason. */
  record OverrideView(String gate, String reason) {}

  /**
   * A print.
   *
   * @param earlierCodes spools that it was printed from before this one
   * @param endsS when it will probably be over; null once it is
   * @param adhesionRatio pull at the corners of what holds them, as the sheet told it at the start;
   *     null where it was started without one, as are {@code plateRatio} and {@code bond}
   * @param runOut whether the printer says that its filament has run out
   */
  record RunView(
      long id,
      long jobId,
      String name,
      long printerId,
      String printer,
      Long plateId,
      @MayBeNull String plate,
      String code,
      List<String> earlierCodes,
      String material,
      long startedS,
      Long endsS,
      Long endedS,
      double progressPercent,
      double hours,
      double grams,
      Double adhesionRatio,
      Double plateRatio,
      Double bond,
      Double moisturePercent,
      List<OverrideView> overrides,
      @MayBeNull Outcome outcome,
      @MayBeNull String outcomeTitle,
      @MayBeNull Ending ending,
      Double failedAtMm,
      List<String> signs,
      @MayBeNull String note,
      Double usedG,
      @MayBeNull UsedBy usedBy,
      Double chamberC,
      Double bedC,
      Double nozzleC,
      Double chamberMeanC,
      Double roomMeanC,
      boolean runOut,
      List<Photos.PhotoView> photos,
      int version) {}

  /** What can be seen of a print; {@code ending} what it says of the plate, null for nothing. */
  record SignView(String id, String title, @MayBeNull Ending ending) {}

  /** Prints that run, the last that ended, and what can be seen of one. */
  record PrintsView(long nowS, List<RunView> running, List<RunView> ended, List<SignView> signs) {}

  /** Starts a job; {@code overrides} for hard checks that are not met. */
  record StartPrintRequest(Long jobId, List<OverrideRequest> overrides) {}

  record OverrideRequest(String gate, String reason) {}

  record ProgressRequest(Double percent) {}

  /** How a print ended; what is left out is computed or not known. */
  record FinishRequest(
      Outcome outcome,
      Ending ending,
      Double failedAtMm,
      List<String> signs,
      String note,
      Double usedG,
      UsedBy usedBy,
      Double grossMassG) {

    Finish toFinish() {
      return new Finish(outcome, ending, failedAtMm, signs, note, usedG, usedBy, grossMassG);
    }
  }

  @GetMapping("/prints")
  @Operation(summary = "Prints that run and the last that ended")
  PrintsView prints() {
    return new PrintsView(
        clock.instant().getEpochSecond(),
        views(prints.running()),
        views(prints.ended()),
        Arrays.stream(PrintSign.values())
            .map(sign -> new SignView(sign.id(), sign.title(), sign.ending()))
            .toList());
  }

  @GetMapping("/prints/{id}")
  @Operation(summary = "A print")
  RunView print(@PathVariable long id) {
    return view(prints.run(id));
  }

  private List<RunView> views(List<PrintRun> runs) {
    Map<Long, List<Photos.PhotoView>> shown =
        photos.of(PHOTOS_OF, runs.stream().map(run -> run.id).toList());
    return runs.stream().map(run -> view(run, shown.getOrDefault(run.id, List.of()))).toList();
  }

  private RunView view(PrintRun run) {
    return view(run, photos.of(PHOTOS_OF, run.id));
  }

  private RunView view(PrintRun run, List<Photos.PhotoView> shown) {
    boolean running = run.endedS == null;
    double progress = prints.progressPercent(run);
    return new RunView(
        run.id,
        run.jobId,
        run.name,
        run.printerId,
        machines.nameOf(run.printerId),
        run.plateId,
        run.plateId == null ? null : machines.plateName(run.plateId),
        run.code,
        run.earlierCodes.isEmpty() ? List.of() : List.of(run.earlierCodes.split(",")),
        run.material,
        run.startedS,
        running ? endsS(run, progress, clock.instant().getEpochSecond()) : null,
        run.endedS,
        progress,
        run.hours,
        run.grams,
        run.toldAdhesionRatio,
        run.toldPlateRatio,
        run.bond,
        run.moisturePercent,
        Sheets.overrides(run.overrides).entrySet().stream()
            .map(each -> new OverrideView(each.getKey(), each.getValue()))
            .toList(),
        run.outcome,
        run.outcome == null ? null : run.outcome.title(),
        run.ending,
        run.failedAtMm,
        run.signs.isEmpty() ? List.of() : List.of(run.signs.split(",")),
        run.note,
        run.usedG,
        run.usedBy,
        running ? shown(run, Quantity.CHAMBER) : null,
        running ? shown(run, Quantity.BED) : null,
        running ? shown(run, Quantity.NOZZLE) : null,
        run.chamberMeanC,
        run.roomMeanC,
        running && Objects.equals(shown(run, Quantity.FILAMENT), 0.0),
        shown,
        run.version);
  }

  private Double shown(PrintRun run, Quantity quantity) {
    return probes
        .latest(run.printerId, quantity, 1000 * run.startedS)
        .map(Probes.Latest::value)
        .orElse(null);
  }

  /** By its progress once that says something, else by what was computed. */
  static long endsS(PrintRun run, double progress, long now) {
    long byPlan = run.startedS + Math.round(3600 * run.hours);
    return progress < 5
        ? Math.max(byPlan, now)
        : now + Math.round((now - run.startedS) * (100 - progress) / progress);
  }

  @PostMapping("/prints")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Starts a job as its sheet stands",
      description =
          "A hard check that is not met refuses, unless a reason is given for it; the reason is kept"
              + " with the print.")
  RunView start(@RequestBody StartPrintRequest request) {
    long jobId = Require.present("jobId", request.jobId, "the number of a job");
    List<Override> overrides =
        request.overrides == null
            ? List.of()
            : request.overrides.stream().map(each -> new Override(each.gate, each.reason)).toList();
    return view(prints.start(jobId, overrides));
  }

  @PostMapping("/prints/{id}/progress")
  @Operation(summary = "Says how far a print is")
  RunView progress(@PathVariable long id, @RequestBody ProgressRequest request) {
    return view(prints.progress(id, request.percent));
  }

  /**
   * With what a print goes on.
   *
   * @param usedUp whether the spool before has run out, so that nothing is left of it
   * @param percent how far it is; left out for as far as is known
   */
  record GoOnRequest(String code, Boolean usedUp, Double percent) {}

  @PostMapping("/prints/{id}/next-spool")
  @Operation(
      summary = "Goes on with another spool",
      description =
          "After a runout, or a change by hand. What the spool before gave comes off it now, the rest"
              + " off the next one when the print ends.")
  RunView goOn(@PathVariable long id, @RequestBody GoOnRequest request) {
    return view(prints.goOn(id, new Prints.GoOn(request.code, request.usedUp, request.percent)));
  }

  @PostMapping("/prints/{id}/finish")
  @Operation(
      summary = "Says how a print ended",
      description =
          "Its filament comes off the outside of the spool with its water; nozzle, plate and hours"
              + " are counted. After a failed or stopped one the job is to come again.")
  RunView finish(@PathVariable long id, @RequestBody FinishRequest request) {
    return view(prints.finish(id, request.toFinish()));
  }

  @PutMapping("/prints/{id}/outcome")
  @Operation(summary = "Corrects how a print came out; mass and counters stay")
  RunView correct(@PathVariable long id, @RequestBody FinishRequest request) {
    return view(prints.correct(id, request.toFinish()));
  }

  @PostMapping("/prints/{id}/again")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Puts the job of an ended print among those to come again")
  void again(@PathVariable long id) {
    prints.again(id);
  }

  /** A photograph to keep, by the answer to its file. */
  record PhotoRequest(String uploadId) {}

  @PostMapping("/prints/{id}/photos")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a photograph with a print")
  RunView photo(@PathVariable long id, @RequestBody PhotoRequest request) {
    PrintRun run = prints.run(id);
    photos.keep(shown(run), request.uploadId);
    return view(run);
  }

  static Photos.Shown shown(PrintRun run) {
    return new Photos.Shown(PHOTOS_OF, run.id, run.name, "/print/runs/" + run.id);
  }

  /** A print that taught something of a plate. */
  record TaughtBy(
      long runId,
      String name,
      long startedS,
      double adhesionRatio,
      double plateRatio,
      Ending ending) {}

  /** What the table says and what prints taught; both as factors with their bands. */
  record PlateLearningView(
      LearnedPlateView before, LearnedPlateView after, List<TaughtBy> prints) {}

  @GetMapping("/plates/{id}/learning")
  @Operation(summary = "What the prints of a plate taught of its grip and of how it is held")
  PlateLearningView learning(@PathVariable long id) {
    Learning.Taught taught = learning.of(machines.plate(id));
    return new PlateLearningView(
        LearnedPlateView.of(GripLearning.from(List.of())),
        LearnedPlateView.of(taught.learned()),
        taught.prints().stream()
            .map(
                run ->
                    new TaughtBy(
                        run.runId(),
                        run.name(),
                        run.startedS(),
                        run.adhesionRatio(),
                        run.plateRatio(),
                        run.ending()))
            .toList());
  }

  @PostMapping("/plates/{id}/learning/reset")
  @Operation(summary = "Forgets what the prints of a plate taught; they stay in the record")
  @Transactional
  public PlateLearningView reset(@PathVariable long id) {
    machines.forgetLearned(id);
    return learning(id);
  }
}
