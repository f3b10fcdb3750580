package mindspool.core.storage;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import mindspool.core.climate.ClimateSeries;

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

  static final double DAY_S = 86_400;

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
    return new StorageRun(vessels, contents, openings, changes, from, before, lookS).to(endS, keep);
  }
}
