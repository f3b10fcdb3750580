package mindspool.server.devices;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** From a time on a device is in a place. */
@Entity
@Table(name = "device_stay")
class DeviceStay {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long deviceId;
  long placeId;
  long fromS;

  /** When that was taken back; null while it holds. */
  Long removedS;

  @Version int version;

  protected DeviceStay() {}

  DeviceStay(long deviceId, long placeId, long fromS) {
    this.deviceId = deviceId;
    this.placeId = placeId;
    this.fromS = fromS;
  }
}
