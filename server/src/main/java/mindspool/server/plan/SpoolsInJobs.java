package mindspool.server.plan;

import java.util.Optional;
import mindspool.server.stock.SpoolInUse;
import org.springframework.stereotype.Component;

/** Spools that open jobs are to be printed from. */
@Component
class SpoolsInJobs implements SpoolInUse {

  private final PlanStore.Jobs jobs;

  SpoolsInJobs(PlanStore.Jobs jobs) {
    this.jobs = jobs;
  }

  @Override
  public Optional<String> useOf(String code) {
    return jobs.findByRemovedSIsNullOrderByStartSAscIdAsc().stream()
        .filter(job -> job.isOpen() && code.equals(job.code))
        .findFirst()
        .map(job -> "named by the job " + job.name);
  }
}
