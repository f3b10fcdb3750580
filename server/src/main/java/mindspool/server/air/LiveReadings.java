package mindspool.server.air;

import java.util.List;

/** Air readings that arrive by themselves, corrected and without those that cannot be right. */
public interface LiveReadings {

  /** Readings of a place in order of time. */
  List<LiveReading> readings(long placeId);

  /** What thermometers without a hygrometer showed in a place, in order of time. */
  List<LiveTemperature> temperatures(long placeId);

  /** A temperature; epoch seconds. */
  record LiveTemperature(long timeS, double temperatureC) {}

  /** A reading; epoch seconds. */
  record LiveReading(long timeS, double temperatureC, double relativeHumidityPercent) {}
}
