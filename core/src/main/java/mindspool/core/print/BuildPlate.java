package mindspool.core.print;

import mindspool.core.Require;

/**
 * A build plate as it is used.
 *
 * @param surface id, and {@code interfaceLayer} the id of what is spread on it, as in {@link
 *     BedSurfaces}
 * @param cleanliness 0 to 1; a finger's grease halves it
 * @param holdPa pressure that holds it down, Pa
 */
public record BuildPlate(
    PlateKind kind, String surface, String interfaceLayer, double cleanliness, double holdPa) {

  public BuildPlate {
    Require.within("plate.cleanliness", cleanliness, 0.05, 1, "");
    Require.within("plate.holdPressureKPa", holdPa / 1000, 0.1, 1000, "kPa");
  }

  BuildPlate washed() {
    return new BuildPlate(kind, surface, interfaceLayer, 1, holdPa);
  }

  BuildPlate withInterfaceLayer(String layer) {
    return new BuildPlate(kind, surface, layer, cleanliness, holdPa);
  }

  BuildPlate ofKind(PlateKind other) {
    return new BuildPlate(other, surface, interfaceLayer, cleanliness, other.usualHoldPa());
  }
}
