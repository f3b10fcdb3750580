package mindspool.server.dry;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import mindspool.core.drying.DampStart;
import mindspool.server.air.DryerRuns.DryerRun;
import mindspool.server.air.DryerRuns.VapourChange;

/** A cycle with what happened in it: when it heated and how warm, and which spools were inside. */
final class CycleCourse {

  private final DryingCycle cycle;
  private final List<CycleFact> facts;
  private final List<CycleVapour> vapours;
  private final boolean turnsItselfOff;

  CycleCourse(
      DryingCycle cycle, List<CycleFact> facts, List<CycleVapour> vapours, boolean turnsItselfOff) {
    this.vapours = vapours;
    this.cycle = cycle;
    this.facts = facts.stream().filter(CycleFact::holds).sorted(CycleFact.ORDER).toList();
    this.turnsItselfOff = turnsItselfOff;
  }

  /** Where a cycle is. */
  enum Stage {
    RUNNING,
    PAUSED,
    /** Its hours are over and the spools are still inside. */
    OVER,
    /** Stopped with spools inside, which lie in the cooling dryer. */
    TO_EMPTY,
    /** Stopped and empty. */
    STOPPED
  }

  DryingCycle cycle() {
    return cycle;
  }

  List<CycleFact> facts() {
    return facts;
  }

  OptionalLong stoppedS() {
    return facts.stream()
        .filter(fact -> fact.kind == CycleFact.Kind.STOPPED)
        .mapToLong(fact -> fact.atS)
        .findFirst();
  }

  boolean isStopped() {
    return stoppedS().isPresent();
  }

  /** Whether it takes up its dryer: it was not stopped, or something is inside. */
  boolean isOpen() {
    return !isStopped() || !inside().isEmpty();
  }

  double setpointC() {
    return lastAmount(CycleFact.Kind.SETPOINT, cycle.setpointC);
  }

  double hours() {
    return lastAmount(CycleFact.Kind.HOURS, cycle.hours);
  }

  private double lastAmount(CycleFact.Kind kind, double otherwise) {
    double amount = otherwise;
    for (CycleFact fact : facts) {
      if (fact.kind == kind) {
        amount = fact.amount;
      }
    }
    return amount;
  }

  /** When its hours of heat will be over, pauses added. */
  long plannedEndS(long nowS) {
    double paused = 0;
    Long since = null;
    for (CycleFact fact : facts) {
      switch (fact.kind) {
        case PAUSED, SWITCHED_OFF -> since = since == null ? Long.valueOf(fact.atS) : since;
        case RESUMED -> {
          paused += since == null ? 0 : fact.atS - since;
          since = null;
        }
        case WITHOUT_POWER -> paused += since == null ? fact.untilS - fact.atS : 0;
        default -> {}
      }
    }
    paused += since == null ? 0 : Math.max(0, nowS - since);
    return Math.round(cycle.startedS() + 3600 * hours() + paused);
  }

  Stage stage(long nowS) {
    if (isStopped()) {
      return inside().isEmpty() ? Stage.STOPPED : Stage.TO_EMPTY;
    }
    if (isPaused()) {
      return Stage.PAUSED;
    }
    return nowS >= plannedEndS(nowS) ? Stage.OVER : Stage.RUNNING;
  }

  boolean isPaused() {
    boolean paused = false;
    for (CycleFact fact : facts) {
      paused =
          switch (fact.kind) {
            case PAUSED, SWITCHED_OFF -> true;
            case RESUMED -> false;
            default -> paused;
          };
    }
    return paused;
  }

  /** Codes of the spools inside, with when each came in. */
  Map<String, Long> inside() {
    Map<String, Long> inside = new LinkedHashMap<>();
    for (CycleFact fact : facts) {
      if (fact.kind == CycleFact.Kind.ADDED) {
        inside.put(fact.code, fact.atS);
      } else if (fact.kind == CycleFact.Kind.REMOVED) {
        inside.remove(fact.code);
      }
    }
    return inside;
  }

  /** All that ever were inside. */
  List<String> codes() {
    return facts.stream()
        .filter(fact -> fact.kind == CycleFact.Kind.ADDED)
        .map(fact -> fact.code)
        .distinct()
        .toList();
  }

  /** The spans in which it heated or will, in order of time. */
  List<DryerRun> runs(long nowS) {
    long end = end(nowS);
    List<DryerRun> runs = new ArrayList<>();
    Heat heat = new Heat(runs);
    heat.on(cycle.startedS());
    for (CycleFact fact : facts) {
      if (fact.atS >= end) {
        break;
      }
      switch (fact.kind) {
        case PAUSED, SWITCHED_OFF -> heat.off(fact.atS);
        case RESUMED -> heat.on(fact.atS);
        case SETPOINT -> heat.set(fact.atS, fact.amount);
        case WITHOUT_POWER -> {
          if (heat.isOn()) {
            heat.off(fact.atS);
            heat.on(fact.untilS);
          }
        }
        default -> {}
      }
    }
    heat.off(end);
    return runs;
  }

  /**
   * The heat ends with the timer, or when somebody stops it; while neither was, some time ahead.
   */
  private long end(long nowS) {
    long planned = plannedEndS(nowS);
    long stopped = stoppedS().orElse(Long.MAX_VALUE);
    if (turnsItselfOff) {
      return Math.min(planned, stopped);
    }
    return stopped < Long.MAX_VALUE ? stopped : Math.max(planned, nowS);
  }

  /** What was computed of the air inside in a span: each course holds until the next. */
  private List<VapourChange> vapour(long fromS, long toS) {
    List<VapourChange> changes = new ArrayList<>();
    for (int i = 0; i < vapours.size(); i++) {
      long until = i + 1 < vapours.size() ? vapours.get(i + 1).fromS : Long.MAX_VALUE;
      vapours.get(i).changes().stream()
          .filter(change -> change.fromS() < until && change.fromS() <= toS)
          .forEach(changes::add);
    }
    // What was before the span tells where it begins.
    int first = 0;
    while (first + 1 < changes.size() && changes.get(first + 1).fromS() <= fromS) {
      first++;
    }
    return changes.subList(Math.min(first, changes.size()), changes.size());
  }

  /** Collects spans of heat. */
  private final class Heat {
    private final List<DryerRun> runs;
    private double setC = cycle.setpointC;
    private long sinceS = -1;
    private boolean warm;

    Heat(List<DryerRun> runs) {
      this.runs = runs;
    }

    boolean isOn() {
      return sinceS >= 0;
    }

    void on(long atS) {
      if (!isOn()) {
        sinceS = atS;
        warm = false;
      }
    }

    void set(long atS, double celsius) {
      boolean was = isOn();
      off(atS);
      setC = celsius;
      if (was) {
        sinceS = atS;
        warm = true;
      }
    }

    void off(long atS) {
      if (isOn() && atS > sinceS) {
        double coolUntil = cycle.startedS() + 3600 * DampStart.HOURS;
        runs.add(
            new DryerRun(
                sinceS,
                atS,
                coolUntil,
                Math.min(cycle.startC, setC) + cycle.biasK,
                setC + cycle.biasK,
                warm ? 0 : cycle.warmingS,
                vapour(sinceS, atS)));
      }
      sinceS = -1;
    }
  }
}
