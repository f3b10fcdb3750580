package mindspool.server.print;

import java.util.Set;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Prints as things that are started, ended and corrected. */
@Component
class EditableRun extends StoredEditable<PrintRun> {

  EditableRun(PrintStore.Runs runs) {
    super("print", PrintRun.class, runs);
  }

  @Override
  public String title(PrintRun run) {
    return run.name;
  }

  @Override
  public String link(PrintRun run) {
    return "/print/runs/" + run.id;
  }

  @Override
  public Set<String> ownFields() {
    return Set.of("progressPercent");
  }
}
