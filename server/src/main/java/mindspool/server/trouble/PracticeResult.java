package mindspool.server.trouble;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** What somebody made of a practice case. */
@Entity
@Table(name = "practice_result")
class PracticeResult {

  /** What was practised. */
  enum Kind {
    TROUBLE,
    DRYING
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String person = "";

  @Enumerated(EnumType.STRING)
  Kind kind = Kind.TROUBLE;

  long seed;

  /** How hard it was; empty for drying. */
  String level = "";

  long doneS;
  boolean wasRight;

  /** Minutes of work until it was named; 0 for drying. */
  double minutes;

  /** Filament that it would have cost, g. */
  double lostG;

  Long removedS;

  @Version int version;
}
