package mindspool.server.dry;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.LoadCourse;
import mindspool.core.drying.LoadCourse.Vapour;
import mindspool.server.air.DryerRuns.VapourChange;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.stereotype.Service;

/**
 * Keeps what the spools of a cycle make of the air inside: computed from what is in them when
 * something changes, so that the past can be followed spool by spool afterwards.
 */
@Service
class CycleAirs {

  /** Fewer points than the course has: it changes fast at first only. */
  private static final int MOST_POINTS = 80;

  /** So many at first are all kept. */
  private static final int FINE_POINTS = 12;

  private static final double LEAST_H = 1;

  private final DryStore.Vapours vapours;
  private final DryerBook book;
  private final Spools spools;

  CycleAirs(DryStore.Vapours vapours, DryerBook book, Spools spools) {
    this.vapours = vapours;
    this.book = book;
    this.spools = spools;
  }

  /**
   * Computes the air of a cycle anew from a time on, with what is inside now.
   *
   * @param before spools as they were known before the act; others are asked for
   */
  void compute(CycleCourse course, long fromS, long nowS, Map<String, CurrentSpool> before) {
    DryingCycle cycle = course.cycle();
    vapours.deleteByCycleIdAndFromSGreaterThanEqual(cycle.id, fromS);
    Dryer dryer = book.dryer(cycle.placeId);
    boolean isTheRooms = dryer.airChangesPerHour().isEmpty() && dryer.desiccant().isEmpty();
    if (isTheRooms || course.inside().isEmpty() || course.isStopped()) {
      return;
    }
    MoistAir room = book.roomAir(cycle.placeId, fromS);
    double hours = Math.max(LEAST_H, (course.plannedEndS(nowS) - fromS) / 3600.0);
    double setpoint = course.setpointC();
    LoadCourse followed =
        LoadCourse.of(
            new DryerLoad(
                course.inside().keySet().stream().map(code -> loaded(code, before)).toList()),
            dryer,
            room,
            Math.min(cycle.startC, setpoint),
            setpoint,
            hours);
    List<VapourChange> changes = new ArrayList<>();
    changes.add(new VapourChange(fromS, 0));
    int every = Math.max(1, followed.vapour().size() / MOST_POINTS);
    for (int i = 0; i < followed.vapour().size(); i += i < FINE_POINTS ? 1 : every) {
      Vapour point = followed.vapour().get(i);
      changes.add(
          new VapourChange(
              fromS + 3600 * point.hour(), point.pressurePa() - room.vapourPressurePa()));
    }
    vapours.save(new CycleVapour(cycle.id, fromS, changes));
  }

  private LoadedSpool loaded(String code, Map<String, CurrentSpool> before) {
    CurrentSpool known = before.get(code);
    CurrentSpool spool = known == null ? spools.current(code) : known;
    return spools.loaded(spool);
  }
}
