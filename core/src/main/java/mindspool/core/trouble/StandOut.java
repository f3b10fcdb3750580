package mindspool.core.trouble;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.Require;
import org.hipparchus.special.Beta;

/**
 * Something whose prints fail more often than those of all others of its kind: the 80 % bands of
 * both shares do not touch.
 *
 * @param kind such as plate or printer
 * @param name of the one
 */
public record StandOut(String kind, String name, Share its, Share others) {

  /** Fewer prints tell nothing; judgement. */
  private static final int LEAST_PRINTS = 5;

  private static final double LOW = 0.1;
  private static final double HIGH = 0.9;
  private static final int HALVINGS = 60;

  /** A print: of what it was, and whether it failed or had flaws. */
  public record Print(String name, boolean failed) {}

  /** How many of how many failed, with the 80 % band of the share (Beta, no prior knowledge). */
  public record Share(int failed, int prints) {

    public Share {
      Require.within("prints", prints, 0, 1e9, "");
      Require.within("failed", failed, 0, prints, "");
    }

    public double low() {
      return quantile(LOW);
    }

    public double high() {
      return quantile(HIGH);
    }

    private double quantile(double probability) {
      double low = 0;
      double high = 1;
      for (int i = 0; i < HALVINGS; i++) {
        double middle = (low + high) / 2;
        if (Beta.regularizedBeta(middle, failed + 1.0, prints - failed + 1.0) < probability) {
          low = middle;
        } else {
          high = middle;
        }
      }
      return (low + high) / 2;
    }
  }

  /** Those of a kind that stand out, the worst first. */
  public static List<StandOut> among(String kind, List<Print> prints) {
    Map<String, int[]> counts = new LinkedHashMap<>();
    int failed = 0;
    for (Print print : prints) {
      int[] count = counts.computeIfAbsent(print.name, name -> new int[2]);
      count[0] += print.failed ? 1 : 0;
      count[1]++;
      failed += print.failed ? 1 : 0;
    }
    List<StandOut> found = new ArrayList<>();
    for (Map.Entry<String, int[]> each : counts.entrySet()) {
      Share its = new Share(each.getValue()[0], each.getValue()[1]);
      Share others = new Share(failed - its.failed, prints.size() - its.prints);
      if (its.prints >= LEAST_PRINTS
          && others.prints >= LEAST_PRINTS
          && its.low() > others.high()) {
        found.add(new StandOut(kind, each.getKey(), its, others));
      }
    }
    found.sort(Comparator.comparingDouble(it -> it.others.high() - it.its.low()));
    return found;
  }
}
