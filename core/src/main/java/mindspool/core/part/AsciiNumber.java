package mindspool.core.part;

import java.nio.charset.StandardCharsets;

/**
 * Reads decimal numbers out of bytes without making strings: what is common exactly, what is rare
 * by the library.
 */
final class AsciiNumber {

  /** Digits that surely fit a long, and whose value a double holds exactly up to 2^53. */
  private static final int MOST_DIGITS = 18;

  private static final int LONGEST = 64;
  private static final double[] TENTHS = new double[MOST_DIGITS + 1];

  static {
    double power = 1;
    for (int i = 0; i < TENTHS.length; i++) {
      TENTHS[i] = power;
      power *= 10;
    }
  }

  private final boolean exponents;
  private int end;

  /**
   * A reader.
   *
   * @param exponents whether {@code 1e3} is a number; where E is the name of an axis it is not
   */
  AsciiNumber(boolean exponents) {
    this.exponents = exponents;
  }

  /** Where the last number ended; where it began, if there was none. */
  int end() {
    return end;
  }

  /**
   * Reads a number.
   *
   * @return NaN where there is none at that place
   */
  double read(byte[] bytes, int from, int to) {
    int at = from;
    boolean negative = false;
    if (at < to && (bytes[at] == '-' || bytes[at] == '+')) {
      negative = bytes[at] == '-';
      at++;
    }
    long digits = 0;
    int count = 0;
    int first = at;
    while (at < to && isDigit(bytes[at])) {
      digits = 10 * digits + bytes[at] - '0';
      count++;
      at++;
    }
    int decimals = 0;
    if (at < to && bytes[at] == '.') {
      at++;
      int point = at;
      while (at < to && isDigit(bytes[at])) {
        digits = 10 * digits + bytes[at] - '0';
        at++;
      }
      decimals = at - point;
      count += decimals;
    }
    if (count == 0) {
      end = from;
      return Double.NaN;
    }
    boolean exponent = exponents && at < to && (bytes[at] | 0x20) == 'e';
    if (exponent || count > MOST_DIGITS) {
      return byLibrary(bytes, from, exponent ? endOfExponent(bytes, at, to) : at, first);
    }
    end = at;
    double value = digits / TENTHS[decimals];
    return negative ? -value : value;
  }

  private static int endOfExponent(byte[] bytes, int e, int to) {
    int at = e + 1;
    if (at < to && (bytes[at] == '-' || bytes[at] == '+')) {
      at++;
    }
    int digits = at;
    while (at < to && isDigit(bytes[at])) {
      at++;
    }
    return at == digits ? e : at;
  }

  private double byLibrary(byte[] bytes, int from, int to, int digits) {
    end = to;
    if (to - digits > LONGEST) {
      // As many digits as nobody measures: the first are enough.
      return Double.parseDouble(new String(bytes, from, LONGEST, StandardCharsets.US_ASCII));
    }
    return Double.parseDouble(new String(bytes, from, to - from, StandardCharsets.US_ASCII));
  }

  private static boolean isDigit(byte b) {
    return b >= '0' && b <= '9';
  }
}
