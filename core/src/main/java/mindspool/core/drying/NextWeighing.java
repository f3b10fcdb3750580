package mindspool.core.drying;

import java.util.List;
import java.util.Optional;
import mindspool.core.learning.Weighed;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/**
 * Weighings during a cycle that tell when the spool will be dry.
 *
 * @param hours after the start or now, the next first
 * @param sdBefore standard deviation without them of the wettest wraps' moisture when it is thought
 *     dry, %
 * @param sdAfter and with them
 * @param stepG of the scale that it was computed for
 */
public record NextWeighing(List<Double> hours, double sdBefore, double sdAfter, double stepG) {

  /** They must narrow the spread by at least this share to be worth the walk (judgement). */
  private static final double WORTH_SHARE = 0.15;

  /** What a weighing would show: how the water lost by an hour hangs on what is not known. */
  record Candidate(double hour, double[] lostSlopesG) {}

  /** Hour of the next. */
  public double nextHour() {
    return hours.get(0);
  }

  /**
   * What a row of weighings would tell, to first order: with one before, they show the water lost
   * since, to the scale's accuracy; what that is correlated with becomes surer.
   *
   * @param slopes how the moisture that decides hangs on what is not known
   * @return none where weighing on this scale tells too little
   */
  static Optional<NextWeighing> of(
      Belief belief, double[] slopes, List<Candidate> row, double stepG) {
    if (row.isEmpty()) {
      return Optional.empty();
    }
    int n = row.size();
    double scaleVariance = Math.pow(new Weighed(0, 0, stepG, false).sdG(), 2);
    RealMatrix shown = MatrixUtils.createRealMatrix(n, n);
    RealVector common = new ArrayRealVector(n);
    for (int i = 0; i < n; i++) {
      common.setEntry(i, belief.covariance(slopes, row.get(i).lostSlopesG));
      for (int j = 0; j < n; j++) {
        // The first weighing's error is in every difference.
        shown.setEntry(
            i,
            j,
            belief.covariance(row.get(i).lostSlopesG, row.get(j).lostSlopesG)
                + scaleVariance * (i == j ? 2 : 1));
      }
    }
    double before = belief.covariance(slopes, slopes);
    double explained =
        common.dotProduct(new CholeskyDecomposition(shown, 1e-9, 0).getSolver().solve(common));
    NextWeighing found =
        new NextWeighing(
            row.stream().map(Candidate::hour).toList(),
            Math.sqrt(before),
            Math.sqrt(Math.max(0, before - explained)),
            stepG);
    return Optional.of(found).filter(NextWeighing::isWorthIt);
  }

  private boolean isWorthIt() {
    return sdAfter < (1 - WORTH_SHARE) * sdBefore;
  }
}
