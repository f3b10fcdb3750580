package mindspool.server.devices;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A device that publishes. */
@Entity
@Table(name = "device")
class Device {

  /** What it is. */
  enum Kind {
    HYGROMETER("hygrometer"),
    SCALE("scale"),
    DRYER("dryer"),
    PRINTER("printer");

    private final String title;

    Kind(String title) {
      this.title = title;
    }

    /** What it is called. */
    String title() {
      return title;
    }
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String name;

  @Enumerated(EnumType.STRING)
  Kind kind;

  /** Smallest step that it shows, in the unit of its main quantity. */
  Double resolution;

  int checkEveryDays;
  long createdS;
  Long removedS;

  @Version int version;

  protected Device() {}

  Device(String name, Kind kind, long createdS) {
    this.name = name;
    this.kind = kind;
    this.createdS = createdS;
  }

  boolean isPresent() {
    return removedS == null;
  }
}
