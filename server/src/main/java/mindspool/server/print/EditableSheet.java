package mindspool.server.print;

import mindspool.server.acts.StoredEditable;
import org.springframework.stereotype.Component;

/** Setup sheets as things that people change. */
@Component
class EditableSheet extends StoredEditable<JobSheet> {

  EditableSheet(PrintStore.Sheets sheets) {
    super("setup", JobSheet.class, sheets);
  }

  @Override
  public String title(JobSheet sheet) {
    return "of " + sheet.name;
  }

  @Override
  public String link(JobSheet sheet) {
    return "/print/jobs/" + sheet.jobId;
  }
}
