package mindspool.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.drying.LoadCourse;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;

/**
 * How a spool goes through a plan from its load on: dried with the others, waiting in its bag,
 * printed from its holder, by the same model that follows spools in stock.
 */
public final class PlannedCourse {

  /** Moisture while printing is looked at every so often, h. */
  private static final double PRINTING_STEP_H = 0.5;

  private final MoistAir room;
  private final double startS;

  /**
   * Courses of one plan.
   *
   * @param room air that the dryers take in
   * @param startS the plan's hour 0 on the clock of the holders' air, s
   */
  public PlannedCourse(MoistAir room, double startS) {
    this.room = room;
    this.startS = startS;
  }

  /** Air at the holder that a job prints from. */
  public interface HolderAir {

    /** Air over the span of the job, s. */
    ClimateSeries of(PlanJob job, double fromS, double toS);
  }

  /**
   * From loading to the end of the last job.
   *
   * @param code the spool's
   * @param meanPercent what it has taken up until then, mean; the shape by depth is today's
   * @return points over the plan's hours
   */
  public List<Point> of(
      DryingPlan plan, PlannedLoad load, String code, double meanPercent, HolderAir holders) {
    Dryer dryer = load.dryer().dryer();
    List<LoadedSpool> loadedSpools = new ArrayList<>();
    int index = -1;
    for (PlanSpool spool : load.spools()) {
      if (spool.code().equals(code)) {
        index = loadedSpools.size();
        loadedSpools.add(wettedTo(spool.loaded(), meanPercent));
      } else {
        loadedSpools.add(spool.loaded());
      }
    }
    double leaves =
        load.jobs().stream()
            .filter(job -> job.spool().code().equals(code))
            .mapToDouble(job -> load.leavesH(job.job()))
            .max()
            .orElse(load.outH());
    DryerLoad together = new DryerLoad(loadedSpools);
    LoadCourse dried =
        LoadCourse.of(
            together,
            dryer,
            room,
            LoadCourse.startC(together, dryer, load.setpointC()),
            load.setpointC(),
            leaves - load.startH());
    List<Point> points = new ArrayList<>();
    for (Point point : dried.spools().get(index)) {
      points.add(
          new Point(
              load.startH() + point.hour(),
              point.outerPercent(),
              point.meanPercent(),
              point.corePercent()));
    }
    SpoolState out = dried.ends().get(index);
    print(plan, leaves, code, loadedSpools.get(index).material(), out, holders, points);
    return points;
  }

  private static LoadedSpool wettedTo(LoadedSpool loaded, double meanPercent) {
    double now = loaded.start().profile().meanPercent();
    SpoolState start =
        now > 0 ? loaded.start().withContentScaled(meanPercent / now, 1) : loaded.start();
    return loaded.withStart(start);
  }

  /** The jobs in order; in between it lies in its bag and keeps what it has. */
  private void print(
      DryingPlan plan,
      double leavesH,
      String code,
      Material material,
      SpoolState state,
      HolderAir holders,
      List<Point> points) {
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    List<PlanJob> jobs =
        plan.placements().stream()
            .filter(each -> each.spool().code().equals(code) && each.served())
            .map(DryingPlan.Placement::job)
            .filter(job -> job.startH() >= leavesH - 1e-9)
            .sorted(Comparator.comparingDouble(PlanJob::startH))
            .toList();
    for (PlanJob job : jobs) {
      ClimateSeries air = holders.of(job, startS + 3600 * job.startH(), startS + 3600 * job.endH());
      points.add(Point.of(job.startH(), state.profile()));
      double hour = job.startH();
      while (hour < job.endH() - 1e-9) {
        double end = Math.min(job.endH(), hour + PRINTING_STEP_H);
        model.advance(
            state, air, AirContact.STILL, startS + 3600 * hour, startS + 3600 * end, null);
        hour = end;
        points.add(Point.of(hour, state.profile()));
      }
    }
  }
}
