package mindspool.server.climate;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

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

  /** Room whose air a dryer heats. */
  Long roomId;

  Double setpointC;
  Double ratedMaxC;
  Double airChangesPerHour;

  Double volumeL;

  long createdS;

  protected Place() {}

  Place(String name, PlaceKind kind, int positionInRoom, long createdS) {
    this.name = name;
    this.kind = kind;
    this.positionInRoom = positionInRoom;
    this.createdS = createdS;
  }
}
