package mindspool.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import mindspool.core.calibration.LotSeries.Measurement;
import mindspool.core.calibration.LotSeries.Step;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.junit.jupiter.api.Test;

class LotSeriesTest {

  /**
   * The chain of informations is the joint one: {@code ½ log2 det(I + R^-1 H Σ Hᵀ)}, counted out
   * with the matrices of a general library. The figures are those of the class's documentation.
   */
  @Test
  void theSumOfTheStepsIsTheJointInformation() {
    RealMatrix prior =
        MatrixUtils.createRealDiagonalMatrix(
            new double[] {1.2 * 1.2, 1.5 * 1.5, 36, 0.12 * 0.12, 144, 1600});
    double[][] sees = {
      {1, 0, 0, 0, 0, 0},
      {2, 1, 0, 0, 0, 0},
      {0, 0, 1, 0, 0, 0},
      {0, 0, 0, 1, 0, 0},
      {0, 0, 1.5, 0, 1, 0},
      {0, 0, 0, 0, 0, 1}
    };
    double[] errors = {0.35, 0.8, 3, 0.05, 5, 12};
    List<Step> series = LotSeries.after(Set.of());
    int n = series.size();
    double[][] rows = new double[n][];
    for (int i = 0; i < n; i++) {
      int m = series.get(i).measurement().ordinal();
      rows[i] = sees[m].clone();
      for (int k = 0; k < 6; k++) {
        rows[i][k] /= errors[m];
      }
    }
    RealMatrix h = new Array2DRowRealMatrix(rows);
    RealMatrix joint =
        MatrixUtils.createRealIdentityMatrix(n).add(h.multiply(prior).multiply(h.transpose()));
    double bits = 0.5 * Math.log(new LUDecomposition(joint).getDeterminant()) / Math.log(2);
    assertThat(series.stream().mapToDouble(Step::bits).sum()).isEqualTo(bits, within(1e-9));
  }

  /**
   * Worked by hand: thickness of 1.2 % is known to a variance of 0.1129 once it was measured to
   * 0.35 %; walls then see 4 times that and 2.25 against an error of 0.64, which is 1.192 bits.
   */
  @Test
  void wallsTellLessOnceTheThicknessIsKnown() {
    List<Step> later = LotSeries.after(EnumSet.of(Measurement.DIAMETER));
    assertThat(later).noneMatch(step -> step.measurement() == Measurement.DIAMETER);
    assertThat(flow(later)).isEqualTo(1.192, within(0.001));
    double alone = 0.5 * Math.log(1 + (4 * 1.44 + 2.25) / 0.64) / Math.log(2);
    assertThat(alone).isGreaterThan(flow(later) + 0.5);
  }

  @Test
  void theSeriesGoesFromMoreToLessForAMinute() {
    List<Step> series = LotSeries.after(Set.of());
    assertThat(series).hasSize(6);
    for (int i = 1; i < series.size(); i++) {
      assertThat(series.get(i).bitsPerMinute())
          .isLessThanOrEqualTo(series.get(i - 1).bitsPerMinute() + 1e-12);
    }
  }

  private static double flow(List<Step> series) {
    return series.stream()
        .filter(step -> step.measurement() == Measurement.FLOW)
        .mapToDouble(Step::bits)
        .findFirst()
        .orElse(0);
  }

  @Test
  void nothingIsLeftWhenAllWasMeasured() {
    assertThat(LotSeries.after(EnumSet.allOf(Measurement.class))).isEmpty();
    for (Step step : LotSeries.after(Set.of())) {
      assertThat(step.bits()).isPositive();
      assertThat(step.why()).contains("times as sure");
    }
  }

  /** Common practice: with a caliper at hand, thickness comes first. */
  @Test
  void theCaliperComesFirst() {
    assertThat(LotSeries.after(Set.of()).get(0).measurement()).isEqualTo(Measurement.DIAMETER);
  }
}
