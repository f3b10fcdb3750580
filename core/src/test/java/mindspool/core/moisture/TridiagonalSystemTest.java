package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TridiagonalSystemTest {

  /** Against an LU decomposition of the whole matrix by a general library (Hipparchus). */
  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 24, 200})
  void solvesAsAGeneralLibraryDoes(int unknowns) {
    Random random = new Random(unknowns);
    TridiagonalSystem system = new TridiagonalSystem(unknowns);
    RealMatrix matrix = MatrixUtils.createRealMatrix(unknowns, unknowns);
    for (int i = 0; i < unknowns; i++) {
      system.below[i] = i > 0 ? -random.nextDouble() : Double.NaN;
      system.above[i] = i < unknowns - 1 ? -random.nextDouble() : Double.NaN;
      system.diagonal[i] = 2 + random.nextDouble();
      system.right[i] = random.nextGaussian();
      matrix.setEntry(i, i, system.diagonal[i]);
      if (i > 0) {
        matrix.setEntry(i, i - 1, system.below[i]);
      }
      if (i < unknowns - 1) {
        matrix.setEntry(i, i + 1, system.above[i]);
      }
    }
    double[] expected =
        new LUDecomposition(matrix)
            .getSolver()
            .solve(MatrixUtils.createRealVector(system.right))
            .toArray();
    double[] found = new double[unknowns];
    system.solve(found);
    assertThat(found).containsExactly(expected, within(1e-12));
  }
}
