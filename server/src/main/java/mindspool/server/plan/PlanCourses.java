package mindspool.server.plan;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.Horizon;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.plan.DryingPlan;
import mindspool.core.plan.PlanProblem;
import mindspool.core.plan.PlannedCourse;
import mindspool.core.plan.PlannedLoad;
import mindspool.server.shelf.Spools;
import org.springframework.stereotype.Service;

/** How spools go through the plan that stands: as they lie, dried, bagged, printed. */
@Service
class PlanCourses {

  private static final double LYING_STEP_H = 2;

  private final PlanService plans;
  private final Spools spools;
  private final PrintingPlaces printing;
  private final Clock clock;

  PlanCourses(PlanService plans, Spools spools, PrintingPlaces printing, Clock clock) {
    this.plans = plans;
    this.spools = spools;
    this.printing = printing;
    this.clock = clock;
  }

  /** Moisture of a spool over the plan's hours. */
  List<Point> of(String code) {
    PlanService.Run run = plans.run();
    PlanProblem problem = run == null ? null : run.problem;
    DryingPlan plan = problem == null ? null : run.best;
    long startS = plan == null ? clock.instant().getEpochSecond() : run.startS;
    Optional<PlannedLoad> load =
        plan == null
            ? Optional.empty()
            : plan.loads().stream()
                .filter(each -> each.spools().stream().anyMatch(s -> s.code().equals(code)))
                .findFirst();
    List<Point> points =
        lying(code, startS, load.map(PlannedLoad::startH).orElse(Horizon.PLANNED_HOURS));
    load.ifPresent(
        drying -> {
          double mean = points.get(points.size() - 1).meanPercent();
          points.addAll(
              new PlannedCourse(problem.room(), startS)
                  .of(
                      plan,
                      drying,
                      code,
                      mean,
                      (job, fromS, toS) -> air(job.id(), fromS, toS, problem.room())));
        });
    return points;
  }

  private ClimateSeries air(long jobId, double fromS, double toS, MoistAir room) {
    Long place = printing.holder(jobId).placeId();
    return place == null ? ClimateSeries.constant(room) : printing.outlook(place, fromS, toS);
  }

  private List<Point> lying(String code, long startS, double untilH) {
    List<Point> points = new ArrayList<>();
    for (double hour = 0; hour < untilH; hour += LYING_STEP_H) {
      points.add(lyingAt(code, startS, hour));
    }
    points.add(lyingAt(code, startS, untilH));
    return points;
  }

  private Point lyingAt(String code, long startS, double hour) {
    return Point.of(hour, spools.profileAhead(code, startS + 3600 * hour));
  }
}
