package mindspool.server.stock;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Times;
import mindspool.core.stock.LooseEnd;
import mindspool.core.stock.RemainingFilament;
import mindspool.server.acts.Origin;
import mindspool.server.air.Climates;
import mindspool.server.http.MayBeNull;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.stock.SpoolRequests.CleanRequest;
import mindspool.server.stock.SpoolRequests.DustRequest;
import mindspool.server.stock.SpoolRequests.EmptyRequest;
import mindspool.server.stock.SpoolRequests.EndRequest;
import mindspool.server.stock.SpoolRequests.HeatRequest;
import mindspool.server.stock.SpoolRequests.MoveRequest;
import mindspool.server.stock.SpoolRequests.OpenRequest;
import mindspool.server.stock.SpoolRequests.WeighRequest;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is done with a spool in stock: move, weigh, open. */
@Service
public class SpoolActs {

  /** Water alone does not make a spool this much heavier between two weighings. */
  private static final double DOUBTFUL_GAIN_SHARE = 0.02;

  private static final double SCALE_STEP_G = 5;
  private static final double USUAL_DUSTY_NOZZLE_MM = 0.6;

  private static final Set<PlaceKind> FEEDS_OUT =
      EnumSet.of(PlaceKind.FEEDER, PlaceKind.DRY_BOX, PlaceKind.DRYER, PlaceKind.SLOT);

  private final SpoolRecords records;
  private final SpoolStore.Facts facts;
  private final Climates climates;
  private final Occupancy occupancy;
  private final ObjectProvider<DryerDoor> doors;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  SpoolActs(
      SpoolRecords records,
      SpoolStore.Facts facts,
      Climates climates,
      Occupancy occupancy,
      ObjectProvider<DryerDoor> doors,
      ApplicationEventPublisher events,
      Clock clock) {
    this.records = records;
    this.facts = facts;
    this.climates = climates;
    this.occupancy = occupancy;
    this.doors = doors;
    this.events = events;
    this.clock = clock;
  }

  /** A remark where something looks odd; null where nothing does. */
  public record Recorded(@MayBeNull String remark) {}

  private long now() {
    return clock.instant().getEpochSecond();
  }

  private long time(String field, Instant at, SpoolRecord spool) {
    if (at == null) {
      return now();
    }
    long past = Times.past(field, at, now());
    return Times.notBefore(
        field, Instant.ofEpochSecond(past), spool.spool().arrivedS, "its arrival");
  }

  @Transactional
  public Recorded move(String code, MoveRequest request, Origin origin) {
    moved(code, request, origin, origin != Origin.DEMO);
    return new Recorded(null);
  }

  /** Moves several spools to one place: all of them or none. */
  @Transactional
  public void moveAll(Collection<String> codes, MoveRequest request, Origin origin) {
    codes.forEach(code -> moved(code, request, origin, origin != Origin.DEMO));
  }

  /** Opens the bags of several spools: all of them or none. */
  @Transactional
  public void openAll(Collection<String> codes, Origin origin) {
    codes.forEach(code -> open(code, new OpenRequest(null), origin));
  }

  /**
   * Moves a spool.
   *
   * @param byHand whether a dryer that it comes from or goes into has to be asked
   * @return the fact
   */
  public SpoolFact moved(String code, MoveRequest request, Origin origin, boolean byHand) {
    SpoolRecord spool = records.byCode(code);
    PlaceInfo target =
        climates.presentPlace(
            Require.present("placeId", request.placeId(), "the number of a place"));
    boolean asItHappens = request.at() == null;
    long from = asItHappens ? notBeforeLastMove(spool) : time("at", request.at(), spool);
    long back = spool.placeAt(from);
    if (back == target.id()) {
      throw new InvalidValueException(
          "placeId", target.name(), "another place", "The spool was already there at that time.");
    }
    occupancy.refuseFull(
        target,
        from,
        request.until() == null ? spool.nextMoveS(from) : time("until", request.until(), spool));
    refuseUnsecured(spool, target);
    LongConsumer door =
        byHand ? throughDoor(code, climates.place(back), target, from, request) : fact -> {};
    if (request.until() == null) {
      if (!asItHappens) {
        refuseOverlap("at", spool, from, from);
      }
      SpoolFact only = place(spool, target.id(), from, origin, null);
      door.accept(only.id);
      return only;
    }
    long until = time("until", request.until(), spool);
    if (until <= from) {
      throw new InvalidValueException(
          "until", request.until(), "later than the start", "Give when it came back.");
    }
    refuseOverlap("until", spool, from, until);
    SpoolFact there = place(spool, target.id(), from, origin, null);
    there.visitId = there.id;
    facts.save(there);
    place(spool, back, until, origin, there.id);
    door.accept(there.id);
    return there;
  }

  private LongConsumer throughDoor(
      String code, PlaceInfo from, PlaceInfo to, long atS, MoveRequest request) {
    DryerDoor door = doors.getIfAvailable();
    return door == null
        ? fact -> {}
        : door.moving(
            new DryerDoor.Move(code, from, to, atS, request.until() != null, request.entry()));
  }

  /** Only a reel with its end hooked in may be put away; printers, feeders and dryers take any. */
  private static void refuseUnsecured(SpoolRecord spool, PlaceInfo target) {
    boolean store = target.kind() != PlaceKind.PRINTER_HOLDER && !FEEDS_OUT.contains(target.kind());
    if (store && !spool.end().mayBeStored() && spool.end() != LooseEnd.SUSPECT) {
      throw new InvalidValueException(
          "placeId",
          target.name(),
          "a printer, feeder or dryer while its end is " + spool.end().title(),
          spool.end() == LooseEnd.LOADED
              ? "Unload it and hook the end in first."
              : "Hook the end in first.");
    }
  }

  /** Now; or when it last moved, where the clock was set back a little since. */
  private long notBeforeLastMove(SpoolRecord spool) {
    long last =
        spool.facts().stream().filter(SpoolFact::places).mapToLong(f -> f.atS).max().orElse(0);
    return last > now() && last - now() < 60 ? last : now();
  }

  private void refuseOverlap(String field, SpoolRecord spool, long from, long until) {
    for (SpoolFact fact : spool.facts()) {
      if (fact.kind == SpoolFact.Kind.MOVED && fact.atS >= from && fact.atS <= until) {
        throw new InvalidValueException(
            field,
            Instant.ofEpochSecond(until),
            "a time without another move",
            "It was moved to %s at %s; undo that first or choose another time."
                .formatted(climates.place(fact.placeId).name(), Instant.ofEpochSecond(fact.atS)));
      }
    }
  }

  private SpoolFact place(SpoolRecord spool, long placeId, long at, Origin origin, Long visitId) {
    SpoolFact fact = new SpoolFact(spool.spool().id, SpoolFact.Kind.MOVED, at, now(), origin);
    fact.placeId = placeId;
    fact.visitId = visitId;
    SpoolFact saved = facts.save(fact);
    events.publishEvent(new SpoolChanged(spool.spool().id, at));
    return saved;
  }

  @Transactional
  public Recorded weigh(String code, WeighRequest request, Origin origin) {
    SpoolRecord spool = records.byCode(code);
    double gross = Require.present("grossMassG", request.grossMassG(), "a mass in g");
    if (spool.isEmpty()) {
      throw new InvalidValueException(
          "grossMassG", gross, "a spool that is not used up", "Undo its emptying first.");
    }
    RemainingFilament left = Weighing.checked(spool.spool(), gross, spool.filament());
    spool.winding(Math.max(1, left.massG().typical()));
    long at = time("at", request.at(), spool);
    SpoolFact fact = new SpoolFact(spool.spool().id, SpoolFact.Kind.WEIGHED, at, now(), origin);
    fact.grossMassG = gross;
    fact.nothingUsed = Boolean.TRUE.equals(request.nothingUsed());
    if (request.scaleStepG() != null) {
      fact.scaleStepG =
          Require.within(
              "scaleStepG", request.scaleStepG(), 0.001, 50, "g", "The smallest step it shows.");
    }
    if (fact.nothingUsed && spool.lastWeighedBefore(at).isEmpty()) {
      throw new InvalidValueException(
          "nothingUsed",
          true,
          "a weighing before it to compare with",
          "Leave it out for the first weighing.");
    }
    facts.save(fact);
    events.publishEvent(new SpoolChanged(spool.spool().id, at));
    return new Recorded(remark(spool, gross, at));
  }

  private static String remark(SpoolRecord spool, double gross, long at) {
    Double before = null;
    for (SpoolFact fact : spool.facts()) {
      if (fact.grossMassG != null && fact.atS <= at) {
        before = fact.grossMassG;
      }
    }
    double gain = before == null ? 0 : gross - before;
    double doubtful = SCALE_STEP_G + DOUBTFUL_GAIN_SHARE * spool.spool().nominalNetG;
    return gain <= doubtful
        ? null
        : "It is %.0f g heavier than at the last weighing. Is it this spool, on the same scale?"
            .formatted(gain);
  }

  @Transactional
  public Recorded open(String code, OpenRequest request, Origin origin) {
    SpoolRecord spool = records.byCode(code);
    if (spool.openedS().isPresent()) {
      throw new InvalidValueException(
          "at",
          Instant.ofEpochSecond(spool.openedS().get()),
          "one opening",
          "It was opened then; undo that first.");
    }
    long at = time("at", request.at(), spool);
    facts.save(new SpoolFact(spool.spool().id, SpoolFact.Kind.OPENED, at, now(), origin));
    events.publishEvent(new SpoolChanged(spool.spool().id, at));
    return new Recorded(null);
  }

  /** Records what was done with the loose end. */
  @Transactional
  public Recorded end(String code, EndRequest request, Origin origin) {
    SpoolRecord spool = records.byCode(code);
    LooseEnd.Act act =
        Require.present("act", request.act(), List.of(LooseEnd.Act.values()).toString());
    spool.end().after(act);
    return store(spool, SpoolFact.Kind.END, request.at(), origin, fact -> fact.detail = act.name());
  }

  /** Records that it lay hot. */
  @Transactional
  public Recorded heated(String code, HeatRequest request, Origin origin) {
    Double celsius =
        request.temperatureC() == null
            ? null
            : Require.within("temperatureC", request.temperatureC(), 30, 150, "°C");
    return store(
        records.byCode(code),
        SpoolFact.Kind.HEATED,
        request.at(),
        origin,
        fact -> fact.amount = celsius);
  }

  /** Sets it aside for wide nozzles. */
  @Transactional
  public Recorded dusty(String code, DustRequest request, Origin origin) {
    double nozzle =
        Require.within(
            "smallestNozzleMm",
            request.smallestNozzleMm() == null ? USUAL_DUSTY_NOZZLE_MM : request.smallestNozzleMm(),
            0.4,
            2,
            "mm",
            "0.6 mm helps much against dust; 1 mm passes anything.");
    return store(
        records.byCode(code),
        SpoolFact.Kind.DUSTY,
        request.at(),
        origin,
        fact -> fact.amount = nozzle);
  }

  /** Says that it was wiped and is clean again. */
  @Transactional
  public Recorded cleaned(String code, CleanRequest request, Origin origin) {
    return store(records.byCode(code), SpoolFact.Kind.CLEANED, request.at(), origin, fact -> {});
  }

  /**
   * Records that filament was printed from it without weighing: it came off the outside, with its
   * water.
   */
  @Transactional
  public void used(String code, double grams, Origin origin) {
    double checked = Require.within("grams", grams, 0, 20_000, "g");
    store(records.byCode(code), SpoolFact.Kind.USED, null, origin, fact -> fact.amount = checked);
  }

  /** Takes it out of stock; its reel's mass then tells that of its siblings. */
  @Transactional
  public Recorded emptied(String code, EmptyRequest request, Origin origin) {
    SpoolRecord spool = records.byCode(code);
    double most = spool.spool().reelKind.emptyMassG(spool.spool().nominalNetG).high();
    double mass =
        Require.within(
            "emptyReelG",
            Require.present("emptyReelG", request.emptyReelG(), "a mass in g"),
            0,
            2 * most + 100,
            "g",
            "Weigh the reel with nothing left on it.");
    return store(
        spool, SpoolFact.Kind.EMPTIED, request.at(), origin, fact -> fact.grossMassG = mass);
  }

  private Recorded store(
      SpoolRecord spool,
      SpoolFact.Kind kind,
      Instant requestedAt,
      Origin origin,
      Consumer<SpoolFact> describe) {
    long at = time("at", requestedAt, spool);
    SpoolFact fact = new SpoolFact(spool.spool().id, kind, at, now(), origin);
    describe.accept(fact);
    facts.save(fact);
    events.publishEvent(new SpoolChanged(spool.spool().id, at));
    return new Recorded(null);
  }
}
