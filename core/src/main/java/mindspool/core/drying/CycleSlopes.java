package mindspool.core.drying;

import java.util.List;
import java.util.function.ToDoubleFunction;
import mindspool.core.drying.DryingForecast.Cycle;

/** How what a cycle leads to hangs on what is not known, from runs with each quantity varied. */
final class CycleSlopes {

  private CycleSlopes() {}

  /**
   * How a quantity changes per unit of the logarithm of each thing that is not known.
   *
   * @param around the cycle as believed, then with each thing a step better
   */
  static double[] of(List<Cycle> around, ToDoubleFunction<Cycle> quantity) {
    double centre = quantity.applyAsDouble(around.get(0));
    double[] slopes = new double[Belief.QUANTITIES];
    for (int k = 0; k < slopes.length; k++) {
      slopes[k] = Lots.slope(k, quantity.applyAsDouble(around.get(k + 1)), centre);
    }
    return slopes;
  }
}
