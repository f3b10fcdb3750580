package mindspool.core.climate.log;

import java.util.List;

/**
 * How a logger's file is laid out.
 *
 * @param delimiter between columns
 * @param decimalComma whether numbers have a comma for a point
 * @param columns headings, or the first row's cells where there are none
 * @param hasHeader whether {@code columns} are headings
 * @param firstDataLine line of the first row of data, from 1
 * @param timeColumns column of the time, or those of date and time
 * @param temperatureColumn its index
 * @param humidityColumn its index
 * @param temperatureUnit unit in the file
 * @param humidityUnit unit in the file
 * @param dateOrder how dates are written
 */
public record LogLayout(
    char delimiter,
    boolean decimalComma,
    List<String> columns,
    boolean hasHeader,
    int firstDataLine,
    List<Integer> timeColumns,
    int temperatureColumn,
    int humidityColumn,
    TemperatureUnit temperatureUnit,
    HumidityUnit humidityUnit,
    DateOrder dateOrder) {

  /** Unit of temperatures in a file. */
  public enum TemperatureUnit {
    CELSIUS,
    FAHRENHEIT;

    double toCelsius(double value) {
      return this == CELSIUS ? value : (value - 32) / 1.8;
    }
  }

  /** Unit of relative humidity in a file. */
  public enum HumidityUnit {
    PERCENT,
    FRACTION;

    double toPercent(double value) {
      return this == PERCENT ? value : 100 * value;
    }
  }

  /** How dates are written in a file. */
  public enum DateOrder {
    ISO,
    EPOCH,
    DAY_FIRST,
    MONTH_FIRST
  }
}
