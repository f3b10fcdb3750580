package mindspool.server.calibrations;

import java.util.List;
import mindspool.core.Require;
import mindspool.core.calibration.Worksheet;
import mindspool.server.calibrations.CalibrationController.WorksheetRequest;

/** Worksheets, by what they find. */
enum WorksheetKind {
  TEMPERATURE_LADDER("temperature", true, false) {
    @Override
    Worksheet of(WorksheetRequest in) {
      return Worksheet.temperatureLadder(
          Require.present("steps", in.steps(), "steps with grades").stream()
              .map(
                  step ->
                      new Worksheet.Step(
                          Require.present("steps.nozzleC", step.nozzleC(), "a number of °C"),
                          Require.present("steps.bond", step.bond(), "0 to 5"),
                          Require.present("steps.strings", step.strings(), "0 to 5"),
                          step.gloss() == null ? 0 : step.gloss()))
              .toList());
    }
  },
  FLOW("flow", true, false) {
    @Override
    Worksheet of(WorksheetRequest in) {
      return Worksheet.flow(
          list("measured", in.measured()), number("wanted", in.wanted()), number("now", in.now()));
    }
  },
  DIAMETER("diameter", true, false) {
    @Override
    Worksheet of(WorksheetRequest in) {
      return Worksheet.diameter(list("measured", in.measured()), number("wanted", in.wanted()));
    }
  },
  SHRINKAGE("shrinkage", true, false) {
    @Override
    Worksheet of(WorksheetRequest in) {
      return Worksheet.shrinkage(list("asked", in.asked()), list("measured", in.measured()));
    }
  },
  EXTRUDER("extruder", false, true) {
    @Override
    Worksheet of(WorksheetRequest in) {
      return Worksheet.extruder(
          list("asked", in.asked()), list("measured", in.measured()), number("now", in.now()));
    }
  },
  MELT_CEILING("melt ceiling", true, true) {
    @Override
    Worksheet of(WorksheetRequest in) {
      return Worksheet.meltCeiling(
          list("asked", in.asked()),
          list("measured", in.measured()),
          number("wanted", in.wanted()));
    }
  };

  private final String title;
  private final boolean ofLot;
  private final boolean ofPrinter;

  WorksheetKind(String title, boolean ofLot, boolean ofPrinter) {
    this.title = title;
    this.ofLot = ofLot;
    this.ofPrinter = ofPrinter;
  }

  String title() {
    return title;
  }

  /** Whether it tells of a lot of filament. */
  boolean isOfLot() {
    return ofLot;
  }

  /** Whether it tells of a printer: of its hot end, or of its extruder. */
  boolean isOfPrinter() {
    return ofPrinter;
  }

  abstract Worksheet of(WorksheetRequest in);

  private static List<Double> list(String field, List<Double> values) {
    return Require.present(field, values, "a list of numbers");
  }

  private static double number(String field, Double value) {
    return Require.present(field, value, "a number");
  }
}
