package mindspool.server.print;

import java.util.Set;
import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Files of parts as things that people add and take away. */
@Component
class EditablePartFile extends StoredEditable<StoredPartFile> {

  EditablePartFile(PrintStore.PartFiles files) {
    super("part file", StoredPartFile.class, files);
  }

  @Override
  public String title(StoredPartFile file) {
    return file.name + " of " + file.jobName;
  }

  @Override
  public String link(StoredPartFile file) {
    return "/print/jobs/" + file.jobId;
  }

  @Override
  public Set<String> ownFields() {
    return Set.of("analysis", "sha256", "sizeBytes", "downX", "downY", "downZ");
  }
}
