package mindspool.core.climate.log;

import mindspool.core.climate.log.LogLayout.DateOrder;
import mindspool.core.climate.log.LogLayout.HumidityUnit;
import mindspool.core.climate.log.LogLayout.TemperatureUnit;

/**
 * What a person said about a file; null where nothing was said and the file is to be believed.
 *
 * @param timeColumn index of the column with the time
 * @param temperatureColumn index of the column with the temperature
 * @param humidityColumn index of the column with the humidity
 */
public record LogAnswers(
    DateOrder dateOrder,
    TemperatureUnit temperatureUnit,
    HumidityUnit humidityUnit,
    Integer timeColumn,
    Integer temperatureColumn,
    Integer humidityColumn) {

  /** Nothing said. */
  public static final LogAnswers NONE = new LogAnswers(null, null, null, null, null, null);
}
