package mindspool.server.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.Comparator;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** Something that happened to a spool. Appended, never changed; undoing it leaves it visible. */
@Entity
@Table(name = "spool_fact")
public class SpoolFact extends Fact {

  /** What happened. */
  public enum Kind {
    RECEIVED,
    OPENED,
    MOVED,
    WEIGHED,
    /** Its loose end: {@code detail} is the act. */
    END,
    /** Something seen on receiving: {@code detail} says what. */
    CHECKED,
    /** Lay hot: {@code amount} °C where known. */
    HEATED,
    /** Dusty or dropped: {@code amount} is the smallest nozzle, mm. */
    DUSTY,
    /** Wiped while rewinding; no longer dusty. */
    CLEANED,
    /** Used up; {@code grossMassG} is the empty reel. */
    EMPTIED,
    /** Printed from without weighing: {@code amount} g came off the outside. */
    USED
  }

  /**
   * By time; what happened at one time in an order that does not hang on which was recorded first,
   * but for acts with the loose end, which are the same to the water, and for moves: of two within
   * one second the one recorded last says where the spool lies.
   */
  static final Comparator<SpoolFact> ORDER =
      Comparator.<SpoolFact>comparingLong(fact -> fact.atS)
          .thenComparing(fact -> fact.kind)
          .thenComparing(fact -> fact.grossMassG == null ? 0 : fact.grossMassG)
          .thenComparing(fact -> fact.id == null ? 0 : fact.id);

  long spoolId;

  @Enumerated(EnumType.STRING)
  public Kind kind;

  public Long placeId;
  public Double grossMassG;

  /** The first fact of a visit that has a beginning and an end; shared by both. */
  Long visitId;

  public String detail;
  Double amount;

  /** A weighing before which nothing was used since the one before: their difference is water. */
  boolean nothingUsed;

  /** Step of the scale; null where it follows from the digits. */
  Double scaleStepG;

  protected SpoolFact() {}

  public SpoolFact(long spoolId, Kind kind, long atS, long recordedS, Origin origin) {
    super(atS, recordedS, origin);
    this.spoolId = spoolId;
    this.kind = kind;
  }

  /** Hash of what it says, whichever number it has. */
  long contentHash() {
    long hash = 31 * atS + kind.ordinal();
    hash = 31 * hash + (placeId == null ? 0 : placeId);
    hash = 31 * hash + (grossMassG == null ? 0 : Double.hashCode(grossMassG));
    hash = kind == Kind.USED ? 31 * hash + Double.hashCode(amount) : hash;
    return nothingUsed ? 31 * hash + 1 : hash;
  }

  boolean places() {
    return kind == Kind.RECEIVED || kind == Kind.MOVED;
  }
}
