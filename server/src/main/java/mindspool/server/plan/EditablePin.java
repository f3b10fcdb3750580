package mindspool.server.plan;

import java.util.Optional;
import java.util.Set;
import mindspool.server.acts.Editable;
import org.springframework.stereotype.Component;

/** What people decided about a job in the plan. */
@Component
class EditablePin implements Editable<PlanEntry> {

  private final PlanStore.Entries entries;

  EditablePin(PlanStore.Entries entries) {
    this.entries = entries;
  }

  @Override
  public String word() {
    return "pin";
  }

  @Override
  public Class<PlanEntry> type() {
    return PlanEntry.class;
  }

  @Override
  public Optional<PlanEntry> find(long id) {
    return entries.findById(id);
  }

  @Override
  public String title(PlanEntry entry) {
    return entry.code;
  }

  @Override
  public String link(PlanEntry entry) {
    return "/plan";
  }

  @Override
  public void restore(PlanEntry entry) {
    entries.saveAndFlush(entry);
  }

  /** What the plan found itself. */
  @Override
  public Set<String> ownFields() {
    return Set.of(
        "jobId", "startS", "endS", "setpointC", "served", "coreStaysWet", "why", "dryerId");
  }
}
