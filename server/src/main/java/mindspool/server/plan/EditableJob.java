package mindspool.server.plan;

import java.util.Optional;
import mindspool.server.acts.Editable;
import org.springframework.stereotype.Component;

/** Jobs as things that people add, change and take off. */
@Component
class EditableJob implements Editable<PrintJob> {

  private final PlanStore.Jobs jobs;

  EditableJob(PlanStore.Jobs jobs) {
    this.jobs = jobs;
  }

  @Override
  public String word() {
    return "job";
  }

  @Override
  public Class<PrintJob> type() {
    return PrintJob.class;
  }

  @Override
  public Optional<PrintJob> find(long id) {
    return jobs.findById(id);
  }

  @Override
  public String title(PrintJob job) {
    return job.name;
  }

  @Override
  public String link(PrintJob job) {
    return "/plan";
  }

  @Override
  public void restore(PrintJob job) {
    jobs.saveAndFlush(job);
  }
}
