package mindspool.server.air;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A log that was imported. */
@Entity
@Table(name = "climate_file")
class ClimateFile {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long placeId;
  String name;
  long importedS;
  int rowsTaken;
  Long firstS;
  Long lastS;

  protected ClimateFile() {}

  ClimateFile(long placeId, String name, long importedS) {
    this.placeId = placeId;
    this.name = name;
    this.importedS = importedS;
  }
}
