package mindspool.server.dry;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mindspool.server.air.DryerRuns;
import mindspool.server.http.KeptValue;
import mindspool.server.http.NotFoundException;
import org.springframework.stereotype.Service;

/** Cycles with what happened in them, kept in memory: whatever hangs on them asks often. */
@Service
class Cycles implements DryerRuns {

  private final DryStore.Cycles cycles;
  private final DryStore.Facts facts;
  private final DryStore.Dryers dryers;
  private final DryStore.Vapours vapours;
  private final Clock clock;
  private final KeptValue<List<CycleCourse>> known = new KeptValue<>();

  Cycles(
      DryStore.Cycles cycles,
      DryStore.Facts facts,
      DryStore.Dryers dryers,
      DryStore.Vapours vapours,
      Clock clock) {
    this.vapours = vapours;
    this.cycles = cycles;
    this.facts = facts;
    this.dryers = dryers;
    this.clock = clock;
  }

  /** Something of a cycle or a dryer is another. */
  void changed() {
    known.forget();
  }

  /** All that hold, by their start. */
  List<CycleCourse> all() {
    return known.get(this::read);
  }

  private List<CycleCourse> read() {
    Map<Long, List<CycleFact>> byCycle = new HashMap<>();
    for (CycleFact fact : facts.findAllByOrderByAtSAscIdAsc()) {
      byCycle.computeIfAbsent(fact.cycleId, id -> new ArrayList<>()).add(fact);
    }
    Map<Long, List<CycleVapour>> airs = new HashMap<>();
    for (CycleVapour vapour : vapours.findAllByOrderByFromSAscIdAsc()) {
      airs.computeIfAbsent(vapour.cycleId, id -> new ArrayList<>()).add(vapour);
    }
    Map<Long, Boolean> turnOff = new HashMap<>();
    dryers.findAll().forEach(each -> turnOff.put(each.placeId, each.turnsItselfOff));
    return cycles.findByUndoneByIsNullOrderByAtSAscIdAsc().stream()
        .map(
            cycle ->
                new CycleCourse(
                    cycle,
                    byCycle.getOrDefault(cycle.id, List.of()),
                    airs.getOrDefault(cycle.id, List.of()),
                    turnOff.getOrDefault(cycle.placeId, true)))
        .toList();
  }

  CycleCourse one(long id) {
    return all().stream()
        .filter(course -> course.cycle().id == id)
        .findFirst()
        .orElseThrow(() -> new NotFoundException("cycle with number " + id));
  }

  /** Those that take up their dryer: nobody stopped them, or something is still inside. */
  List<CycleCourse> open() {
    return all().stream().filter(CycleCourse::isOpen).toList();
  }

  Optional<CycleCourse> openIn(long placeId) {
    return open().stream().filter(course -> course.cycle().placeId == placeId).findFirst();
  }

  /** The open cycle that a spool is in. */
  Optional<CycleCourse> openWith(String code) {
    return open().stream().filter(course -> course.inside().containsKey(code)).findFirst();
  }

  /** Those that were stopped, the latest first. */
  List<CycleCourse> stopped(int most) {
    return all().stream()
        .filter(course -> !course.isOpen())
        .sorted(
            Comparator.comparingLong((CycleCourse course) -> course.cycle().startedS()).reversed())
        .limit(most)
        .toList();
  }

  @Override
  public List<DryerRun> of(long placeId) {
    long now = clock.instant().getEpochSecond();
    return all().stream()
        .filter(course -> course.cycle().placeId == placeId)
        .flatMap(course -> course.runs(now).stream())
        .toList();
  }

  /** Now, as the whole program tells it. */
  Instant now() {
    return clock.instant();
  }
}
