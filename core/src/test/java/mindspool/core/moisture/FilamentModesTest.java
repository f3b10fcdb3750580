package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.hipparchus.special.BesselJ;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FilamentModesTest {

  private static final FilamentModes MODES = FilamentModes.withTail(8);

  /** Crank 1975, eq. 5.23: 200 terms whose zeros are found here with a general library. */
  @ParameterizedTest
  @ValueSource(doubles = {0.002, 0.01, 0.03, 0.1, 0.25, 0.5})
  void uptakeAgreesWithCranksSeries(double fourier) {
    BrentSolver solver = new BrentSolver(1e-13);
    double missing = 0;
    for (int n = 1; n <= 200; n++) {
      double guess = (n - 0.25) * Math.PI;
      double alpha = solver.solve(200, x -> BesselJ.value(0, x), guess - 0.5, guess + 0.5);
      missing += 4 / (alpha * alpha) * Math.exp(-alpha * alpha * fourier);
    }
    // The tail stands for 192 modes that still matter in the first instants.
    double tolerance = fourier < 0.01 ? 2e-3 : 1e-5;
    assertThat(MODES.uptake(fourier)).isCloseTo(1 - missing, within(tolerance));
  }

  /** Crank 1975, eq. 5.25: the start, where series converge slowly. */
  @Test
  void uptakeStartsWithTheSquareRootOfTime() {
    double fourier = 0.004;
    double expected = 4 / Math.sqrt(Math.PI) * Math.sqrt(fourier) - fourier;
    assertThat(MODES.uptake(fourier)).isCloseTo(expected, within(1e-3));
  }

  /** Independent of any series: 160 shells integrated by a general embedded Runge-Kutta method. */
  @Test
  void uptakeAgreesWithAnIntegratedCylinder() {
    int shells = 160;
    OrdinaryDifferentialEquation cylinder =
        new OrdinaryDifferentialEquation() {
          @Override
          public int getDimension() {
            return shells;
          }

          @Override
          public double[] computeDerivatives(double time, double[] content) {
            double width = 1.0 / shells;
            double[] rate = new double[shells];
            for (int i = 0; i < shells; i++) {
              double inner = i * width;
              double outer = (i + 1) * width;
              double in = i > 0 ? inner * (content[i - 1] - content[i]) / width : 0;
              double out =
                  i < shells - 1
                      ? outer * (content[i + 1] - content[i]) / width
                      : outer * (1 - content[i]) / (width / 2);
              rate[i] = 2 * (in + out) / (outer * outer - inner * inner);
            }
            return rate;
          }
        };
    DormandPrince853Integrator integrator = new DormandPrince853Integrator(1e-9, 0.01, 1e-9, 1e-9);
    for (double fourier : new double[] {0.01, 0.05, 0.2}) {
      double[] end =
          integrator
              .integrate(cylinder, new ODEState(0, new double[shells]), fourier)
              .getPrimaryState();
      double mean = 0;
      for (int i = 0; i < shells; i++) {
        mean += end[i] * (2 * i + 1.0) / (shells * (double) shells);
      }
      assertThat(MODES.uptake(fourier)).isCloseTo(mean, within(5e-4));
    }
  }

  @Test
  void tailClosesWeightAndFirstMoment() {
    for (int exact = 1; exact <= 8; exact++) {
      FilamentModes modes = FilamentModes.withTail(exact);
      double weight = 0;
      double moment = 0;
      for (int n = 0; n < modes.count(); n++) {
        weight += modes.weight(n);
        moment += modes.weight(n) / modes.rate(n);
      }
      assertThat(weight).isCloseTo(1, within(1e-14));
      assertThat(moment).isCloseTo(0.125, within(1e-15));
    }
    assertThatThrownBy(() -> FilamentModes.withTail(9)).hasMessageContaining("1 to 8");
  }
}
