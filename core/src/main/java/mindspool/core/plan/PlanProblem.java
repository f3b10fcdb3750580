package mindspool.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;

/**
 * What is to be planned. Hours count from the plan's start.
 *
 * @param horizonH how far the plan reaches
 * @param room air that the dryers take in
 * @param pins what people decided
 * @param before where the plan before had each job, by its number; empty for a first plan
 */
public record PlanProblem(
    double horizonH,
    List<PlanDryer> dryers,
    List<PlanJob> jobs,
    Attendance attendance,
    MoistAir room,
    List<Pin> pins,
    Map<Long, Pin> before) {

  /** More than this is not one workshop. */
  public static final int MOST_JOBS = 200;

  public static final int MOST_DRYERS = 50;

  public PlanProblem {
    Require.within("horizonH", horizonH, 1, 31 * 24, "h");
    tooMany("jobs", jobs.size(), MOST_JOBS);
    tooMany("dryers", dryers.size(), MOST_DRYERS);
    for (PlanJob job : jobs) {
      if (job.candidates().isEmpty()) {
        throw new InvalidValueException(
            "jobs",
            job.name() + ", for which there is no spool",
            "jobs with a spool or a material in stock",
            "Receive one, or choose another material.");
      }
      if (job.startH() > horizonH) {
        throw new InvalidValueException(
            "jobs",
            String.format(Locale.ROOT, "%s, in %.0f h", job.name(), job.startH()),
            String.format(Locale.ROOT, "starts within %.0f h", horizonH),
            "Plan further ahead, or leave it for later.");
      }
    }
    refuseContradictions(pins, jobs, dryers);
  }

  private static void tooMany(String field, int count, int most) {
    if (count > most) {
      throw new InvalidValueException(
          field, count + " of them", "up to " + most, "Plan for one workshop at a time.");
    }
  }

  private static void refuseContradictions(
      List<Pin> pins, List<PlanJob> jobs, List<PlanDryer> dryers) {
    Set<Long> pinned = new HashSet<>();
    for (Pin pin : pins) {
      PlanJob job =
          jobs.stream()
              .filter(each -> each.id() == pin.jobId())
              .findFirst()
              .orElseThrow(
                  () -> Pin.contradiction("a pin for job " + pin.jobId(), "There is no such job."));
      if (!pinned.add(pin.jobId())) {
        throw Pin.contradiction("two pins for " + job.name(), "Take one of them off.");
      }
      if (job.candidates().stream().noneMatch(spool -> spool.code().equals(pin.code()))) {
        throw Pin.contradiction(
            job.name() + " on " + pin.code(), "That spool cannot serve it; choose another.");
      }
      if (pin.dryerId() != null) {
        PlanDryer dryer =
            dryers.stream()
                .filter(each -> each.id() == pin.dryerId())
                .findFirst()
                .orElseThrow(
                    () -> Pin.contradiction("a pin to dryer " + pin.dryerId(), "There is none."));
        if (dryer.outOfOrder()) {
          throw Pin.contradiction(
              job.name() + " in " + dryer.name() + ", out of order", "Pin it to another dryer.");
        }
      }
    }
  }

  /** All spools that any job may take, each once. */
  List<PlanSpool> spools() {
    Set<PlanSpool> all = new LinkedHashSet<>();
    jobs.forEach(job -> all.addAll(job.candidates()));
    return new ArrayList<>(all);
  }
}
