package mindspool.server.climate;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.storage.StorageReplay;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.DesiccantChange;
import mindspool.core.storage.StorageReplay.MeasuredAir;
import mindspool.core.storage.StorageReplay.Opening;
import mindspool.core.storage.StorageReplay.Surroundings;
import mindspool.core.storage.StorageReplay.Vessel;
import mindspool.core.storage.StorageReplay.Whereabouts;
import mindspool.core.storage.WaterStore;
import mindspool.server.climate.PlaceContents.Occupant;
import mindspool.server.climate.PlaceContents.OccupantStay;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;

/**
 * The air in closed containers without a record of their own, computed for all of them together:
 * spools carry water from one to the other. Recomputed when it is asked for after anything changed.
 */
@Service
class ComputedClimates {

  /** How far ahead of now the containers are followed. */
  private static final double AHEAD_S = 15 * 86_400.0;

  private static final double OLD_S = 1800;

  private final ContainerFactStore facts;
  private final ObjectProvider<PlaceContents> contents;
  private final Clock clock;
  private Computed known;
  private Computed outdated;

  ComputedClimates(ContainerFactStore facts, ObjectProvider<PlaceContents> contents, Clock clock) {
    this.facts = facts;
    this.contents = contents;
    this.clock = clock;
  }

  /**
   * What was found.
   *
   * @param startS from when on the containers were followed
   */
  record Computed(double startS, double nowS, StorageReplay.Result result) {

    List<WaterStore> inside(long placeId) {
      return result.inside().getOrDefault(placeId, List.of()).stream()
          .map(WaterStore::copy)
          .toList();
    }
  }

  synchronized void invalidate() {
    if (known != null) {
      outdated = known;
      known = null;
    }
  }

  synchronized Computed get(Climates climates) {
    double now = clock.instant().getEpochSecond();
    if (known == null || now - known.nowS > OLD_S) {
      known = compute(climates, now);
    }
    return known;
  }

  /**
   * Computes anew where needed.
   *
   * @return from when on, epoch seconds, the air of which containers is another
   */
  synchronized Map<Long, Double> changed(Climates climates) {
    Computed before = outdated;
    Computed after = get(climates);
    outdated = null;
    Map<Long, Double> changed = new HashMap<>();
    if (before == null) {
      return changed;
    }
    after
        .result()
        .air()
        .forEach(
            (id, air) -> {
              ClimateSeries old = before.result().air().get(id);
              double from =
                  old == null
                      ? Double.NEGATIVE_INFINITY
                      : differFrom(old, air, after.startS(), after.nowS() + AHEAD_S);
              if (from < Double.POSITIVE_INFINITY) {
                changed.put(id, from);
              }
            });
    return changed;
  }

  private static double differFrom(ClimateSeries a, ClimateSeries b, double from, double to) {
    double step = StorageReplay.STEP_S * 6;
    for (double time = from; time < to; time += step) {
      if (a.vapourPressurePaAt(time) != b.vapourPressurePaAt(time)) {
        return time - step;
      }
    }
    return Double.POSITIVE_INFINITY;
  }

  private Computed compute(Climates climates, double now) {
    return new Preparation(climates, now).run();
  }

  /** Turns places, facts and occupants into what core follows. */
  private final class Preparation {
    private final Climates climates;
    private final double now;
    private final Map<Long, PlaceInfo> places = new HashMap<>();
    private final Map<Long, ClimateSeries> free = new HashMap<>();
    private final List<Vessel> vessels = new ArrayList<>();
    private final Set<Long> vesselIds = new HashSet<>();

    Preparation(Climates climates, double now) {
      this.climates = climates;
      this.now = now;
      climates.places().forEach(place -> places.put(place.id(), place));
    }

    Computed run() {
      places.values().forEach(this::addVessel);
      List<Content> lying = new ArrayList<>();
      double start = now - StorageReplay.STEP_S;
      for (Occupant occupant : occupants()) {
        if (occupant.stays().stream().anyMatch(stay -> vesselOf(stay.placeId()) != null)) {
          lying.add(content(occupant));
          start = Math.min(start, occupant.stays().get(0).fromS());
        }
      }
      List<Opening> openings = new ArrayList<>();
      List<DesiccantChange> changes = new ArrayList<>();
      for (ContainerFact fact : facts.findByUndoneSIsNullOrderByAtSAscIdAsc()) {
        if (vesselIds.contains(fact.placeId)) {
          start = Math.min(start, fact.atS);
          happening(fact, openings, changes);
        }
      }
      return new Computed(
          start,
          now,
          new StorageReplay(vessels, lying, openings, changes).run(start, now + AHEAD_S, now));
    }

    private List<Occupant> occupants() {
      PlaceContents told = contents.getIfAvailable();
      return told == null ? List.of() : told.occupants();
    }

    /** Adds a closed place after the one that it stands in. */
    private void addVessel(PlaceInfo place) {
      if (!place.kind().isClosed() || vesselIds.contains(place.id())) {
        return;
      }
      if (place.withinId() != null && vesselIdOf(place.withinId()) != null) {
        addVessel(places.get(vesselIdOf(place.withinId())));
      }
      vesselIds.add(place.id());
      MeasuredAir own =
          climates.hasOwnRecord(place.id())
              ? new MeasuredAir(climates.recordedFromS(place.id()), freeAir(place.id()))
              : null;
      vessels.add(
          new Vessel(
              place.id(),
              place.container(),
              place.measuredLeakGPerDay() == null ? Double.NaN : place.measuredLeakGPerDay(),
              place.withinId() == null
                  ? Surroundings.air(ClimateSeries.constant(Climates.ASSUMED))
                  : surroundings(place.withinId()),
              own));
    }

    /** The closed container that a place is or stands in. */
    private Long vesselIdOf(long placeId) {
      for (PlaceInfo place = places.get(placeId);
          place != null;
          place = place.withinId() == null ? null : places.get(place.withinId())) {
        if (place.kind().isClosed()) {
          return place.id();
        }
        if (place.kind() == PlaceKind.DRYER || climates.hasOwnRecord(place.id())) {
          return null;
        }
      }
      return null;
    }

    private Long vesselOf(long placeId) {
      Long id = vesselIdOf(placeId);
      return vesselIds.contains(id) ? id : null;
    }

    private Surroundings surroundings(long placeId) {
      Long vessel = vesselIdOf(placeId);
      return vessel != null ? Surroundings.vessel(vessel) : Surroundings.air(freeAir(placeId));
    }

    /** A place's own air: its record up to now, then what is expected. */
    private ClimateSeries freeAir(long placeId) {
      return free.computeIfAbsent(
          placeId,
          id ->
              ClimateSeries.joined(
                  climates.seriesForContainers(id), now, climates.outlook(id, now, now + AHEAD_S)));
    }

    private Content content(Occupant occupant) {
      List<Whereabouts> whereabouts = new ArrayList<>();
      for (OccupantStay stay : occupant.stays()) {
        whereabouts.add(new Whereabouts(stay.fromS(), surroundings(stay.placeId()), stay.sealed()));
      }
      return new Content(
          occupant.isotherm(),
          occupant.dryMassG(),
          occupant.lagH(),
          occupant.later(),
          occupant.cardboardG(),
          occupant.startHumidity(),
          whereabouts);
    }

    private void happening(
        ContainerFact fact, List<Opening> openings, List<DesiccantChange> changes) {
      switch (fact.kind) {
        case OPENED -> openings.add(new Opening(fact.placeId, fact.atS, fact.minutes));
        case DESICCANT_TAKEN_OUT ->
            changes.add(new DesiccantChange(fact.placeId, fact.atS, null, 0, 0));
        default ->
            changes.add(
                new DesiccantChange(
                    fact.placeId,
                    fact.atS,
                    fact.desiccant,
                    fact.dryMassG,
                    fact.massG - fact.dryMassG));
      }
    }
  }
}
