package mindspool.core.stock;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Which spool to take for a job: the smallest that is enough, the driest, the oldest; spools that
 * need a hand first come last. Common practice; the weights are judgement (grade D).
 */
public final class SpoolChoice {

  /** Needed beyond the job's own mass: 5 % and 10 g. */
  private static final double RESERVE_SHARE = 1.05;

  /** A job needs so much more: purge, and the end that stays in the tube, g (common practice). */
  private static final double RESERVE_G = 10;

  private SpoolChoice() {}

  /**
   * A spool that might do.
   *
   * @param leastG filament left at the least, g
   * @param typicalG filament left, g
   * @param moistureShare moisture of its outer wraps as a share of the print limit
   * @param ageDays since it was received
   * @param end where its loose end is
   * @param smallestNozzleMm smallest nozzle it may be printed with; 0 without restriction
   */
  public record Candidate(
      String code,
      double leastG,
      double typicalG,
      double moistureShare,
      double ageDays,
      LooseEnd end,
      double smallestNozzleMm) {}

  /** A spool with its place in the order and why. */
  public record Ranked(Candidate spool, boolean enough, boolean ready, String why) {}

  /** Filament that a job takes off a reel with reserve, g. */
  public static double neededG(double jobG) {
    return RESERVE_SHARE * jobG + RESERVE_G;
  }

  /** All candidates, the one to take first. */
  public static List<Ranked> rank(List<Candidate> candidates, double jobG) {
    double needed = neededG(jobG);
    List<Ranked> ranked = new ArrayList<>();
    for (Candidate each : candidates) {
      boolean enough = each.typicalG >= needed;
      boolean ready =
          each.moistureShare <= 1 && !each.end.holdsLongJobs() && each.smallestNozzleMm == 0;
      ranked.add(new Ranked(each, enough, ready, why(each, needed, enough)));
    }
    ranked.sort(
        Comparator.comparing((Ranked r) -> !r.enough)
            .thenComparing(r -> !r.ready)
            .thenComparing(r -> score(r.spool, needed)));
    return ranked;
  }

  /** Lower is better: what would be left over, then water, then youth. */
  private static double score(Candidate spool, double needed) {
    double leftOver = Math.max(0, spool.typicalG - needed) / 1000;
    return leftOver + 0.5 * spool.moistureShare - 0.2 * Math.min(1, spool.ageDays / 365);
  }

  private static String why(Candidate spool, double needed, boolean enough) {
    List<String> reasons = new ArrayList<>();
    reasons.add(
        enough
            ? text("leaves %.0f g over the %.0f g needed", spool.typicalG - needed, needed)
            : text("%.0f g short of the %.0f g needed", needed - spool.typicalG, needed));
    if (enough && spool.leastG < needed) {
      reasons.add("perhaps not enough: its reel's mass is not known");
    }
    reasons.add(
        spool.moistureShare > 1
            ? text("past its print limit (%.0f %%): dry it first", 100 * spool.moistureShare)
            : text("at %.0f %% of its print limit", 100 * spool.moistureShare));
    if (spool.end.holdsLongJobs()) {
      reasons.add("its end " + spool.end.title());
    }
    if (spool.smallestNozzleMm > 0) {
      reasons.add(text("dusty: %.1f mm nozzle or wider", spool.smallestNozzleMm));
    }
    reasons.add(text("%.0f days in stock", spool.ageDays));
    return String.join("; ", reasons);
  }

  private static String text(String format, Object... values) {
    return String.format(Locale.ROOT, format, values);
  }
}
