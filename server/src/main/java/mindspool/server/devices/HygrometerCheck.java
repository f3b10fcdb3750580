package mindspool.server.devices;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import mindspool.core.hygrometer.HygrometerCorrection;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** A hygrometer was read over salts; its correction is kept apart from its raw readings. */
@Entity
@Table(name = "hygrometer_check")
class HygrometerCheck extends Fact {

  long deviceId;

  /** {@code salt@°C=reading}, with spaces between. */
  String points;

  double gain;
  double offsetPercent;

  @Enumerated(EnumType.STRING)
  HygrometerCorrection.Verdict verdict;

  protected HygrometerCheck() {}

  HygrometerCheck(long deviceId, long atS, long recordedS) {
    super(atS, recordedS, Origin.HAND);
    this.deviceId = deviceId;
  }
}
