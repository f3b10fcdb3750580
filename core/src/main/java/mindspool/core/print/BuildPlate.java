package mindspool.core.print;

import mindspool.core.Require;

/**
 * A build plate as it is used.
 *
 * @param surface id, and {@code interfaceLayer} the id of what is spread on it, as in {@link
 *     BedSurfaces}
 * @param cleanliness 0 to 1; a finger's grease halves it
 * @param holdPa pressure that holds it down, Pa
 * @param gripFactor how it grips against the table, as earlier prints taught; 1 where none did
 */
public record BuildPlate(
    PlateKind kind,
    String surface,
    String interfaceLayer,
    double cleanliness,
    double holdPa,
    double gripFactor) {

  /** A plate that grips as the table says. */
  public BuildPlate(
      PlateKind kind, String surface, String interfaceLayer, double cleanliness, double holdPa) {
    this(kind, surface, interfaceLayer, cleanliness, holdPa, 1);
  }

  public BuildPlate {
    Require.within("plate.gripFactor", gripFactor, 0.01, 100, "");
    Require.within("plate.cleanliness", cleanliness, 0.05, 1, "");
    Require.within("plate.holdPressureKPa", holdPa / 1000, 0.1, 1000, "kPa");
  }

  /** A plate this clean needs no wash; judgement. */
  private static final double CLEAN_ENOUGH = 0.95;

  boolean isClean() {
    return cleanliness >= CLEAN_ENOUGH;
  }

  BuildPlate washed() {
    return withCleanliness(1);
  }

  BuildPlate withInterfaceLayer(String layer) {
    return new BuildPlate(kind, surface, layer, cleanliness, holdPa, gripFactor);
  }

  BuildPlate ofKind(PlateKind other) {
    return new BuildPlate(
        other, surface, interfaceLayer, cleanliness, other.usualHoldPa(), gripFactor);
  }

  BuildPlate withCleanliness(double share) {
    return new BuildPlate(kind, surface, interfaceLayer, share, holdPa, gripFactor);
  }
}
