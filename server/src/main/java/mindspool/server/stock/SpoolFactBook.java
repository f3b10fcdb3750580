package mindspool.server.stock;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.server.acts.FactBook;
import mindspool.server.air.Climates;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** What happened to spools, in words, and what follows when it is undone. */
@Component
public class SpoolFactBook extends FactBook<SpoolFact> {

  private final SpoolRecords records;
  private final Occupancy occupancy;
  private final Climates climates;
  private final ObjectProvider<SpoolInUse> uses;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  SpoolFactBook(
      SpoolStore.Facts store,
      SpoolRecords records,
      Occupancy occupancy,
      Climates climates,
      ObjectProvider<SpoolInUse> uses,
      ApplicationEventPublisher events,
      Clock clock) {
    super(store);
    this.records = records;
    this.occupancy = occupancy;
    this.climates = climates;
    this.uses = uses;
    this.events = events;
    this.clock = clock;
  }

  @Override
  protected Line line(SpoolFact fact) {
    String code = records.codeOf(fact.spoolId);
    return new Line(code, "/spool/" + code, sentence(fact, climates));
  }

  /** A fact in words, without the spool. */
  public static String sentence(SpoolFact fact, Climates climates) {
    return switch (fact.kind) {
      case RECEIVED ->
          "received into "
              + climates.place(fact.placeId).name()
              + (fact.grossMassG == null ? "" : ", " + gross(fact));
      case OPENED -> "bag opened";
      case MOVED -> "moved to " + climates.place(fact.placeId).name();
      case WEIGHED ->
          "weighed, " + gross(fact) + (fact.nothingUsed ? ", nothing used since the last" : "");
      case END -> "loose end: " + fact.detail.toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
      case CHECKED -> "seen on receiving: " + fact.detail;
      case HEATED ->
          "lay hot" + (fact.amount == null ? "" : ", " + Require.plain(fact.amount) + " °C");
      case DUSTY -> "dusty or dropped, for nozzles from " + Require.plain(fact.amount) + " mm only";
      case CLEANED -> "wiped clean";
      case EMPTIED -> "used up, empty reel " + Require.plain(fact.grossMassG) + " g";
      case USED -> "printed from, " + Require.plain(fact.amount) + " g";
    };
  }

  private static String gross(SpoolFact fact) {
    return Require.plain(fact.grossMassG) + " g gross";
  }

  @Override
  protected Runnable change(List<SpoolFact> facts, boolean undo) {
    if (undo) {
      facts.stream()
          .filter(fact -> fact.kind == SpoolFact.Kind.RECEIVED)
          .forEach(fact -> refuseInUse(records.codeOf(fact.spoolId)));
    }
    Map<Long, Long> since =
        facts.stream().collect(Collectors.toMap(fact -> fact.spoolId, fact -> fact.atS, Math::min));
    return () ->
        since.forEach(
            (spoolId, fromS) -> {
              refuseOverfull(spoolId, fromS);
              events.publishEvent(new SpoolChanged(spoolId, fromS));
            });
  }

  /** A spool that was never received cannot be in a dryer. */
  private void refuseInUse(String code) {
    uses.forEach(
        each ->
            each.useOf(code)
                .ifPresent(
                    use -> {
                      throw new InvalidValueException(
                          "code",
                          code + ", " + use,
                          "a spool that nothing else names",
                          "Settle that first; then its receipt can be undone.");
                    }));
  }

  /** Undoing a move puts a spool somewhere too. */
  private void refuseOverfull(long spoolId, long since) {
    SpoolRecord spool = records.byId(spoolId);
    if (spool.present() && !spool.isEmpty()) {
      long now = clock.instant().getEpochSecond();
      occupancy.refuseOverfull(List.of(spool.placeAt(now), spool.placeAt(since)), since);
    }
  }
}
