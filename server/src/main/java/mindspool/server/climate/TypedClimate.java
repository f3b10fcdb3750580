package mindspool.server.climate;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A constant climate that a person typed, valid from a time on. */
@Entity
@Table(name = "typed_climate")
class TypedClimate {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long placeId;
  long sinceS;
  double temperatureC;
  double relativeHumidityPercent;
  long recordedS;
  Long undoneS;

  protected TypedClimate() {}

  TypedClimate(long placeId, long sinceS, double temperatureC, double humidity, long recordedS) {
    this.placeId = placeId;
    this.sinceS = sinceS;
    this.temperatureC = temperatureC;
    this.relativeHumidityPercent = humidity;
    this.recordedS = recordedS;
  }
}
