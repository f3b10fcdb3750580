package mindspool.server.upkeep;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import mindspool.core.upkeep.UpkeepTask.Subject;

/** Upkeep that was done. */
@Entity
@Table(name = "upkeep_done")
class DoneUpkeep {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  /** Id of the table's task, or that of an own one. */
  String taskId = "";

  /** What it was called then. */
  String title = "";

  @Enumerated(EnumType.STRING)
  Subject subject = Subject.WORKSHOP;

  /** Place of a printer or dryer, number of a plate; 0 for the workshop. */
  long subjectId;

  long atS;
  String note;
  Double measured;
  String measuredUnit;
  Long removedS;

  @Version int version;
}
