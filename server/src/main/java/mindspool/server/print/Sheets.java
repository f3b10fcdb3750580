package mindspool.server.print;

import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.BedSurfaces;
import mindspool.core.print.ChamberWarmth;
import mindspool.core.print.GripLearning;
import mindspool.core.print.JobMetres;
import mindspool.core.print.MountedPlate;
import mindspool.core.print.PartAmount;
import mindspool.core.print.SetupSheet;
import mindspool.core.print.SheetCase;
import mindspool.core.stock.Filament;
import mindspool.core.stock.LooseEnd;
import mindspool.server.air.Climates;
import mindspool.server.calc.PrintRequests.ChoicesRequest;
import mindspool.server.calc.PrintRequests.PartRequest;
import mindspool.server.calibrations.LotMeasurements;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPlate;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.plan.SetupsOfJobs;
import mindspool.server.plan.WaterOfJobs;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import mindspool.server.shelf.Spools.SpoolHandling;
import mindspool.server.stock.Lot.LabelRange;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Puts the sheet of a job together from what is stored of its spool, printer, plate and room. */
@Service
class Sheets {

  private static final JsonMapper JSON = JsonMapper.shared();
  private static final double DAY_S = 86_400;
  private static final double UNKNOWN_ROOM_C = 23;

  /** A shorter print is over before the air around it is warm; judgement. */
  private static final long LEAST_PRINT_S = 3600;

  private static final int MOST_EARLIER_PRINTS = 50;
  private static final int MOST_SPOOLS = 6;

  private final PrintStore.Sheets store;
  private final PrintStore.Runs runs;
  private final Machines machines;
  private final Learning learning;
  private final Spools spools;
  private final Climates climates;
  private final MaterialCatalogue catalogue;
  private final LotMeasurements measurements;
  private final PartFiles partFiles;
  private final WaterOfJobs water;
  private final Clock clock;
  private final BedSurfaces surfaces = BedSurfaces.standard();

  Sheets(
      PrintStore.Sheets store,
      PrintStore.Runs runs,
      Machines machines,
      Learning learning,
      Spools spools,
      Climates climates,
      MaterialCatalogue catalogue,
      LotMeasurements measurements,
      PartFiles partFiles,
      WaterOfJobs water,
      Clock clock) {
    this.store = store;
    this.runs = runs;
    this.machines = machines;
    this.learning = learning;
    this.spools = spools;
    this.climates = climates;
    this.catalogue = catalogue;
    this.measurements = measurements;
    this.partFiles = partFiles;
    this.water = water;
    this.clock = clock;
  }

  /**
   * What a job is set up with.
   *
   * @param feedId place that its spool hangs in; null for the printer's own holder
   * @param code the spool; null for none yet
   * @param part null while nobody said how large it is
   */
  record Chosen(
      Long printerId,
      Long plateId,
      Long feedId,
      String code,
      PartRequest part,
      ChoicesRequest choices,
      int version) {

    Chosen on(Long otherPrinter, Long otherPlate) {
      return new Chosen(otherPrinter, otherPlate, feedId, code, part, choices, version);
    }

    Chosen of(PartRequest otherPart) {
      return new Chosen(printerId, plateId, feedId, code, otherPart, choices, version);
    }

    Chosen from(String otherCode) {
      return new Chosen(printerId, plateId, feedId, otherCode, part, choices, version);
    }
  }

  /**
   * A sheet with what it rests on.
   *
   * @param amount what the part's file tells of the filament and time that it takes; none without
   * @param sheet null while printer, plate, material or part are not said
   * @param learned what the plate's prints taught
   * @param metres moisture of the job's metres; empty without a spool
   */
  record Assembled(
      Chosen chosen,
      Material material,
      KnownPrinter printer,
      KnownPlate plate,
      Optional<PartAmount> amount,
      SetupSheet sheet,
      GripLearning learned,
      List<JobMetres.Point> metres,
      String hangsIn) {}

  /** What was stored for a job, or what follows from the job and the workshop. */
  Chosen chosen(KnownJob job) {
    Optional<JobSheet> stored = store.findById(job.id());
    if (stored.isPresent()) {
      JobSheet sheet = stored.get();
      return stillThere(
          new Chosen(
              sheet.printerId,
              sheet.plateId,
              sheet.feedId,
              sheet.code,
              part(sheet.part),
              choices(sheet.choices),
              sheet.version));
    }
    String code = job.code() != null ? job.code() : job.plannedCode();
    List<KnownPrinter> printers = machines.printers();
    KnownPrinter printer = printers.stream().findFirst().orElse(null);
    if (code != null && spools.isKnown(code)) {
      long where = spools.current(code).placeId();
      printer = printers.stream().filter(it -> it.placeId() == where).findFirst().orElse(printer);
    }
    Long plate =
        printer != null && printer.plateId() != null
            ? printer.plateId()
            : machines.plates().stream().findFirst().map(KnownPlate::id).orElse(null);
    return new Chosen(
        printer == null ? null : printer.placeId(),
        plate,
        job.inDryBox() ? dryBox() : null,
        code,
        null,
        ChoicesRequest.NONE,
        0);
  }

  private Long dryBox() {
    return climates.places().stream()
        .filter(place -> place.kind() == PlaceKind.DRY_BOX)
        .findFirst()
        .map(PlaceInfo::id)
        .orElse(null);
  }

  /** Whether a job prints out of something that keeps its spool dry. */
  boolean isDryHolder(Chosen chosen) {
    return chosen.feedId != null && climates.place(chosen.feedId).kind().isClosed();
  }

  /** Without what was removed since, so that it can be chosen anew. */
  private Chosen stillThere(Chosen kept) {
    boolean printer =
        machines.printers().stream()
            .anyMatch(each -> Long.valueOf(each.placeId()).equals(kept.printerId));
    boolean plate =
        machines.plates().stream().anyMatch(each -> Long.valueOf(each.id()).equals(kept.plateId));
    boolean feed =
        climates.places().stream().anyMatch(each -> Long.valueOf(each.id()).equals(kept.feedId));
    boolean spool = kept.code != null && spools.isKnown(kept.code);
    return new Chosen(
        printer ? kept.printerId : null,
        plate ? kept.plateId : null,
        feed ? kept.feedId : null,
        spool ? kept.code : null,
        kept.part,
        kept.choices,
        kept.version);
  }

  static PartRequest part(String json) {
    PartRequest part = JSON.readValue(json, PartRequest.class);
    return part.lengthMm() == null ? null : part;
  }

  static ChoicesRequest choices(String json) {
    return JSON.readValue(json, ChoicesRequest.class);
  }

  /** Checks that were started against, with their reasons. */
  @SuppressWarnings("unchecked")
  static Map<String, String> overrides(String json) {
    return json.startsWith("[") ? Map.of() : JSON.readValue(json, Map.class);
  }

  static String json(Object value) {
    return JSON.writeValueAsString(value);
  }

  /** Computes a job's sheet with what is chosen. Refuses a spool or machine that is not there. */
  Assembled assemble(KnownJob job, Chosen chosen) {
    CurrentSpool spool = chosen.code == null ? null : spools.current(chosen.code);
    Material material =
        spool != null
            ? spool.material()
            : job.material() == null ? null : catalogue.named(job.material());
    KnownPrinter printer = chosen.printerId == null ? null : machines.printer(chosen.printerId);
    KnownPlate plate = chosen.plateId == null ? null : machines.plate(chosen.plateId);
    GripLearning learned = plate == null ? null : learning.of(plate).learned();
    Optional<PartAmount> told =
        material == null ? Optional.empty() : partFiles.amount(job.id(), material);
    if (material == null || printer == null || plate == null || chosen.part == null) {
      return new Assembled(
          chosen,
          material,
          printer,
          plate,
          told,
          null,
          learned,
          List.of(),
          hangsIn(printer, chosen));
    }
    PartAmount amount = told.orElseGet(() -> new PartAmount.Known(job.grams(), job.hours()));
    MountedPlate mounted = plate.mounted().taught(learned.grip().median(), learned.hold().median());
    SetupSheet sheet =
        SetupSheet.of(
            sheetCase(material, printer, mounted, chosen, spool, amount, Optional.empty()),
            surfaces);
    List<JobMetres.Point> metres = List.of();
    if (spool != null) {
      metres = metres(job, spool, chosen, sheet);
      Optional<SheetCase.SpoolForJob> forJob = Optional.of(forJob(spool, metres));
      sheet =
          SetupSheet.of(
              sheetCase(material, printer, mounted, chosen, spool, amount, forJob), surfaces);
    }
    return new Assembled(
        chosen, material, printer, plate, told, sheet, learned, metres, hangsIn(printer, chosen));
  }

  private String hangsIn(KnownPrinter printer, Chosen chosen) {
    if (chosen.feedId != null) {
      return climates.place(chosen.feedId).name();
    }
    return printer == null ? null : printer.name();
  }

  private SheetCase sheetCase(
      Material material,
      KnownPrinter printer,
      MountedPlate plate,
      Chosen chosen,
      CurrentSpool spool,
      PartAmount amount,
      Optional<SheetCase.SpoolForJob> forJob) {
    return new SheetCase(
        material,
        chosen.part.toPart(),
        printer.printer(),
        plate,
        new SheetCase.Surroundings(roomC(printer), OptionalDouble.empty(), earlierAir(printer)),
        chosen.choices.toWishes(chosen.part),
        spool == null ? SheetCase.Label.NONE : label(spool.code(), printer.placeId()),
        forJob,
        filamentDiameterMm(spool == null ? null : spool.code()) / 1000,
        Optional.ofNullable(printer.lastMaterial()).map(catalogue::named),
        amount,
        chosen.choices.togetherFrom(catalogue));
  }

  /** Air around earlier parts on a printer while its chamber was as it is now. */
  private List<ChamberWarmth.Seen> earlierAir(KnownPrinter printer) {
    return runs
        .withAirAround(
            printer.placeId(),
            printer.printer().chamber(),
            LEAST_PRINT_S,
            Limit.of(MOST_EARLIER_PRINTS))
        .stream()
        .map(run -> new ChamberWarmth.Seen(run.bedC, run.roomMeanC, run.chamberMeanC))
        .toList();
  }

  /** Of a spool's filament; the usual where there is none. */
  double filamentDiameterMm(String code) {
    return code == null || !spools.isKnown(code)
        ? Filament.USUAL_DIAMETERS_MM.get(0)
        : spools.handling(code).filamentDiameterMm();
  }

  private SheetCase.Label label(String code, long printerId) {
    SpoolHandling handling = spools.handling(code);
    if (handling.lotId() == null) {
      return SheetCase.Label.NONE;
    }
    LabelRange range = handling.label();
    LotMeasurements.Measured measured = measurements.of(handling.lotId(), printerId);
    return new SheetCase.Label(
        orNaN(range.nozzleLowC()),
        orNaN(range.nozzleHighC()),
        orNaN(range.bedLowC()),
        orNaN(range.bedHighC()),
        new SheetCase.Label.Measured(
            orNaN(range.flowPercent()),
            orNaN(range.diameterMm()),
            orNaN(measured.mostFlowMm3PerS()) / 1e9,
            orNaN(measured.shrinkagePercent())));
  }

  private static double orNaN(Double value) {
    return value == null ? Double.NaN : value;
  }

  /** The room that a printer stands in, mean of the last day, °C. */
  double roomC(KnownPrinter printer) {
    if (printer.roomId() == null) {
      return UNKNOWN_ROOM_C;
    }
    long now = clock.instant().getEpochSecond();
    return climates.climate(printer.roomId()).series().mean(now - DAY_S, now).temperatureC();
  }

  private List<JobMetres.Point> metres(
      KnownJob job, CurrentSpool spool, Chosen chosen, SetupSheet sheet) {
    double start = job.beginsS(clock.instant().getEpochSecond());
    return water.metres(
        spool,
        new SetupsOfJobs.Holder(chosen.printerId, chosen.feedId, true),
        start,
        sheet.hours(),
        sheet.grams());
  }

  private SheetCase.SpoolForJob forJob(CurrentSpool spool, List<JobMetres.Point> metres) {
    SpoolHandling handling = spools.handling(spool.code());
    double wettest = WaterOfJobs.wettest(metres);
    return new SheetCase.SpoolForJob(
        metres.get(0).percent(),
        wettest,
        handling.leftG().typical(),
        handling.leftG().typical() - handling.leftG().low(),
        handling.end() == LooseEnd.SUSPECT || handling.end() == LooseEnd.TANGLE,
        handling.smallestNozzleMm() / 1000);
  }

  /** Spools that could serve a job, those with enough filament and the driest first. */
  List<String> candidates(KnownJob job, Material material) {
    return material == null
        ? List.of()
        : ofMaterial(material).stream()
            .sorted(Comparator.comparing(spool -> spool.netG() < job.grams()))
            .limit(MOST_SPOOLS)
            .map(CurrentSpool::code)
            .toList();
  }

  /** Spools of a material, the driest first. */
  List<CurrentSpool> ofMaterial(Material material) {
    return spools.currentOf(material.name()).stream()
        .sorted(
            Comparator.comparingDouble(
                spool ->
                    spool.state().profile().outerPercent() / spool.material().printLimitPercent()))
        .toList();
  }
}
