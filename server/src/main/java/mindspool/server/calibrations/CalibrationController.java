package mindspool.server.calibrations;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import mindspool.core.Require;
import mindspool.core.calibration.Worksheet;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.machines.Machines;
import mindspool.server.stock.LotCalibration;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Calibration worksheets. */
@RestController
@RequestMapping("/api")
@Tag(name = "materials")
class CalibrationController {

  private static final JsonMapper JSON = JsonMapper.shared();

  private final KeptCalibrations calibrations;
  private final LotCalibration lots;
  private final Machines machines;

  CalibrationController(KeptCalibrations calibrations, LotCalibration lots, Machines machines) {
    this.calibrations = calibrations;
    this.lots = lots;
    this.machines = machines;
  }

  /** Grades of a step of a ladder, 0 to 5. */
  record LadderStep(Double nozzleC, Double bond, Double strings, Double gloss) {}

  /**
   * Measurements of a worksheet.
   *
   * @param steps for TEMPERATURE_LADDER
   * @param asked what was asked for or drawn: mm, or mm³/s for MELT_CEILING
   * @param measured what was measured: mm, or g for MELT_CEILING; for DIAMETER in pairs across
   * @param wanted width, diameter, mm, or the mass asked for, g
   * @param now what is set now: flow, %, or steps/mm
   */
  record WorksheetRequest(
      WorksheetKind kind,
      List<LadderStep> steps,
      List<Double> asked,
      List<Double> measured,
      Double wanted,
      Double now) {}

  /** What it gives. */
  record WorksheetView(
      double value,
      double unsure,
      String unit,
      String words,
      List<Integer> leftOut,
      List<Worksheet.Point> points,
      List<Worksheet.Point> curve) {

    static WorksheetView of(Worksheet it) {
      return new WorksheetView(
          it.value(), it.unsure(), it.unit(), it.words(), it.leftOut(), it.points(), it.curve());
    }
  }

  /**
   * A worksheet to be kept.
   *
   * @param lotId for those of a lot
   * @param code a spool instead of its lot; it gets one of its own where it has none
   * @param printerId for those of a printer
   */
  record CalibrationRequest(
      WorksheetRequest worksheet, Long lotId, String code, Long printerId, String note) {}

  /**
   * A worksheet that was kept.
   *
   * @param changes what it changed, in words
   */
  record CalibrationView(
      long id,
      WorksheetKind kind,
      String title,
      Long lotId,
      @MayBeNull String lot,
      @MayBeNull String material,
      Long printerId,
      @MayBeNull String printer,
      double amount,
      double unsure,
      String unit,
      String changes,
      @MayBeNull String note,
      long atS) {}

  /** A kind of worksheet. */
  record WorksheetKindView(WorksheetKind id, String title, boolean ofLot) {}

  @GetMapping("/worksheets")
  @Operation(summary = "Kinds of calibration worksheets")
  List<WorksheetKindView> kinds() {
    return Arrays.stream(WorksheetKind.values())
        .map(it -> new WorksheetKindView(it, it.title(), it.isOfLot()))
        .toList();
  }

  @Asks
  @PostMapping("/worksheets")
  @Operation(summary = "Computes a calibration from measurements, with its uncertainty")
  WorksheetView compute(@RequestBody WorksheetRequest request) {
    return WorksheetView.of(kind(request).of(request));
  }

  private static WorksheetKind kind(WorksheetRequest request) {
    return Require.present(
        "kind",
        request.kind,
        String.join(", ", Arrays.stream(WorksheetKind.values()).map(Enum::name).toList()));
  }

  @GetMapping("/calibrations")
  @Operation(summary = "Worksheets that were kept, the latest first")
  List<CalibrationView> all() {
    return calibrations.all().stream().map(this::view).toList();
  }

  /** What to measure of a lot next; {@code kind} null where its own page computes it. */
  record NextMeasurementView(
      @MayBeNull WorksheetKind kind,
      String title,
      double minutes,
      double waitMinutes,
      double bits,
      String why) {}

  @GetMapping("/calibrations/next")
  @Operation(summary = "The series of measurements that tells most about a lot for its minutes")
  List<NextMeasurementView> next(@RequestParam long lotId) {
    return calibrations.next(lotId).stream()
        .map(
            step ->
                new NextMeasurementView(
                    Arrays.stream(WorksheetKind.values())
                        .filter(kind -> kind.name().equals(step.measurement().name()))
                        .findFirst()
                        .orElse(null),
                    step.measurement().title(),
                    step.measurement().minutes(),
                    step.measurement().waitMinutes(),
                    step.bits(),
                    step.why()))
        .toList();
  }

  @PostMapping("/calibrations")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a worksheet and sets the value for its lot, in one act")
  CalibrationView keep(@RequestBody CalibrationRequest request) {
    WorksheetRequest in =
        Require.present("worksheet", request.worksheet, "a worksheet with its measurements");
    WorksheetKind kind = kind(in);
    Worksheet found = Require.inside("worksheet", () -> kind.of(in));
    return view(
        calibrations.keep(
            new KeptCalibrations.Said(
                kind,
                found,
                JSON.writeValueAsString(in),
                request.lotId,
                request.code,
                request.printerId,
                request.note)));
  }

  @DeleteMapping("/calibrations/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a worksheet out of the record; the lot's value stays as it is")
  void remove(@PathVariable long id) {
    calibrations.remove(id);
  }

  private CalibrationView view(KeptCalibration kept) {
    return new CalibrationView(
        kept.id,
        kept.kind,
        kept.kind.title(),
        kept.lotId,
        kept.lotId == null ? null : lots.title(kept.lotId),
        kept.lotId == null ? null : lots.material(kept.lotId),
        kept.printerId,
        kept.printerId == null ? null : machines.nameOf(kept.printerId),
        kept.amount,
        kept.unsure,
        kept.unit,
        changes(kept.kind),
        kept.note,
        kept.atS);
  }

  private static String changes(WorksheetKind kind) {
    return switch (kind) {
      case TEMPERATURE_LADDER, FLOW -> "Setup sheets for spools of this lot have it.";
      case DIAMETER ->
          "Setup sheets for spools of this lot have it, where its flow is not measured.";
      case SHRINKAGE -> "Setup sheets for spools of this lot say by how much to scale the part.";
      case EXTRUDER -> "To be set in the printer.";
      case MELT_CEILING -> "Setup sheets for this lot on this printer go no faster.";
    };
  }
}
