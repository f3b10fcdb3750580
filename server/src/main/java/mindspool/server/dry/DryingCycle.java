package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** A cycle as it was started; what happened since are facts of their own. */
@Entity
@Table(name = "drying_cycle")
class DryingCycle extends Fact {

  long placeId;
  double hours;
  double setpointC;

  /** Setpoint of the first hours. */
  double startC;

  /** How the dryer behaved when it was started. */
  double biasK;

  double warmingS;

  /** The dryer while nobody stopped the cycle; then null. There is one open cycle in each. */
  Long openPlaceId;

  protected DryingCycle() {}

  DryingCycle(long placeId, long startedS, long recordedS) {
    super(startedS, recordedS, Origin.HAND);
    this.placeId = placeId;
  }

  long startedS() {
    return atS;
  }
}
