package mindspool.server.air;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import mindspool.server.acts.Fact;
import mindspool.server.acts.Origin;

/** A constant climate that a person typed, valid from a time on. */
@Entity
@Table(name = "typed_climate")
class TypedClimate extends Fact {

  long placeId;
  double temperatureC;
  double relativeHumidityPercent;

  protected TypedClimate() {}

  TypedClimate(long placeId, long sinceS, double temperatureC, double humidity, long recordedS) {
    super(sinceS, recordedS, Origin.HAND);
    this.placeId = placeId;
    this.temperatureC = temperatureC;
    this.relativeHumidityPercent = humidity;
  }

  long sinceS() {
    return atS;
  }
}
