package mindspool.server.machines;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A build plate: a thing of its own that lies on one printer or another. */
@Entity
@Table(name = "build_plate")
class StoredPlate {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String name;
  String kind;
  String surface;
  String interfaceLayer = "none";
  double massKg;

  /** What its magnets stand; null for one without. */
  Double magnetsMaxC;

  /** Measured pull over area; null where nobody measured it. */
  Double holdPressureKPa;

  int prints;
  int printsSinceWash;

  /** Prints that the coat on it is good for yet; null where nothing is spread, or nobody knows. */
  Integer coatPrintsLeft;

  /** Outcomes before this count no longer: the plate was made anew, or the learning reset. */
  long learnsFromS;

  long createdS;
  Long removedS;

  @Version int version;
}
