package mindspool.server.climate;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.core.climate.MoistAir;

/** Air that a person expects of a place for a while, such as over a holiday. */
@Entity
@Table(name = "planned_climate")
class PlannedClimate {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long placeId;
  String name;
  long fromS;
  long untilS;
  double temperatureC;
  double relativeHumidityPercent;
  long recordedS;
  Long undoneS;

  protected PlannedClimate() {}

  PlannedClimate(long placeId, String name, long fromS, long untilS, MoistAir air, long recordedS) {
    this.placeId = placeId;
    this.name = name;
    this.fromS = fromS;
    this.untilS = untilS;
    this.temperatureC = air.temperatureC();
    this.relativeHumidityPercent = air.relativeHumidityPercent();
    this.recordedS = recordedS;
  }

  MoistAir air() {
    return new MoistAir(temperatureC, relativeHumidityPercent);
  }
}
