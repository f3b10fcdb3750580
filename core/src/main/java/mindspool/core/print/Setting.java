package mindspool.core.print;

import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.core.Require;

/**
 * One line of a setup sheet.
 *
 * @param id stable name
 * @param value in words, with its unit
 * @param amount the same as a number in {@code unit}; none where it is words
 * @param low and {@code high} what is allowed; none where nothing limits it
 * @param from where it comes from
 * @param instead what else has to be done where the machine cannot, and whether that suffices;
 *     empty where it can
 */
public record Setting(
    String id,
    String title,
    String value,
    OptionalDouble amount,
    String unit,
    OptionalDouble low,
    OptionalDouble high,
    String reason,
    From from,
    String instead) {

  /** Where a value comes from. */
  public enum From {
    TABLE("material table"),
    LABEL("the label"),
    MEASURED("measured for this lot"),
    COMPUTED("computed"),
    MACHINE("the machine's limit"),
    CHOSEN("chosen by you"),
    PRACTICE("common practice");

    private final String title;

    From(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  static Setting words(String id, String title, String value, String reason, From from) {
    return new Setting(
        id,
        title,
        value,
        OptionalDouble.empty(),
        "",
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        reason,
        from,
        "");
  }

  static Setting number(
      String id, String title, double amount, int decimals, String unit, String reason, From from) {
    double rounded = Double.parseDouble(String.format(Locale.ROOT, "%." + decimals + "f", amount));
    return new Setting(
        id,
        title,
        (Require.plain(rounded) + " " + unit).strip(),
        OptionalDouble.of(rounded),
        unit,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        reason,
        from,
        "");
  }

  Setting within(double lowest, double highest) {
    return new Setting(
        id,
        title,
        value,
        amount,
        unit,
        OptionalDouble.of(lowest),
        OptionalDouble.of(highest),
        reason,
        from,
        instead);
  }

  Setting insteadOf(String words) {
    return new Setting(id, title, value, amount, unit, low, high, reason, from, words);
  }
}
