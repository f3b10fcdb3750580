package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import mindspool.core.drying.DryerCharacterisation;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** A run with probes in a dryer, as it was evaluated. The latest that holds counts. */
@Entity
@Table(name = "dryer_measurement")
class DryerMeasurement extends Fact {

  long placeId;
  double setpointC;
  double biasK;
  double overshootK;
  double rippleK;
  double uniformityK;
  double heatUpMin;
  double hottestAboveSetK;
  double instrumentUncertaintyK;

  protected DryerMeasurement() {}

  DryerMeasurement(long placeId, long atS, DryerCharacterisation found) {
    super(atS, atS, Origin.HAND);
    this.placeId = placeId;
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
}
