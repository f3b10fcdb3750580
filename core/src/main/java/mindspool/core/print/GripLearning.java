package mindspool.core.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import mindspool.core.Require;
import org.hipparchus.special.Erf;

/**
 * What finished prints teach of a plate: how well it grips against the table, and how hard it is
 * held down against what its kind usually is.
 *
 * <p>Bayes on a grid of two factors. Before any print each factor is log-normal about 1, as wide as
 * the model itself is unsure. A part comes loose with a chance that rises with the logarithm of its
 * ratio over the factor; so a part that held at a high ratio raises the factor, one that came loose
 * at a low ratio lowers it, and one that anybody would have foretold teaches little.
 */
public final class GripLearning {

  /** Spread of the factors before anything is known: the model's own uncertainty. */
  private static final double PRIOR_LOG_SD = Math.log(1 + HoldDown.UNSURE_SHARE);

  /** Spread from print to print: first layer, draught, grease; judgement. */
  private static final double PRINT_LOG_SD = 0.2;

  /** No single print makes anything impossible. */
  private static final double LEAST_CHANCE = 1e-12;

  private static final int CELLS = 81;
  private static final double WIDEST = 4 * PRIOR_LOG_SD;
  private static final double LOW = 0.1;
  private static final double HIGH = 0.9;

  /** How a print ended at the plate. */
  public enum Ending {
    HELD,
    /** A corner came off the plate. */
    CORNER_LIFTED,
    /** The plate or sheet itself rose with the part. */
    PLATE_LIFTED,
    /** It came off, nobody saw how. */
    CAME_OFF
  }

  /**
   * A print with what the table foretold.
   *
   * @param adhesionRatio and {@code plateRatio} as computed with both factors at 1
   */
  public record Outcome(double adhesionRatio, double plateRatio, Ending ending) {

    public Outcome {
      Require.within("adhesionRatio", adhesionRatio, 0, 1e6, "");
      Require.within("plateRatio", plateRatio, 0, 1e6, "");
    }
  }

  /** A factor: its median and the band that holds it with 80 %. */
  public record Factor(double median, double low, double high) {}

  private final Factor grip;
  private final Factor hold;
  private final int prints;

  private GripLearning(List<Outcome> outcomes) {
    prints = outcomes.size();
    double[] logs = new double[CELLS];
    for (int i = 0; i < CELLS; i++) {
      logs[i] = -WIDEST + 2 * WIDEST * i / (CELLS - 1);
    }
    double[] ofGrip = prior(logs);
    double[] ofHold = prior(logs);
    List<double[][]> ofBoth = new ArrayList<>();
    for (Outcome outcome : outcomes) {
      double[] corner = chances(outcome.adhesionRatio, logs);
      double[] plate = chances(outcome.plateRatio, logs);
      switch (outcome.ending) {
        case HELD -> {
          add(ofGrip, corner, true);
          add(ofHold, plate, true);
        }
        case CORNER_LIFTED -> add(ofGrip, corner, false);
        case PLATE_LIFTED -> add(ofHold, plate, false);
        case CAME_OFF -> ofBoth.add(new double[][] {corner, plate});
      }
    }
    double[] gripWeight = new double[CELLS];
    double[] holdWeight = new double[CELLS];
    double most = Arrays.stream(ofGrip).max().orElse(0) + Arrays.stream(ofHold).max().orElse(0);
    for (int i = 0; i < CELLS; i++) {
      for (int j = 0; j < CELLS; j++) {
        double log = ofGrip[i] + ofHold[j] - most;
        for (double[][] both : ofBoth) {
          log += logOf(1 - (1 - both[0][i]) * (1 - both[1][j]));
        }
        double weight = Math.exp(log);
        gripWeight[i] += weight;
        holdWeight[j] += weight;
      }
    }
    grip = factor(logs, gripWeight);
    hold = factor(logs, holdWeight);
  }

  private static double square(double value) {
    return value * value;
  }

  private static double[] chances(double ratio, double[] logs) {
    return Arrays.stream(logs).map(log -> letsGo(ratio, log)).toArray();
  }

  private static double[] prior(double[] logs) {
    return Arrays.stream(logs).map(log -> -0.5 * square(log / PRIOR_LOG_SD)).toArray();
  }

  /** Adds what one outcome says of a factor by itself: that it held, or that it did not. */
  private static void add(double[] sums, double[] loose, boolean held) {
    for (int i = 0; i < sums.length; i++) {
      sums[i] += logOf(held ? 1 - loose[i] : loose[i]);
    }
  }

  private static double logOf(double chance) {
    return Math.log(Math.max(LEAST_CHANCE, chance));
  }

  /** Chance that a ratio lets go, by a factor's logarithm. */
  private static double letsGo(double ratio, double logFactor) {
    return ratio <= 0 ? 0 : normal((Math.log(ratio) - logFactor) / PRINT_LOG_SD);
  }

  private static double normal(double z) {
    return 0.5 * Erf.erfc(-z / Math.sqrt(2));
  }

  private static Factor factor(double[] logs, double[] weight) {
    return new Factor(
        Math.exp(quantile(logs, weight, 0.5)),
        Math.exp(quantile(logs, weight, LOW)),
        Math.exp(quantile(logs, weight, HIGH)));
  }

  private static double quantile(double[] logs, double[] weight, double share) {
    double total = 0;
    for (double each : weight) {
      total += each;
    }
    double wanted = share * total;
    double below = 0;
    for (int i = 0; i < logs.length; i++) {
      if (below + weight[i] >= wanted) {
        // Each cell's weight is spread evenly about its middle.
        double step = logs[1] - logs[0];
        return logs[i] + step * ((wanted - below) / weight[i] - 0.5);
      }
      below += weight[i];
    }
    return logs[logs.length - 1];
  }

  /** Learns from all prints of a plate. */
  public static GripLearning from(List<Outcome> outcomes) {
    return new GripLearning(outcomes);
  }

  /** How it grips against the table. */
  public Factor grip() {
    return grip;
  }

  /** How hard it is held down against what was said of it. */
  public Factor hold() {
    return hold;
  }

  public int prints() {
    return prints;
  }

  /** Chance that a part comes loose, with what is known: 0 to 1. */
  public double looseChance(double adhesionRatio, double plateRatio) {
    double corner = chance(adhesionRatio, grip);
    double plate = chance(plateRatio, hold);
    return 1 - (1 - corner) * (1 - plate);
  }

  private static double chance(double ratio, Factor factor) {
    if (ratio <= 0) {
      return 0;
    }
    double bandSd = Math.log(factor.high / factor.low) / (2 * 1.2816);
    double spread = Math.hypot(bandSd, PRINT_LOG_SD);
    return normal((Math.log(ratio) - Math.log(factor.median)) / spread);
  }
}
