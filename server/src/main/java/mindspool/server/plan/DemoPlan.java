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

  /** Adds a job; {@code code} null for any spool of the material. */
  public void job(
      String name, String material, String code, double grams, double hours, Instant startAt) {
    plan.add(new JobRequest(name, material, code, grams, startAt, hours, false, null));
  }

  /** Has it planned. */
  public void planned() {
    service.begin(SECONDS);
  }
}
