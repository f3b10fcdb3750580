package mindspool.server.plan;

import java.time.Instant;
import mindspool.server.plan.PlanController.JobRequest;
import org.springframework.stereotype.Service;

/** Jobs of the demonstration, added by the same acts as a person would. */
@Service
public class DemoPlan {

  private static final double SECONDS = 6;

  private final PlanController plan;
  private final PlanService service;

  DemoPlan(PlanController plan, PlanService service) {
    this.plan = plan;
    this.service = service;
  }

  /** Adds a job and returns its number; {@code code} null for any spool of the material. */
  public long job(
      String name, String material, String code, double grams, double hours, Instant startAt) {
    return plan.add(new JobRequest(name, material, code, grams, startAt, hours, false, null)).id();
  }

  /** Has it planned. */
  public void planned() {
    service.begin(SECONDS);
  }
}
