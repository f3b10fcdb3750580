package mindspool.server.plan;

import java.util.Optional;
import mindspool.server.materials.MaterialInUse;
import org.springframework.stereotype.Component;

/** A material is needed as long as a job is to be printed of it. */
@Component
class JobsOfMaterials implements MaterialInUse {

  private final PrintJobs jobs;

  JobsOfMaterials(PrintJobs jobs) {
    this.jobs = jobs;
  }

  @Override
  public Optional<String> useOf(String material) {
    return jobs.open().stream()
        .filter(job -> material.equals(job.material()))
        .findFirst()
        .map(job -> "the job " + job.name());
  }
}
