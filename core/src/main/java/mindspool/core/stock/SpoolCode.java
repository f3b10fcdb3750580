package mindspool.core.stock;

import java.util.Locale;
import java.util.random.RandomGenerator;
import mindspool.core.InvalidValueException;

/**
 * Short code written on a spool: three characters and a check character.
 *
 * <p>The alphabet leaves out what looks alike by hand or at arm's length (0 O Q, 1 I L, 2 Z, 5 S, 6
 * G, 8 B, U V). Its size, 19, is prime; the check {@code 1 c1 + 2 c2 + 3 c3 + 4 c4 = 0 (mod 19)}
 * therefore catches every single wrong character and every swap of two.
 *
 * @param text four characters of the alphabet
 */
public record SpoolCode(String text) {

  static final String ALPHABET = "3479ACEFHJKMNPRTWXY";
  private static final int SIZE = ALPHABET.length();
  private static final int LENGTH = 4;
  private static final String ALLOWED =
      "four of the characters " + ALPHABET + " with a right check character";

  /** How many different codes there are. */
  public static final int COUNT = SIZE * SIZE * SIZE;

  public SpoolCode {
    if (text == null || text.length() != LENGTH || !text.chars().allMatch(SpoolCode::known)) {
      throw invalid(text, "Read it from the label again.");
    }
    if (checkSum(text) != 0) {
      throw invalid(text, "One character is misread or two are swapped; read the label again.");
    }
  }

  private static InvalidValueException invalid(String text, String advice) {
    return new InvalidValueException("code", "\"" + text + "\"", ALLOWED, advice);
  }

  private static boolean known(int character) {
    return ALPHABET.indexOf(character) >= 0;
  }

  private static int checkSum(String text) {
    int sum = 0;
    for (int i = 0; i < text.length(); i++) {
      sum += (i + 1) * ALPHABET.indexOf(text.charAt(i));
    }
    return sum % SIZE;
  }

  /** Reads a code as typed or scanned: letter case, blanks and dashes do not matter. */
  public static SpoolCode parse(String typed) {
    return new SpoolCode(
        typed == null ? null : typed.replaceAll("[\\s-]", "").toUpperCase(Locale.ROOT));
  }

  /** A code drawn at random. */
  public static SpoolCode random(RandomGenerator random) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < LENGTH - 1; i++) {
      text.append(ALPHABET.charAt(random.nextInt(SIZE)));
    }
    for (int i = 0; i < SIZE; i++) {
      String candidate = text.toString() + ALPHABET.charAt(i);
      if (checkSum(candidate) == 0) {
        return new SpoolCode(candidate);
      }
    }
    throw new IllegalStateException("a prime alphabet always has a check character");
  }

  @Override
  public String toString() {
    return text;
  }
}
