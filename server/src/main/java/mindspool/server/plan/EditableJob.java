package mindspool.server.plan;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Jobs as things that people add, change and take off. */
@Component
class EditableJob extends StoredEditable<PrintJob> {

  EditableJob(PlanStore.Jobs jobs) {
    super("job", PrintJob.class, jobs);
  }

  @Override
  public String title(PrintJob job) {
    return job.name;
  }

  @Override
  public String link(PrintJob job) {
    return "/plan";
  }
}
