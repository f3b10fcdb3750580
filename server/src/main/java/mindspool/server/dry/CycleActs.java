package mindspool.server.dry;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Times;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryingCeiling;
import mindspool.core.drying.DryingForecast;
import mindspool.server.air.Climates;
import mindspool.server.http.Acts;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is done with a cycle: start, pause, add and take out spools, set anew, stop. */
@Service
class CycleActs {

  private static final double SHORTEST_H = 0.25;

  /** After these the air inside is another; a stopped cycle keeps what was computed. */
  private static final Set<Act> CHANGE_THE_AIR =
      EnumSet.of(Act.ADD, Act.REMOVE, Act.EMPTY, Act.SETPOINT, Act.HOURS);

  private static final Set<Act> AFTER_STOP = EnumSet.of(Act.REMOVE, Act.EMPTY);

  private final Cycles cycles;
  private final DryStore.Cycles store;
  private final DryStore.Facts facts;
  private final DryerBook book;
  private final Spools spools;
  private final Climates climates;
  private final CycleAirs airs;
  private final SpoolsThatPrint printing;
  private final Clock clock;

  CycleActs(
      Cycles cycles,
      DryStore.Cycles store,
      DryStore.Facts facts,
      DryerBook book,
      Spools spools,
      Climates climates,
      CycleAirs airs,
      SpoolsThatPrint printing,
      Clock clock) {
    this.printing = printing;
    this.airs = airs;
    this.cycles = cycles;
    this.store = store;
    this.facts = facts;
    this.book = book;
    this.spools = spools;
    this.climates = climates;
    this.clock = clock;
  }

  /**
   * A cycle to start.
   *
   * @param setpointC none for the recommended one
   * @param at when it was started; now if missing
   */
  record StartRequest(
      Long dryerId, List<String> codes, Double setpointC, Double hours, Instant at) {}

  /** What somebody does with a cycle. */
  enum Act {
    PAUSE,
    RESUME,
    ADD,
    REMOVE,
    SETPOINT,
    HOURS,
    STOP,
    /** Spools are taken out together; where nothing is left inside, it is stopped as well. */
    EMPTY,
    WITHOUT_POWER,
    RAN_ON
  }

  /**
   * An act.
   *
   * @param code the spool, for {@code ADD} and {@code REMOVE}
   * @param codes those that are taken out, for {@code EMPTY}; all where missing
   * @param placeId where what comes out is put, for {@code REMOVE}, {@code EMPTY} and {@code STOP}
   * @param value the new setpoint, °C, or hours in all
   * @param at when; now if missing
   * @param until end of a span without power
   */
  record ActRequest(
      Act act,
      String code,
      List<String> codes,
      Long placeId,
      Double value,
      Instant at,
      Instant until) {}

  private long now() {
    return clock.instant().getEpochSecond();
  }

  @Transactional
  public long start(StartRequest request) {
    long place = Require.present("dryerId", request.dryerId, "the number of a dryer");
    book.present(place);
    refuseBusy(place);
    List<String> codes = Require.present("codes", request.codes, "codes of spools in stock");
    if (codes.isEmpty() || codes.stream().distinct().count() < codes.size()) {
      throw new InvalidValueException(
          "codes", codes, "at least one spool, each once", "Choose what goes in.");
    }
    long at = past("at", request.at, 0);
    Dryer dryer = book.dryer(place);
    List<CurrentSpool> load = codes.stream().map(spools::current).toList();
    int slots = book.fit(place).slots();
    if (load.size() > slots) {
      throw new InvalidValueException(
          "codes",
          load.size() + " spools",
          "up to " + slots + ", the slots of " + book.place(place).name(),
          "Take some out, or choose another dryer.");
    }
    load.forEach(spool -> refuseUnfit(place, spool));
    List<DryingCeiling> ceilings = load.stream().map(spool -> ceiling(spool, dryer)).toList();
    double setpoint =
        request.setpointC == null ? recommended(load, ceilings, dryer) : request.setpointC;
    for (int i = 0; i < load.size(); i++) {
      refuseTooHot("setpointC", load.get(i), ceilings.get(i), setpoint);
    }
    DryingCycle cycle = new DryingCycle(place, at, now());
    cycle.openPlaceId = place;
    cycle.hours = hours("hours", Require.present("hours", request.hours, "a time in hours"));
    cycle.setpointC = Require.within("setpointC", setpoint, 20, dryer.ratedMaxC(), "°C");
    cycle.startC = ceilings.stream().mapToDouble(DryingCeiling::startC).reduce(setpoint, Math::min);
    cycle.biasK = dryer.biasC();
    cycle.warmingS = dryer.behaviour().warmingTimeS();
    store.save(cycle);
    codes.forEach(code -> put(cycle, code, at));
    computeAir(cycle.id, at, byCode(load));
    announce(place, at);
    return cycle.id;
  }

  private static double recommended(
      List<CurrentSpool> load, List<DryingCeiling> ceilings, Dryer dryer) {
    List<Double> wanted = new ArrayList<>();
    for (int i = 0; i < load.size(); i++) {
      wanted.add(ceilings.get(i).recommendedSetpointC(load.get(i).material(), dryer));
    }
    return Math.floor(DryingCeiling.commonSetpointC(ceilings, wanted));
  }

  private static DryingCeiling ceiling(CurrentSpool spool, Dryer dryer) {
    return DryingCeiling.of(
        spool.material(), spool.reelKind(), dryer, spool.state().profile().meanPercent());
  }

  private void refuseBusy(long placeId) {
    String name = book.place(placeId).name();
    boolean broken = book.description(placeId).outOfOrder;
    boolean busy = cycles.openIn(placeId).isPresent();
    if (broken || busy) {
      throw new InvalidValueException(
          "dryerId",
          name + (broken ? ", out of order" : "") + (busy ? ", " + takenBy(placeId) : ""),
          "a dryer in order and free",
          busy
              ? "Stop that cycle and take its spools out first, or choose another dryer."
              : "Choose another dryer.");
    }
  }

  private String takenBy(long placeId) {
    return cycles
        .openIn(placeId)
        .filter(CycleCourse::isStopped)
        .map(course -> "with " + String.join(", ", course.inside().keySet()) + " still inside")
        .orElse("with a cycle that nobody stopped");
  }

  private void refuseUnfit(long placeId, CurrentSpool spool) {
    if (spool.sealed()) {
      throw new InvalidValueException(
          "codes",
          spool.code() + ", sealed in its bag",
          "spools out of their bags",
          "Never dry inside a bag: open it first.");
    }
    cycles
        .openWith(spool.code())
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "codes",
                  spool.code() + ", in " + book.place(other.cycle().placeId).name(),
                  "spools that are in no other cycle",
                  "Take it out there first.");
            });
    printing.refuse("codes", spool.code(), placeId);
    book.objection(placeId, spool)
        .ifPresent(
            why -> {
              throw new InvalidValueException(
                  "codes",
                  spool.code() + ": " + why,
                  "reels that fit this dryer",
                  "Choose another.");
            });
  }

  private static void refuseTooHot(
      String field, CurrentSpool spool, DryingCeiling ceiling, double setpointC) {
    if (setpointC > ceiling.temperatureC() + 1e-9) {
      throw new InvalidValueException(
          field,
          Require.plain(setpointC) + " °C",
          String.format(
              Locale.ROOT,
              "up to %.1f °C for %s",
              Math.floor(10 * ceiling.temperatureC()) / 10,
              spool.code()),
          ceiling.limits().get(0).why() + ". " + String.join(" ", ceiling.raisedBy()));
    }
  }

  private static double hours(String field, double hours) {
    return Require.within(field, hours, SHORTEST_H, DryingForecast.LONGEST_HOURS, "h");
  }

  private long past(String field, Instant at, long notBeforeS) {
    if (at == null) {
      return now();
    }
    long past = Times.past(field, at, now());
    return notBeforeS == 0
        ? past
        : Times.notBefore(field, Instant.ofEpochSecond(past), notBeforeS, "its start");
  }

  private void put(DryingCycle cycle, String code, long atS) {
    CycleFact fact = new CycleFact(cycle.id, CycleFact.Kind.ADDED, atS, now());
    fact.code = code;
    if (spools.current(code).placeId() != cycle.placeId) {
      fact.spoolFactId = spools.move(code, cycle.placeId, whenMoved(atS));
    }
    facts.save(fact);
  }

  /** A move "now" is recorded without a time, so that two of them may follow at once. */
  private Instant whenMoved(long atS) {
    return now() - atS < 2 ? null : Instant.ofEpochSecond(atS);
  }

  @Transactional
  public void act(long cycleId, ActRequest request) {
    CycleCourse course = cycles.one(cycleId);
    DryingCycle cycle = course.cycle();
    Act act = Require.present("act", request.act, Arrays.toString(Act.values()));
    if (course.isStopped() && !(course.isOpen() && AFTER_STOP.contains(act))) {
      throw new InvalidValueException(
          "act",
          act,
          course.isOpen() ? "REMOVE or EMPTY: what is inside still" : "nothing more",
          "The cycle was stopped; undo that first.");
    }
    long at = past("at", request.at, lastFactS(course));
    // Before it is moved: afterwards it counts as having been in the dryer since then.
    Map<String, CurrentSpool> before = known(course, act == Act.ADD ? request.code : null);
    CycleFact fact =
        switch (act) {
          case PAUSE -> switched(course, CycleFact.Kind.PAUSED, at, false);
          case RESUME -> switched(course, CycleFact.Kind.RESUMED, at, true);
          case ADD -> added(course, request.code, at);
          case REMOVE -> removed(course, request.code, request.placeId, at);
          case EMPTY -> emptied(course, request, at);
          case SETPOINT -> set(course, request.value, at);
          case HOURS -> lasting(course, request.value, at);
          case STOP -> stopped(course, request.placeId, at);
          case WITHOUT_POWER, RAN_ON -> span(course, act, request);
        };
    CycleFact saved = facts.save(fact);
    cycles.changed();
    setOpen(cycleId, cycles.one(cycleId).isOpen());
    if (CHANGE_THE_AIR.contains(act)) {
      computeAir(cycleId, at, before);
    }
    announce(cycle.placeId, Math.min(at, saved.atS));
  }

  private static long lastFactS(CycleCourse course) {
    return course.facts().stream()
        .filter(fact -> fact.kind != CycleFact.Kind.UNSEEN)
        .mapToLong(fact -> fact.atS)
        .max()
        .orElse(course.cycle().startedS());
  }

  private CycleFact fact(CycleCourse course, CycleFact.Kind kind, long at) {
    return new CycleFact(course.cycle().id, kind, at, now());
  }

  private CycleFact switched(CycleCourse course, CycleFact.Kind kind, long at, boolean paused) {
    if (course.isPaused() != paused) {
      throw new InvalidValueException(
          "act",
          kind,
          paused ? "a paused cycle" : "a cycle that heats",
          paused ? "It heats already." : "It is paused already.");
    }
    return fact(course, kind, at);
  }

  /** A spool that is about to be moved into the dryer joins its cycle. */
  LongConsumer joining(CycleCourse course, String code, long at) {
    Map<String, CurrentSpool> before = known(course, code);
    refuseJoining(course, spools.current(code));
    CycleFact fact = fact(course, CycleFact.Kind.ADDED, at);
    fact.code = code;
    return moved -> settle(course, fact, moved, before);
  }

  /** A spool that is about to be moved out of the dryer leaves its cycle. */
  LongConsumer leaving(CycleCourse course, String code, long at) {
    Map<String, CurrentSpool> before = known(course, null);
    CycleFact fact = fact(course, CycleFact.Kind.REMOVED, at);
    fact.code = code;
    return moved -> settle(course, fact, moved, before);
  }

  private void settle(
      CycleCourse course, CycleFact fact, long moved, Map<String, CurrentSpool> before) {
    fact.spoolFactId = moved;
    facts.save(fact);
    cycles.changed();
    setOpen(course.cycle().id, cycles.one(course.cycle().id).isOpen());
    computeAir(course.cycle().id, fact.atS, before);
    announce(course.cycle().placeId, fact.atS);
  }

  private CycleFact added(CycleCourse course, String code, long at) {
    CurrentSpool spool = spools.current(Require.present("code", code, "the code of a spool"));
    refuseJoining(course, spool);
    CycleFact fact = fact(course, CycleFact.Kind.ADDED, at);
    fact.code = code;
    if (spool.placeId() != course.cycle().placeId) {
      fact.spoolFactId = spools.move(code, course.cycle().placeId, whenMoved(at));
    }
    return fact;
  }

  private void refuseJoining(CycleCourse course, CurrentSpool spool) {
    DryingCycle cycle = course.cycle();
    int slots = book.fit(cycle.placeId).slots();
    if (course.inside().size() >= slots) {
      throw new InvalidValueException(
          "code", spool.code(), "a free slot; all " + slots + " are taken", "Take one out first.");
    }
    refuseUnfit(cycle.placeId, spool);
    refuseTooHot("code", spool, ceiling(spool, book.dryer(cycle.placeId)), course.setpointC());
  }

  private CycleFact removed(CycleCourse course, String code, Long placeId, long at) {
    if (!course.inside().containsKey(code)) {
      throw new InvalidValueException(
          "code", code, course.inside().keySet().toString(), "Choose one that is inside.");
    }
    CycleFact fact = fact(course, CycleFact.Kind.REMOVED, at);
    fact.code = code;
    fact.spoolFactId =
        spools.move(
            code,
            Require.present("placeId", placeId, "the number of the place where it is put"),
            whenMoved(at));
    return fact;
  }

  private CycleFact emptied(CycleCourse course, ActRequest request, long at) {
    List<String> codes =
        request.codes == null ? List.copyOf(course.inside().keySet()) : request.codes;
    if (codes.isEmpty()) {
      throw new InvalidValueException(
          "act", Act.EMPTY, "a cycle with something inside", "It is empty already.");
    }
    if (!course.isStopped() && codes.containsAll(course.inside().keySet())) {
      // Nothing is left to be dried.
      facts.save(fact(course, CycleFact.Kind.STOPPED, at));
    }
    codes.stream().skip(1).forEach(code -> facts.save(removed(course, code, request.placeId, at)));
    return removed(course, codes.get(0), request.placeId, at);
  }

  private CycleFact set(CycleCourse course, Double value, long at) {
    double celsius = Require.present("value", value, "a temperature in °C");
    Dryer dryer = book.dryer(course.cycle().placeId);
    Require.within("value", celsius, 20, dryer.ratedMaxC(), "°C");
    for (String code : course.inside().keySet()) {
      CurrentSpool spool = spools.current(code);
      refuseTooHot("value", spool, ceiling(spool, dryer), celsius);
    }
    CycleFact fact = fact(course, CycleFact.Kind.SETPOINT, at);
    fact.amount = celsius;
    return fact;
  }

  private CycleFact lasting(CycleCourse course, Double value, long at) {
    CycleFact fact = fact(course, CycleFact.Kind.HOURS, at);
    fact.amount = hours("value", Require.present("value", value, "hours in all"));
    return fact;
  }

  /** Ends it; what is inside is put somewhere, or stays in the cold dryer. */
  private CycleFact stopped(CycleCourse course, Long placeId, long at) {
    if (placeId != null && placeId != course.cycle().placeId) {
      for (String code : course.inside().keySet()) {
        facts.save(removed(course, code, placeId, at));
      }
    }
    return fact(course, CycleFact.Kind.STOPPED, at);
  }

  private CycleFact span(CycleCourse course, Act act, ActRequest request) {
    long from =
        past(
            "at",
            Require.present("at", request.at, "the beginning of the span"),
            course.cycle().startedS());
    long until =
        past("until", Require.present("until", request.until, "the end of the span"), from + 1);
    CycleFact fact =
        fact(
            course, act == Act.RAN_ON ? CycleFact.Kind.RAN_ON : CycleFact.Kind.WITHOUT_POWER, from);
    fact.untilS = until;
    return fact;
  }

  private void setOpen(long cycleId, boolean open) {
    DryingCycle cycle = store.findById(cycleId).orElseThrow();
    cycle.openPlaceId = open ? Long.valueOf(cycle.placeId) : null;
    store.save(cycle);
  }

  private Map<String, CurrentSpool> known(CycleCourse course, String coming) {
    Stream<String> codes = course.inside().keySet().stream();
    return byCode(
        (coming == null ? codes : Stream.concat(codes, Stream.of(coming)))
            .distinct()
            .map(spools::current)
            .toList());
  }

  private static Map<String, CurrentSpool> byCode(List<CurrentSpool> all) {
    return all.stream().collect(Collectors.toMap(CurrentSpool::code, spool -> spool));
  }

  private void computeAir(long cycleId, long fromS, Map<String, CurrentSpool> before) {
    cycles.changed();
    airs.compute(cycles.one(cycleId), fromS, now(), before);
  }

  /** What hangs on the cycle follows, once more when it is stored. */
  private void announce(long placeId, long fromS) {
    Acts.nowAndAfterwards(cycles::changed);
    climates.dryerSwitched(placeId, fromS);
  }
}
