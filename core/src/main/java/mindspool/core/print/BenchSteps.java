package mindspool.core.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import mindspool.core.material.Material;

/** A short list for the bench before start, fitted to the job; common practice. */
final class BenchSteps {

  /** A plate that is there sooner needs no word, min; judgement. */
  private static final double WORTH_SAYING_MIN = 2;

  /** Its face lags behind its sensor by so long, min; common practice. */
  private static final double FACE_LAGS_MIN = 5;

  private static final Map<String, String> SPREAD =
      Map.of(
          "pva_glue",
          "Spread PVA glue in a thin film on the warm plate. Too much of it becomes a release film.",
          "pvp_spray",
          "Take the plate off and spray it thinly away from the machine: the mist is flammable.",
          "eng_water",
          "Check that the coat of adhesive is whole; renew it with water and a new coat where it is"
              + " dull.",
          "abs_slurry",
          "Apply the slurry to the cold plate, in the open air: acetone ignites easily, no flame or"
              + " switch near.");

  private final SetupSheet sheet;
  private final List<String> steps = new ArrayList<>();

  BenchSteps(SetupSheet sheet) {
    this.sheet = sheet;
  }

  List<String> all() {
    SheetCase job = sheet.job();
    BuildPlate plate = job.plate().plate();
    if (!plate.isClean()) {
      steps.add(washing(plate.surface()));
    }
    String spread = SPREAD.get(plate.interfaceLayer());
    if (spread != null) {
      steps.add(spread);
    }
    double minutes = sheet.warmS() / 60;
    if (minutes > WORTH_SAYING_MIN && Double.isFinite(minutes)) {
      steps.add(
          say(
              "Heat the bed %.0f min ahead: this plate takes %.0f min to %.0f °C, its face a little"
                  + " longer.",
              Math.ceil(minutes + FACE_LAGS_MIN), Math.ceil(minutes), sheet.air().bedC()));
    }
    if (job.material().needsEnclosure()) {
      steps.add(
          "Hold a slip of paper under the hot end: it must not flutter. Where the hot-end fan blows"
              + " down on the part, turn its outlet away or tape the gap, clear of heater and wires.");
    }
    job.before()
        .filter(before -> !before.name().equals(job.material().name()))
        .map(before -> sheet.changeover(before, job.material()))
        .ifPresent(change -> steps.add(String.join(" ", change.steps())));
    for (Material other : job.together()) {
      if (other.name().equals(job.material().name())) {
        continue;
      }
      steps.add(
          say("At each change from %s to %s in one nozzle: ", job.material().name(), other.name())
              + String.join(" ", sheet.changeover(job.material(), other).steps()));
    }
    steps.add(
        job.printer().directFeed()
            ? "Turn the spool by hand: it must run free and not coast. Guide and end as they should be."
            : "Turn the spool by hand: it must run free. Feed tube seated square, no tight bend.");
    steps.add(
        "Stay for the first layer: lines touch, none is torn; set the height while it prints.");
    for (SetupSheet.Look look : sheet.looks()) {
      steps.add(
          say(
              "Look at the corners after about %.0f min, at %.0f mm: a small curl that grows is the"
                  + " sign.",
              Math.max(1, look.afterS() / 60), 1000 * look.heightM()));
    }
    return steps;
  }

  private static String washing(String surface) {
    return surface.equals("g10") || surface.equals("glass")
        ? "Take the plate off, wash it with dish soap and warm water, rinse, dry with a clean paper"
            + " towel. Hold it by its edges."
        : "Wash the plate with dish soap, rinse, then wipe the cool plate with isopropyl alcohol of 91"
            + " % or more and a plain white paper towel. Hold it by its edges; no flame near.";
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
