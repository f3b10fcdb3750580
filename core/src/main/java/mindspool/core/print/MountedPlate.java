package mindspool.core.print;

import java.util.OptionalDouble;
import mindspool.core.Require;

/**
 * A build plate as it lies on a printer.
 *
 * @param massKg its own
 * @param magnetsMaxC what its magnets stand; none where it has none
 */
public record MountedPlate(BuildPlate plate, double massKg, OptionalDouble magnetsMaxC) {

  /** A flexible sheet of usual size; common practice, kg. */
  public static final double USUAL_KG = 0.28;

  /** Heat capacity of steel, glass and laminate lies between; handbooks, J/(kg K). */
  private static final double HEAT_J_PER_KG_K = 600;

  public MountedPlate {
    Require.within("plate.massKg", massKg, 0.01, 50, "kg");
    magnetsMaxC.ifPresent(most -> Require.within("plate.magnetsMaxC", most, 30, 300, "°C"));
  }

  /** The same with what its earlier prints taught of its grip and of how it is held. */
  public MountedPlate taught(double gripFactor, double holdFactor) {
    BuildPlate learned =
        new BuildPlate(
            plate.kind(),
            plate.surface(),
            plate.interfaceLayer(),
            plate.cleanliness(),
            plate.holdPa() * holdFactor,
            plate.gripFactor() * gripFactor);
    return new MountedPlate(learned, massKg, magnetsMaxC);
  }

  /** What warms and cools with it, J/K. */
  double heatJPerK() {
    return HEAT_J_PER_KG_K * massKg;
  }
}
