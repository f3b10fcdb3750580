package mindspool.core.drying;

import java.util.Arrays;

/**
 * How each spool of a load differs from what is believed of it, in the natural logarithms of
 * diffusivity, uptake, water and its depth; empty where none does.
 */
record Lots(double[][] shifts) {

  static final Lots ALIKE = new Lots(new double[0][]);

  /** Steps in the logarithm of diffusivity, uptake, water and depth, each towards drying sooner. */
  private static final double[] EASIER = {0.4, -0.15, -0.15, -0.15};

  /** All with one quantity a step better. */
  static Lots easier(int quantity) {
    double[] shift = new double[Belief.QUANTITIES];
    shift[quantity] = EASIER[quantity];
    return all(shift);
  }

  /** How a moisture changes per unit of a quantity's logarithm, by what that step does to it. */
  static double slope(int quantity, double stepped, double centre) {
    return (stepped - centre) / EASIER[quantity];
  }

  /** All alike shifted. */
  static Lots all(double[] shift) {
    double[][] shifts = new double[DryerLoad.MOST_SPOOLS][];
    Arrays.fill(shifts, shift);
    return new Lots(shifts);
  }

  Lots reversed() {
    return new Lots(
        Arrays.stream(shifts)
            .map(each -> Arrays.stream(each).map(shift -> -shift).toArray())
            .toArray(double[][]::new));
  }

  /** What a spool's four quantities are to be multiplied by. */
  double[] factors(int spool) {
    return shifts.length == 0
        ? new double[] {1, 1, 1, 1}
        : Arrays.stream(shifts[spool]).map(Math::exp).toArray();
  }
}
