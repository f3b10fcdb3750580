package mindspool.server.print;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.Consumer;
import java.util.stream.Stream;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.device.Quantity;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.BedSurfaces;
import mindspool.core.print.Gate;
import mindspool.core.print.GripLearning.Ending;
import mindspool.core.print.HoldDown;
import mindspool.core.stock.Filament;
import mindspool.core.stock.LooseEnd;
import mindspool.server.acts.Edits;
import mindspool.server.air.Climates;
import mindspool.server.devices.Probes;
import mindspool.server.http.NotFoundException;
import mindspool.server.machines.Machines;
import mindspool.server.places.PlaceKind;
import mindspool.server.plan.PrintJobs;
import mindspool.server.plan.PrintJobs.JobDone;
import mindspool.server.plan.PrintJobs.JobStarted;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.plan.WaterOfJobs;
import mindspool.server.print.PrintRun.Outcome;
import mindspool.server.print.PrintRun.UsedBy;
import mindspool.server.print.Sheets.Assembled;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Prints from start to finish, and what they move: job, spool, plate, nozzle, counters. */
@Service
class Prints {

  private static final int LONGEST_REASON = 120;
  private static final int LONGEST_NOTE = 500;

  /** No part is taller where nobody said how tall it is. */
  private static final double TALLEST_MM = 2000;

  /** Readings are kept by the minute, so the last minute counts whole. */
  private static final long MINUTE_MS = 60_000;

  private static final double KG_PER_M3_IN_G_PER_CM3 = 1000;

  private final PrintStore.Runs runs;

  private final Sheets sheets;
  private final PrintJobs jobs;
  private final Machines machines;
  private final Spools spools;
  private final Climates climates;
  private final Probes probes;
  private final MaterialCatalogue catalogue;
  private final Edits edits;
  private final EditableRun editable;
  private final Clock clock;
  private final BedSurfaces surfaces = BedSurfaces.standard();

  Prints(
      PrintStore.Runs runs,
      Sheets sheets,
      PrintJobs jobs,
      Machines machines,
      Spools spools,
      Climates climates,
      Probes probes,
      MaterialCatalogue catalogue,
      Edits edits,
      EditableRun editable,
      Clock clock) {
    this.runs = runs;
    this.sheets = sheets;
    this.jobs = jobs;
    this.machines = machines;
    this.spools = spools;
    this.climates = climates;
    this.probes = probes;
    this.catalogue = catalogue;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  /** A hard check that is started against, with the reason. */
  record Override(String gate, String reason) {}

  /**
   * How a print ended.
   *
   * @param usedG what it took where somebody knows better than the computation
   * @param grossMassG of its spool, weighed after the print
   */
  record Finish(
      Outcome outcome,
      Ending ending,
      Double failedAtMm,
      List<String> signs,
      String note,
      Double usedG,
      UsedBy usedBy,
      Double grossMassG) {}

  private long now() {
    return clock.instant().getEpochSecond();
  }

  PrintRun run(long id) {
    return runs.findById(id)
        .filter(run -> run.removedS == null)
        .orElseThrow(() -> new NotFoundException("print with number " + id));
  }

  /** Starts a job as its sheet stands. */
  @Transactional
  public PrintRun start(long jobId, List<Override> overrides) {
    KnownJob job = jobs.job(jobId);
    if (job.startedS() != null || job.doneS() != null) {
      throw new InvalidValueException(
          "jobId",
          job.name(),
          "a job that is still to come",
          job.doneS() != null
              ? "It was printed; print it again from its page."
              : "It is printing.");
    }
    // Judged for now, whenever it was planned: it begins now.
    Assembled set = sheets.assemble(job.begunNow(), sheets.chosen(job));
    refuseUnset(set);
    refuseInDryer(set);
    refuseBusy(set);
    Map<String, String> given = reasons(overrides);
    Map<String, String> reasons = new LinkedHashMap<>();
    for (Gate gate : unmet(set)) {
      if (!given.containsKey(gate.id())) {
        throw new InvalidValueException(
            "overrides",
            gate.words(),
            "a reason for starting all the same, for the check " + gate.id(),
            gate.remedy());
      }
      reasons.put(gate.id(), given.get(gate.id()));
    }
    String code = set.chosen().code();
    Long feed = set.chosen().feedId();
    PrintRun run = begun(job, set, reasons);
    jobs.start(jobId, code, feed == null ? Long.valueOf(set.printer().placeId()) : feed);
    spools.openIfSealed(code);
    spools.endIfAllowed(code, LooseEnd.Act.LOAD);
    return run;
  }

  /** The next spool hangs where the one before did, which leaves a holder that has room for one. */
  private void takeItsPlace(String before, CurrentSpool next, PrintRun run) {
    long place = spools.current(before).placeId();
    if (place == run.printerId) {
      Long room = machines.printer(run.printerId).roomId();
      OptionalLong shelf = spools.shelfOf(before);
      if (shelf.isPresent()) {
        spools.moveByHand(before, shelf.getAsLong());
      } else if (room != null) {
        spools.moveByHand(before, room);
      }
    }
    if (next.placeId() != place) {
      spools.moveByHand(next.code(), place);
    }
  }

  /** Hard checks of a job that do not hold. */
  static List<Gate> unmet(Assembled set) {
    return set.sheet().gates().stream().filter(gate -> gate.hard() && !gate.met()).toList();
  }

  private static void refuseUnset(Assembled set) {
    String missing =
        set.printer() == null
            ? "printerId"
            : set.plate() == null
                ? "plateId"
                : set.chosen().part() == null
                    ? "part"
                    : set.chosen().code() == null ? "code" : null;
    if (missing != null) {
      throw new InvalidValueException(
          missing,
          "missing",
          "printer, plate, part and spool of the setup sheet",
          "Fill the sheet in first.");
    }
  }

  /** A printer, a spool and a plate are in one print at a time. */
  private void refuseBusy(Assembled set) {
    PrintRun wanted = new PrintRun();
    wanted.printerId = set.printer().placeId();
    wanted.code = set.chosen().code();
    wanted.plateId = set.plate() == null ? null : set.plate().id();
    for (PrintRun run : runs.findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc()) {
      wanted
          .sharedWith(run)
          .ifPresent(
              what -> {
                throw switch (what) {
                  case "printer" -> busy("printerId", set.printer().name(), what, run);
                  case "spool" -> busy("code", wanted.code, what, run);
                  default -> busy("plateId", set.plate().name(), what, run);
                };
              });
    }
  }

  /**
   * How a print goes on.
   *
   * @param code the spool that it goes on with
   * @param usedUp whether the one before has run out, so that nothing is left of it
   * @param percent how far it is; null for as far as is known
   */
  record GoOn(String code, Boolean usedUp, Double percent) {}

  /** Goes on with another spool: the one before gave what it gave, the rest comes off this one. */
  @Transactional
  public PrintRun goOn(long id, GoOn goOn) {
    PrintRun run = running(id);
    CurrentSpool next = spools.current(Require.present("code", goOn.code, "a spool's code"));
    if (next.code().equals(run.code) || !next.material().name().equals(run.material)) {
      throw new InvalidValueException(
          "code",
          next.code() + " (" + next.material().name() + ")",
          "another spool of " + run.material,
          "A print goes on in the same material; say how it ended where it cannot.");
    }
    if (goOn.percent != null) {
      progress(id, goOn.percent);
    }
    boolean usedUp = Require.present("usedUp", goOn.usedUp, "true or false");
    double left = spools.handling(run.code).leftG().typical();
    double byProgress = Math.max(0, progressPercent(run) / 100 * run.grams - run.earlierG);
    // One that ran out as its record had it gave all that was left; else the print tells how much.
    double gave = usedUp && left <= run.grams - run.earlierG ? left : byProgress;
    double off = usedUp ? left : gave;
    if (off > 0) {
      spools.used(run.code, Math.round(10 * off) / 10.0);
    }
    String before = run.code;
    change(
        run,
        it -> {
          it.earlierCodes = it.earlierCodes.isEmpty() ? it.code : it.earlierCodes + "," + it.code;
          it.earlierG += gave;
          it.code = next.code();
          editable.check(it);
        });
    if (usedUp) {
      spools.endIfAllowed(before, LooseEnd.Act.RAN_OUT);
    } else {
      spools.endIfAllowed(before, LooseEnd.Act.UNLOAD);
      spools.endIfAllowed(before, LooseEnd.Act.SECURE);
    }
    takeItsPlace(before, next, run);
    spools.openIfSealed(next.code());
    spools.endIfAllowed(next.code(), LooseEnd.Act.LOAD);
    return run;
  }

  private boolean isPrintedOn(Long plateId) {
    return plateId != null
        && runs.findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc().stream()
            .anyMatch(run -> plateId.equals(run.plateId));
  }

  private static InvalidValueException busy(String field, String name, String what, PrintRun run) {
    return new InvalidValueException(
        field,
        name + " (printing " + run.name + ")",
        "a " + what + " that is free",
        "Say first how that print ended, or choose another " + what + ".");
  }

  private void refuseInDryer(Assembled set) {
    CurrentSpool spool = spools.current(set.chosen().code());
    boolean inDryer = climates.place(spool.placeId()).kind() == PlaceKind.DRYER;
    boolean printsThere = set.chosen().feedId() != null && set.chosen().feedId() == spool.placeId();
    if (inDryer && !printsThere) {
      throw new InvalidValueException(
          "code",
          spool.code() + " (in " + climates.place(spool.placeId()).name() + ")",
          "a spool that is not in a dryer, or the dryer as the place that it hangs in",
          "Take it out on the dryer's page, or let it print out of the dryer.");
    }
  }

  private static Map<String, String> reasons(List<Override> overrides) {
    Map<String, String> reasons = new LinkedHashMap<>();
    if (overrides != null) {
      for (Override each : overrides) {
        reasons.put(
            Require.present("overrides.gate", each.gate, "the id of a check"),
            Text.line(
                "overrides.reason",
                each.reason,
                3,
                LONGEST_REASON,
                "Say in a few words why it is started all the same."));
      }
    }
    return reasons;
  }

  private PrintRun started(KnownJob job, long printerId, String code, Material material) {
    PrintRun run = new PrintRun();
    run.jobId = job.id();
    run.name = job.name();
    run.printerId = printerId;
    run.code = code;
    run.material = material.name();
    run.startedS = now();
    run.hours = job.hours();
    run.grams = job.grams();
    return run;
  }

  private PrintRun begun(KnownJob job, Assembled set, Map<String, String> reasons) {
    HoldDown.Case untaught =
        new HoldDown.Case(
            set.material(),
            set.sheet().job().part(),
            set.plate().mounted().plate(),
            set.sheet().air(),
            set.sheet().job().wishes().aids());
    HoldDown foretold = HoldDown.of(untaught, surfaces);
    PrintRun run = started(job, set.printer().placeId(), set.chosen().code(), set.material());
    run.plateId = set.plate().id();
    run.part = Sheets.json(set.chosen().part());
    run.choices = Sheets.json(set.chosen().choices());
    run.interfaceLayer = set.plate().mounted().plate().interfaceLayer();
    run.bedC = set.sheet().air().bedC();
    run.chamber = set.printer().printer().chamber();
    run.hours = set.sheet().hours();
    run.grams = set.sheet().grams();
    run.toldAdhesionRatio =
        Math.max(set.sheet().hold().adhesionRatio(), set.sheet().hold().tipRatio());
    run.toldPlateRatio = set.sheet().hold().plateRatio();
    run.adhesionRatio = Math.max(foretold.adhesionRatio(), foretold.tipRatio());
    run.plateRatio = foretold.plateRatio();
    run.tipRatio = foretold.tipRatio();
    run.bond = set.sheet().bond().zToXy();
    run.moisturePercent = set.metres().isEmpty() ? null : WaterOfJobs.wettest(set.metres());
    run.overrides = Sheets.json(reasons);
    return added(run);
  }

  /** Records a print of earlier; its filament and its counters are in the record already. */
  void past(
      KnownJob job,
      Assembled set,
      long startS,
      Outcome outcome,
      Ending ending,
      String signs,
      Map<String, String> reasons) {
    PrintRun run = begun(job, set, reasons);
    run.startedS = startS;
    run.endedS = startS + Math.round(3600 * run.hours);
    run.outcome = outcome;
    run.ending = ending;
    run.signs = signs;
    run.progressPercent = 100;
    run.usedG = run.grams;
    run.usedBy = UsedBy.COMPUTED;
    runs.saveAndFlush(run);
    jobs.done(job.id());
  }

  private PrintRun added(PrintRun run) {
    run.recordedS = now();
    PrintRun saved = runs.saveAndFlush(run);
    edits.added(editable, saved.id, saved);
    return saved;
  }

  /**
   * A job was started elsewhere, such as from Today: it prints all the same. Without a setup sheet
   * nothing is foretold of it, but its spool, printer and hours are counted, and how it ended is
   * asked.
   */
  @EventListener
  void jobStarted(JobStarted started) {
    boolean known =
        runs.findByJobIdAndRemovedSIsNullOrderByStartedSAsc(started.jobId()).stream()
            .anyMatch(PrintRun::isRunning);
    KnownJob job = jobs.job(started.jobId());
    Optional<Machines.KnownPrinter> printer = printerOf(job, started);
    if (known) {
      return;
    }
    if (printer.isEmpty()) {
      refuseWithoutPrinter(started);
      return;
    }
    Sheets.Chosen chosen = sheets.chosen(job).from(started.code());
    // Without a sheet nobody chose the plate: one that is elsewhere is not taken for this one.
    Long plate = chosen.part() == null && isPrintedOn(chosen.plateId()) ? null : chosen.plateId();
    Assembled set = sheets.assemble(job.begunNow(), chosen.on(printer.get().placeId(), plate));
    refuseBusy(set);
    if (set.sheet() == null) {
      CurrentSpool spool = spools.current(started.code());
      PrintRun run = started(job, printer.get().placeId(), spool.code(), spool.material());
      run.choices = Sheets.json(chosen.choices());
      run.plateId = set.plate() == null ? null : set.plate().id();
      added(run);
    } else {
      unmet(set).stream()
          .findFirst()
          .ifPresent(
              gate -> {
                throw new InvalidValueException(
                    "overrides", gate.words(), "a job whose checks are met", gate.remedy());
              });
      begun(job, set, Map.of());
    }
  }

  /** Where no printer is known at all, a job is only noted as started. */
  private void refuseWithoutPrinter(JobStarted started) {
    List<String> names = machines.printers().stream().map(Machines.KnownPrinter::name).toList();
    if (!names.isEmpty()) {
      Long place = started.placeId();
      throw new InvalidValueException(
          "placeId",
          place == null ? "missing" : climates.place(place).name(),
          "the printer: " + String.join(", ", names),
          "Say on which printer it prints.");
    }
  }

  /**
   * The place that was said, else the printer of a sheet that was filled in, else where the spool
   * hangs, else the only printer that there is.
   */
  private Optional<Machines.KnownPrinter> printerOf(KnownJob job, JobStarted started) {
    Sheets.Chosen chosen = sheets.chosen(job);
    List<Machines.KnownPrinter> all = machines.printers();
    Long only = all.size() == 1 ? all.get(0).placeId() : null;
    return Stream.of(
            started.placeId(),
            chosen.part() == null ? null : chosen.printerId(),
            (Long) spools.current(started.code()).placeId(),
            started.placeId() == null ? only : null)
        .filter(Objects::nonNull)
        .flatMap(
            place ->
                machines.printers().stream()
                    .filter(printer -> printer.placeId() == place.longValue()))
        .findFirst();
  }

  /** A job was said to be printed elsewhere; how it came out is still to be said. */
  @EventListener
  void jobDone(JobDone done) {
    runs.findByJobIdAndRemovedSIsNullOrderByStartedSAsc(done.jobId()).stream()
        .filter(PrintRun::isRunning)
        .forEach(
            run ->
                end(
                    run,
                    new Finish(
                        Outcome.GOOD, null, null, List.of(), null, null, UsedBy.COMPUTED, null)));
  }

  /** How far a print is, %; from the printer where it tells. */
  double progressPercent(PrintRun run) {
    return run.endedS != null
        ? run.progressPercent
        : probes
            .latest(run.printerId, Quantity.PROGRESS, 1000 * run.startedS)
            .map(shown -> Math.max(run.progressPercent, shown.value()))
            .orElse(run.progressPercent);
  }

  /** Says by hand how far it is; it never goes back. */
  @Transactional
  public PrintRun progress(long id, Double percent) {
    PrintRun run = running(id);
    double said =
        Require.within("percent", Require.present("percent", percent, "0 to 100 %"), 0, 100, "%");
    double before = progressPercent(run);
    if (said < before) {
      throw new InvalidValueException(
          "percent",
          Require.plain(said) + " %",
          "at least " + Require.plain(Math.floor(before)) + " %, where it was",
          "A print does not go back; say how it ended and start it again instead.");
    }
    run.progressPercent = said;
    return runs.saveAndFlush(run);
  }

  private PrintRun running(long id) {
    PrintRun run = run(id);
    if (!run.isRunning()) {
      throw new InvalidValueException(
          "id", run.name, "a print that is running", "It has ended; correct how it ended instead.");
    }
    return run;
  }

  /** Ends a print: what it took comes off the spool's outside, and counters move. */
  @Transactional
  public PrintRun finish(long id, Finish finish) {
    PrintRun run = running(id);
    Require.present("outcome", finish.outcome, List.of(Outcome.values()).toString());
    boolean jobOpen = jobs.job(run.jobId).doneS() == null;
    end(run, finish);
    boolean again = finish.outcome == Outcome.FAILED || finish.outcome == Outcome.CANCELLED;
    if (again) {
      jobs.reopen(run.jobId);
    } else if (jobOpen) {
      jobs.done(run.jobId);
    }
    return run;
  }

  private void end(PrintRun run, Finish finish) {
    double share =
        finish.outcome == Outcome.GOOD || finish.outcome == Outcome.FLAWED
            ? 1
            : shareDone(run, finish.failedAtMm);
    double used = usedG(run, finish, share);
    describe(run, finish);
    Material material = catalogue.named(run.material);
    long end = now();
    change(
        run,
        it -> {
          it.endedS = end;
          it.usedG = used;
          it.usedBy =
              finish.grossMassG != null
                  ? UsedBy.WEIGHED
                  : finish.usedG == null || finish.usedBy == null ? UsedBy.COMPUTED : finish.usedBy;
          it.progressPercent = share == 1 ? 100 : Math.max(it.progressPercent, 100 * share);
          it.chamberMeanC = chamberC(it, end);
          it.roomMeanC =
              Optional.ofNullable(machines.printer(it.printerId).roomId())
                  .map(room -> meanC(room, it.startedS, end))
                  .orElse(null);
        });
    double offThisSpool = used - run.earlierG;
    if (finish.grossMassG == null && offThisSpool > 0 && spools.isKnown(run.code)) {
      spools.used(run.code, offThisSpool);
    }
    Filament filament =
        new Filament(
            material.densityKgPerM3() / KG_PER_M3_IN_G_PER_CM3,
            sheets.filamentDiameterMm(run.code));
    machines.printed(
        run.printerId,
        run.plateId,
        material,
        used,
        filament.lengthM(used),
        Math.min(run.hours * share, (end - run.startedS) / 3600.0));
  }

  /**
   * What it took: by the scale, by somebody who knows better, else by its share of the whole, g.
   */
  private double usedG(PrintRun run, Finish finish, double share) {
    if (finish.grossMassG != null) {
      double before = spools.handling(run.code).leftG().typical();
      spools.weighed(run.code, finish.grossMassG);
      return run.earlierG + Math.max(0, before - spools.handling(run.code).leftG().typical());
    }
    return finish.usedG == null
        ? Math.round(10 * share * run.grams) / 10.0
        : Require.within("usedG", finish.usedG, 0, 20_000, "g");
  }

  /** Mean air around the part, as the printer shows it, °C; null where it shows none. */
  private Double chamberC(PrintRun run, long toS) {
    OptionalDouble mean =
        probes.mean(run.printerId, Quantity.CHAMBER, 1000 * run.startedS, 1000 * toS + MINUTE_MS);
    return mean.isPresent() ? mean.getAsDouble() : null;
  }

  /** Mean air of a place over a span, °C; null where nothing was recorded of it. */
  private Double meanC(long placeId, long fromS, long toS) {
    if (!climates.hasOwnRecord(placeId)) {
      return null;
    }
    return climates.climate(placeId).series().mean(fromS, Math.max(fromS + 60, toS)).temperatureC();
  }

  private double shareDone(PrintRun run, Double failedAtMm) {
    double byHeight =
        failedAtMm == null || run.part == null ? -1 : failedAtMm / Sheets.part(run.part).heightMm();
    return Math.min(1, byHeight >= 0 ? byHeight : progressPercent(run) / 100);
  }

  private void describe(PrintRun run, Finish finish) {
    if (finish.failedAtMm != null) {
      double height = run.part == null ? TALLEST_MM : Sheets.part(run.part).heightMm();
      Require.within("failedAtMm", finish.failedAtMm, 0, height, "mm");
    }
    if (finish.note != null && finish.note.length() > LONGEST_NOTE) {
      throw new InvalidValueException(
          "note", finish.note.length() + " characters", "up to " + LONGEST_NOTE, "Shorten it.");
    }
    List<String> signs =
        finish.signs == null ? List.of() : finish.signs.stream().distinct().toList();
    for (String sign : signs) {
      if (PrintSign.ofId(sign).isEmpty()) {
        throw new InvalidValueException(
            "signs", "\"" + sign + "\"", PrintSign.ids(), "Choose what was seen from the list.");
      }
    }
    change(
        run,
        it -> {
          it.outcome = finish.outcome;
          it.ending = finish.ending == null ? PrintSign.ending(signs) : finish.ending;
          it.failedAtMm = finish.failedAtMm;
          it.signs = String.join(",", signs);
          it.note = finish.note == null || finish.note.isBlank() ? null : finish.note.strip();
        });
  }

  /** Corrects what was said of how it came out; mass and counters stay. */
  @Transactional
  public PrintRun correct(long id, Finish finish) {
    PrintRun run = run(id);
    if (run.endedS == null) {
      throw new InvalidValueException(
          "id", run.name, "a print that has ended", "Say first how it ended.");
    }
    Require.present("outcome", finish.outcome, List.of(Outcome.values()).toString());
    describe(run, finish);
    return run;
  }

  private void change(PrintRun run, Consumer<PrintRun> change) {
    Edits.Before before = edits.before(editable, run);
    change.accept(run);
    runs.saveAndFlush(run);
    edits.changed(editable, run.id, before, run);
  }

  /** Puts a printed job back among those to come. */
  @Transactional
  public void again(long runId) {
    PrintRun run = run(runId);
    if (run.isRunning()) {
      throw new InvalidValueException(
          "id", run.name, "a print that has ended", "Say first how it ended.");
    }
    jobs.reopen(run.jobId);
  }

  List<PrintRun> running() {
    return runs.findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc();
  }

  List<PrintRun> ended() {
    return runs.findTop200ByRemovedSIsNullAndEndedSIsNotNullOrderByEndedSDescIdDesc();
  }

  /** The last print of a material that came out well and was set up with a sheet. */
  Optional<PrintRun> lastGood(String material) {
    return runs
        .findFirstByMaterialAndOutcomeAndPartIsNotNullAndRemovedSIsNullOrderByEndedSDescIdDesc(
            material, Outcome.GOOD);
  }

  List<PrintRun> ofJob(long jobId) {
    return new ArrayList<>(runs.findByJobIdAndRemovedSIsNullOrderByStartedSAsc(jobId));
  }
}
