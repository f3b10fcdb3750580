package mindspool.core.learning;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * What weighings say of a spool: a weighted set of states instead of one.
 *
 * @param members the states, weights together 1
 * @param best the likeliest
 * @param effectiveMembers how many equally weighted members the set is worth
 * @param worstResidualSd largest difference between a weighing and the likeliest state, in standard
 *     deviations of the scale
 * @param worstAtS when that weighing was
 * @param priorSd how far the likeliest state lies from what was expected beforehand, in standard
 *     deviations, the largest of the three
 */
public record Calibration(
    List<Member> members,
    Member best,
    double effectiveMembers,
    double worstResidualSd,
    double worstAtS,
    double priorSd) {

  /** Beyond this, nothing that a lot does explains what the scale showed (judgement). */
  private static final double DOUBTFUL_SD = 4;

  /**
   * A lot so far from the table, in its standard deviations, is a slip of the scale or a wrong tare
   * (judgement).
   */
  private static final double DOUBTFUL_PRIOR_SD = 3.5;

  /**
   * Whether the weighings contradict everything that a spool of this material does: another reel on
   * the scale, another unit, or filament used unnoticed is likelier.
   */
  public boolean isDoubtful() {
    return worstResidualSd > DOUBTFUL_SD || priorSd > DOUBTFUL_PRIOR_SD;
  }

  /** Weighted mean of a quantity over the members. */
  public double mean(ToDoubleFunction<Member> quantity) {
    return members.stream().mapToDouble(m -> m.weight() * quantity.applyAsDouble(m)).sum();
  }

  /** Weighted standard deviation of a quantity over the members. */
  public double sd(ToDoubleFunction<Member> quantity) {
    double mean = mean(quantity);
    return Math.sqrt(
        members.stream()
            .mapToDouble(m -> m.weight() * Math.pow(quantity.applyAsDouble(m) - mean, 2))
            .sum());
  }

  /**
   * Weighted quantile.
   *
   * @param values of the members, in their order
   * @param share 0..1
   */
  public double quantile(double[] values, double share) {
    Integer[] order = new Integer[values.length];
    Arrays.setAll(order, i -> i);
    Arrays.sort(order, Comparator.comparingDouble(i -> values[i]));
    double sum = 0;
    double before = values[order[0]];
    double sumBefore = 0;
    for (Integer i : order) {
      // Each member stands in the middle of its share, and the quantile runs between them.
      double middle = sum + members.get(i).weight() / 2;
      if (middle >= share) {
        double span = middle - sumBefore;
        return span <= 0
            ? values[i]
            : before + (values[i] - before) * Math.max(0, (share - sumBefore) / span);
      }
      sum += members.get(i).weight();
      sumBefore = middle;
      before = values[i];
    }
    return before;
  }
}
