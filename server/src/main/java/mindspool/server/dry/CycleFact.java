package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.Set;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** Something that happened in a cycle. Appended, never changed; undoing it leaves it visible. */
@Entity
@Table(name = "cycle_fact")
class CycleFact extends Fact {

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
    /** A message to switch off was sent. */
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

  /** What the program notices itself. */
  private static final Set<Kind> NOTICED =
      EnumSet.of(Kind.TOO_HOT, Kind.SWITCHED_OFF, Kind.NOT_SWITCHED_OFF, Kind.UNSEEN);

  static final Comparator<CycleFact> ORDER =
      Comparator.<CycleFact>comparingLong(fact -> fact.atS).thenComparing(fact -> fact.id);

  long cycleId;

  @Enumerated(EnumType.STRING)
  Kind kind;

  Long untilS;
  String code;
  Double amount;
  String detail;
  Long spoolFactId;

  protected CycleFact() {}

  CycleFact(long cycleId, Kind kind, long atS, long recordedS) {
    super(atS, recordedS, NOTICED.contains(kind) ? Origin.PROGRAM : Origin.HAND);
    this.cycleId = cycleId;
    this.kind = kind;
  }
}
