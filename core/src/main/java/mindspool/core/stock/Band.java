package mindspool.core.stock;

/** A quantity known within bounds. */
public record Band(double low, double typical, double high) {

  /** A quantity known exactly. */
  public static Band exactly(double value) {
    return new Band(value, value, value);
  }

  public boolean isExact() {
    return low == high;
  }

  /** What is left when a band is taken away from a known amount; never below nothing. */
  public static Band difference(double from, Band taken) {
    return new Band(
        Math.max(0, from - taken.high),
        Math.max(0, from - taken.typical),
        Math.max(0, from - taken.low));
  }
}
