package mindspool.core.drying;

import java.util.Arrays;

/**
 * How each spool of a load differs from what is believed of it, in the natural logarithms of
 * diffusivity, uptake, water and its depth; empty where none does.
 */
record Lots(double[][] shifts) {

  static final Lots ALIKE = new Lots(new double[0][]);

  /** All alike shifted. */
  static Lots all(double[] shift) {
    double[][] shifts = new double[Charge.MOST_SPOOLS][];
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
