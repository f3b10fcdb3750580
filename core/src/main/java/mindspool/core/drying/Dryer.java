package mindspool.core.drying;

import static mindspool.core.PhysicalConstants.STANDARD_PRESSURE_PA;
import static mindspool.core.PhysicalConstants.kelvin;

import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Sorption;
import mindspool.core.moisture.AirContact;
import mindspool.core.storage.Desiccant;
import mindspool.core.storage.WaterStore;

/**
 * A dryer as it behaves, not as its dial says.
 *
 * @param ratedMaxC highest setpoint, °C
 * @param airChangesPerHour how often room air replaces its air; none where it is vented freely
 * @param volumeL inside volume
 * @param desiccant what lies in it to take the water; none in most
 */
public record Dryer(
    DryerKind kind,
    double ratedMaxC,
    DryerBehaviour behaviour,
    OptionalDouble airChangesPerHour,
    double volumeL,
    Optional<DesiccantInside> desiccant) {

  /** Volume of a purpose-made dryer for one or two reels. Common practice. */
  public static final double USUAL_VOLUME_L = 12;

  /** In a vacuum oven below 10 hPa, a hundredth of the room's air is left, and of its vapour. */
  private static final double LEFT_IN_VACUUM = AirContact.VACUUM_PRESSURE_PA / STANDARD_PRESSURE_PA;

  /** Beads with a fan's air over them come to rest with it in about so long (grade D). */
  private static final double DESICCANT_LAG_H = 2;

  /**
   * Desiccant in a dryer.
   *
   * @param waterG water in it, that which regeneration left included
   */
  public record DesiccantInside(Desiccant kind, double dryMassG, double waterG) {

    public DesiccantInside {
      Require.within("dryer.desiccant.dryMassG", dryMassG, 1, 20_000, "g");
      Require.within("dryer.desiccant.waterG", waterG, 0, 6 * dryMassG, "g");
    }

    WaterStore store() {
      return WaterStore.of(kind, dryMassG, waterG, DESICCANT_LAG_H);
    }

    /** Humidity over it when it is as warm as the air, %. */
    double humidityPercentAt(double temperatureC) {
      return 100 * kind.humidity(waterG / dryMassG, temperatureC);
    }
  }

  public Dryer {
    Require.within("dryer.ratedMaxC", ratedMaxC, 30, 250, "°C");
    if (airChangesPerHour.isPresent()) {
      Require.within(
          "dryer.airChangesPerHour",
          airChangesPerHour.getAsDouble(),
          0.01,
          1000,
          "per hour",
          "Leave it out for a dryer that is vented freely.");
    }
    Require.within("dryer.volumeL", volumeL, 1, 2000, "L");
  }

  /** A dryer described by hand, taken at its word, and already warm. */
  public Dryer(
      double ratedMaxC,
      double biasC,
      double hottestAboveSetC,
      OptionalDouble airChangesPerHour,
      double volumeL) {
    this(
        DryerKind.PURPOSE_MADE,
        ratedMaxC,
        new DryerBehaviour(biasC, hottestAboveSetC, 0, 0, true),
        airChangesPerHour,
        volumeL,
        Optional.empty());
  }

  public double biasC() {
    return behaviour.biasC();
  }

  public double hottestAboveSetC() {
    return behaviour.hottestAboveSetC();
  }

  /** The air that replaces its own: the room's, thinned where a pump takes it away. */
  public MoistAir inlet(MoistAir room) {
    return kind == DryerKind.VACUUM
        ? new MoistAir(room.temperatureC(), LEFT_IN_VACUUM * room.relativeHumidityPercent())
        : room;
  }

  /**
   * The lowest humidity that the air inside comes to at a temperature, %. Where it is vented freely
   * the air is the room's, desiccant or not.
   */
  public double driestPercentAt(double airTemperatureC, MoistAir room) {
    double heated = Math.min(100, inlet(room).relativeHumidityPercentAt(airTemperatureC));
    return desiccant
        .filter(inside -> airChangesPerHour.isPresent())
        .map(inside -> Math.min(heated, inside.humidityPercentAt(airTemperatureC)))
        .orElse(heated);
  }

  /**
   * Moisture in balance with the driest air that it comes to: no spool gets below.
   *
   * @param setpointC as the dial says
   * @return % of the dry polymer
   */
  public double floorPercent(Sorption sorption, double setpointC, MoistAir room) {
    double airC = setpointC + biasC();
    return 100 * sorption.moistureFractionAt(driestPercentAt(airC, room) / 100, kelvin(airC));
  }

  /** How its air takes water and heat from a spool. */
  AirContact contact() {
    return kind == DryerKind.VACUUM ? AirContact.VACUUM : AirContact.FORCED;
  }

  /** With another description of how warm it gets. */
  public Dryer behaving(DryerBehaviour other) {
    return new Dryer(kind, ratedMaxC, other, airChangesPerHour, volumeL, desiccant);
  }
}
