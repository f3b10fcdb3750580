package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Comparator;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.Signed;

/** Something that happened in a cycle. Appended, never changed; undoing it leaves it visible. */
@Entity
@EntityListeners(PersonAtWork.Signature.class)
@Table(name = "cycle_fact")
class CycleFact implements Signed {

  /** What happened. */
  enum Kind {
    /** A spool was put in; {@code spoolFactId} is its move. */
    ADDED,
    /** A spool was taken out; likewise. */
    REMOVED,
    PAUSED,
    RESUMED,
    /** Set to {@code amount} °C. */
    SETPOINT,
    /** To run {@code amount} hours in all. */
    HOURS,
    STOPPED,
    /** A probe showed {@code amount} °C, above what {@code detail} says is harmed. */
    TOO_HOT,
    /** A message told it to switch off. */
    SWITCHED_OFF,
    /** It was to be, and the message did not get through. */
    NOT_SWITCHED_OFF,
    /** The program was off from {@code atS} to {@code untilS} and saw nothing of the dryer. */
    UNSEEN,
    /** Somebody said that it was without power from {@code atS} to {@code untilS}. */
    WITHOUT_POWER,
    /** Somebody said that it ran on all the same. */
    RAN_ON
  }

  static final Comparator<CycleFact> ORDER =
      Comparator.<CycleFact>comparingLong(fact -> fact.atS).thenComparing(fact -> fact.id);

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long cycleId;

  @Enumerated(EnumType.STRING)
  Kind kind;

  long atS;
  Long untilS;
  String code;
  Double amount;
  String detail;
  Long spoolFactId;
  long recordedS;
  String person;
  Long undoneS;

  protected CycleFact() {}

  CycleFact(long cycleId, Kind kind, long atS, long recordedS) {
    this.cycleId = cycleId;
    this.kind = kind;
    this.atS = atS;
    this.recordedS = recordedS;
  }

  boolean holds() {
    return undoneS == null;
  }

  @Override
  public void sign(String who) {
    person = who;
  }
}
