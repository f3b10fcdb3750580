package mindspool.server.dry;

import java.time.Clock;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mindspool.core.InvalidValueException;
import mindspool.server.air.Climates;
import mindspool.server.http.Acts;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.stereotype.Component;

/** What follows when facts of a cycle change: whether it is open, the air inside, the spools. */
@Component
class CycleSettling {

  private final Cycles cycles;
  private final DryStore.Cycles store;
  private final DryerBook book;
  private final Spools spools;
  private final CycleAirs airs;
  private final Climates climates;
  private final SpoolsThatPrint printing;
  private final Clock clock;

  CycleSettling(
      Cycles cycles,
      DryStore.Cycles store,
      DryerBook book,
      Spools spools,
      CycleAirs airs,
      Climates climates,
      SpoolsThatPrint printing,
      Clock clock) {
    this.printing = printing;
    this.cycles = cycles;
    this.store = store;
    this.book = book;
    this.spools = spools;
    this.airs = airs;
    this.climates = climates;
    this.clock = clock;
  }

  /**
   * Prepares for a change of some facts of a cycle.
   *
   * @return to be run once they are changed; refuses what cannot be
   */
  Runnable of(long cycleId, List<CycleFact> facts) {
    Map<String, CurrentSpool> before = known(cycleId, facts);
    return () -> {
      DryingCycle cycle = store.findById(cycleId).orElseThrow();
      long since = facts.stream().mapToLong(fact -> fact.atS).min().orElse(cycle.startedS());
      Acts.nowAndAfterwards(cycles::changed);
      Optional<CycleCourse> course =
          cycle.holds() ? Optional.of(cycles.one(cycleId)) : Optional.empty();
      boolean open = course.isPresent() && course.get().isOpen();
      if (open) {
        refuseImpossible(course.get(), cycle.openPlaceId == null);
        refusePrinting(course.get(), cycle.openPlaceId == null, facts);
      }
      cycle.openPlaceId = open ? Long.valueOf(cycle.placeId) : null;
      store.saveAndFlush(cycle);
      cycles.changed();
      course.ifPresent(it -> airs.compute(it, since, now(), before));
      climates.dryerSwitched(cycle.placeId, since);
    };
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  private Map<String, CurrentSpool> known(long cycleId, List<CycleFact> facts) {
    Collection<String> inside =
        cycles.all().stream()
            .filter(course -> course.cycle().id == cycleId)
            .findFirst()
            .map(course -> (Collection<String>) course.inside().keySet())
            .orElse(List.of());
    return Stream.concat(
            inside.stream(), facts.stream().map(fact -> fact.code).filter(Objects::nonNull))
        .distinct()
        .filter(spools::isKnown)
        .map(spools::current)
        .collect(Collectors.toMap(CurrentSpool::code, spool -> spool));
  }

  /** A cycle can only be open where nothing else runs, with spools that are in no other. */
  private void refuseImpossible(CycleCourse course, boolean opens) {
    long placeId = course.cycle().placeId;
    String name = book.place(placeId).name();
    boolean busy =
        cycles.open().stream()
            .anyMatch(
                other ->
                    other.cycle().placeId == placeId
                        && !Objects.equals(other.cycle().id, course.cycle().id));
    boolean broken = opens && book.description(placeId).outOfOrder;
    if (busy || broken) {
      throw new InvalidValueException(
          "dryerId",
          name
              + (broken ? ", out of order" : "")
              + (busy ? ", with a cycle that nobody stopped" : ""),
          "a dryer in order and free",
          busy ? "Stop that cycle and empty it first." : "Put the dryer in order first.");
    }
    int slots = book.fit(placeId).slots();
    if (course.inside().size() > slots) {
      throw new InvalidValueException(
          "codes",
          course.inside().size() + " spools",
          "up to " + slots + ", the slots of " + name,
          "Take one out first.");
    }
    course.inside().keySet().forEach(code -> refuseElsewhere(code, course));
  }

  /** Nothing comes back in that prints meanwhile. */
  private void refusePrinting(CycleCourse course, boolean opens, List<CycleFact> facts) {
    course.inside().keySet().stream()
        .filter(code -> opens || facts.stream().anyMatch(fact -> code.equals(fact.code)))
        .forEach(code -> printing.refuse("code", code, course.cycle().placeId));
  }

  private void refuseElsewhere(String code, CycleCourse course) {
    cycles.open().stream()
        .filter(other -> !Objects.equals(other.cycle().id, course.cycle().id))
        .filter(other -> other.inside().containsKey(code))
        .findFirst()
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "code",
                  code + ", in " + book.place(other.cycle().placeId).name(),
                  "spools that are in no other cycle",
                  "Take it out there first.");
            });
  }
}
