package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import mindspool.core.drying.DryerKind;
import mindspool.core.storage.Desiccant;

/** What is known of a dryer beyond its being a place. */
@Entity
@Table(name = "dryer")
class DryerDescription {

  @Id long placeId;

  @Enumerated(EnumType.STRING)
  DryerKind kind = DryerKind.PURPOSE_MADE;

  int slots = 1;
  Double maxReelDiameterMm;
  Double maxReelWidthMm;
  Double powerW;
  boolean feedsOut;

  /** Whether its timer ends the heat when the planned hours are over. */
  boolean turnsItselfOff = true;

  boolean outOfOrder;

  @Enumerated(EnumType.STRING)
  Desiccant desiccant;

  Double desiccantDryG;
  Double desiccantWaterG;

  /** Where a message switches it off. */
  String switchTopic;

  String switchOffPayload;

  /** Whether the program may do so by itself when it gets too hot. */
  boolean maySwitchOff;

  @Version int version;

  protected DryerDescription() {}

  /** A dryer of which nobody said anything yet. */
  DryerDescription(long placeId) {
    this.placeId = placeId;
  }
}
