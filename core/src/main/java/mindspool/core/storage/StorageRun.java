package mindspool.core.storage;

import static mindspool.core.storage.StorageReplay.DAY_S;
import static mindspool.core.storage.StorageReplay.STEP_S;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.DesiccantChange;
import mindspool.core.storage.StorageReplay.Loading;
import mindspool.core.storage.StorageReplay.Opening;
import mindspool.core.storage.StorageReplay.Result;
import mindspool.core.storage.StorageReplay.Vessel;
import mindspool.core.storage.StorageReplay.Whereabouts;

/** One run of a replay: hour by hour, everything that is followed. */
final class StorageRun {

  private static final double HOURS_PER_DAY = 24;

  /** Before this the air is kept every five hours, which no daily swing falls in step with. */
  private static final double FINE_S = 40 * DAY_S;

  private static final long COARSE_H = 5;

  /** Before this, and where nothing was inside, every 25 hours. */
  private static final double COARSE_S = 400 * DAY_S;

  private static final long COARSEST_H = 25;

  /** An open tray of desiccant in a box held open, g per minute and unit of humidity (grade D). */
  private static final double OPEN_TRAY_G_PER_MIN = 0.04;

  private final List<Vessel> vessels;
  private final List<Opening> openings;
  private final List<DesiccantChange> changes;
  private final double startS;
  private final double lookS;
  private final double fineFromS;
  private final StorageState from;
  private final Result before;
  private final Map<Long, FollowedVessel> insides = new LinkedHashMap<>();
  private final List<FollowedSpool> lying = new ArrayList<>();
  private final Map<ClimateSeries, MoistAir> means = new IdentityHashMap<>();
  private int nextOpening;
  private int nextChange;

  StorageRun(
      List<Vessel> vessels,
      List<Content> contents,
      List<Opening> openings,
      List<DesiccantChange> changes,
      StorageState from,
      Result before,
      double lookS) {
    this.vessels = vessels;
    this.openings = openings;
    this.changes = changes;
    this.from = from;
    this.before = before;
    this.startS = from.timeS();
    this.lookS = lookS;
    this.fineFromS = Math.floor((lookS - FINE_S) / DAY_S) * DAY_S;
    for (Content content : contents) {
      StorageState.ContentState known = from.contents().get(content.id());
      lying.add(
          known == null
              ? FollowedSpool.fromTheOpen(content, startS)
              : new FollowedSpool(content, known, startS));
    }
    while (nextOpening < openings.size() && openings.get(nextOpening).atS() < startS) {
      nextOpening++;
    }
    while (nextChange < changes.size() && changes.get(nextChange).atS() < startS) {
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
    for (FollowedSpool spool : lying) {
      if (spool.stay >= 0) {
        contentStates.put(spool.content.id(), spool.state());
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
      FollowedVessel inside = insides.get(vessel.id());
      if (inside == null) {
        inside = opened(vessel, outside.relativeHumidityPercent() / 100);
      }
      inside.measured = vessel.isMeasuredAt(fromS);
      if (inside.measured) {
        MoistAir own = mean(vessel.record().air(), fromS, toS);
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
  private FollowedVessel opened(Vessel vessel, double outside) {
    StorageState.VesselState known = from.vessels().get(vessel.id());
    FollowedVessel inside =
        new FollowedVessel(vessel, known == null ? outside : known.relativeHumidity());
    insides.put(vessel.id(), inside);
    for (FollowedSpool spool : lying) {
      Whereabouts stay = spool.stay < 0 ? null : spool.content.whereabouts().get(spool.stay);
      if (stay != null && !stay.sealed() && Objects.equals(stay.in().vesselId(), vessel.id())) {
        lieIn(inside, spool);
      }
    }
    if (known != null && known.desiccant() != null) {
      inside.setDesiccant(known.desiccant().copy());
    }
    ClimateSeries earlier = before.followed().get(vessel.id());
    if (earlier != null) {
      inside.series.beginningOf(earlier, startS);
      inside.changed = false;
    }
    before.loading().getOrDefault(vessel.id(), List.of()).stream()
        .filter(loading -> loading.timeS() <= startS)
        .forEach(inside.loading::add);
    return inside;
  }

  private MoistAir outside(Vessel vessel, double fromS, double toS) {
    if (vessel.outside().air() != null) {
      return mean(vessel.outside().air(), fromS, toS);
    }
    FollowedVessel around = insides.get(vessel.outside().vesselId());
    return new MoistAir(around.temperatureC, Math.min(100, 100 * around.air.relativeHumidity()));
  }

  private void happen(double until) {
    insides.values().forEach(inside -> inside.openG = 0);
    for (;
        nextOpening < openings.size() && openings.get(nextOpening).atS() < until;
        nextOpening++) {
      Opening opening = openings.get(nextOpening);
      FollowedVessel inside = insides.get(opening.vesselId());
      if (inside != null) {
        open(inside, opening.minutes());
      }
    }
    for (; nextChange < changes.size() && changes.get(nextChange).atS() < until; nextChange++) {
      DesiccantChange change = changes.get(nextChange);
      FollowedVessel inside = insides.get(change.vesselId());
      if (inside != null) {
        inside.setDesiccant(
            change.kind() == null
                ? null
                : WaterStore.of(change.kind(), change.dryMassG(), change.waterG()));
      }
    }
  }

  private void open(FollowedVessel inside, double minutes) {
    inside.openG += inside.vessel.container().openingG(inside.temperatureC);
    if (inside.desiccant != null) {
      inside.openG += OPEN_TRAY_G_PER_MIN * minutes;
    }
  }

  /** Moves and uses spools; each move into or out of a container opens it for a minute. */
  private void move(double until) {
    for (FollowedSpool spool : lying) {
      spool.use(until);
      List<Whereabouts> all = spool.content.whereabouts();
      while (spool.stay + 1 < all.size() && all.get(spool.stay + 1).fromS() < until) {
        boolean moving = spool.stay >= 0;
        if (moving) {
          leave(spool, all.get(spool.stay));
        }
        spool.stay++;
        enter(spool, all.get(spool.stay), moving);
      }
    }
  }

  private void leave(FollowedSpool spool, Whereabouts stay) {
    FollowedVessel inside = insides.get(stay.in().vesselId());
    if (inside != null) {
      if (!stay.sealed()) {
        inside.take(spool.filamentKey());
        inside.take(spool.boardKey());
      }
      open(inside, 1);
    }
  }

  private void enter(FollowedSpool spool, Whereabouts stay, boolean moving) {
    FollowedVessel inside = insides.get(stay.in().vesselId());
    if (inside == null) {
      return;
    }
    if (!stay.sealed()) {
      lieIn(inside, spool);
    }
    if (moving) {
      open(inside, 1);
    }
  }

  private static void lieIn(FollowedVessel inside, FollowedSpool spool) {
    inside.put(spool.filamentKey(), spool.filament);
    if (spool.board != null) {
      inside.put(spool.boardKey(), spool.board);
    }
  }

  private void advance(FollowedVessel inside, double hours) {
    if (inside.measured) {
      for (WaterStore store : inside.listed) {
        store.advance(hours, inside.air.relativeHumidity(), inside.temperatureC);
      }
      return;
    }
    double outside =
        inside.vessel.outside().air() != null
            ? means.get(inside.vessel.outside().air()).relativeHumidityPercent() / 100
            : insides.get(inside.vessel.outside().vesselId()).air.relativeHumidity();
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
    for (FollowedSpool spool : lying) {
      if (spool.stay < 0) {
        continue;
      }
      Whereabouts stay = spool.content.whereabouts().get(spool.stay);
      if (!stay.sealed() && stay.in().air() != null) {
        spool.spend(hours, mean(stay.in().air(), fromS, toS));
      }
    }
  }

  private void record(double time, boolean daily) {
    for (FollowedVessel inside : insides.values()) {
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

  private static void record(FollowedVessel inside, double time) {
    double saturation = SaturationPressure.atCelsius(inside.temperatureC);
    double humidity = Math.min(1, Math.max(0, inside.air.relativeHumidity()));
    inside.series.point(time, inside.temperatureC, humidity * saturation);
  }

  /** End of the step that begins at a time: the next full hour. */
  static double stepEnd(double timeS, double endS) {
    return Math.min(endS, (Math.floor(timeS / STEP_S) + 1) * STEP_S);
  }
}
