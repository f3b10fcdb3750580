package mindspool.server.print;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** How a job is to be set up; part and choices as JSON of what was asked. */
@Entity
@Table(name = "job_sheet")
class JobSheet {

  @Id long jobId;

  /** The job's name, for sentences. */
  String name = "";

  Long printerId;
  Long plateId;

  /** Place that its spool hangs in while it prints; null for the printer's own holder. */
  Long feedId;

  String code;
  String part = "{}";
  String choices = "{}";

  @Version int version;

  protected JobSheet() {}

  JobSheet(long jobId) {
    this.jobId = jobId;
  }
}
