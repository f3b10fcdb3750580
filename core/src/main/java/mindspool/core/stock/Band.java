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

  /** The band scaled by a positive factor. */
  public Band times(double factor) {
    return new Band(factor * low, factor * typical, factor * high);
  }

  /** What is left when an amount is taken away that may be off by a share; never below nothing. */
  public Band less(double amount, double unsureShare) {
    return new Band(
        Math.max(0, low - amount * (1 + unsureShare)),
        Math.max(0, typical - amount),
        Math.max(0, high - amount * (1 - unsureShare)));
  }

  /** The sum of two bands, end by end. */
  public Band plus(Band other) {
    return new Band(low + other.low, typical + other.typical, high + other.high);
  }

  /** What is left when a band is taken away from a known amount; never below nothing. */
  public static Band difference(double from, Band taken) {
    return new Band(
        Math.max(0, from - taken.high),
        Math.max(0, from - taken.typical),
        Math.max(0, from - taken.low));
  }
}
