package mindspool.server.air;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import mindspool.core.climate.MoistAir;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** Air that a person expects of a place for a while, such as over a holiday. */
@Entity
@Table(name = "planned_climate")
class PlannedClimate extends Fact {

  long placeId;
  String name;
  long untilS;
  double temperatureC;
  double relativeHumidityPercent;

  protected PlannedClimate() {}

  PlannedClimate(long placeId, String name, long fromS, long untilS, MoistAir air, long recordedS) {
    super(fromS, recordedS, Origin.HAND);
    this.placeId = placeId;
    this.name = name;
    this.untilS = untilS;
    this.temperatureC = air.temperatureC();
    this.relativeHumidityPercent = air.relativeHumidityPercent();
  }

  MoistAir air() {
    return new MoistAir(temperatureC, relativeHumidityPercent);
  }

  long fromS() {
    return atS;
  }
}
