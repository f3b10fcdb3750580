package mindspool.core;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.function.Supplier;

/** Checks of arguments that fail with an {@link InvalidValueException}. */
public final class Require {

  private static final MathContext FOUR_DIGITS = new MathContext(4);

  private Require() {}

  /** The value itself, when there is one. */
  public static <T> T present(String field, T value, String allowed) {
    if (value == null) {
      throw new InvalidValueException(field, "missing", allowed, "Give a value.");
    }
    return value;
  }

  /** The value itself, when it is a number within {@code min..max} (both included). */
  public static double within(String field, double value, double min, double max, String unit) {
    return within(field, value, min, max, unit, "");
  }

  /** As {@link #within(String, double, double, double, String)}, with advice on what to do. */
  public static double within(
      String field, double value, double min, double max, String unit, String advice) {
    if (!(value >= min && value <= max)) {
      String allowed = "%s to %s %s".formatted(plain(min), plain(max), unit).strip();
      throw new InvalidValueException(field, plain(value), allowed, advice);
    }
    return value;
  }

  /** Runs a construction whose complaints are to name the object they are about. */
  public static <T> T inside(String outer, Supplier<T> construction) {
    try {
      return construction.get();
    } catch (InvalidValueException e) {
      throw e.within(outer);
    }
  }

  /** A finite number to four digits, more than which nobody reads; a whole one as it is. */
  public static String readable(double value) {
    boolean whole = value == Math.rint(value);
    return plain(whole ? value : BigDecimal.valueOf(value).round(FOUR_DIGITS).doubleValue());
  }

  /** A number as people write it: no exponent for everyday sizes, no trailing zeros. */
  public static String plain(double value) {
    if (!Double.isFinite(value)) {
      return Double.isNaN(value) ? "not a number" : value > 0 ? "infinite" : "minus infinite";
    }
    double magnitude = Math.abs(value);
    if (magnitude != 0 && (magnitude < 1e-4 || magnitude >= 1e9)) {
      return Double.toString(value);
    }
    String text = new BigDecimal(Double.toString(value)).toPlainString();
    return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
  }
}
