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

  @Test
  void whatWasMeasuredIsNotAskedAgainAndTellsLessOfItsNeighbour() {
    List<Step> fresh = LotSeries.after(Set.of());
    List<Step> later = LotSeries.after(EnumSet.of(Measurement.DIAMETER));
    assertThat(later).noneMatch(step -> step.measurement() == Measurement.DIAMETER);
    assertThat(flow(later))
        .isLessThan(flow(LotSeries.after(EnumSet.of(Measurement.SHRINKAGE))) + 1)
        .isPositive();
    assertThat(fresh.get(0).bitsPerMinute()).isGreaterThanOrEqualTo(fresh.get(1).bitsPerMinute());
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
      assertThat(step.why()).contains("bit in");
    }
  }

  /** Common practice: with a caliper at hand, thickness comes first. */
  @Test
  void theCaliperComesFirst() {
    assertThat(LotSeries.after(Set.of()).get(0).measurement()).isEqualTo(Measurement.DIAMETER);
  }
}
