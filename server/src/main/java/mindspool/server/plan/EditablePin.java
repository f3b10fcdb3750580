package mindspool.server.plan;

import java.util.Set;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** What people decided about a job in the plan. */
@Component
class EditablePin extends StoredEditable<PlanEntry> {

  EditablePin(PlanStore.Entries entries) {
    super("pin", PlanEntry.class, entries);
  }

  @Override
  public String title(PlanEntry entry) {
    return entry.code;
  }

  @Override
  public String link(PlanEntry entry) {
    return "/plan";
  }

  /** What the plan found itself. */
  @Override
  public Set<String> ownFields() {
    return Set.of(
        "jobId", "startS", "endS", "setpointC", "served", "coreStaysWet", "why", "dryerId");
  }
}
