package mindspool.core.storage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.DesiccantChange;
import mindspool.core.storage.StorageReplay.Loading;
import mindspool.core.storage.StorageReplay.Opening;
import mindspool.core.storage.StorageReplay.Result;
import mindspool.core.storage.StorageReplay.Surroundings;
import mindspool.core.storage.StorageReplay.Vessel;
import mindspool.core.storage.StorageReplay.Whereabouts;
import mindspool.core.storage.StorageState.ContentState;
import mindspool.core.storage.StorageState.VesselState;

/**
 * Keeps the air of all closed containers as their record grows and is corrected, replaying only the
 * containers concerned and only from the last full day before the change.
 *
 * <p>Containers hang together when one stands in the other or a spool has lain in both; such a
 * group is replayed together. What is found is the same as a replay of everything from the
 * beginning finds. Used by one thread at a time; each call holds the others up for one group at
 * most.
 */
public final class StorageFollower {

  private static final double DAY_S = StorageReplay.DAY_S;

  /** States of every day are kept for so long, of every eighth and 64th for longer. */
  private static final int DAILY_FOR = 10;

  private static final int EVERY_8TH_FOR = 120;

  private final double aheadS;
  private StorageRecord known = StorageRecord.NONE;
  private Map<Long, Group> groups = Map.of();
  private final Map<Long, Double> outdatedFrom = new HashMap<>();
  private final Set<Long> outdatedByFacts = new HashSet<>();

  /** Also read while a group is followed. */
  private final Map<Long, Followed> found = new ConcurrentHashMap<>();

  private final NavigableMap<Double, States> states = new TreeMap<>();
  private final Map<Long, Change> changed = new ConcurrentHashMap<>();
  private long changes;

  /**
   * Knows of nothing yet.
   *
   * @param aheadS how far beyond now the containers are followed, s
   */
  public StorageFollower(double aheadS) {
    this.aheadS = aheadS;
  }

  /** States of all groups at one time. */
  private record States(Map<Long, VesselState> vessels, Map<Long, ContentState> contents) {}

  /**
   * From when on the air of a container is another.
   *
   * @param number tells it from a change before it that nobody has heard of yet
   */
  public record Change(double fromS, long number) {}

  /** What is known of a container. */
  private record Followed(
      double nowS,
      ClimateSeries air,
      ClimateSeries followed,
      List<Loading> loading,
      List<WaterStore> inside) {}

  /** Containers that hang together, with all that concerns them. */
  private static final class Group {
    final List<Vessel> vessels = new ArrayList<>();
    final List<Content> contents = new ArrayList<>();
    final List<Opening> openings = new ArrayList<>();
    final List<DesiccantChange> changes = new ArrayList<>();

    /** A full hour before anything is inside; the last one where nothing ever was. */
    double startS(double nowS) {
      double first = nowS;
      for (Content content : contents) {
        first = Math.min(first, content.whereabouts().get(0).fromS());
      }
      for (DesiccantChange change : changes) {
        first = Math.min(first, change.atS());
      }
      return Math.floor(first / StorageReplay.STEP_S - 1) * StorageReplay.STEP_S;
    }

    boolean isEverUsed() {
      return !contents.isEmpty() || !changes.isEmpty();
    }

    boolean isOccupied(Vessel vessel, double timeS) {
      boolean desiccant = false;
      for (DesiccantChange change : changes) {
        if (change.vesselId() == vessel.id() && change.atS() < timeS) {
          desiccant = change.kind() != null;
        }
      }
      return desiccant
          || contents.stream()
              .map(content -> stayAt(content, timeS))
              .anyMatch(
                  stay ->
                      stay != null
                          && !stay.sealed()
                          && Objects.equals(stay.in().vesselId(), vessel.id()));
    }
  }

  private static Whereabouts stayAt(Content content, double timeS) {
    Whereabouts last = null;
    for (Whereabouts stay : content.whereabouts()) {
      if (stay.fromS() < timeS) {
        last = stay;
      }
    }
    return last;
  }

  /**
   * Takes the whole record as it now is.
   *
   * @param record each vessel after the one that it stands in
   */
  public synchronized void tell(StorageRecord record) {
    StorageRecord.Difference difference = record.since(known);
    known = record;
    groups = grouped(record);
    difference.vessels().forEach((id, fromS) -> outdatedFrom.merge(id, fromS, Math::min));
    difference
        .byFacts()
        .forEach(
            (id, byFact) -> {
              if (byFact) {
                outdatedByFacts.add(id);
              }
            });
    difference.vessels().forEach(this::dropVessel);
    difference
        .contents()
        .forEach(
            (id, fromS) ->
                states.tailMap(fromS, false).values().forEach(s -> s.contents.remove(id)));
    found.keySet().removeIf(id -> !groups.containsKey(id));
    outdatedFrom.keySet().removeIf(id -> !groups.containsKey(id));
  }

  private void dropVessel(Long id, double fromS) {
    states.tailMap(fromS, false).values().forEach(state -> state.vessels.remove(id));
  }

  private static Map<Long, Group> grouped(StorageRecord record) {
    Map<Long, Long> leader = new HashMap<>();
    record.vessels().forEach(vessel -> leader.put(vessel.id(), vessel.id()));
    for (Vessel vessel : record.vessels()) {
      join(leader, vessel.id(), vessel.outside().vesselId());
    }
    for (Content content : record.contents()) {
      Long first = null;
      for (Whereabouts stay : content.whereabouts()) {
        Long in = stay.in().vesselId();
        if (in != null && leader.containsKey(in)) {
          join(leader, in, first);
          first = in;
        }
      }
    }
    Map<Long, Group> groups = new LinkedHashMap<>();
    Map<Long, Group> byVessel = new LinkedHashMap<>();
    for (Vessel vessel : record.vessels()) {
      Group group = groups.computeIfAbsent(leader(leader, vessel.id()), id -> new Group());
      group.vessels.add(vessel);
      byVessel.put(vessel.id(), group);
    }
    for (Content content : record.contents()) {
      content.whereabouts().stream()
          .map(stay -> byVessel.get(stay.in().vesselId()))
          .filter(Objects::nonNull)
          .findFirst()
          .ifPresent(group -> group.contents.add(content));
    }
    record.openings().stream()
        .filter(each -> byVessel.containsKey(each.vesselId()))
        .forEach(each -> byVessel.get(each.vesselId()).openings.add(each));
    record.changes().stream()
        .filter(each -> byVessel.containsKey(each.vesselId()))
        .forEach(each -> byVessel.get(each.vesselId()).changes.add(each));
    byVessel
        .values()
        .forEach(group -> group.changes.sort(Comparator.comparingDouble(DesiccantChange::atS)));
    return byVessel;
  }

  private static void join(Map<Long, Long> leader, Long a, Long b) {
    if (b != null && leader.containsKey(b)) {
      leader.put(leader(leader, a), leader(leader, b));
    }
  }

  private static Long leader(Map<Long, Long> leader, Long id) {
    Long at = id;
    while (!leader.get(at).equals(at)) {
      leader.put(at, leader.get(leader.get(at)));
      at = leader.get(at);
    }
    return at;
  }

  /** Containers with something in them, now or once, that are not followed up to now. */
  public synchronized List<Long> waiting(double nowS, double oldS) {
    Set<Group> seen = new HashSet<>();
    List<Long> first = new ArrayList<>();
    for (Map.Entry<Long, Group> entry : groups.entrySet()) {
      Group group = entry.getValue();
      if (seen.add(group) && group.isEverUsed() && isOutdated(group, nowS, oldS)) {
        first.add(entry.getKey());
      }
    }
    return first;
  }

  private boolean isOutdated(Group group, double nowS, double oldS) {
    for (Vessel vessel : group.vessels) {
      Followed known = found.get(vessel.id());
      if (known == null || nowS - known.nowS > oldS || outdatedFrom.containsKey(vessel.id())) {
        return true;
      }
    }
    return false;
  }

  /** Air in a container, followed to now and ahead; what is older than {@code oldS} is renewed. */
  public synchronized ClimateSeries air(long vesselId, double nowS, double oldS) {
    return followed(vesselId, nowS, oldS).air;
  }

  /** Copies of what is in a container now. */
  public synchronized List<WaterStore> inside(long vesselId, double nowS, double oldS) {
    return followed(vesselId, nowS, oldS).inside.stream().map(WaterStore::copy).toList();
  }

  /**
   * Air in a container as it was last found, be it not up to the latest change; none while it was
   * never followed. Waits for nothing.
   */
  public Optional<ClimateSeries> lastAir(long vesselId) {
    return Optional.ofNullable(found.get(vesselId)).map(Followed::air);
  }

  /** By container, from when on its air was found to be another; until this was {@link #told}. */
  public Map<Long, Change> changes() {
    return Map.copyOf(changed);
  }

  /** Everybody has heard of changes; what came since stays. */
  public void told(Map<Long, Change> heard) {
    heard.forEach(changed::remove);
  }

  private Followed followed(long vesselId, double nowS, double oldS) {
    Group group = groups.get(vesselId);
    if (group == null) {
      throw new IllegalArgumentException("no container with number " + vesselId);
    }
    if (isOutdated(group, nowS, oldS)) {
      follow(group, nowS);
    }
    return found.get(vesselId);
  }

  private void follow(Group group, double nowS) {
    double from = Double.POSITIVE_INFINITY;
    boolean byFacts = false;
    for (Vessel vessel : group.vessels) {
      from = Math.min(from, outdatedFrom.getOrDefault(vessel.id(), Double.POSITIVE_INFINITY));
      from = found.containsKey(vessel.id()) ? from : Double.NEGATIVE_INFINITY;
      byFacts |= outdatedByFacts.contains(vessel.id());
    }
    double since = from;
    group.vessels.forEach(vessel -> dropVessel(vessel.id(), since));
    group.contents.forEach(
        content ->
            states
                .tailMap(since, false)
                .values()
                .forEach(state -> state.contents.remove(content.id())));
    StorageReplay replay =
        new StorageReplay(group.vessels, group.contents, group.openings, group.changes);
    StorageState start = lastKnown(group, Math.min(from, nowS), nowS);
    Result result = replay.resume(start, before(group), nowS + aheadS, nowS, this::keep);
    for (Vessel vessel : group.vessels) {
      take(vessel, result, nowS, byFacts);
    }
    thin(nowS);
  }

  /** The latest state not after a time from which a group can go on; its beginning if none. */
  private StorageState lastKnown(Group group, double timeS, double nowS) {
    double start = group.startS(nowS);
    for (Map.Entry<Double, States> entry : states.headMap(timeS, true).descendingMap().entrySet()) {
      double time = entry.getKey();
      if (time <= start) {
        break;
      }
      if (isWhole(group, entry.getValue(), time)) {
        return new StorageState(
            time, Map.copyOf(entry.getValue().vessels), Map.copyOf(entry.getValue().contents));
      }
    }
    return StorageState.at(start);
  }

  private static boolean isWhole(Group group, States state, double timeS) {
    for (Vessel vessel : group.vessels) {
      if (!state.vessels.containsKey(vessel.id()) && group.isOccupied(vessel, timeS)) {
        return false;
      }
    }
    for (Content content : group.contents) {
      if (!state.contents.containsKey(content.id()) && hasLainInside(content, timeS)) {
        return false;
      }
    }
    return true;
  }

  private static boolean hasLainInside(Content content, double timeS) {
    return content.whereabouts().stream()
        .anyMatch(stay -> stay.fromS() < timeS && !stay.sealed() && isInside(stay.in()));
  }

  private static boolean isInside(Surroundings in) {
    return in.vesselId() != null;
  }

  private Result before(Group group) {
    Map<Long, ClimateSeries> followed = new HashMap<>();
    Map<Long, List<Loading>> loading = new HashMap<>();
    for (Vessel vessel : group.vessels) {
      Followed known = found.get(vessel.id());
      if (known != null && known.followed != null) {
        followed.put(vessel.id(), known.followed);
        loading.put(vessel.id(), known.loading);
      }
    }
    return new Result(Map.of(), followed, loading, Map.of());
  }

  private void keep(StorageState state) {
    States at =
        states.computeIfAbsent(state.timeS(), time -> new States(new HashMap<>(), new HashMap<>()));
    at.vessels.putAll(state.vessels());
    at.contents.putAll(state.contents());
  }

  private void take(Vessel vessel, Result result, double nowS, boolean byFacts) {
    long id = vessel.id();
    Followed before = found.get(id);
    Followed now =
        new Followed(
            nowS,
            result.air().get(id),
            result.followed().get(id),
            result.loading().getOrDefault(id, List.of()),
            result.inside().getOrDefault(id, List.of()));
    found.put(id, now);
    outdatedFrom.remove(id);
    outdatedByFacts.remove(id);
    if (before != null) {
      double from = now.air.differsFrom(before.air);
      // The weather is always a little other than was expected; that alone is no news.
      if (from < Double.POSITIVE_INFINITY && (byFacts || from < before.nowS - DAY_S / 4)) {
        changed.merge(
            id,
            new Change(from, ++changes),
            (known, more) -> new Change(Math.min(known.fromS, more.fromS), more.number));
      }
    }
  }

  /** Keeps fewer states the older they are. */
  private void thin(double nowS) {
    states
        .keySet()
        .removeIf(
            time -> {
              double days = (nowS - time) / DAY_S;
              long number = Math.round(time / DAY_S);
              return days > DAILY_FOR && number % (days > EVERY_8TH_FOR ? 64 : 8) != 0;
            });
  }
}
