package mindspool.server.places;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A place as it is stored. */
@Entity
@Table(name = "place")
class Place {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String name;

  @Enumerated(EnumType.STRING)
  PlaceKind kind;

  int positionInRoom;

  /** Place that it stands in; for a dryer the room whose air it heats. */
  Long withinId;

  /** How many spools fit in; none where it does not matter. */
  Integer capacity;

  /** A closed container's own conductance, g per day and unit of humidity difference. */
  @Column(name = "measured_leak_g_per_day")
  Double measuredLeakGPerDay;

  Double setpointC;
  Double ratedMaxC;
  Double airChangesPerHour;

  Double volumeL;

  long createdS;

  /** When it was removed; null while it is there. */
  Long removedS;

  @Version int version;

  protected Place() {}

  Place(String name, PlaceKind kind, int positionInRoom, long createdS) {
    this.name = name;
    this.kind = kind;
    this.positionInRoom = positionInRoom;
    this.createdS = createdS;
  }
}
