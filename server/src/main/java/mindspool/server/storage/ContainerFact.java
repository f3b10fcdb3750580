package mindspool.server.storage;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import mindspool.core.storage.Desiccant;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** Something that was done to a closed container. Appended, never changed. */
@Entity
@Table(name = "container_fact")
class ContainerFact extends Fact {

  /** What was done. */
  enum Kind {
    OPENED,
    DESICCANT_PUT,
    DESICCANT_WEIGHED,
    DESICCANT_TAKEN_OUT
  }

  long placeId;

  @Enumerated(EnumType.STRING)
  Kind kind;

  Double minutes;

  @Enumerated(EnumType.STRING)
  Desiccant desiccant;

  Double dryMassG;

  /** On the scale: dry desiccant with its water. */
  Double massG;

  protected ContainerFact() {}

  ContainerFact(long placeId, Kind kind, long atS, long recordedS, Origin origin) {
    super(atS, recordedS, origin);
    this.placeId = placeId;
    this.kind = kind;
  }
}
