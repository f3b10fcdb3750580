package mindspool.server.devices;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.core.device.Quantity;
import mindspool.core.device.ReadingUnit;

/** How one quantity of a device is read from its messages. */
@Entity
@Table(name = "channel")
class Channel {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long deviceId;
  String topicFilter;

  /** JSON pointer to the number; empty where the message is the number itself. */
  String pointer;

  @Enumerated(EnumType.STRING)
  Quantity quantity;

  @Enumerated(EnumType.STRING)
  ReadingUnit unit;

  /** JSON pointer to the time; null where the arrival counts. */
  String timePointer;

  /** Readings ever taken. Written by {@link ReadingStore} with every batch, as the two below. */
  @Column(insertable = false, updatable = false)
  long readings;

  @Column(insertable = false, updatable = false)
  Long lastMs;

  @Column(insertable = false, updatable = false)
  Double lastReading;

  protected Channel() {}

  Channel(long deviceId, String topicFilter, String pointer, ReadingUnit unit, String timePointer) {
    this.deviceId = deviceId;
    this.topicFilter = topicFilter;
    this.pointer = pointer;
    this.quantity = unit.quantity();
    this.unit = unit;
    this.timePointer = timePointer;
  }
}
