package mindspool.server.upkeep;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import mindspool.core.device.Quantity;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.upkeep.HotIdle;
import mindspool.core.upkeep.HotIdle.Reading;
import mindspool.server.devices.Probes;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.print.PrintedRuns;
import mindspool.server.print.PrintedRuns.Printed;
import mindspool.server.today.AgendaSource;
import org.springframework.stereotype.Component;

/** Nozzles that stand hot with nothing printing, where a printer tells how hot its nozzle is. */
@Component
class HotIdleAgenda implements AgendaSource {

  /** So far back it is looked, s: who begins the next day looks at the nozzle anyway. */
  private static final long LOOKED_BACK_S = 12 * 3600;

  private final Machines machines;
  private final PrintedRuns runs;
  private final Upkeep upkeep;
  private final Probes probes;
  private final MaterialCatalogue catalogue;

  HotIdleAgenda(
      Machines machines,
      PrintedRuns runs,
      Upkeep upkeep,
      Probes probes,
      MaterialCatalogue catalogue) {
    this.machines = machines;
    this.runs = runs;
    this.upkeep = upkeep;
    this.probes = probes;
    this.catalogue = catalogue;
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    return machines.printers().stream()
        .map(printer -> line(printer, nowS))
        .filter(Objects::nonNull)
        .toList();
  }

  private Line line(KnownPrinter printer, long nowS) {
    Optional<Printed> last = runs.lastOn(printer.placeId(), nowS + 1);
    Optional<Material> material =
        last.map(Printed::material)
            .or(() -> Optional.ofNullable(printer.lastMaterial()))
            .flatMap(catalogue::find);
    boolean printing = last.isPresent() && last.get().endedS() == null;
    if (printing || material.isEmpty()) {
      return null;
    }
    long endedS = last.map(Printed::endedS).orElse(0L);
    long freshS = Math.max(endedS, upkeep.cleanNozzleS(printer.placeId()).orElse(0));
    long fromS = Math.max(nowS - LOOKED_BACK_S, freshS);
    long sinceS = Math.max(fromS, lastMovedS(printer.placeId(), fromS));
    List<Reading> readings =
        probes.minutes(printer.placeId(), Quantity.NOZZLE, 1000 * sinceS).stream()
            .map(shown -> new Reading(shown.timeMs() / 1000, shown.value()))
            .toList();
    HotIdle idle = HotIdle.of(material.get(), readings, nowS);
    // Another print, pull or nozzle makes it another line.
    String key = printer.placeId() + "-" + freshS;
    return switch (idle.advice()) {
      case NOTHING -> null;
      case COOL ->
          new Line(
              "idle-cool-" + key,
              nowS,
              Doer.PERSON,
              "Let the nozzle of " + printer.name() + " cool",
              String.format(
                  Locale.ROOT,
                  "It has stood hot for %.0f min with no print on record; %s in it chars in %.0f"
                      + " min. It may wait at %.0f °C.",
                  idle.minutes(),
                  material.get().name(),
                  idle.minutesLeft(material.get()),
                  idle.standbyC()),
              "What chars in it blocks it, or lets go into a part.",
              "/place/" + printer.placeId());
      case CLEAN ->
          new Line(
              "idle-clean-" + key,
              nowS,
              Doer.PERSON,
              "Clean the nozzle of " + printer.name() + " before it prints",
              String.format(
                  Locale.ROOT,
                  "It stood hot for %.0f min with no print on record: %s in it has begun to char. Push"
                      + " it out, or pull it out cold.",
                  idle.minutes(),
                  material.get().name()),
              "What has charred blocks it, or lets go into a part.",
              "/trouble/steps/cold_pull");
    };
  }

  /** When a printer last told of progress: it may print what nobody has put on record here. */
  private long lastMovedS(long placeId, long fromS) {
    List<Probes.Latest> told = probes.minutes(placeId, Quantity.PROGRESS, 1000 * fromS);
    for (int i = told.size() - 1; i > 0; i--) {
      if (told.get(i).value() != told.get(i - 1).value()) {
        return told.get(i).timeMs() / 1000;
      }
    }
    return fromS;
  }
}
