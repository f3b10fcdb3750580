package mindspool.core.part;

/**
 * How long moves take when speed changes by a limited acceleration: each begins and ends as fast as
 * the corner with its neighbour and the way left to brake allow.
 *
 * <p>Corner speed: v² = a d s / (1 - s), s the sine of half the angle between the moves and d the
 * rounding that is tolerated there. Within a move speed rises, stays and falls (a trapezoid).
 */
final class MotionTimer {

  /** Hears of each move once it is known how fast it was. */
  interface Moves {

    /**
     * A move.
     *
     * @param tag as given
     * @param volumeMm3 extruded on it
     * @param timeS that it takes
     * @param peakMmPerS fastest speed on it
     */
    void moved(int tag, double lengthMm, double volumeMm3, double timeS, double peakMmPerS);
  }

  private static final int AHEAD = 64;

  /** Rounding of corners that firmware usually allows, mm; common practice. */
  private static final double CORNER_MM = 0.02;

  private final Moves moves;
  private final double[] length = new double[AHEAD];
  private final double[] volume = new double[AHEAD];
  private final double[] speed2 = new double[AHEAD];
  private final double[] acceleration = new double[AHEAD];

  /** Squares of the greatest speed at a move's begin, by its corner, and with what comes after. */
  private final double[] corner2 = new double[AHEAD];

  private final double[] entry2 = new double[AHEAD];
  private final int[] tag = new int[AHEAD];
  private int first;
  private int count;
  private double now2;
  private double endX;
  private double endY;
  private double endZ;

  MotionTimer(Moves moves) {
    this.moves = moves;
  }

  /**
   * Adds a move.
   *
   * @param sx and so on: the direction in which it begins, a unit vector
   * @param ex and so on: the direction in which it ends
   */
  void add(
      int moveTag,
      double lengthMm,
      double volumeMm3,
      double speedMmPerS,
      double accelerationMmPerS2,
      double sx,
      double sy,
      double sz,
      double ex,
      double ey,
      double ez) {
    if (count == AHEAD) {
      finishFirst();
    }
    int at = (first + count) % AHEAD;
    tag[at] = moveTag;
    length[at] = lengthMm;
    volume[at] = volumeMm3;
    speed2[at] = speedMmPerS * speedMmPerS;
    acceleration[at] = accelerationMmPerS2;
    double most2 = 0;
    if (count > 0) {
      int before = (at + AHEAD - 1) % AHEAD;
      double cos = endX * sx + endY * sy + endZ * sz;
      double slower = Math.min(speed2[at], speed2[before]);
      most2 = cos > 0.999999 ? slower : Math.min(slower, cornerSpeed2(cos, accelerationMmPerS2));
    }
    corner2[at] = most2;
    entry2[at] = Math.min(most2, 2 * accelerationMmPerS2 * lengthMm);
    count++;
    // What comes after lets those before end faster.
    int next = at;
    for (int i = count - 2; i > 0; i--) {
      int before = (first + i) % AHEAD;
      double faster =
          Math.min(corner2[before], entry2[next] + 2 * acceleration[before] * length[before]);
      if (faster <= entry2[before]) {
        break;
      }
      entry2[before] = faster;
      next = before;
    }
    endX = ex;
    endY = ey;
    endZ = ez;
  }

  private static double cornerSpeed2(double cos, double acceleration) {
    // Sine of half the angle that the path encloses at the corner.
    double half = Math.sqrt(Math.max(0, (1 + cos) / 2));
    return half > 0.999999 ? Double.MAX_VALUE : acceleration * CORNER_MM * half / (1 - half);
  }

  /** Stands still: what was before ends at rest. */
  void stop() {
    while (count > 0) {
      finishFirst();
    }
    now2 = 0;
  }

  private void finishFirst() {
    int at = first;
    double a2 = 2 * acceleration[at] * length[at];
    double from2 = now2;
    double to2 = count > 1 ? Math.min(entry2[(at + 1) % AHEAD], from2 + a2) : 0;
    double peak2 = Math.min(speed2[at], (a2 + from2 + to2) / 2);
    double time;
    double peak = Math.sqrt(peak2);
    if (length[at] <= 0 || peak <= 0) {
      time = 0;
    } else if (peak2 < Math.max(from2, to2) * (1 - 1e-9)) {
      // Faster than it can brake: only where the lookahead is too short.
      time = 2 * length[at] / (Math.sqrt(from2) + Math.sqrt(to2));
    } else {
      double from = Math.sqrt(from2);
      double to = Math.sqrt(to2);
      double changing = (2 * peak2 - from2 - to2) / (2 * acceleration[at]);
      time = (2 * peak - from - to) / acceleration[at] + Math.max(0, length[at] - changing) / peak;
    }
    moves.moved(tag[at], length[at], volume[at], time, peak);
    now2 = to2;
    first = (first + 1) % AHEAD;
    count--;
  }
}
