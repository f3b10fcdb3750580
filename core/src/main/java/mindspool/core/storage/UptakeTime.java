package mindspool.core.storage;

import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;

/**
 * The single time constant that stands for a whole spool where only its water as a sum counts: the
 * area over its answer to a step from 10 to 40 % humidity at 23 °C, {@code integral of (1 - covered
 * share) dt}, as the spool model gives it. A single lag with this constant has taken up as much
 * water in the end and is as late on average.
 */
public final class UptakeTime {

  private static final MoistAir AIR = new MoistAir(23, 40);

  /** A dry spool that is put into room air, as relative humidity 0..1. */
  private static final double START_HUMIDITY = 0.1;

  /** Share that is still to come when the rest no longer matters. */
  private static final double REST = 0.01;

  /** Followed for a year at most, h. */
  private static final double LONGEST_H = 24 * 365.0;

  private UptakeTime() {}

  /** Time constant of a spool in still air, h. */
  public static double hours(Material material, Winding winding) {
    SpoolMoistureModel model = new SpoolMoistureModel(material, SpoolMoistureModel.Options.COARSE);
    double start = 100 * material.sorption().moistureFraction(START_HUMIDITY);
    double end = 100 * material.sorption().moistureFraction(AIR.relativeHumidityPercent() / 100);
    SpoolState state = model.uniform(winding, start, AIR.temperatureC());
    ClimateSeries climate = ClimateSeries.constant(AIR);
    double hours = 0;
    double area = 0;
    double toCome = 1;
    while (toCome > REST && hours < LONGEST_H) {
      double step = Math.max(1, hours / 10);
      model.advance(state, climate, AirContact.STILL, 3600 * hours, 3600 * (hours + step), null);
      double left = (end - state.profile().meanPercent()) / (end - start);
      area += step * 0.5 * (toCome + left);
      toCome = left;
      hours += step;
    }
    return area;
  }
}
