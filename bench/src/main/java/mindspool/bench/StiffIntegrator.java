package mindspool.bench;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealVector;
import org.hipparchus.ode.OrdinaryDifferentialEquation;

/**
 * A general integrator for stiff equations: the modified Rosenbrock method of order two with an
 * error estimate of order three (Shampine and Reichelt 1997, The MATLAB ODE suite, section 3.1).
 * L-stable; the Jacobian comes by forward differences, the linear systems are solved as full ones,
 * because a general method knows nothing of their shape. The fair reference beside an explicit
 * integrator, whose steps stability sets.
 */
final class StiffIntegrator {

  private static final double D = 1 / (2 + Math.sqrt(2));
  private static final double E32 = 6 + Math.sqrt(2);
  private static final double INCREMENT = 1e-7;
  private static final double LEAST_STEP = 1e-6;

  private final OrdinaryDifferentialEquation equation;
  private final double absolute;
  private final double relative;
  private final double longestStep;

  StiffIntegrator(
      OrdinaryDifferentialEquation equation, double absolute, double relative, double longestStep) {
    this.equation = equation;
    this.absolute = absolute;
    this.relative = relative;
    this.longestStep = longestStep;
  }

  /** State at the end. */
  double[] integrate(double from, double[] start, double to) {
    double time = from;
    double step = 1;
    RealVector state = new ArrayRealVector(start);
    RealVector rate = rate(time, state);
    while (time < to - 1e-9) {
      double h = Math.min(Math.min(step, longestStep), to - time);
      DecompositionSolver solver = shifted(time, state, rate, h);
      RealVector drift =
          rate(time + INCREMENT * h, state).subtract(rate).mapMultiply(D / INCREMENT);
      RealVector k1 = solver.solve(rate.add(drift));
      RealVector middle = rate(time + 0.5 * h, state.add(k1.mapMultiply(0.5 * h)));
      RealVector k2 = solver.solve(middle.subtract(k1)).add(k1);
      RealVector next = state.add(k2.mapMultiply(h));
      RealVector end = rate(time + h, next);
      RealVector k3 =
          solver.solve(
              end.subtract(k2.subtract(middle).mapMultiply(E32))
                  .subtract(k1.subtract(rate).mapMultiply(2))
                  .add(drift));
      double error = error(state, next, k1.subtract(k2.mapMultiply(2)).add(k3).mapMultiply(h / 6));
      if (error <= 1 || h <= LEAST_STEP) {
        time += h;
        state = next;
        rate = end;
      }
      step = h * Math.min(4, Math.max(0.2, 0.8 * Math.pow(Math.max(error, 1e-9), -1.0 / 3)));
    }
    return state.toArray();
  }

  private RealVector rate(double time, RealVector state) {
    return new ArrayRealVector(equation.computeDerivatives(time, state.toArray()), false);
  }

  /** Unit matrix minus a share of the step times the Jacobian, decomposed. */
  private DecompositionSolver shifted(double time, RealVector state, RealVector rate, double h) {
    int n = state.getDimension();
    double[][] matrix = new double[n][n];
    double[] moved = state.toArray();
    for (int j = 0; j < n; j++) {
      double kept = moved[j];
      double by = INCREMENT * Math.max(Math.abs(kept), 1e-3);
      moved[j] = kept + by;
      double[] there = equation.computeDerivatives(time, moved);
      moved[j] = kept;
      for (int i = 0; i < n; i++) {
        matrix[i][j] = (i == j ? 1 : 0) - h * D * (there[i] - rate.getEntry(i)) / by;
      }
    }
    return new LUDecomposition(new Array2DRowRealMatrix(matrix, false)).getSolver();
  }

  private double error(RealVector before, RealVector after, RealVector difference) {
    double worst = 0;
    for (int i = 0; i < difference.getDimension(); i++) {
      double size = Math.max(Math.abs(before.getEntry(i)), Math.abs(after.getEntry(i)));
      worst = Math.max(worst, Math.abs(difference.getEntry(i)) / (absolute + relative * size));
    }
    return worst;
  }
}
