package mindspool.server.acts;

import jakarta.persistence.EntityListeners;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.PrePersist;
import mindspool.server.http.ActNumber;
import mindspool.server.http.PersonAtWork;

/** Something that happened. Appended, never changed; one that is undone stays visible. */
@MappedSuperclass
@EntityListeners(Fact.Stamp.class)
public abstract class Fact {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  public Long id;

  /** The act that stored it, together with the act's other facts. */
  public long actId;

  /** When it happened, epoch seconds. */
  public long atS;

  /** When it was entered, epoch seconds. */
  public long recordedS;

  @Enumerated(EnumType.STRING)
  public Origin origin;

  /** Who entered it, where known. */
  public String person;

  /** The act that undid it; null while it holds. */
  public Long undoneBy;

  protected Fact() {}

  protected Fact(long atS, long recordedS, Origin origin) {
    this.atS = atS;
    this.recordedS = recordedS;
    this.origin = origin;
  }

  /** Whether it counts: nobody undid it. */
  public final boolean holds() {
    return undoneBy == null;
  }

  /** Gives a fact its act and its person as it is stored. */
  static final class Stamp {

    private final ActNumber number;

    Stamp(ActNumber number) {
      this.number = number;
    }

    @PrePersist
    void stamp(Fact fact) {
      fact.actId = number.current();
      PersonAtWork.name().ifPresent(name -> fact.person = name);
    }
  }
}
