package mindspool.core.drying;

import java.util.OptionalDouble;
import mindspool.core.Require;

/**
 * A dryer as it behaves, not as its dial says.
 *
 * @param ratedMaxC highest setpoint, °C
 * @param biasC true mean air temperature minus setpoint, K
 * @param hottestAboveSetC how far the hottest place a reel touches lies above the setpoint, K
 * @param airChangesPerHour how often room air replaces its air; none where it is vented freely
 * @param volumeL inside volume
 */
public record Dryer(
    double ratedMaxC,
    double biasC,
    double hottestAboveSetC,
    OptionalDouble airChangesPerHour,
    double volumeL) {

  /** Volume of a purpose-made dryer for one or two reels. Common practice. */
  public static final double USUAL_VOLUME_L = 12;

  public Dryer {
    Require.within("dryer.ratedMaxC", ratedMaxC, 30, 250, "°C");
    Require.within("dryer.biasC", biasC, -40, 40, "K");
    Require.within("dryer.hottestAboveSetC", hottestAboveSetC, 0, 60, "K");
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
}
