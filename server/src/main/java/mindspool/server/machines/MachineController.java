package mindspool.server.machines;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.BedSurfaces;
import mindspool.core.print.HoldLevers.HoldPractice;
import mindspool.core.print.MountedPlate;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.PartLoad;
import mindspool.core.print.PlateKind;
import mindspool.core.print.PlateUse;
import mindspool.core.print.Printer;
import mindspool.server.calc.PrintRequests.MachineRequest;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.StaleEditException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
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
class MachineController {

  private static final double MM2_PER_M2 = 1e6;

  private final Machines machines;
  private final MaterialCatalogue catalogue;

  MachineController(Machines machines, MaterialCatalogue catalogue) {
    this.machines = machines;
    this.catalogue = catalogue;
  }

  /** A choice with what it is called. */
  record PrintOptionView(String id, String title) {}

  /** A kind of plate with the pressure that usually holds it down. */
  record PlateKindView(String id, String title, double usualHoldPressureKPa) {}

  /** What can be chosen for printers, plates and sheets. */
  record PrintChoicesView(
      List<PrintOptionView> hotEnds,
      List<PrintOptionView> nozzleMaterials,
      List<PrintOptionView> chambers,
      List<PrintOptionView> practices,
      List<PrintOptionView> loads,
      List<PlateKindView> plateKinds,
      List<PrintOptionView> surfaces,
      List<PrintOptionView> interfaceLayers) {}

  /** What was said of a machine, or is usual. */
  record MachineView(
      Printer.HotEndKind hotEnd,
      double hotEndMaxC,
      double meltZoneMm,
      double nozzleDiameterMm,
      NozzleMaterial nozzleMaterial,
      double abrasiveG,
      double bedMaxC,
      double bedLengthMm,
      double bedWidthMm,
      double heightMm,
      double bedHeaterW,
      double carrierHeatJPerK,
      Printer.ChamberKind chamber,
      double chamberMaxC,
      double movingMassKg,
      double tunedPlateMassKg,
      double accelerationMmPerS2,
      boolean directFeed,
      double supplyWh,
      double meanPowerW,
      boolean ventilated) {}

  /** A printer; {@code boreGrowthPercent} by what wore its nozzle. */
  record PrinterView(
      long placeId,
      String name,
      Long roomId,
      MachineView machine,
      String hotEndTitle,
      String nozzleTitle,
      String chamberTitle,
      double nozzleMaxC,
      double boreGrowthPercent,
      @MayBeNull String lastMaterial,
      double printedHours,
      double printedMetres,
      Long plateId,
      int version) {}

  /**
   * What is said of a printer; what is left out of {@code machine} is usual.
   *
   * @param lastMaterial what its nozzle printed last; none where nobody knows
   * @param newNozzle whether a new nozzle was fitted: nothing has worn it
   */
  record DescribePrinterRequest(
      MachineRequest machine,
      String lastMaterial,
      Long plateId,
      Boolean newNozzle,
      Integer version) {}

  /** A plate; {@code usualHold} where its hold pressure was not measured. */
  record PlateView(
      long id,
      String name,
      String kind,
      String kindTitle,
      String surface,
      String surfaceTitle,
      String interfaceLayer,
      String interfaceLayerTitle,
      double massKg,
      Double magnetsMaxC,
      double holdPressureKPa,
      boolean usualHold,
      int prints,
      int printsSinceWash,
      double cleanliness,
      Integer coatPrintsLeft,
      int version) {}

  /** A plate; mass and what is left out are usual. */
  record DescribePlateRequest(
      String name,
      String kind,
      String surface,
      String interfaceLayer,
      Double massKg,
      Double magnetsMaxC,
      Double holdPressureKPa,
      Integer prints,
      Integer version) {}

  /** What was spread on it. */
  record SpreadRequest(String interfaceLayer) {}

  /** A pull straight up at which it came off, and the area that was held. */
  record HoldRequest(Double pullN, Double areaMm2) {}

  @GetMapping("/print-choices")
  @Operation(summary = "What can be chosen for printers, plates and setup sheets")
  PrintChoicesView choices() {
    return new PrintChoicesView(
        Arrays.stream(Printer.HotEndKind.values())
            .map(it -> new PrintOptionView(it.name(), it.title()))
            .toList(),
        Arrays.stream(NozzleMaterial.values())
            .map(it -> new PrintOptionView(it.name(), it.title()))
            .toList(),
        Arrays.stream(Printer.ChamberKind.values())
            .map(it -> new PrintOptionView(it.name(), it.title()))
            .toList(),
        Arrays.stream(HoldPractice.values())
            .map(it -> new PrintOptionView(it.name(), it.title()))
            .toList(),
        Arrays.stream(PartLoad.values())
            .map(it -> new PrintOptionView(it.name(), it.title()))
            .toList(),
        Arrays.stream(PlateKind.values())
            .map(it -> new PlateKindView(it.id(), it.title(), it.usualHoldPa() / 1000))
            .toList(),
        choices(BedSurfaces.SURFACES),
        choices(BedSurfaces.LAYERS));
  }

  private static List<PrintOptionView> choices(Map<String, String> titles) {
    return titles.entrySet().stream()
        .map(each -> new PrintOptionView(each.getKey(), each.getValue()))
        .toList();
  }

  @GetMapping("/printers")
  @Operation(summary = "All printers with what is known of them")
  List<PrinterView> printers() {
    return machines.printers().stream().map(this::view).toList();
  }

  @GetMapping("/printers/{placeId}")
  @Operation(summary = "A printer with what is known of it")
  PrinterView printer(@PathVariable long placeId) {
    return view(machines.printer(placeId));
  }

  private PrinterView view(Machines.KnownPrinter known) {
    PrinterDescription said = machines.description(known.placeId());
    Printer printer = known.printer();
    return new PrinterView(
        known.placeId(),
        known.name(),
        known.roomId(),
        machine(said),
        printer.hotEnd().title(),
        printer.nozzle().title(),
        printer.chamber().title(),
        printer.nozzleMaxC(),
        100 * printer.boreGrowth(),
        said.lastMaterial,
        said.printedHours,
        said.printedMetres,
        said.plateId,
        said.version);
  }

  private static MachineView machine(PrinterDescription said) {
    return new MachineView(
        said.hotEnd,
        said.hotEndMaxC,
        said.meltZoneMm,
        said.nozzleDiameterMm,
        said.nozzleMaterial,
        said.abrasiveG,
        said.bedMaxC,
        said.bedLengthMm,
        said.bedWidthMm,
        said.heightMm,
        said.bedHeaterW,
        said.carrierHeatJPerK,
        said.chamber,
        said.chamberMaxC,
        said.movingMassKg,
        said.tunedPlateMassKg,
        said.accelerationMmPerS2,
        said.directFeed,
        said.supplyWh,
        said.meanPowerW,
        said.ventilated);
  }

  @PutMapping("/printers/{placeId}")
  @Operation(summary = "Describes a printer: hot end, nozzle, bed, chamber, feed, supply")
  @Transactional
  public PrinterView describe(
      @PathVariable long placeId, @RequestBody DescribePrinterRequest request) {
    Machines.KnownPrinter known = machines.printer(placeId);
    PrinterDescription said = machines.description(placeId);
    StaleEditException.refuse(
        "The printer " + known.name(), request.version, said.version, view(known));
    MachineRequest machine =
        Require.present("machine", request.machine, "an object; {} for a usual printer");
    Printer checked = machine.toPrinter();
    if (request.lastMaterial != null) {
      catalogue.named(request.lastMaterial);
    }
    if (request.plateId != null) {
      machines.plate(request.plateId);
    }
    machines.described(
        said,
        it -> {
          it.describe(checked);
          it.lastMaterial = request.lastMaterial;
          it.plateId = request.plateId;
          if (Boolean.TRUE.equals(request.newNozzle)) {
            it.abrasiveG = 0;
          }
        });
    return view(machines.printer(placeId));
  }

  @GetMapping("/plates")
  @Operation(summary = "All build plates")
  List<PlateView> plates() {
    return machines.plates().stream().map(known -> view(machines.present(known.id()))).toList();
  }

  private static PlateView view(StoredPlate plate) {
    PlateKind kind = PlateKind.ofId(plate.kind);
    return new PlateView(
        plate.id,
        plate.name,
        plate.kind,
        kind.title(),
        plate.surface,
        BedSurfaces.SURFACES.get(plate.surface),
        plate.interfaceLayer,
        BedSurfaces.layerTitle(plate.interfaceLayer),
        plate.massKg,
        plate.magnetsMaxC,
        plate.holdPressureKPa == null ? kind.usualHoldPa() / 1000 : plate.holdPressureKPa,
        plate.holdPressureKPa == null,
        plate.prints,
        plate.printsSinceWash,
        PlateUse.cleanliness(plate.printsSinceWash),
        plate.coatPrintsLeft,
        plate.version);
  }

  @PostMapping("/plates")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a build plate")
  @Transactional
  public PlateView add(@RequestBody DescribePlateRequest request) {
    StoredPlate plate = new StoredPlate();
    describe(plate, request);
    return view(machines.added(plate));
  }

  @PutMapping("/plates/{id}")
  @Operation(summary = "Describes a build plate anew")
  @Transactional
  public PlateView change(@PathVariable long id, @RequestBody DescribePlateRequest request) {
    StoredPlate plate = machines.present(id);
    StaleEditException.refuse(
        "The plate " + plate.name, request.version, plate.version, view(plate));
    return view(machines.edit(plate, it -> describe(it, request)));
  }

  private void describe(StoredPlate plate, DescribePlateRequest request) {
    plate.name = Text.line("name", request.name, 1, 60, "Such as: sheet with the notch.");
    plate.kind = PlateKind.ofId(request.kind).id();
    String layer = request.interfaceLayer == null ? "none" : request.interfaceLayer;
    plate.surface = known("surface", request.surface, BedSurfaces.SURFACES);
    if (!layer.equals(plate.interfaceLayer)) {
      Machines.spread(plate, known("interfaceLayer", layer, BedSurfaces.LAYERS));
    }
    plate.massKg =
        Require.within(
            "massKg",
            request.massKg == null ? MountedPlate.USUAL_KG : request.massKg,
            0.01,
            50,
            "kg");
    plate.magnetsMaxC =
        request.magnetsMaxC == null
            ? null
            : Double.valueOf(Require.within("magnetsMaxC", request.magnetsMaxC, 30, 300, "°C"));
    plate.holdPressureKPa =
        request.holdPressureKPa == null
            ? null
            : Double.valueOf(
                Require.within("holdPressureKPa", request.holdPressureKPa, 0.1, 1000, "kPa"));
    if (request.prints != null) {
      plate.prints = (int) Require.within("prints", request.prints, 0, 1_000_000, "");
    }
  }

  private static String known(String field, String id, Map<String, String> titles) {
    if (id == null || !titles.containsKey(id)) {
      throw new InvalidValueException(
          field,
          id == null ? "missing" : "\"" + id + "\"",
          String.join(", ", titles.keySet()),
          "Choose one of these; of another it is not known how it holds.");
    }
    return id;
  }

  @DeleteMapping("/plates/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Removes a build plate; what was printed on it keeps its record")
  @Transactional
  public void remove(@PathVariable long id) {
    machines.edit(machines.present(id), plate -> plate.removedS = machines.nowS());
  }

  @PostMapping("/plates/{id}/washes")
  @Operation(summary = "Says that a plate was washed")
  @Transactional
  public PlateView wash(@PathVariable long id) {
    machines.washed(id);
    return view(machines.present(id));
  }

  @PostMapping("/plates/{id}/coats")
  @Operation(summary = "Says what was spread on a plate")
  @Transactional
  public PlateView spread(@PathVariable long id, @RequestBody SpreadRequest request) {
    machines.spread(id, known("interfaceLayer", request.interfaceLayer, BedSurfaces.LAYERS));
    return view(machines.present(id));
  }

  @PostMapping("/plates/{id}/hold-measurements")
  @Operation(
      summary = "Measures what holds a plate down",
      description =
          "Pull a stiff block straight up that holds to the plate by a known area, with a luggage"
              + " scale: the pull at which the plate comes off, over the area of plate that rose.")
  @Transactional
  public PlateView measureHold(@PathVariable long id, @RequestBody HoldRequest request) {
    double pull =
        Require.within(
            "pullN", Require.present("pullN", request.pullN, "a force in N"), 0.1, 5000, "N");
    double area =
        Require.within(
            "areaMm2",
            Require.present("areaMm2", request.areaMm2, "an area in mm²"),
            100,
            1e6,
            "mm²");
    double pressureKPa =
        Require.within("holdPressureKPa", pull / (area / MM2_PER_M2) / 1000, 0.1, 1000, "kPa");
    return view(
        machines.edit(
            machines.present(id),
            plate -> plate.holdPressureKPa = Math.round(100 * pressureKPa) / 100.0));
  }
}
