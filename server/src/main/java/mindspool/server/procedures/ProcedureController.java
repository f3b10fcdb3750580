package mindspool.server.procedures;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.device.Quantity;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.procedure.NozzleLog;
import mindspool.core.procedure.Procedure;
import mindspool.core.procedure.Procedure.StepKind;
import mindspool.core.procedure.ProcedureReading;
import mindspool.server.devices.Probes;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Procedures and what comes of their measured values; nothing of it is stored. */
@RestController
@RequestMapping("/api/procedures")
@Tag(name = "trouble")
class ProcedureController {

  /** So many points are enough for a picture. */
  private static final int DRAWN_POINTS = 600;

  private static final Duration LOOKED_BACK = Duration.ofMinutes(15);
  private static final double MS_A_SECOND = 1000;

  private final MaterialCatalogue catalogue;
  private final Probes probes;
  private final Clock clock;

  ProcedureController(MaterialCatalogue catalogue, Probes probes, Clock clock) {
    this.catalogue = catalogue;
    this.probes = probes;
    this.clock = clock;
  }

  /** A value to be measured, and what it may be. */
  record MeasuredValueView(String field, String unit, double least, double most) {}

  /**
   * An answer at a stop point.
   *
   * @param outcome of the procedure's test
   * @param goesTo step that comes next, from 1; 0 where the work ends here
   */
  record StopAnswerView(String label, @MayBeNull String outcome, int goesTo, String words) {}

  /** A step: something to do, to wait for, to measure, or a point at which one may have to stop. */
  record ProcedureStepView(
      StepKind kind,
      String words,
      Double seconds,
      @MayBeNull MeasuredValueView value,
      List<StopAnswerView> answers) {

    static ProcedureStepView of(Procedure.Step step) {
      Procedure.Value value = step.value();
      OptionalDouble seconds = step.seconds();
      return new ProcedureStepView(
          step.kind(),
          step.words(),
          seconds.isPresent() ? seconds.getAsDouble() : null,
          value == null
              ? null
              : new MeasuredValueView(value.field(), value.unit(), value.least(), value.most()),
          step.answers().stream()
              .map(
                  it ->
                      new StopAnswerView(
                          it.label(), emptyToNull(it.outcome()), it.goesTo(), it.words()))
              .toList());
    }
  }

  /**
   * Work step by step.
   *
   * @param defers to whom its caution defers
   * @param causes of trouble that it mends or looks for
   * @param testId the test that its answers are the outcome of
   * @param reading which measured values it has computed
   */
  record ProcedureView(
      String id,
      String title,
      double minutes,
      List<String> needs,
      String caution,
      String defers,
      Set<String> causes,
      @MayBeNull String testId,
      @MayBeNull String reading,
      List<ProcedureStepView> steps) {}

  /**
   * Measured values.
   *
   * @param log of the nozzle's temperature, as lines of a time and a temperature
   * @param printerId of a printer whose nozzle reports here: its last minutes, instead of a log
   */
  record ProcedureReadingRequest(Map<String, Double> values, String log, Long printerId) {}

  /** A temperature of the log. */
  record LogPointView(double atS, double temperatureC) {}

  /** What measured values say. */
  record ProcedureReadingView(String words, @MayBeNull String outcome, List<LogPointView> points) {}

  private static String emptyToNull(String text) {
    return text.isEmpty() ? null : text;
  }

  @GetMapping
  @Operation(summary = "Procedures, with the temperatures of a material in their steps")
  List<ProcedureView> all(@RequestParam(required = false) String material) {
    Material named = material == null || material.isBlank() ? null : catalogue.named(material);
    return Procedure.all().stream()
        .map(each -> named == null ? each.forAnyMaterial() : each.fittedTo(named))
        .map(
            it ->
                new ProcedureView(
                    it.id(),
                    it.title(),
                    it.minutes(),
                    it.needs(),
                    it.caution(),
                    Procedure.DEFERS,
                    it.causes(),
                    emptyToNull(it.testId()),
                    emptyToNull(it.reading()),
                    it.steps().stream().map(ProcedureStepView::of).toList()))
        .toList();
  }

  @Asks
  @PostMapping("/{id}/reading")
  @Operation(summary = "What the measured values of a procedure say, and which outcome that is")
  ProcedureReadingView reading(
      @PathVariable String id, @RequestBody ProcedureReadingRequest request) {
    ProcedureReading reading =
        ProcedureReading.of(
            Procedure.of(id),
            Require.present("values", request.values, "values by their fields"),
            () -> log(request));
    return new ProcedureReadingView(
        reading.words(),
        emptyToNull(reading.outcome()),
        reading.log().map(ProcedureController::points).orElse(List.of()));
  }

  private NozzleLog log(ProcedureReadingRequest request) {
    if (request.printerId == null || request.log != null) {
      return NozzleLog.read(request.log);
    }
    List<Probes.Latest> shown =
        probes.readings(
            request.printerId, Quantity.NOZZLE, clock.millis() - LOOKED_BACK.toMillis());
    if (shown.isEmpty()) {
      throw new InvalidValueException(
          "printerId",
          request.printerId,
          "a printer whose nozzle reported in the last 15 minutes",
          "Connect it under Devices, or choose a file.");
    }
    return new NozzleLog(
        shown.stream().mapToDouble(it -> it.timeMs() / MS_A_SECOND).toArray(),
        shown.stream().mapToDouble(Probes.Latest::value).toArray());
  }

  private static List<LogPointView> points(NozzleLog log) {
    int count = log.timesS().length;
    int every = Math.max(1, count / DRAWN_POINTS);
    return IntStream.range(0, count)
        .filter(i -> i % every == 0)
        .mapToObj(i -> new LogPointView(log.timesS()[i] - log.timesS()[0], log.temperaturesC()[i]))
        .toList();
  }
}
