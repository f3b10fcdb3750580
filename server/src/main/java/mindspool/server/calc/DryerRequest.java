package mindspool.server.calc;

import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.drying.Dryer;

/**
 * A dryer as described in a request.
 *
 * @param setpointC none for the recommended one
 * @param airChangesPerHour none for a dryer that is vented freely
 */
public record DryerRequest(
    Double setpointC,
    Double ratedMaxC,
    Double biasC,
    Double hottestAboveSetC,
    Double airChangesPerHour,
    Double volumeL) {

  /** The dryer in core's terms, checked. */
  public Dryer toDryer() {
    return new Dryer(
        Require.present("dryer.ratedMaxC", ratedMaxC, "a temperature in °C"),
        biasC == null ? 0 : biasC,
        hottestAboveSetC == null ? 0 : hottestAboveSetC,
        airChangesPerHour == null ? OptionalDouble.empty() : OptionalDouble.of(airChangesPerHour),
        volumeL == null ? Dryer.USUAL_VOLUME_L : volumeL);
  }
}
