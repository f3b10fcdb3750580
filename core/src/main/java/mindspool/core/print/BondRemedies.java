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

  private static final double MORE_NOZZLE_C = 1;

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
   * What to do about a bond under what is asked for: the first change that suffices alone, else all
   * that gain together, else what they leave. The least work comes first.
   */
  static String of(SetupSheet sheet) {
    return new BondRemedies(sheet).words();
  }

  private String words() {
    List<Change> gaining = new ArrayList<>();
    SheetCase together = job;
    for (Change change : changes()) {
      double alone = bond(change.by.apply(job));
      if (alone >= LayerBond.USUAL_TARGET) {
        return String.format(Locale.ROOT, "%s: then %.2f.", change.words, alone);
      }
      if (alone > sheet.bond().zToXy() + WORTH_DOING) {
        gaining.add(change);
        together = change.by.apply(together);
      }
    }
    if (gaining.isEmpty()) {
      return "Load it along its layers only: nothing else here bonds them better.";
    }
    double all = bond(together);
    String what = HoldLevers.inOneSentence(gaining.stream().map(Change::words).toList());
    return all >= LayerBond.USUAL_TARGET
        ? String.format(Locale.ROOT, "%s: together %.2f.", what, all)
        : String.format(
            Locale.ROOT,
            "%s: still %.2f. Load it along its layers only, or take another material or printer.",
            what,
            LayerBond.inHundredths(all));
  }

  private double bond(SheetCase changed) {
    return sheet.withJob(changed).bond().zToXy();
  }

  private List<Change> changes() {
    List<Change> changes = new ArrayList<>();
    double limit = job.material().printLimitPercent();
    job.spool()
        .filter(spool -> Math.max(spool.startPercent(), spool.endPercent()) > limit)
        .ifPresent(
            spool ->
                changes.add(
                    new Change("Dry it first", it -> it.with(Optional.of(spool.driedTo(limit))))));
    PrintAir air = sheet.air();
    double leastFan = job.material().value(Parameter.FAN_MIN) / 100;
    if (air.fanShare() > leastFan) {
      changes.add(
          new Change(
              String.format(Locale.ROOT, "The part fan at %.0f %%", 100 * leastFan),
              it -> it.with(it.wishes().withFan(leastFan))));
    }
    double hottest =
        Math.min(job.printer().nozzleMaxC(), job.material().value(Parameter.NOZZLE_MAX));
    if (hottest >= sheet.nozzleC() + MORE_NOZZLE_C) {
      changes.add(
          new Change(
              String.format(Locale.ROOT, "The nozzle at %.0f °C", hottest),
              it -> it.with(it.wishes().withNozzle(hottest))));
    }
    faster().ifPresent(changes::add);
    HoldLevers.enclosure(job.material(), air, sheet.reach())
        .ifPresent(
            closed ->
                changes.add(
                    new Change(
                        String.format(
                            Locale.ROOT, "An enclosure that gets to %.0f °C", closed.chamberC()),
                        it -> it.with(it.wishes().withAir(closed)))));
    return changes;
  }

  /** A layer that is covered sooner is still warm. */
  private Optional<Change> faster() {
    OptionalDouble longest = sheet.bond().longestLayerS(LayerBond.USUAL_TARGET);
    if (longest.isEmpty() || longest.getAsDouble() < sheet.shortestLayerS()) {
      return Optional.empty();
    }
    double speed = sheet.speedMPerS() * sheet.layerS() / longest.getAsDouble();
    return speed > Math.min(FASTEST, sheet.mostSpeedMPerS())
            || sheet.layerS() <= longest.getAsDouble()
        ? Optional.empty()
        : Optional.of(
            new Change(
                String.format(
                    Locale.ROOT,
                    "At %.0f mm/s, which covers each layer after %.0f s",
                    Math.ceil(1000 * speed),
                    longest.getAsDouble()),
                it -> it.with(it.wishes().withSpeed(Math.ceil(1000 * speed) / 1000))));
  }
}
