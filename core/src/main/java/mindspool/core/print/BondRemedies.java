package mindspool.core.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import mindspool.core.material.Parameter;

/**
 * What would weld the layers of a sheet better: each change is applied to the whole sheet, and only
 * what gains is named, with what it comes to.
 */
final class BondRemedies {

  /** A bond that rises by less is not worth a word; judgement. */
  private static final double WORTH_DOING = 0.01;

  /** A dial has whole degrees. */
  private static final double DIAL_STEP_C = 1;

  /** No desktop printer draws walls faster, m/s; common practice. */
  private static final double FASTEST = 0.3;

  private record Change(String words, UnaryOperator<SheetCase> by) {}

  private final SetupSheet sheet;
  private final SheetCase job;

  private BondRemedies(SetupSheet sheet) {
    this.sheet = sheet;
    this.job = sheet.job();
  }

  /**
   * What to do about a bond under what is asked for: the first change that suffices alone, else
   * those that suffice together, else what they leave. The least work comes first.
   */
  static String of(SetupSheet sheet) {
    return new BondRemedies(sheet).words();
  }

  private String words() {
    List<String> taken = new ArrayList<>();
    SheetCase together = job;
    double bond = sheet.bond().zToXy();
    for (Change change : changes()) {
      double alone = bond(change.by.apply(job));
      if (alone >= sheet.bondTarget()) {
        return say("%s: then %.2f.", change.words, alone);
      }
      double more = bond(change.by.apply(together));
      if (bond < sheet.bondTarget() && more > bond + WORTH_DOING) {
        taken.add(change.words);
        together = change.by.apply(together);
        bond = more;
      }
    }
    if (taken.isEmpty()) {
      return "Load it along its layers only: nothing else here bonds them better.";
    }
    String what = HoldLevers.inOneSentence(taken);
    return bond >= sheet.bondTarget()
        ? say("%s: together %.2f.", what, bond)
        : say(
            "%s: still %.2f. Load it along its layers only, or take another material or printer.",
            what, LayerBond.inHundredths(bond));
  }

  private double bond(SheetCase changed) {
    return sheet.withJob(changed).bond().zToXy();
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }

  /** Those that can be made here, the least work ahead. */
  private List<Change> changes() {
    List<Change> changes = new ArrayList<>();
    HoldDown.Case now = sheet.holdCase();
    if (!job.dried().equals(job)) {
      changes.add(new Change("Dry it first", SheetCase::dried));
    }
    double leastFan = job.material().value(Parameter.FAN_MIN) / 100;
    if (now.air().fanShare() > leastFan) {
      HoldDown.Case calmer = now.with(now.air().withFan(leastFan));
      changes.add(
          new Change(
              say("The part fan at %.0f %%", 100 * leastFan), it -> it.changed(now, calmer)));
    }
    double hottest =
        Math.min(job.printer().nozzleMaxC(), job.material().value(Parameter.NOZZLE_MAX));
    if (hottest >= sheet.nozzleC() + DIAL_STEP_C) {
      changes.add(new Change(say("The nozzle at %.0f °C", hottest), it -> it.withNozzle(hottest)));
    }
    faster().ifPresent(changes::add);
    HoldLevers.enclosure(job.material(), now.air(), sheet.reach())
        .ifPresent(
            air ->
                changes.add(
                    new Change(
                        say("An enclosure that gets to %.0f °C", air.chamberC()),
                        it -> it.changed(now, now.with(air)))));
    return changes;
  }

  /** A layer that is covered sooner is still warm. */
  private Optional<Change> faster() {
    OptionalDouble longest = sheet.bond().longestLayerS(sheet.bondTarget());
    if (longest.isEmpty() || longest.getAsDouble() < sheet.shortestLayerS()) {
      return Optional.empty();
    }
    double speed = sheet.speedMPerS() * sheet.layerS() / longest.getAsDouble();
    return speed > Math.min(FASTEST, sheet.mostSpeedMPerS())
            || sheet.layerS() <= longest.getAsDouble()
        ? Optional.empty()
        : Optional.of(
            new Change(
                say(
                    "At %.0f mm/s, which covers each layer after %.0f s",
                    Math.ceil(1000 * speed), longest.getAsDouble()),
                it -> it.withSpeed(Math.ceil(1000 * speed) / 1000)));
  }
}
