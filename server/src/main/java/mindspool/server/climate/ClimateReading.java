package mindspool.server.climate;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.io.Serializable;
import org.springframework.data.domain.Persistable;

/** One reading of a place's air. */
@Entity
@Table(name = "climate_reading")
class ClimateReading implements Persistable<ClimateReading.Key> {

  /** A place has one reading per second at most. */
  @Embeddable
  record Key(long placeId, long timeS) implements Serializable {}

  @EmbeddedId Key key;
  double temperatureC;
  double relativeHumidityPercent;
  Long fileId;

  protected ClimateReading() {}

  ClimateReading(Key key, double temperatureC, double relativeHumidityPercent, Long fileId) {
    this.key = key;
    this.temperatureC = temperatureC;
    this.relativeHumidityPercent = relativeHumidityPercent;
    this.fileId = fileId;
  }

  @Override
  public Key getId() {
    return key;
  }

  /** Readings are only ever added, so none needs to be looked up first. */
  @Override
  @Transient
  public boolean isNew() {
    return true;
  }
}
