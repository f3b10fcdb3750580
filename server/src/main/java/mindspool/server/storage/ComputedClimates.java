package mindspool.server.storage;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.storage.StorageFollower;
import mindspool.core.storage.StorageFollower.Change;
import mindspool.core.storage.StorageRecord;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.DesiccantChange;
import mindspool.core.storage.StorageReplay.MeasuredAir;
import mindspool.core.storage.StorageReplay.Opening;
import mindspool.core.storage.StorageReplay.Surroundings;
import mindspool.core.storage.StorageReplay.Vessel;
import mindspool.core.storage.StorageReplay.Whereabouts;
import mindspool.core.storage.WaterStore;
import mindspool.server.air.Climates;
import mindspool.server.air.ClosedAir;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.storage.PlaceContents.Occupant;
import mindspool.server.storage.PlaceContents.OccupantStay;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;

/**
 * The air in closed containers without a record of their own: spools carry water from one to the
 * other. What changed is only noted; the containers concerned are followed anew by whoever asks for
 * them first, else in the background.
 */
@Service
class ComputedClimates implements ClosedAir, DisposableBean {

  /** How far ahead of now the containers are followed. */
  private static final double AHEAD_S = 15 * 86_400.0;

  private static final double OLD_S = 1800;

  private static final Logger LOG = LoggerFactory.getLogger(ComputedClimates.class);

  private final ContainerFactStore facts;
  private final ObjectProvider<PlaceContents> contents;
  private final Clock clock;
  private final StorageFollower follower = new StorageFollower(AHEAD_S);

  /** Rises with every change; {@link #toldVersion} follows it. */
  private final AtomicLong version = new AtomicLong(1);

  private final Object telling = new Object();
  private volatile long toldVersion;
  private volatile long toldS;
  private volatile long settledVersion;
  private volatile double settledS = Double.NEGATIVE_INFINITY;
  private final AtomicBoolean settling = new AtomicBoolean();
  private final ExecutorService background =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "containers");
            thread.setDaemon(true);
            return thread;
          });

  ComputedClimates(ContainerFactStore facts, ObjectProvider<PlaceContents> contents, Clock clock) {
    this.facts = facts;
    this.contents = contents;
    this.clock = clock;
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  @Override
  public void invalidate() {
    version.incrementAndGet();
  }

  @Override
  public ClimateSeries air(Climates climates, long placeId) {
    tell(climates);
    return follower.air(placeId, now(), OLD_S);
  }

  @Override
  public Optional<ClimateSeries> lastAir(long placeId) {
    return follower.lastAir(placeId);
  }

  /** Copies of what is in a closed container now. */
  List<WaterStore> inside(Climates climates, long placeId) {
    tell(climates);
    return follower.inside(placeId, now(), OLD_S);
  }

  @Override
  public boolean isSettled() {
    return settledVersion > 0;
  }

  @Override
  public void settle(Climates climates, Consumer<Map<Long, Double>> listener) {
    long upTo = version.get();
    double now = now();
    if (settledVersion != upTo || now - settledS > OLD_S) {
      tell(climates);
      for (Long placeId : follower.waiting(now, OLD_S)) {
        follower.air(placeId, now, OLD_S);
      }
      // Only now: whoever comes while others are at it follows what is left, and is not too early.
      settledVersion = upTo;
      settledS = now;
    }
    Map<Long, Change> changes = follower.changes();
    if (!changes.isEmpty()) {
      Map<Long, Double> fromS = new HashMap<>();
      changes.forEach((id, change) -> fromS.put(id, change.fromS()));
      listener.accept(fromS);
      follower.told(changes);
    }
  }

  @Override
  public void settleSoon(Climates climates) {
    if (settling.compareAndSet(false, true)) {
      background.execute(
          () -> {
            settling.set(false);
            try {
              climates.settle();
            } catch (RuntimeException e) {
              LOG.warn("The containers could not be followed", e);
            }
          });
    }
  }

  @Override
  public void destroy() {
    background.shutdownNow();
  }

  /**
   * Gives the record on when it is another; it is read from the database before any lock is taken.
   */
  private void tell(Climates climates) {
    long upTo = version.get();
    long now = now();
    if (toldVersion == upTo && now - toldS <= OLD_S) {
      return;
    }
    StorageRecord record = new Preparation(climates, now).record();
    synchronized (telling) {
      if (upTo >= toldVersion) {
        follower.tell(record);
        toldVersion = upTo;
        toldS = now;
      }
    }
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
      climates.placesEver().forEach(place -> places.put(place.id(), place));
    }

    StorageRecord record() {
      places.values().forEach(this::addVessel);
      List<Content> lying = new ArrayList<>();
      for (Occupant occupant : occupants()) {
        if (occupant.stays().stream().anyMatch(stay -> vesselOf(stay.placeId()) != null)) {
          lying.add(content(occupant));
        }
      }
      List<Opening> openings = new ArrayList<>();
      List<DesiccantChange> changes = new ArrayList<>();
      for (ContainerFact fact : facts.findByUndoneByIsNullOrderByAtSAscIdAsc()) {
        if (vesselIds.contains(fact.placeId)) {
          happening(fact, openings, changes);
        }
      }
      return new StorageRecord(vessels, lying, openings, changes);
    }

    private List<Occupant> occupants() {
      PlaceContents known = contents.getIfAvailable();
      return known == null ? List.of() : known.occupants();
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
          occupant.id(),
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
