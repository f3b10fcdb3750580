package mindspool.core.moisture;

/**
 * A system of linear equations in which each unknown meets its two neighbours only:
 *
 * <pre>
 *   below[i] x[i-1] + diagonal[i] x[i] + above[i] x[i+1] = right[i]
 * </pre>
 *
 * <p>Solved by the Thomas algorithm (Thomas 1949; Golub and Van Loan, Matrix Computations, section
 * 4.3) without pivoting, which is stable where the matrix is diagonally dominant, as it is for
 * every balance between neighbours. {@code below[0]} and the last {@code above} do not count. One
 * unknown is as good as many.
 */
final class TridiagonalSystem {

  final double[] below;
  final double[] diagonal;
  final double[] above;
  final double[] right;

  TridiagonalSystem(int unknowns) {
    below = new double[unknowns];
    diagonal = new double[unknowns];
    above = new double[unknowns];
    right = new double[unknowns];
  }

  /** Writes the solution; what stands above the diagonal is used up. */
  void solve(double[] solution) {
    int unknowns = diagonal.length;
    double pivot = diagonal[0];
    solution[0] = right[0] / pivot;
    for (int i = 1; i < unknowns; i++) {
      double ratio = above[i - 1] / pivot;
      above[i - 1] = ratio;
      pivot = diagonal[i] - below[i] * ratio;
      solution[i] = (right[i] - below[i] * solution[i - 1]) / pivot;
    }
    for (int i = unknowns - 2; i >= 0; i--) {
      solution[i] -= above[i] * solution[i + 1];
    }
  }
}
