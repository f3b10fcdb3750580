package mindspool.server.devices;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.core.hygrometer.HygrometerCorrection;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.Signed;

/** A hygrometer was read over salts; its correction is kept apart from its raw readings. */
@Entity
@EntityListeners(PersonAtWork.Signature.class)
@Table(name = "hygrometer_check")
class HygrometerCheck implements Signed {

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

  /** Who did it, where known. */
  String person;

  Long undoneS;

  protected HygrometerCheck() {}

  HygrometerCheck(long deviceId, long atS, long recordedS) {
    this.deviceId = deviceId;
    this.atS = atS;
    this.recordedS = recordedS;
  }

  @Override
  public void sign(String who) {
    person = who;
  }
}
