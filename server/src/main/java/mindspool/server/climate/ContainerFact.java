package mindspool.server.climate;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.core.storage.Desiccant;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.Signed;

/** Something that was done to a closed container. Appended, never changed. */
@Entity
@EntityListeners(PersonAtWork.Signature.class)
@Table(name = "container_fact")
class ContainerFact implements Signed {

  /** What was done. */
  enum Kind {
    OPENED,
    DESICCANT_PUT,
    DESICCANT_WEIGHED,
    DESICCANT_TAKEN_OUT
  }

  /** Who says so. */
  enum Origin {
    HAND,
    DEMO
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long placeId;

  @Enumerated(EnumType.STRING)
  Kind kind;

  long atS;
  long recordedS;

  @Enumerated(EnumType.STRING)
  Origin origin;

  Double minutes;

  @Enumerated(EnumType.STRING)
  Desiccant desiccant;

  Double dryMassG;

  /** On the scale: dry desiccant with its water. */
  Double massG;

  /** Who did it, where known. */
  String person;

  Long undoneS;

  protected ContainerFact() {}

  ContainerFact(long placeId, Kind kind, long atS, long recordedS, Origin origin) {
    this.placeId = placeId;
    this.kind = kind;
    this.atS = atS;
    this.recordedS = recordedS;
    this.origin = origin;
  }

  @Override
  public void sign(String who) {
    person = who;
  }
}
