package mindspool.server.climate;

import java.util.List;

/** Air readings that arrive by themselves, corrected and without those that cannot be right. */
public interface LiveReadings {

  /** Readings of a place in order of time. */
  List<LiveReading> readings(long placeId);

  /** A reading; epoch seconds. */
  record LiveReading(long timeS, double temperatureC, double relativeHumidityPercent) {}
}
