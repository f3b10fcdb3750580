package mindspool.server.print;

import static java.util.stream.Collectors.toSet;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.print.Gate;
import mindspool.core.print.HoldLevers.HoldPractice;
import mindspool.core.print.JobMetres;
import mindspool.core.print.JobVisits;
import mindspool.core.print.PartAmount;
import mindspool.core.print.PartLoad;
import mindspool.core.print.SetupSheet;
import mindspool.server.acts.Edits;
import mindspool.server.calc.PrintRequests.ChoicesRequest;
import mindspool.server.calc.PrintRequests.PartRequest;
import mindspool.server.calc.SheetAnswer;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.StaleEditException;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPlate;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.plan.AttendedWeek;
import mindspool.server.plan.PrintJobs;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.plan.WaterOfJobs;
import mindspool.server.print.Sheets.Assembled;
import mindspool.server.print.Sheets.Chosen;
import mindspool.server.shelf.Spools;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How jobs are set up: sheets, ways to print them, cards. */
@RestController
@RequestMapping("/api")
@Tag(name = "print")
class JobSheetController {

  private static final int MOST_WAYS = 60;

  private final Sheets sheets;
  private final PrintStore.Sheets store;
  private final Prints prints;
  private final PrintJobs jobs;
  private final Machines machines;
  private final Spools spools;
  private final Edits edits;
  private final EditableSheet editable;
  private final PartFiles partFiles;
  private final AttendedWeek week;
  private final Clock clock;

  JobSheetController(
      Sheets sheets,
      PrintStore.Sheets store,
      Prints prints,
      PrintJobs jobs,
      Machines machines,
      Spools spools,
      Edits edits,
      EditableSheet editable,
      PartFiles partFiles,
      AttendedWeek week,
      Clock clock) {
    this.sheets = sheets;
    this.store = store;
    this.prints = prints;
    this.jobs = jobs;
    this.machines = machines;
    this.spools = spools;
    this.edits = edits;
    this.editable = editable;
    this.partFiles = partFiles;
    this.week = week;
    this.clock = clock;
  }

  /**
   * What a job is to be set up with; what is left out is as it was.
   *
   * @param feedId place that its spool hangs in; null for the printer's own holder
   * @param grams of filament that it takes, where no file of its part tells
   * @param hours that it prints, where no file of its part tells
   * @param version as it was read, for a change; 0 for the first
   */
  record SheetRequest(
      Long printerId,
      Long plateId,
      Long feedId,
      String code,
      PartRequest part,
      ChoicesRequest choices,
      Double grams,
      Double hours,
      Integer version) {

    private KnownJob of(KnownJob job) {
      if (grams != null) {
        PrintJobs.requireGrams(grams);
      }
      if (hours != null) {
        PrintJobs.requireHours(hours);
      }
      requireStillOpen("grams", grams, job.grams(), job);
      requireStillOpen("hours", hours, job.hours(), job);
      return job.taking(grams, hours);
    }

    private static void requireStillOpen(String field, Double asked, double known, KnownJob job) {
      boolean same = asked == null || Math.abs(asked - known) <= 0.006 * Math.max(1, known);
      if (job.startedS() != null && !same) {
        throw new InvalidValueException(
            field,
            asked,
            "%s, as it was started with".formatted(known),
            "What a print took is entered when it ends.");
      }
    }
  }

  /** What tells how much filament and time a job takes. */
  enum AmountFrom {
    PRINT_FILE,
    MESH,
    PERSON;

    private static AmountFrom ofFile(PartAmount amount) {
      return amount instanceof PartAmount.OfMesh ? MESH : PRINT_FILE;
    }
  }

  /**
   * What a job takes.
   *
   * @param boxG what a full box of the part's size would take, as an upper guess; null without a
   *     sheet
   * @param boxHours how long that would print; null without a sheet
   */
  record AmountView(AmountFrom from, double grams, double hours, Double boxG, Double boxHours) {

    static AmountView of(KnownJob job, Assembled set) {
      SetupSheet sheet = set.sheet();
      if (sheet == null) {
        return new AmountView(AmountFrom.PERSON, job.grams(), job.hours(), null, null);
      }
      PartAmount box = new PartAmount.OfBox();
      return new AmountView(
          set.amount().map(AmountFrom::ofFile).orElse(AmountFrom.PERSON),
          sheet.grams(),
          sheet.hours(),
          box.grams(sheet),
          box.hours(sheet));
    }
  }

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
      @MayBeNull HoldPractice practice,
      List<String> together,
      @MayBeNull PartLoad load) {

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
          said.practice(),
          said.together() == null ? List.of() : said.together(),
          said.load());
    }
  }

  /** Moisture of the metres in use at an hour of the job, %. */
  record MetresPoint(double hour, double percent) {}

  /**
   * A time at the printer; {@code present} whether somebody is there then by the week.
   *
   * @param toS when somebody may go again; as {@code fromS} for a glance
   */
  record VisitView(JobVisits.Why why, long fromS, long toS, String words, boolean present) {}

  /** A spool to go on with where the job's own runs out. */
  record NextSpoolView(
      String code, String colourName, String colourHex, double leftG, boolean sameColour) {}

  /**
   * How the plan has the job's filament dried.
   *
   * @param code the spool that it gives the job
   * @param dryerId null where it prints as it is
   * @param served whether it prints well at the job's start then
   */
  record PlannedView(
      String code,
      Long dryerId,
      @MayBeNull String dryer,
      long startS,
      long endS,
      Double setpointC,
      boolean served) {}

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
   * @param visits when somebody is wanted at the printer, if it starts when it is to
   * @param next to be fed behind the spool; null where that has enough, or where there is none
   * @param planned what the plan says of it; null where it is not planned
   * @param partFileId number of the file that the part is from; null where there is none
   * @param runId of the print that is running; null where none is
   */
  record JobSheetView(
      KnownJob job,
      AmountView amount,
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
      List<VisitView> visits,
      @MayBeNull NextSpoolView next,
      @MayBeNull PlannedView planned,
      Long partFileId,
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
    KnownJob job = request.of(jobs.job(id));
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
    KnownJob job = request.of(jobs.job(id));
    Chosen chosen = changed(sheets.chosen(job), request);
    JobSheetView after = view(job, chosen);
    JobSheet stored = store.findById(id).orElseGet(() -> new JobSheet(id));
    boolean fresh = store.findById(id).isEmpty();
    StaleEditException.refuse(
        "The setup of " + job.name(), request.version, stored.version, () -> sheet(id));
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
    if (job.startedS() == null) {
      jobs.takes(
          id,
          after.amount().grams(),
          after.amount().hours(),
          chosen.code(),
          sheets.isDryHolder(chosen));
    }
    return sheet(id);
  }

  private JobSheetView view(KnownJob job, Chosen chosen) {
    Assembled set = sheets.assemble(job, chosen);
    Spools.SpoolHandling handling = chosen.code() == null ? null : spools.handling(chosen.code());
    return new JobSheetView(
        job,
        AmountView.of(job, set),
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
        set.metres().stream().map(JobSheetController::view).toList(),
        set.material() == null ? null : set.material().printLimitPercent(),
        waterVerdict(set),
        set.hangsIn(),
        sheets.candidates(job, set.material()),
        set.learned() == null ? null : LearnedPlateView.of(set.learned()),
        set.material() == null ? null : lastGood(set.material().name()),
        visits(job, set),
        next(set, handling),
        jobs.planned(job.id()).map(this::planned).orElse(null),
        partFiles.ofJob(job.id()).map(file -> file.id).orElse(null),
        prints.ofJob(job.id()).stream()
            .filter(PrintRun::isRunning)
            .map(run -> run.id)
            .findFirst()
            .orElse(null));
  }

  private PlannedView planned(PrintJobs.PlannedDrying plan) {
    return new PlannedView(
        plan.code(),
        plan.dryerId(),
        plan.dryerId() == null ? null : machines.nameOf(plan.dryerId()),
        plan.startS(),
        plan.endS(),
        plan.setpointC(),
        plan.served());
  }

  private List<VisitView> visits(KnownJob job, Assembled set) {
    if (set.sheet() == null) {
      return List.of();
    }
    long now = clock.instant().getEpochSecond();
    long startS = job.startedS() != null ? job.startedS() : job.beginsS(now);
    return JobVisits.of(set.sheet()).stream()
        .map(
            visit -> {
              long fromS = startS + Math.round(3600 * visit.fromH());
              return new VisitView(
                  visit.why(),
                  fromS,
                  startS + Math.round(3600 * visit.toH()),
                  visit.words(),
                  week.isPresentAt(fromS));
            })
        .toList();
  }

  /** The driest spool of the same material that has what is missing, one of its colour first. */
  private NextSpoolView next(Assembled set, Spools.SpoolHandling handling) {
    if (set.sheet() == null || handling == null) {
      return null;
    }
    double missing = set.sheet().grams() - handling.leftG().low();
    if (missing <= 0) {
      return null;
    }
    return sheets.ofMaterial(set.material()).stream()
        .filter(spool -> !spool.code().equals(set.chosen().code()) && spool.netG() >= missing)
        .map(
            spool -> {
              Spools.SpoolHandling other = spools.handling(spool.code());
              return new NextSpoolView(
                  spool.code(),
                  other.colourName(),
                  other.colourHex(),
                  spool.netG(),
                  other.colourHex().equalsIgnoreCase(handling.colourHex()));
            })
        .min(Comparator.comparing(spool -> !spool.sameColour))
        .orElse(null);
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
    double worst = WaterOfJobs.wettest(set.metres());
    if (worst < limit) {
      return "Go: all metres of this job stay under the print limit.";
    }
    return start < limit
        ? "Print it out of the running dryer or a dry box: it starts dry enough and does not stay so."
        : "Dry it first: its metres are past the print limit already.";
  }

  private LastGoodView lastGood(String material) {
    return prints
        .lastGood(material)
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
    Set<Long> busy = prints.running().stream().map(run -> run.printerId).collect(toSet());
    for (KnownPrinter printer : machines.printers()) {
      boolean free = !busy.contains(printer.placeId());
      for (KnownPlate plate : machines.plates()) {
        Chosen there = chosen.on(printer.placeId(), plate.id());
        way(job, there, printer, plate, free).ifPresent(ways::add);
        if (best != null && !best.equals(chosen.code())) {
          way(job, there.from(best), printer, plate, free).ifPresent(ways::add);
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
      KnownJob job, Chosen chosen, KnownPrinter printer, KnownPlate plate, boolean free) {
    Assembled set = sheets.assemble(job, chosen);
    if (set.sheet() == null) {
      return Optional.empty();
    }
    SetupSheet sheet = set.sheet();
    List<Gate> unmet = sheet.unmet();
    Double wettest = set.metres().isEmpty() ? null : WaterOfJobs.wettest(set.metres());
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
