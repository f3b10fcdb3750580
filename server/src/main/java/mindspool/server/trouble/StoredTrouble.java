package mindspool.server.trouble;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import mindspool.core.trouble.Evidence;

/** A case of trouble; facts, signs and tests as JSON of ids. */
@Entity
@Table(name = "trouble")
class StoredTrouble {

  /** What the remedy did. */
  enum Worked {
    YES,
    NO,
    NOT_TRIED
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String title = "";
  Long runId;
  String code;
  Long printerId;
  Long plateId;
  String material;
  long openedS;

  /** Ids that somebody added. */
  String facts = "[]";

  /** Ids of what the records say and somebody struck out. */
  String struck = "[]";

  /** Id to yes, no or unsure. */
  String signs = "{}";

  /** Id to outcome. */
  String tests = "{}";

  @Enumerated(EnumType.STRING)
  Evidence.Habit habit = Evidence.Habit.NONE;

  /** When it was closed; null while it is open. */
  Long closedS;

  String cause;
  String remedy;

  @Enumerated(EnumType.STRING)
  Worked worked;

  String note;
  Double lostG;
  Double lostHours;
  Long removedS;

  @Version int version;
}
