package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.Signed;

/** A cycle as it was started; what happened since are facts of their own. */
@Entity
@EntityListeners(PersonAtWork.Signature.class)
@Table(name = "drying_cycle")
class DryingCycle implements Signed {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long placeId;
  long startedS;
  double hours;
  double setpointC;

  /** Setpoint of the first hours. */
  double startC;

  /** How the dryer behaved when it was started. */
  double biasK;

  double warmingS;
  long recordedS;
  String person;
  Long undoneS;

  /** The dryer while nobody stopped the cycle; then null. There is one open cycle in each. */
  Long openPlaceId;

  @Override
  public void sign(String who) {
    person = who;
  }
}
