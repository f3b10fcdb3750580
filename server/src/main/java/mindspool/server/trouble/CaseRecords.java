package mindspool.server.trouble;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.LooseEnd;
import mindspool.core.trouble.Circumstances;
import mindspool.server.air.Climates;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPlate;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.print.PrintedRuns;
import mindspool.server.print.PrintedRuns.Printed;
import mindspool.server.shelf.Spools;
import mindspool.server.upkeep.Upkeep;
import org.springframework.stereotype.Component;

/** What the records know of a case: facts of the table, moisture of the metres, what changed. */
@Component
class CaseRecords {

  private static final double DAY_S = 86_400;
  private static final double DAYS_A_MONTH = 30.4;
  private static final double HOUR_S = 3600;

  private final PrintedRuns runs;
  private final Machines machines;
  private final Spools spools;
  private final Climates climates;
  private final Upkeep upkeep;
  private final MaterialCatalogue catalogue;

  CaseRecords(
      PrintedRuns runs,
      Machines machines,
      Spools spools,
      Climates climates,
      Upkeep upkeep,
      MaterialCatalogue catalogue) {
    this.runs = runs;
    this.machines = machines;
    this.spools = spools;
    this.climates = climates;
    this.upkeep = upkeep;
    this.catalogue = catalogue;
  }

  /**
   * Something that is another than at the last good print on the machine; {@code then} may be none.
   */
  record Changed(String what, String then, String now) {}

  /**
   * Water of the metres used.
   *
   * @param percent of the wettest of them
   * @param limitPercent that the material prints well with
   */
  record Moisture(double percent, double limitPercent, String because) {

    double ratio() {
      return percent / limitPercent;
    }
  }

  /** What is known of a case without asking anybody. */
  record Known(
      List<Circumstances.Held> held,
      Optional<Moisture> moisture,
      Optional<Printed> run,
      Optional<Printed> lastGood,
      List<Changed> changed) {}

  Known of(StoredTrouble trouble) {
    Optional<Printed> run = Optional.ofNullable(trouble.runId).flatMap(runs::find);
    long atS = run.map(Printed::startedS).orElse(trouble.openedS);
    Circumstances known = new Circumstances();
    Material material = trouble.material == null ? null : catalogue.named(trouble.material);
    if (material != null) {
      known.material(material);
    }
    Optional<Moisture> moisture = Optional.empty();
    if (trouble.code != null && spools.isKnown(trouble.code)) {
      spool(trouble.code, atS, known);
      moisture = moisture(trouble.code, run);
    }
    if (trouble.printerId != null) {
      printer(trouble.printerId, run, atS, known);
    }
    Optional<Printed> lastGood =
        trouble.printerId == null ? Optional.empty() : runs.lastGoodOn(trouble.printerId, atS);
    List<Changed> changed = new ArrayList<>();
    run.ifPresent(
        it -> {
          plate(it, known);
          runs.lastOn(it.printerId(), it.startedS())
              .ifPresent(
                  before ->
                      known
                          .recorded(
                              !before.material().equals(it.material()),
                              "material_changed",
                              before.material() + " was printed before")
                          .recorded(
                              before.plateId() != null && !before.plateId().equals(it.plateId()),
                              "plate_changed",
                              "another plate than the print before"));
          lastGood.ifPresent(
              good -> {
                changed(good, it, changed);
                done(it.printerId(), good.startedS(), it.startedS(), changed);
              });
        });
    return new Known(known.held(), moisture, run, lastGood, changed);
  }

  private void spool(String code, long atS, Circumstances known) {
    Spools.SpoolAge age = spools.ageOf(code, atS);
    Spools.CurrentSpool spool = spools.current(code);
    Spools.SpoolHandling handling = spools.handling(code);
    if (age.openDays() != null) {
      known.openDays(age.openDays());
    }
    known
        .ageMonths(age.ageDays() / DAYS_A_MONTH)
        .filament(
            spool.netG(),
            spool.netG() + spool.reelKind().emptyMassG(spool.netG()).typical(),
            spool.reelKind().isCardboard())
        .recorded(
            handling.smallestNozzleMm() > 0, "dusty_reel", "it is set apart for wider nozzles")
        .recorded(
            handling.end() == LooseEnd.SUSPECT || handling.end() == LooseEnd.TANGLE,
            "end_was_dropped",
            "its end " + handling.end().title());
  }

  private Optional<Moisture> moisture(String code, Optional<Printed> run) {
    Spools.CurrentSpool spool = spools.current(code);
    double limit = spool.material().printLimitPercent();
    if (run.isPresent()) {
      return Optional.ofNullable(run.get().moisturePercent())
          .map(
              percent -> new Moisture(percent, limit, "the wettest metres of " + run.get().name()));
    }
    return Optional.of(
        new Moisture(
            spool.state().profile().outerPercent(), limit, "the outer wraps of " + code + " now"));
  }

  private void printer(long placeId, Optional<Printed> run, long atS, Circumstances known) {
    Optional<KnownPrinter> there =
        machines.printers().stream().filter(it -> it.placeId() == placeId).findFirst();
    if (there.isEmpty()) {
      return;
    }
    KnownPrinter printer = there.get();
    known.printer(
        printer.printer(),
        run.map(Printed::chamberMeanC).map(OptionalDouble::of).orElse(OptionalDouble.empty()));
    if (printer.roomId() != null && climates.hasOwnRecord(printer.roomId())) {
      double endS = run.map(it -> it.startedS() + HOUR_S * it.hours()).orElse((double) atS);
      double fromS = run.map(it -> (double) it.startedS()).orElse(atS - DAY_S);
      MoistAir air =
          climates.climate(printer.roomId()).series().mean(fromS, Math.max(fromS + 60, endS));
      known.room(
          OptionalDouble.of(air.relativeHumidityPercent()), OptionalDouble.of(air.temperatureC()));
    }
  }

  private void plate(Printed run, Circumstances known) {
    if (run.plateId() == null) {
      return;
    }
    machines.plates().stream()
        .filter(plate -> plate.id() == run.plateId())
        .findFirst()
        .ifPresent(
            (KnownPlate plate) -> {
              long since =
                  runs.ended().stream()
                      .filter(it -> run.plateId().equals(it.plateId()))
                      .filter(it -> it.startedS() >= run.startedS())
                      .count();
              // Where it was washed since, nobody knows how it was then.
              if (since <= plate.printsSinceWash()) {
                known.plate(
                    !plate.mounted().plate().kind().isFlexible(),
                    (int) (plate.printsSinceWash() - since));
              }
            });
  }

  private void changed(Printed good, Printed now, List<Changed> changed) {
    different("material", good.material(), now.material(), changed);
    different("spool", good.code(), now.code(), changed);
    different("plate", plateName(good), plateName(now), changed);
    if (good.moisturePercent() != null && now.moisturePercent() != null) {
      different(
          "moisture of its metres",
          say("%.2f %%", good.moisturePercent()),
          say("%.2f %%", now.moisturePercent()),
          changed);
    }
    if (good.chamberMeanC() != null && now.chamberMeanC() != null) {
      different(
          "air around the part",
          say("%.0f °C", good.chamberMeanC()),
          say("%.0f °C", now.chamberMeanC()),
          changed);
    }
    if (good.roomMeanC() != null && now.roomMeanC() != null) {
      different("room", say("%.0f °C", good.roomMeanC()), say("%.0f °C", now.roomMeanC()), changed);
    }
  }

  /** Upkeep and settings since the last good print began. */
  private void done(long printerId, long fromS, long toS, List<Changed> changed) {
    upkeep
        .between(printerId, fromS, toS)
        .forEach(it -> changed.add(new Changed("upkeep", null, it.title())));
    machines.changes(printerId, fromS).stream()
        .filter(it -> it.atS() <= toS)
        .forEach(it -> changed.add(new Changed("printer", null, it.words())));
  }

  private String plateName(Printed run) {
    return run.plateId() == null ? "none" : machines.plateName(run.plateId());
  }

  private static void different(String what, String then, String now, List<Changed> changed) {
    if (!then.equals(now)) {
      changed.add(new Changed(what, then, now));
    }
  }

  private static String say(String words, Object... values) {
    return String.format(Locale.ROOT, words, values);
  }
}
