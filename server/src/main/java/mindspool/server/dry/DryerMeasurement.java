package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.core.drying.DryerCharacterisation;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.Signed;

/** A run with probes in a dryer, as it was evaluated. The latest that holds counts. */
@Entity
@EntityListeners(PersonAtWork.Signature.class)
@Table(name = "dryer_measurement")
class DryerMeasurement implements Signed {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long placeId;
  long atS;
  double setpointC;
  double biasK;
  double overshootK;
  double rippleK;
  double uniformityK;
  double heatUpMin;
  double hottestAboveSetK;
  double instrumentUncertaintyK;
  String person;
  Long undoneS;

  protected DryerMeasurement() {}

  DryerMeasurement(long placeId, long atS, DryerCharacterisation found) {
    this.placeId = placeId;
    this.atS = atS;
    this.setpointC = found.setpointC();
    this.biasK = found.biasK();
    this.overshootK = found.overshootK();
    this.rippleK = found.rippleK();
    this.uniformityK = found.uniformityK();
    this.heatUpMin = found.heatUpMin();
    this.hottestAboveSetK = found.hottestAboveSetK();
    this.instrumentUncertaintyK = found.instrumentUncertaintyK();
  }

  DryerCharacterisation found() {
    return new DryerCharacterisation(
        setpointC,
        biasK,
        overshootK,
        rippleK,
        uniformityK,
        heatUpMin,
        hottestAboveSetK,
        instrumentUncertaintyK);
  }

  @Override
  public void sign(String who) {
    person = who;
  }
}
