package mindspool.server.upkeep;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Own tasks as things that people describe. */
@Component
class EditableTask extends StoredEditable<OwnTask> {

  EditableTask(UpkeepStore.Tasks tasks) {
    super("upkeep task", OwnTask.class, tasks);
  }

  @Override
  public String title(OwnTask task) {
    return task.title;
  }

  @Override
  public String link(OwnTask task) {
    return "/upkeep";
  }
}
