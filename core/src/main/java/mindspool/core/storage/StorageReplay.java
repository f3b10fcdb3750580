package mindspool.core.storage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;

/**
 * Follows closed containers and what lies in them through a record of moves, openings and
 * desiccant, all together and in order of time, because each spool brings along the water of where
 * it lay before and shares it with whatever it now lies beside.
 *
 * <p>It steps by the hour; what happens within an hour counts from its beginning. A spool counts as
 * a single store with the lag of {@link UptakeTime}; its profile by depth is the spool model's
 * business, driven by the air found here. A container with nothing in it has the air around it:
 * whoever puts something in opens it first.
 *
 * <p>A replay can be gone on from any {@link StorageState} that it passed, with the same result as
 * one without a break. The air found is kept by the hour for the last weeks and more sparsely
 * before, so that a long record takes little memory.
 */
public final class StorageReplay {

  /** Step of the replay, s. */
  public static final double STEP_S = 3600;

  private static final double HOURS_PER_DAY = 24;
  static final double DAY_S = 86_400;

  /** Before this the air is kept every five hours, which no daily swing falls in step with. */
  private static final double FINE_S = 40 * DAY_S;

  private static final long COARSE_H = 5;

  /** Before this, and where nothing was inside, every 25 hours. */
  private static final double COARSE_S = 400 * DAY_S;

  private static final long COARSEST_H = 25;

  /** An open tray of desiccant in a box held open, g per minute and unit of humidity (grade D). */
  private static final double OPEN_TRAY_G_PER_MIN = 0.04;

  /** What surrounds or fills something: free air by its climate, or a container by its number. */
  public record Surroundings(ClimateSeries air, Long vesselId) {

    public static Surroundings air(ClimateSeries air) {
      return new Surroundings(air, null);
    }

    public static Surroundings vessel(long id) {
      return new Surroundings(null, id);
    }
  }

  /**
   * A container.
   *
   * @param measuredGPerDay conductance found by weighing, g per day and unit of humidity
   *     difference; NaN where the kind's typical one is taken
   * @param outside what is around it
   * @param record its own measured air, which goes before anything computed; null without one
   */
  public record Vessel(
      long id,
      Container container,
      double measuredGPerDay,
      Surroundings outside,
      MeasuredAir record) {

    boolean isMeasuredAt(double timeS) {
      return record != null && timeS >= record.fromS;
    }

    double conductanceGPerDay(double temperatureC) {
      return Double.isNaN(measuredGPerDay)
          ? container.conductanceGPerDay(temperatureC, 0).typical()
          : measuredGPerDay;
    }
  }

  /** Air that was measured from a time on; before it the container is followed like any other. */
  public record MeasuredAir(double fromS, ClimateSeries air) {}

  /**
   * From a time on, so much is left on a spool.
   *
   * @param dryMassG of its polymer
   * @param lagH see {@link UptakeTime}
   */
  public record MassFrom(double fromS, double dryMassG, double lagH) {}

  /** From a time on, a spool lies somewhere; sealed in its own bag it exchanges nothing. */
  public record Whereabouts(double fromS, Surroundings in, boolean sealed) {}

  /**
   * A spool.
   *
   * @param id its number, by which it is known from one replay to the next
   * @param isotherm of its polymer
   * @param dryMassG of its polymer at first
   * @param lagH then, see {@link UptakeTime}
   * @param later what was left of it afterwards, in order of time
   * @param cardboardG paper board in its reel, g
   * @param startHumidity with which it is in balance at first, 0..1
   */
  public record Content(
      long id,
      Isotherm isotherm,
      double dryMassG,
      double lagH,
      List<MassFrom> later,
      double cardboardG,
      double startHumidity,
      List<Whereabouts> whereabouts) {}

  /** A container was opened for some minutes. */
  public record Opening(long vesselId, double atS, double minutes) {}

  /**
   * From a time on, a container holds this desiccant; {@code kind} null takes it out.
   *
   * @param waterG all water in it then, g
   */
  public record DesiccantChange(
      long vesselId, double atS, Desiccant kind, double dryMassG, double waterG) {}

  /** Water in a container's desiccant at a time, g. */
  public record Loading(double timeS, double waterG) {}

  /**
   * What was found.
   *
   * @param air by container, from the start to the end
   * @param followed the same without what was measured; only where something was followed
   * @param loading by container with desiccant, one value a day and the last
   * @param inside by container, copies of what was in it at the moment asked for
   */
  public record Result(
      Map<Long, ClimateSeries> air,
      Map<Long, ClimateSeries> followed,
      Map<Long, List<Loading>> loading,
      Map<Long, List<WaterStore>> inside) {

    /** Of nothing. */
    static final Result NONE = new Result(Map.of(), Map.of(), Map.of(), Map.of());
  }

  private final List<Vessel> vessels;
  private final List<Content> contents;
  private final List<Opening> openings;
  private final List<DesiccantChange> changes;

  /**
   * Prepares a replay.
   *
   * @param vessels each after the one that it stands in
   */
  public StorageReplay(
      List<Vessel> vessels,
      List<Content> contents,
      List<Opening> openings,
      List<DesiccantChange> changes) {
    this.vessels = vessels;
    this.contents = sorted(contents, Comparator.comparingLong(Content::id));
    this.openings = sorted(openings, Comparator.comparingDouble(Opening::atS));
    this.changes = sorted(changes, Comparator.comparingDouble(DesiccantChange::atS));
  }

  private static <T> List<T> sorted(List<T> list, Comparator<T> order) {
    return list.stream().sorted(order).toList();
  }

  /** Follows everything from a time to another, seconds on the climates' scale. */
  public Result run(double startS, double endS) {
    return run(startS, endS, endS);
  }

  /**
   * Follows everything from a time to another.
   *
   * @param lookS when to note what is in the containers, within the span
   */
  public Result run(double startS, double endS, double lookS) {
    return resume(StorageState.at(startS), Result.NONE, endS, lookS, state -> {});
  }

  /**
   * Goes on from a state.
   *
   * @param from where everything was; what it does not know begins there, a spool with what it took
   *     up in the open before
   * @param before what was found up to then
   * @param lookS when to note what is in the containers, within the span
   * @param keep is given the state at every full day up to that moment
   */
  Result resume(
      StorageState from, Result before, double endS, double lookS, Consumer<StorageState> keep) {
    return new Run(from, before, lookS).to(endS, keep);
  }

  private static final class Inside {
    final Vessel vessel;
    final ContainerAir air;

    /** In an order that does not hang on which came first, so that sums are exactly the same. */
    final SortedMap<Long, WaterStore> stores = new TreeMap<>();

    final ClimateSeries.Builder series = ClimateSeries.builder();
    final List<Loading> loading = new ArrayList<>();
    List<WaterStore> listed = List.of();
    WaterStore desiccant;
    double temperatureC;
    double openG;
    boolean measured;
    boolean changed = true;

    Inside(Vessel vessel, double relativeHumidity) {
      this.vessel = vessel;
      this.air = new ContainerAir(vessel.container, relativeHumidity);
    }

    void put(long key, WaterStore store) {
      if (stores.isEmpty()) {
        changed = true;
      }
      stores.put(key, store);
      listed = List.copyOf(stores.values());
    }

    void take(long key) {
      stores.remove(key);
      changed |= stores.isEmpty();
      listed = List.copyOf(stores.values());
    }

    void setDesiccant(WaterStore present) {
      desiccant = present;
      if (present == null) {
        take(DESICCANT_KEY);
      } else {
        put(DESICCANT_KEY, present);
      }
    }

    /** Its air from start to end: followed until it was measured. */
    ClimateSeries found(ClimateSeries followed) {
      if (vessel.record == null) {
        return followed;
      }
      return followed == null
          ? vessel.record.air
          : ClimateSeries.joined(followed, vessel.record.fromS, vessel.record.air);
    }
  }

  private static final long DESICCANT_KEY = Long.MAX_VALUE;

  private static final class Lying {
    final Content content;
    final WaterStore filament;
    final WaterStore board;
    int stay = -1;
    int mass = 0;

    Lying(Content content) {
      this.content = content;
      this.filament =
          WaterStore.of(
              content.isotherm,
              content.dryMassG,
              content.lagH,
              content.dryMassG * content.isotherm.fraction(content.startHumidity));
      this.board =
          content.cardboardG > 0
              ? WaterStore.cardboard(content.cardboardG, content.startHumidity)
              : null;
    }

    /** As it was at a time, having passed everything before it. */
    Lying(Content content, StorageState.ContentState known, double timeS) {
      this.content = content;
      this.filament = known.filament().copy();
      this.board = known.board() == null ? null : known.board().copy();
      while (mass < content.later.size() && content.later.get(mass).fromS < timeS) {
        mass++;
      }
      while (stay + 1 < content.whereabouts.size()
          && content.whereabouts.get(stay + 1).fromS < timeS) {
        stay++;
      }
    }

    long filamentKey() {
      return 2 * content.id;
    }

    long boardKey() {
      return 2 * content.id + 1;
    }

    StorageState.ContentState state() {
      return new StorageState.ContentState(filament.copy(), board == null ? null : board.copy());
    }

    /** What is left after a use, from its time on. */
    void use(double until) {
      List<MassFrom> masses = content.later;
      for (; mass < masses.size() && masses.get(mass).fromS < until; mass++) {
        MassFrom left = masses.get(mass);
        filament.leaveOver(left.dryMassG, left.lagH);
      }
    }

    void spend(double hours, MoistAir air) {
      double humidity = air.relativeHumidityPercent() / 100;
      filament.advance(hours, humidity, air.temperatureC());
      if (board != null) {
        board.advance(hours, humidity, air.temperatureC());
      }
    }
  }

  /** End of the step that begins at a time: the next full hour. */
  private static double stepEnd(double timeS, double endS) {
    return Math.min(endS, (Math.floor(timeS / STEP_S) + 1) * STEP_S);
  }

  /** A spool as it was at a time before which it lay in the open only. */
  private static Lying fromTheOpen(Content content, double timeS) {
    Lying spool = new Lying(content);
    double time = Math.min(timeS, Math.floor(content.whereabouts.get(0).fromS / STEP_S) * STEP_S);
    while (time < timeS) {
      double end = stepEnd(time, timeS);
      spool.use(end);
      while (spool.stay + 1 < content.whereabouts.size()
          && content.whereabouts.get(spool.stay + 1).fromS < end) {
        spool.stay++;
      }
      Whereabouts stay = spool.stay < 0 ? null : content.whereabouts.get(spool.stay);
      if (stay != null && !stay.sealed && stay.in.air != null) {
        spool.spend((end - time) / STEP_S, stay.in.air.mean(time, end));
      }
      time = end;
    }
    return spool;
  }

  private final class Run {
    private final double startS;
    private final double lookS;
    private final double fineFromS;
    private final StorageState from;
    private final Result before;
    private final Map<Long, Inside> insides = new LinkedHashMap<>();
    private final List<Lying> lying = new ArrayList<>();
    private final Map<ClimateSeries, MoistAir> means = new IdentityHashMap<>();
    private int nextOpening;
    private int nextChange;

    Run(StorageState from, Result before, double lookS) {
      this.from = from;
      this.before = before;
      this.startS = from.timeS();
      this.lookS = lookS;
      this.fineFromS = Math.floor((lookS - FINE_S) / DAY_S) * DAY_S;
      for (Content content : contents) {
        StorageState.ContentState known = from.contents().get(content.id);
        lying.add(known == null ? fromTheOpen(content, startS) : new Lying(content, known, startS));
      }
      while (nextOpening < openings.size() && openings.get(nextOpening).atS < startS) {
        nextOpening++;
      }
      while (nextChange < changes.size() && changes.get(nextChange).atS < startS) {
        nextChange++;
      }
    }

    Result to(double endS, Consumer<StorageState> keep) {
      Map<Long, List<WaterStore>> noted = new HashMap<>();
      double time = startS;
      while (time < endS) {
        double end = stepEnd(time, endS);
        means.clear();
        begin(time, end);
        happen(end);
        move(end);
        double hours = (end - time) / STEP_S;
        insides.values().forEach(inside -> advance(inside, hours));
        lieInTheOpen(time, end);
        boolean day = end % DAY_S == 0;
        record(end, day || end >= endS);
        if (time < lookS && lookS <= end) {
          insides.forEach(
              (id, inside) -> noted.put(id, inside.listed.stream().map(WaterStore::copy).toList()));
        }
        if (day && end <= lookS) {
          keep.accept(state(end));
        }
        time = end;
      }
      Map<Long, ClimateSeries> air = new HashMap<>();
      Map<Long, ClimateSeries> followed = new HashMap<>();
      Map<Long, List<Loading>> loading = new HashMap<>();
      insides.forEach(
          (id, inside) -> {
            ClimateSeries series = inside.series.isEmpty() ? null : inside.series.build();
            air.put(id, inside.found(series));
            if (series != null) {
              followed.put(id, series);
            }
            if (!inside.loading.isEmpty()) {
              loading.put(id, inside.loading);
            }
          });
      return new Result(air, followed, loading, noted);
    }

    private StorageState state(double timeS) {
      Map<Long, StorageState.VesselState> vesselStates = new HashMap<>();
      insides.forEach(
          (id, inside) ->
              vesselStates.put(
                  id,
                  new StorageState.VesselState(
                      inside.air.relativeHumidity(),
                      inside.desiccant == null ? null : inside.desiccant.copy())));
      Map<Long, StorageState.ContentState> contentStates = new HashMap<>();
      for (Lying spool : lying) {
        if (spool.stay >= 0) {
          contentStates.put(spool.content.id, spool.state());
        }
      }
      return new StorageState(timeS, vesselStates, contentStates);
    }

    private MoistAir mean(ClimateSeries series, double fromS, double toS) {
      return means.computeIfAbsent(series, air -> air.mean(fromS, toS));
    }

    /** Air around each container over the step; new ones are closed with that air in them. */
    private void begin(double fromS, double toS) {
      for (Vessel vessel : vessels) {
        MoistAir outside = outside(vessel, fromS, toS);
        Inside inside = insides.get(vessel.id);
        if (inside == null) {
          inside = opened(vessel, outside.relativeHumidityPercent() / 100);
        }
        inside.measured = vessel.isMeasuredAt(fromS);
        if (inside.measured) {
          MoistAir own = mean(vessel.record.air, fromS, toS);
          inside.temperatureC = own.temperatureC();
          inside.air.set(own.relativeHumidityPercent() / 100);
        } else {
          inside.temperatureC = outside.temperatureC();
        }
        if (fromS == startS && !inside.measured && inside.series.isEmpty()) {
          record(inside, fromS);
        }
      }
    }

    /** A container at the start, with what was in it then. */
    private Inside opened(Vessel vessel, double outside) {
      StorageState.VesselState known = from.vessels().get(vessel.id);
      Inside inside = new Inside(vessel, known == null ? outside : known.relativeHumidity());
      insides.put(vessel.id, inside);
      for (Lying spool : lying) {
        Whereabouts stay = spool.stay < 0 ? null : spool.content.whereabouts.get(spool.stay);
        if (stay != null && !stay.sealed && Objects.equals(stay.in.vesselId, vessel.id)) {
          lieIn(inside, spool);
        }
      }
      if (known != null && known.desiccant() != null) {
        inside.setDesiccant(known.desiccant().copy());
      }
      ClimateSeries earlier = before.followed().get(vessel.id);
      if (earlier != null) {
        inside.series.beginningOf(earlier, startS);
        inside.changed = false;
      }
      before.loading().getOrDefault(vessel.id, List.of()).stream()
          .filter(loading -> loading.timeS <= startS)
          .forEach(inside.loading::add);
      return inside;
    }

    private MoistAir outside(Vessel vessel, double fromS, double toS) {
      if (vessel.outside.air != null) {
        return mean(vessel.outside.air, fromS, toS);
      }
      Inside around = insides.get(vessel.outside.vesselId);
      return new MoistAir(around.temperatureC, Math.min(100, 100 * around.air.relativeHumidity()));
    }

    private void happen(double until) {
      insides.values().forEach(inside -> inside.openG = 0);
      for (;
          nextOpening < openings.size() && openings.get(nextOpening).atS < until;
          nextOpening++) {
        Opening opening = openings.get(nextOpening);
        Inside inside = insides.get(opening.vesselId);
        if (inside != null) {
          open(inside, opening.minutes);
        }
      }
      for (; nextChange < changes.size() && changes.get(nextChange).atS < until; nextChange++) {
        DesiccantChange change = changes.get(nextChange);
        Inside inside = insides.get(change.vesselId);
        if (inside != null) {
          inside.setDesiccant(
              change.kind == null
                  ? null
                  : WaterStore.of(change.kind, change.dryMassG, change.waterG));
        }
      }
    }

    private void open(Inside inside, double minutes) {
      inside.openG += inside.vessel.container.openingG(inside.temperatureC);
      if (inside.desiccant != null) {
        inside.openG += OPEN_TRAY_G_PER_MIN * minutes;
      }
    }

    /** Moves and uses spools; each move into or out of a container opens it for a minute. */
    private void move(double until) {
      for (Lying spool : lying) {
        spool.use(until);
        List<Whereabouts> all = spool.content.whereabouts;
        while (spool.stay + 1 < all.size() && all.get(spool.stay + 1).fromS < until) {
          boolean moving = spool.stay >= 0;
          if (moving) {
            leave(spool, all.get(spool.stay));
          }
          spool.stay++;
          enter(spool, all.get(spool.stay), moving);
        }
      }
    }

    private void leave(Lying spool, Whereabouts stay) {
      Inside inside = insides.get(stay.in.vesselId);
      if (inside != null) {
        if (!stay.sealed) {
          inside.take(spool.filamentKey());
          inside.take(spool.boardKey());
        }
        open(inside, 1);
      }
    }

    private void enter(Lying spool, Whereabouts stay, boolean moving) {
      Inside inside = insides.get(stay.in.vesselId);
      if (inside == null) {
        return;
      }
      if (!stay.sealed) {
        lieIn(inside, spool);
      }
      if (moving) {
        open(inside, 1);
      }
    }

    private static void lieIn(Inside inside, Lying spool) {
      inside.put(spool.filamentKey(), spool.filament);
      if (spool.board != null) {
        inside.put(spool.boardKey(), spool.board);
      }
    }

    private void advance(Inside inside, double hours) {
      if (inside.measured) {
        for (WaterStore store : inside.listed) {
          store.advance(hours, inside.air.relativeHumidity(), inside.temperatureC);
        }
        return;
      }
      double outside =
          inside.vessel.outside.air != null
              ? means.get(inside.vessel.outside.air).relativeHumidityPercent() / 100
              : insides.get(inside.vessel.outside.vesselId).air.relativeHumidity();
      if (inside.listed.isEmpty()) {
        inside.air.set(outside);
        return;
      }
      double exchangeG =
          inside.vessel.conductanceGPerDay(inside.temperatureC) * hours / HOURS_PER_DAY
              + inside.openG;
      inside.air.step(hours, inside.temperatureC, outside, exchangeG, inside.listed);
    }

    private void lieInTheOpen(double fromS, double toS) {
      double hours = (toS - fromS) / STEP_S;
      for (Lying spool : lying) {
        if (spool.stay < 0) {
          continue;
        }
        Whereabouts stay = spool.content.whereabouts.get(spool.stay);
        if (!stay.sealed && stay.in.air != null) {
          spool.spend(hours, mean(stay.in.air, fromS, toS));
        }
      }
    }

    private void record(double time, boolean daily) {
      for (Inside inside : insides.values()) {
        if (!inside.measured && (inside.changed || isKept(time, !inside.listed.isEmpty()))) {
          record(inside, time);
        }
        inside.changed = false;
        if (daily && inside.desiccant != null) {
          inside.loading.add(new Loading(time, inside.desiccant.waterG()));
        }
      }
    }

    private boolean isKept(double time, boolean occupied) {
      if (time >= fineFromS) {
        return true;
      }
      long every = occupied && time >= lookS - COARSE_S ? COARSE_H : COARSEST_H;
      return Math.round(time / STEP_S) % every == 0;
    }

    private static void record(Inside inside, double time) {
      double saturation = SaturationPressure.atCelsius(inside.temperatureC);
      double humidity = Math.min(1, Math.max(0, inside.air.relativeHumidity()));
      inside.series.point(time, inside.temperatureC, humidity * saturation);
    }
  }
}
