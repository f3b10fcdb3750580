package mindspool.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Charge;
import mindspool.core.drying.Charge.Load;
import mindspool.core.drying.ChargeCourse;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;

/**
 * How a spool goes through a plan from its charge on: dried with the others, waiting in its bag,
 * printed from its holder, by the same model that follows spools in stock.
 */
public final class PlannedCourse {

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
      DryingPlan plan, PlannedCharge charge, String code, double meanPercent, HolderAir holders) {
    Dryer dryer = charge.dryer().dryer();
    List<Load> loads = new ArrayList<>();
    int index = -1;
    for (PlanSpool spool : charge.spools()) {
      if (spool.code().equals(code)) {
        index = loads.size();
        loads.add(wettedTo(spool.load(), meanPercent));
      } else {
        loads.add(spool.load());
      }
    }
    double leaves =
        charge.jobs().stream()
            .filter(job -> job.spool().code().equals(code))
            .mapToDouble(job -> charge.leavesH(job.job()))
            .max()
            .orElse(charge.outH());
    Charge together = new Charge(loads);
    ChargeCourse dried =
        ChargeCourse.of(
            together,
            dryer,
            room,
            ChargeCourse.startC(together, dryer, charge.setpointC()),
            charge.setpointC(),
            leaves - charge.startH());
    List<Point> points = new ArrayList<>();
    for (Point point : dried.spools().get(index)) {
      points.add(
          new Point(
              charge.startH() + point.hour(),
              point.outerPercent(),
              point.meanPercent(),
              point.corePercent()));
    }
    SpoolState out = dried.ends().get(index);
    print(plan, leaves, code, loads.get(index).material(), out, holders, points);
    return points;
  }

  private static Load wettedTo(Load load, double meanPercent) {
    double now = load.start().profile().meanPercent();
    SpoolState start =
        now > 0 ? load.start().withContentScaled(meanPercent / now, 1) : load.start();
    return load.withStart(start);
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
