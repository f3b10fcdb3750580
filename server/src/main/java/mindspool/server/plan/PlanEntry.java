package mindspool.server.plan;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** Where the plan that stands has a job; {@code dryerId} null where its spool is taken as it is. */
@Entity
@Table(name = "plan_entry")
class PlanEntry {

  @Id long jobId;

  String code;
  Long dryerId;
  long startS;
  long endS;
  Double setpointC;
  boolean served;

  /** Whether it is taken out as soon as the metres of its job print. */
  boolean coreStaysWet;

  @Column(length = 600)
  String why;

  /** Whether a person decided it. */
  boolean pinned;

  protected PlanEntry() {}

  PlanEntry(long jobId) {
    this.jobId = jobId;
  }
}
