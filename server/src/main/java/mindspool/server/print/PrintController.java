package mindspool.server.print;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import mindspool.core.Require;
import mindspool.core.device.Quantity;
import mindspool.core.print.Gate;
import mindspool.core.print.GripLearning;
import mindspool.core.print.GripLearning.Ending;
import mindspool.core.print.HoldLevers.HoldPractice;
import mindspool.core.print.JobMetres;
import mindspool.core.print.SetupSheet;
import mindspool.server.acts.Edits;
import mindspool.server.calc.PrintRequests.ChoicesRequest;
import mindspool.server.calc.PrintRequests.PartRequest;
import mindspool.server.calc.SheetAnswer;
import mindspool.server.devices.Probes;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.StaleEditException;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPlate;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.plan.PrintJobs;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.print.PrintRun.Outcome;
import mindspool.server.print.PrintRun.UsedBy;
import mindspool.server.print.Prints.Finish;
import mindspool.server.print.Prints.Override;
import mindspool.server.print.Sheets.Assembled;
import mindspool.server.print.Sheets.Chosen;
import mindspool.server.shelf.Spools;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "print")
class PrintController {

  private static final int MOST_WAYS = 12;

  private final Sheets sheets;
  private final PrintStore.Sheets store;
  private final Prints prints;
  private final PrintJobs jobs;
  private final Machines machines;
  private final Learning learning;
  private final Probes probes;
  private final Spools spools;
  private final Edits edits;
  private final EditableSheet editable;
  private final Clock clock;

  PrintController(
      Sheets sheets,
      PrintStore.Sheets store,
      Prints prints,
      PrintJobs jobs,
      Machines machines,
      Learning learning,
      Probes probes,
      Spools spools,
      Edits edits,
      EditableSheet editable,
      Clock clock) {
    this.sheets = sheets;
    this.store = store;
    this.prints = prints;
    this.jobs = jobs;
    this.machines = machines;
    this.learning = learning;
    this.probes = probes;
    this.spools = spools;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  /**
   * What a job is to be set up with; what is left out is as it was.
   *
   * @param feedId place that its spool hangs in; null for the printer's own holder
   * @param version as it was read, for a change; 0 for the first
   */
  record SheetRequest(
      Long printerId,
      Long plateId,
      Long feedId,
      String code,
      PartRequest part,
      ChoicesRequest choices,
      Integer version) {}

  /** A part as it was said; null where something was left out. */
  record PartView(
      Double lengthMm,
      Double widthMm,
      Double heightMm,
      Double walls,
      Double lineWidthMm,
      Double infillPercent,
      Double layerHeightMm,
      Double cornerAngleDeg,
      Double cornerRadiusMm,
      Double baseWidthMm) {

    static PartView of(PartRequest said) {
      return new PartView(
          said.lengthMm(),
          said.widthMm(),
          said.heightMm(),
          said.walls() == null ? null : Double.valueOf(said.walls()),
          said.lineWidthMm(),
          said.infillPercent(),
          said.layerHeightMm(),
          said.cornerAngleDeg(),
          said.cornerRadiusMm(),
          said.baseWidthMm());
    }
  }

  /** What somebody chose; null where it follows from material, machine and part. */
  record ChosenView(
      Double nozzleTemperatureC,
      Double bedTemperatureC,
      Double chamberTemperatureC,
      Double draft,
      Double fanPercent,
      Double speedMmPerS,
      Double layerTimeS,
      Double squish,
      Double brimMm,
      Double padDiameterMm,
      Integer padLayers,
      Double raftMarginMm,
      @MayBeNull HoldPractice practice) {

    static ChosenView of(ChoicesRequest said) {
      return new ChosenView(
          said.nozzleTemperatureC(),
          said.bedTemperatureC(),
          said.chamberTemperatureC(),
          said.draft(),
          said.fanPercent(),
          said.speedMmPerS(),
          said.layerTimeS(),
          said.squish(),
          said.brimMm(),
          said.pads() == null ? null : said.pads().diameterMm(),
          said.pads() == null ? null : said.pads().layers(),
          said.raftMarginMm(),
          said.practice());
    }
  }

  /** Moisture of the metres in use at an hour of the job, %. */
  record MetresPoint(double hour, double percent) {}

  /** A factor on what the table says, with its 80 % band. */
  record LearnedFactor(double median, double low, double high) {}

  /** What a plate's prints taught. */
  record LearnedPlateView(int prints, LearnedFactor grip, LearnedFactor hold) {

    static LearnedPlateView of(GripLearning learned) {
      return new LearnedPlateView(learned.prints(), factor(learned.grip()), factor(learned.hold()));
    }

    private static LearnedFactor factor(GripLearning.Factor factor) {
      return new LearnedFactor(factor.median(), factor.low(), factor.high());
    }
  }

  /** The last print of this material that came out well, to be repeated. */
  record LastGoodView(
      long runId,
      String name,
      long endedS,
      String interfaceLayer,
      Long plateId,
      long printerId,
      ChosenView choices) {}

  /**
   * The sheet of a job.
   *
   * @param part null while nobody said how large it is
   * @param sheet null while printer, plate, material or part are not said
   * @param hangsIn where its spool hangs while it prints
   * @param verdict of the water: go, dry first, print out of the dryer; null without a spool
   * @param runId of the print that is running; null where none is
   */
  record JobSheetView(
      KnownJob job,
      Long printerId,
      Long plateId,
      Long feedId,
      @MayBeNull String code,
      @MayBeNull PartView part,
      ChosenView choices,
      int version,
      @MayBeNull String material,
      @MayBeNull String materialTitle,
      @MayBeNull String colourName,
      @MayBeNull String colourHex,
      @MayBeNull SheetAnswer sheet,
      List<MetresPoint> metres,
      Double printLimitPercent,
      @MayBeNull String waterVerdict,
      @MayBeNull String hangsIn,
      List<String> candidates,
      @MayBeNull LearnedPlateView learned,
      @MayBeNull LastGoodView lastGood,
      Long runId) {}

  @GetMapping("/jobs/{id}/sheet")
  @Operation(summary = "How a job is set up: settings with reasons, hold-down, water, checks")
  JobSheetView sheet(@PathVariable long id) {
    KnownJob job = jobs.job(id);
    return view(job, sheets.chosen(job));
  }

  @Asks
  @PostMapping("/jobs/{id}/sheet/preview")
  @Operation(summary = "What the sheet would be with other choices; nothing is stored")
  JobSheetView preview(@PathVariable long id, @RequestBody SheetRequest request) {
    KnownJob job = jobs.job(id);
    return view(job, changed(sheets.chosen(job), request));
  }

  private static Chosen changed(Chosen now, SheetRequest request) {
    return new Chosen(
        request.printerId == null ? now.printerId() : request.printerId,
        request.plateId == null ? now.plateId() : request.plateId,
        request.feedId,
        request.code == null ? now.code() : request.code,
        request.part == null ? now.part() : request.part,
        request.choices == null ? now.choices() : request.choices,
        now.version());
  }

  @PutMapping("/jobs/{id}/sheet")
  @Operation(summary = "Sets a job up; its grams and hours in the plan follow")
  @Transactional
  public JobSheetView setUp(@PathVariable long id, @RequestBody SheetRequest request) {
    KnownJob job = jobs.job(id);
    Chosen chosen = changed(sheets.chosen(job), request);
    JobSheetView after = view(job, chosen);
    JobSheet stored = store.findById(id).orElseGet(() -> new JobSheet(id));
    boolean fresh = store.findById(id).isEmpty();
    StaleEditException.refuse(
        "The setup of " + job.name(), request.version, stored.version, sheet(id));
    Edits.Before before = edits.before(editable, stored);
    stored.name = job.name();
    stored.printerId = chosen.printerId();
    stored.plateId = chosen.plateId();
    stored.feedId = chosen.feedId();
    stored.code = chosen.code();
    stored.part = chosen.part() == null ? "{}" : Sheets.json(chosen.part());
    stored.choices = Sheets.json(chosen.choices());
    JobSheet saved = store.saveAndFlush(stored);
    if (!fresh) {
      edits.changed(editable, id, before, saved);
    }
    if (after.sheet() != null && job.startedS() == null) {
      jobs.takes(id, after.sheet().grams(), after.sheet().hours());
    }
    return sheet(id);
  }

  private JobSheetView view(KnownJob job, Chosen chosen) {
    Assembled set = sheets.assemble(job, chosen);
    Spools.SpoolHandling handling = chosen.code() == null ? null : spools.handling(chosen.code());
    return new JobSheetView(
        job,
        chosen.printerId(),
        chosen.plateId(),
        chosen.feedId(),
        chosen.code(),
        chosen.part() == null ? null : PartView.of(chosen.part()),
        ChosenView.of(chosen.choices()),
        chosen.version(),
        set.material() == null ? null : set.material().name(),
        set.material() == null ? null : set.material().title(),
        handling == null ? null : handling.colourName(),
        handling == null ? null : handling.colourHex(),
        set.sheet() == null ? null : SheetAnswer.of(set.sheet()),
        set.metres().stream().map(PrintController::view).toList(),
        set.material() == null ? null : set.material().printLimitPercent(),
        waterVerdict(set),
        set.hangsIn(),
        sheets.candidates(job, set.material()),
        set.learned() == null ? null : LearnedPlateView.of(set.learned()),
        set.material() == null ? null : lastGood(set.material().name()),
        prints.ofJob(job.id()).stream()
            .filter(PrintRun::isRunning)
            .map(run -> run.id)
            .findFirst()
            .orElse(null));
  }

  private static MetresPoint view(JobMetres.Point point) {
    return new MetresPoint(point.hour(), point.percent());
  }

  /** In words that say what to do. */
  private static String waterVerdict(Assembled set) {
    if (set.metres().isEmpty()) {
      return null;
    }
    double limit = set.material().printLimitPercent();
    double start = set.metres().get(0).percent();
    double worst = set.metres().stream().mapToDouble(JobMetres.Point::percent).max().orElse(0);
    if (worst < limit) {
      return "Go: all metres of this job stay under the print limit.";
    }
    return start < limit
        ? "Print it out of the running dryer or a dry box: it starts dry enough and does not stay so."
        : "Dry it first: its metres are past the print limit already.";
  }

  private LastGoodView lastGood(String material) {
    return prints.ended().stream()
        .filter(run -> run.outcome == Outcome.GOOD && run.material.equals(material))
        .findFirst()
        .map(
            run ->
                new LastGoodView(
                    run.id,
                    run.name,
                    run.endedS,
                    run.interfaceLayer,
                    run.plateId,
                    run.printerId,
                    ChosenView.of(Sheets.choices(run.choices))))
        .orElse(null);
  }

  /**
   * A way to print a job.
   *
   * @param why the first check that is not met, or what speaks for it
   */
  record WayView(
      long printerId,
      String printer,
      long plateId,
      String plate,
      @MayBeNull String code,
      boolean free,
      int hardUnmet,
      int softUnmet,
      double holdRatio,
      double bond,
      double hours,
      Double wettestPercent,
      String why) {}

  @GetMapping("/jobs/{id}/ways")
  @Operation(summary = "On which printer and plate, from which spool: ranked, with reasons")
  List<WayView> ways(@PathVariable long id) {
    KnownJob job = jobs.job(id);
    Chosen chosen = sheets.chosen(job);
    Assembled now = sheets.assemble(job, chosen);
    List<String> codes = new ArrayList<>(sheets.candidates(job, now.material()));
    if (chosen.code() != null && !codes.contains(chosen.code())) {
      codes.add(0, chosen.code());
    }
    String best = codes.isEmpty() ? null : codes.get(0);
    List<WayView> ways = new ArrayList<>();
    for (KnownPrinter printer : machines.printers()) {
      for (KnownPlate plate : machines.plates()) {
        way(job, chosen.on(printer.placeId(), plate.id()), printer, plate).ifPresent(ways::add);
        if (best != null && !best.equals(chosen.code())) {
          way(job, chosen.on(printer.placeId(), plate.id()).from(best), printer, plate)
              .ifPresent(ways::add);
        }
      }
    }
    ways.sort(
        Comparator.comparingInt(WayView::hardUnmet)
            .thenComparing(way -> !way.free)
            .thenComparingInt(WayView::softUnmet)
            .thenComparingDouble(WayView::holdRatio));
    return ways.stream().limit(MOST_WAYS).toList();
  }

  private Optional<WayView> way(
      KnownJob job, Chosen chosen, KnownPrinter printer, KnownPlate plate) {
    Assembled set = sheets.assemble(job, chosen);
    if (set.sheet() == null) {
      return Optional.empty();
    }
    SetupSheet sheet = set.sheet();
    List<Gate> unmet = sheet.gates().stream().filter(gate -> !gate.met()).toList();
    boolean free = prints.running().stream().noneMatch(run -> run.printerId == printer.placeId());
    Double wettest =
        set.metres().isEmpty()
            ? null
            : set.metres().stream().mapToDouble(JobMetres.Point::percent).max().orElse(0);
    return Optional.of(
        new WayView(
            printer.placeId(),
            printer.name(),
            plate.id(),
            plate.name(),
            chosen.code(),
            free,
            (int) unmet.stream().filter(Gate::hard).count(),
            (int) unmet.stream().filter(gate -> !gate.hard()).count(),
            sheet.hold().ratio(),
            sheet.bond().zToXy(),
            sheet.hours(),
            wettest,
            unmet.isEmpty() ? "All checks are met." : unmet.get(0).words()));
  }

  /** A hard check that a print was started against, with the reason. */
  record OverrideView(String gate, String reason) {}

  /**
   * A print.
   *
   * @param endsS when it will probably be over; null once it is
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
      String material,
      long startedS,
      Long endsS,
      Long endedS,
      double progressPercent,
      double hours,
      double grams,
      double adhesionRatio,
      double plateRatio,
      double bond,
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
      int version) {}

  /** What can be seen of a print. */
  record SignView(String id, String title) {}

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
        prints.running().stream().map(this::view).toList(),
        prints.ended().stream().map(this::view).toList(),
        Arrays.stream(PrintSign.values())
            .map(sign -> new SignView(sign.id(), sign.title()))
            .toList());
  }

  @GetMapping("/prints/{id}")
  @Operation(summary = "A print")
  RunView print(@PathVariable long id) {
    return view(prints.run(id));
  }

  private RunView view(PrintRun run) {
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
        run.material,
        run.startedS,
        running ? endsS(run, progress, clock.instant().getEpochSecond()) : null,
        run.endedS,
        progress,
        run.hours,
        run.grams,
        run.adhesionRatio,
        run.plateRatio,
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
                        run.id,
                        run.name,
                        run.startedS,
                        run.adhesionRatio,
                        run.plateRatio,
                        run.ending))
            .toList());
  }

  @PostMapping("/plates/{id}/learning/reset")
  @Operation(summary = "Forgets what the prints of a plate taught; they stay in the record")
  @Transactional
  public PlateLearningView reset(@PathVariable long id) {
    machines.forgetLearned(id);
    return learning(id);
  }

  @GetMapping(value = "/jobs/{id}/card.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  @Operation(summary = "The sheet as a card of A5 for the printer")
  ResponseEntity<byte[]> card(@PathVariable long id) {
    JobSheetView view = complete(id);
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"job-" + id + ".pdf\"")
        .body(new CardPdf().draw(lines(view), view.sheet()));
  }

  @GetMapping(value = "/jobs/{id}/card.csv", produces = "text/csv")
  @Operation(summary = "The settings of a sheet as a table")
  ResponseEntity<byte[]> csv(@PathVariable long id) {
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"job-" + id + ".csv\"")
        .body(CardCsv.of(complete(id).sheet()).getBytes(StandardCharsets.UTF_8));
  }

  private JobSheetView complete(long id) {
    JobSheetView view = sheet(id);
    Require.present(
        view.printerId == null ? "printerId" : view.plateId == null ? "plateId" : "part",
        view.sheet,
        "a filled-in setup sheet");
    return view;
  }

  private CardPdf.Head lines(JobSheetView view) {
    return new CardPdf.Head(
        view.job.name(),
        view.materialTitle + (view.code == null ? "" : ", spool " + view.code),
        machines.nameOf(view.printerId) + ", " + machines.plateName(view.plateId));
  }
}
