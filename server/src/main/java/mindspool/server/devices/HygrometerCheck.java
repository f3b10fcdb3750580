package mindspool.server.devices;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.core.hygrometer.HygrometerCorrection;

/** A hygrometer was read over salts; its correction is kept apart from its raw readings. */
@Entity
@Table(name = "hygrometer_check")
class HygrometerCheck {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long deviceId;
  long atS;
  long recordedS;

  /** {@code salt@°C=reading}, with spaces between. */
  String points;

  double gain;
  double offsetPercent;

  @Enumerated(EnumType.STRING)
  HygrometerCorrection.Verdict verdict;

  Long undoneS;

  protected HygrometerCheck() {}

  HygrometerCheck(long deviceId, long atS, long recordedS) {
    this.deviceId = deviceId;
    this.atS = atS;
    this.recordedS = recordedS;
  }
}
