package mindspool.core.storage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
 * business, driven by the air found here.
 */
public final class StorageReplay {

  /** Step of the replay, s. */
  public static final double STEP_S = 3600;

  private static final double HOURS_PER_DAY = 24;

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
   * @param isotherm of its polymer
   * @param dryMassG of its polymer at first
   * @param lagH then, see {@link UptakeTime}
   * @param later what was left of it afterwards, in order of time
   * @param cardboardG paper board in its reel, g
   * @param startHumidity with which it is in balance at first, 0..1
   */
  public record Content(
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
   * @param loading by container with desiccant, one value a day and the last
   * @param inside by container, copies of what was in it at the moment asked for
   */
  public record Result(
      Map<Long, ClimateSeries> air,
      Map<Long, List<Loading>> loading,
      Map<Long, List<WaterStore>> inside) {}

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
    this.contents = contents;
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
    return new Run(startS).to(endS, lookS);
  }

  private static final class Inside {
    final Vessel vessel;
    final ContainerAir air;
    final List<WaterStore> stores = new ArrayList<>();
    final ClimateSeries.Builder series = ClimateSeries.builder();
    final List<Loading> loading = new ArrayList<>();
    WaterStore desiccant;
    double temperatureC;
    double openG;
    boolean measured;

    Inside(Vessel vessel, double relativeHumidity) {
      this.vessel = vessel;
      this.air = new ContainerAir(vessel.container, relativeHumidity);
    }

    /** Its air from start to end: followed until it was measured. */
    ClimateSeries found() {
      if (vessel.record == null) {
        return series.build();
      }
      return series.isEmpty()
          ? vessel.record.air
          : ClimateSeries.joined(series.build(), vessel.record.fromS, vessel.record.air);
    }
  }

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
  }

  private final class Run {
    private final double startS;
    private final Map<Long, Inside> insides = new LinkedHashMap<>();
    private final List<Lying> lying = new ArrayList<>();
    private final Map<ClimateSeries, MoistAir> means = new IdentityHashMap<>();
    private int nextOpening;
    private int nextChange;

    Run(double startS) {
      this.startS = startS;
      for (Content content : contents) {
        lying.add(new Lying(content));
      }
    }

    Result to(double endS, double lookS) {
      Map<Long, List<WaterStore>> noted = new HashMap<>();
      double time = startS;
      for (long step = 0; time < endS; step++) {
        double end = Math.min(endS, time + STEP_S);
        means.clear();
        begin(time, end);
        happen(end);
        move(end);
        double hours = (end - time) / 3600;
        insides.values().forEach(inside -> advance(inside, hours));
        lieInTheOpen(time, end);
        record(end, step % 24 == 0 || end >= endS);
        if (time < lookS && lookS <= end) {
          insides.forEach(
              (id, inside) -> noted.put(id, inside.stores.stream().map(WaterStore::copy).toList()));
        }
        time = end;
      }
      Map<Long, ClimateSeries> air = new HashMap<>();
      Map<Long, List<Loading>> loading = new HashMap<>();
      insides.forEach(
          (id, inside) -> {
            air.put(id, inside.found());
            if (!inside.loading.isEmpty()) {
              loading.put(id, inside.loading);
            }
          });
      return new Result(air, loading, noted);
    }

    private MoistAir mean(ClimateSeries series, double from, double to) {
      return means.computeIfAbsent(series, air -> air.mean(from, to));
    }

    /** Air around each container over the step; new ones are closed with that air in them. */
    private void begin(double from, double to) {
      for (Vessel vessel : vessels) {
        MoistAir outside = outside(vessel, from, to);
        Inside inside =
            insides.computeIfAbsent(
                vessel.id, id -> new Inside(vessel, outside.relativeHumidityPercent() / 100));
        inside.measured = vessel.isMeasuredAt(from);
        if (inside.measured) {
          MoistAir own = mean(vessel.record.air, from, to);
          inside.temperatureC = own.temperatureC();
          inside.air.set(own.relativeHumidityPercent() / 100);
        } else {
          inside.temperatureC = outside.temperatureC();
        }
        if (from == startS && !inside.measured) {
          record(inside, from);
        }
      }
    }

    private MoistAir outside(Vessel vessel, double from, double to) {
      if (vessel.outside.air != null) {
        return mean(vessel.outside.air, from, to);
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
          inside.stores.remove(inside.desiccant);
          inside.desiccant =
              change.kind == null
                  ? null
                  : WaterStore.of(change.kind, change.dryMassG, change.waterG);
          if (inside.desiccant != null) {
            inside.stores.add(inside.desiccant);
          }
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
        List<MassFrom> masses = spool.content.later;
        for (; spool.mass < masses.size() && masses.get(spool.mass).fromS < until; spool.mass++) {
          MassFrom left = masses.get(spool.mass);
          spool.filament.leaveOver(left.dryMassG, left.lagH);
        }
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
        inside.stores.remove(spool.filament);
        inside.stores.remove(spool.board);
        open(inside, 1);
      }
    }

    private void enter(Lying spool, Whereabouts stay, boolean moving) {
      Inside inside = insides.get(stay.in.vesselId);
      if (inside == null) {
        return;
      }
      if (!stay.sealed) {
        inside.stores.add(spool.filament);
        if (spool.board != null) {
          inside.stores.add(spool.board);
        }
      }
      if (moving) {
        open(inside, 1);
      }
    }

    private void advance(Inside inside, double hours) {
      if (inside.measured) {
        for (WaterStore store : inside.stores) {
          store.advance(hours, inside.air.relativeHumidity(), inside.temperatureC);
        }
        return;
      }
      double outside =
          inside.vessel.outside.air != null
              ? means.get(inside.vessel.outside.air).relativeHumidityPercent() / 100
              : insides.get(inside.vessel.outside.vesselId).air.relativeHumidity();
      double exchangeG =
          inside.vessel.conductanceGPerDay(inside.temperatureC) * hours / HOURS_PER_DAY
              + inside.openG;
      inside.air.step(hours, inside.temperatureC, outside, exchangeG, inside.stores);
    }

    private void lieInTheOpen(double fromS, double toS) {
      double hours = (toS - fromS) / 3600;
      for (Lying spool : lying) {
        if (spool.stay < 0) {
          continue;
        }
        Whereabouts stay = spool.content.whereabouts.get(spool.stay);
        if (stay.sealed || stay.in.air == null) {
          continue;
        }
        MoistAir air = mean(stay.in.air, fromS, toS);
        spool.filament.advance(hours, air.relativeHumidityPercent() / 100, air.temperatureC());
        if (spool.board != null) {
          spool.board.advance(hours, air.relativeHumidityPercent() / 100, air.temperatureC());
        }
      }
    }

    private void record(double time, boolean daily) {
      for (Inside inside : insides.values()) {
        if (!inside.measured) {
          record(inside, time);
        }
        if (daily && inside.desiccant != null) {
          inside.loading.add(new Loading(time, inside.desiccant.waterG()));
        }
      }
    }

    private static void record(Inside inside, double time) {
      double saturation = SaturationPressure.atCelsius(inside.temperatureC);
      double humidity = Math.min(1, Math.max(0, inside.air.relativeHumidity()));
      inside.series.point(time, inside.temperatureC, humidity * saturation);
    }
  }
}
