package mindspool.core.procedure;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * What measured values of a procedure say.
 *
 * @param words with what to do
 * @param outcome of the procedure's test; empty where they say nothing of it
 * @param log that was read, where there was one
 */
public record ProcedureReading(String words, String outcome, Optional<NozzleLog> log) {

  /**
   * Computes it.
   *
   * @param values by their fields
   * @param log gives a nozzle's log, where the procedure wants one
   */
  public static ProcedureReading of(
      Procedure procedure, Map<String, Double> values, Supplier<NozzleLog> log) {
    Measured measured = new Measured(procedure, values);
    return switch (procedure.reading()) {
      case "feed" -> {
        FeedCheck feed =
            FeedCheck.ofLeft(
                measured.value("commandedMm"),
                measured.value("leftSlowMm"),
                measured.value("leftFastMm"));
        yield new ProcedureReading(feed.words(), feed.outcome(), Optional.empty());
      }
      case "belts" -> {
        BeltTones belts =
            new BeltTones(
                measured.value("spanMm"), measured.value("firstHz"), measured.value("secondHz"));
        yield new ProcedureReading(
            belts.words(), belts.areAlike() ? "tight" : "belt_slack", Optional.empty());
      }
      case "heater" -> heater(measured, log.get());
      default ->
          throw new InvalidValueException(
              "procedure", procedure.id(), "one with measured values", "Its answers say it all.");
    };
  }

  private static ProcedureReading heater(Measured measured, NozzleLog log) {
    HeaterSwing swing = HeaterSwing.of(log.timesS(), log.temperaturesC());
    OptionalDouble bandMm =
        measured.has("layerHeightMm") && measured.has("layerTimeS")
            ? swing.bandMm(measured.value("layerHeightMm"), measured.value("layerTimeS"))
            : OptionalDouble.empty();
    String bands =
        bandMm.isPresent()
            ? String.format(
                Locale.ROOT,
                " On this part it would print bands %.2f mm apart: measure whether they are.",
                bandMm.getAsDouble())
            : "";
    return new ProcedureReading(swing.words() + bands, swing.outcome(), Optional.of(log));
  }

  /** Values within what their steps allow. */
  private record Measured(Procedure procedure, Map<String, Double> values) {

    private boolean has(String field) {
      return values.get(field) != null;
    }

    private double value(String field) {
      Procedure.Value asked =
          procedure.steps().stream()
              .map(Procedure.Step::value)
              .filter(value -> value != null && value.field().equals(field))
              .findFirst()
              .orElseThrow();
      double value = Require.present(field, values.get(field), "a number of " + asked.unit());
      return Require.within(field, value, asked.least(), asked.most(), asked.unit());
    }
  }
}
