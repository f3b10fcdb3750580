package mindspool.core.moisture;

/**
 * Moisture by depth: rings of equal dry mass from the hub outwards.
 *
 * @param percentByRing moisture of each ring, % of dry polymer; index 0 lies on the hub
 */
public record MoistureProfile(double[] percentByRing) {

  /** Share of the mass that counts as outer wraps, and as core wraps. */
  public static final double OUTER_SHARE = 0.10;

  public double meanPercent() {
    return meanBetween(0, 1);
  }

  /** Mean of the outermost tenth: what is used next. */
  public double outerPercent() {
    return meanBetween(1 - OUTER_SHARE, 1);
  }

  /** Mean of the innermost tenth: what is used last. */
  public double corePercent() {
    return meanBetween(0, OUTER_SHARE);
  }

  /**
   * Mean between two depths.
   *
   * @param from share of the mass below the stretch, 0 at the hub
   * @param to share of the mass up to its end, 1 at the outermost wrap; above {@code from}
   */
  public double meanBetween(double from, double to) {
    int rings = percentByRing.length;
    double start = from * rings;
    double end = to * rings;
    double sum = 0;
    for (int i = (int) start; i < Math.min(rings, Math.ceil(end)); i++) {
      double a = Math.max(start, i);
      double b = Math.min(end, i + 1);
      double offCentre = 0.5 * (a + b) - (i + 0.5);
      sum += (b - a) * (percentByRing[i] + slope(i) * offCentre);
    }
    return sum / (end - start);
  }

  private double slope(int i) {
    int below = Math.max(0, i - 1);
    int above = Math.min(percentByRing.length - 1, i + 1);
    return above == below ? 0 : (percentByRing[above] - percentByRing[below]) / (above - below);
  }

  /**
   * Wettest stretch among the next metres to be printed. A print fails at its worst metres, so a
   * dry outside does not excuse a wet core that the job reaches; single wraps do not count, since
   * their neighbours are printed within the same minute.
   *
   * @param share share of the spool that the job takes, 0..1
   * @return % of dry polymer, mean over stretches of a tenth of the spool or of the job if less
   */
  public double wettestPercentInNext(double share) {
    double job = Math.min(Math.max(share, 1e-6), 1);
    double stretch = Math.min(job, OUTER_SHARE);
    double wettest = 0;
    for (double end = 1; end > 1 - job + 1e-9; end -= stretch) {
      double start = Math.max(end - stretch, 1 - job);
      if (end - start > 1e-9) {
        wettest = Math.max(wettest, meanBetween(start, end));
      }
    }
    return wettest;
  }

  /** Means of {@code groups} consecutive groups of rings, hub first, for drawing. */
  public double[] grouped(int groups) {
    double[] means = new double[groups];
    for (int g = 0; g < groups; g++) {
      means[g] = meanBetween((double) g / groups, (g + 1.0) / groups);
    }
    return means;
  }
}
