package mindspool.core.print;

import java.util.List;
import mindspool.core.Require;
import mindspool.core.print.Printer.ChamberKind;

/**
 * How much of its bed's warmth a printer keeps around the part, as its earlier prints show: mean of
 * (air − room) / (bed − room), drawn toward what printers of its kind keep.
 *
 * @param keeps share of the bed's warmth above the room, 0 to 1
 * @param unsure one standard deviation of it
 * @param prints that taught it; 0 where it is the usual of its kind
 */
public record ChamberWarmth(double keeps, double unsure, int prints) {

  /** The kind's usual counts like so many prints; judgement. */
  private static final double PRIOR_PRINTS = 1;

  /** By how much printers of one kind differ; judgement. */
  private static final double KIND_SPREAD = 0.12;

  /** A bed closer to the room than this tells too little, K. */
  private static final double LEAST_RISE_K = 15;

  /** One print: means over its whole time, °C. */
  public record Seen(double bedC, double roomC, double chamberC) {

    public Seen {
      Require.within("bedTemperatureC", bedC, 0, 220, "°C");
      Require.within("roomTemperatureC", roomC, -20, 60, "°C");
      Require.within("chamberTemperatureC", chamberC, -20, 180, "°C");
    }

    private boolean tells() {
      return bedC - roomC >= LEAST_RISE_K;
    }

    private double share() {
      return Math.max(0, Math.min(1, (chamberC - roomC) / (bedC - roomC)));
    }
  }

  /**
   * What a printer of a kind keeps, given its earlier prints. Those of a heated chamber show what
   * its heater did and teach nothing of this.
   */
  public static ChamberWarmth of(ChamberKind kind, List<Seen> prints) {
    double[] shares =
        kind == ChamberKind.HEATED
            ? new double[0]
            : prints.stream().filter(Seen::tells).mapToDouble(Seen::share).toArray();
    double sum = PRIOR_PRINTS * kind.keeps();
    for (double share : shares) {
      sum += share;
    }
    double mean = sum / (PRIOR_PRINTS + shares.length);
    double squares = PRIOR_PRINTS * (square(KIND_SPREAD) + square(kind.keeps() - mean));
    for (double share : shares) {
      squares += square(share - mean);
    }
    double spread = Math.sqrt(squares / (PRIOR_PRINTS + shares.length));
    return new ChamberWarmth(mean, spread, shares.length);
  }

  /** Air around the part with a bed and a room, °C. */
  public double chamberC(double bedC, double roomC) {
    return roomC + keeps * Math.max(0, bedC - roomC);
  }

  private static double square(double x) {
    return x * x;
  }
}
