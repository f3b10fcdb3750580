package mindspool.core;

import java.text.Normalizer;
import java.util.Locale;

/**
 * Text as people and devices give it: checked where it enters, so that whatever is stored can be
 * written, searched and shown.
 */
public final class Text {

  private Text() {}

  /**
   * A single line of text: Unicode normal form C, without space at its ends.
   *
   * @param field name of the field, for the complaint
   * @param text may be null, which counts as empty
   * @param least fewest characters, 0 where it may be left out
   * @param most characters allowed, as the database counts them: those beyond the basic plane twice
   * @param advice what to do where it cannot be taken
   * @throws InvalidValueException when it is too short or too long, or holds control characters or
   *     half of a surrogate pair
   */
  public static String line(String field, String text, int least, int most, String advice) {
    String given = text == null ? "" : text;
    refuseUnprintable(field, given, false);
    String clean = Normalizer.normalize(given, Normalizer.Form.NFC).strip();
    int length = clean.length();
    if (length < least || length > most) {
      throw new InvalidValueException(
          field,
          length == 0 ? "missing" : length + " characters",
          least + " to " + most + " characters",
          advice);
    }
    return clean;
  }

  /**
   * Refuses what cannot be shown: control characters, and surrogates that are not in pairs.
   *
   * @param lines whether tabs and line breaks are allowed
   * @throws InvalidValueException naming the field and the first such character's place
   */
  public static void refuseUnprintable(String field, String text, boolean lines) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      boolean breaks = c == '\t' || c == '\n' || c == '\r';
      boolean paired = isPairedAt(text, i);
      if ((Character.isSurrogate(c) && !paired)
          || (Character.isISOControl(c) && !(lines && breaks))) {
        throw new InvalidValueException(
            field,
            "text with a character that cannot be shown, U+%04X at %d".formatted((int) c, i + 1),
            "text without control characters and halves of characters",
            "Type it again, or paste it as plain text.");
      }
    }
  }

  private static boolean isPairedAt(String text, int i) {
    char c = text.charAt(i);
    return Character.isHighSurrogate(c)
        ? i + 1 < text.length() && Character.isLowSurrogate(text.charAt(i + 1))
        : i > 0 && Character.isHighSurrogate(text.charAt(i - 1));
  }

  /** The first characters of a text, never half of a surrogate pair. */
  public static String cut(String text, int most) {
    if (text.length() <= most) {
      return text;
    }
    int end = Character.isHighSurrogate(text.charAt(most - 1)) ? most - 1 : most;
    return text.substring(0, end);
  }

  /** A title as it stands within a sentence: its first letter small; an abbreviation stays. */
  public static String lowerFirst(String title) {
    boolean abbreviation = title.length() > 1 && Character.isUpperCase(title.charAt(1));
    return title.isEmpty() || abbreviation
        ? title
        : title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1);
  }
}
