package mindspool.core.procedure;

import java.util.Locale;
import mindspool.core.Require;

/**
 * Tension of two belts by the tone of the same free length: of a string, {@code T = 4 m L² f²}.
 *
 * @param spanMm free length, 50 to 1500 mm
 * @param firstHz tone of the first, 10 to 500 Hz
 * @param secondHz tone of the second
 */
public record BeltTones(double spanMm, double firstHz, double secondHz) {

  /** Mass of a toothed belt 6 mm wide with teeth 2 mm apart, kg/m; makers' sheets, from memory. */
  private static final double MASS_KG_M = 0.009;

  /** Belts whose tension is nearer to one another are alike; judgement. */
  private static final double ALIKE = 0.85;

  public BeltTones {
    Require.within("spanMm", spanMm, 50, 1500, "mm");
    Require.within("firstHz", firstHz, 10, 500, "Hz");
    Require.within("secondHz", secondHz, 10, 500, "Hz");
  }

  /** Tension of the first belt, N. */
  public double firstN() {
    return tensionN(firstHz);
  }

  /** Tension of the second, N. */
  public double secondN() {
    return tensionN(secondHz);
  }

  private double tensionN(double hertz) {
    double spanM = spanMm / 1000;
    return 4 * MASS_KG_M * spanM * spanM * hertz * hertz;
  }

  /** Whether one is slack beside the other. */
  public boolean areAlike() {
    return Math.min(firstN(), secondN()) >= ALIKE * Math.max(firstN(), secondN());
  }

  /** In words, with what to do. */
  public String words() {
    String measured =
        String.format(
            Locale.ROOT, "%.1f N and %.1f N, for a belt 6 mm wide. ", firstN(), secondN());
    return areAlike()
        ? measured + "Alike. How tight they should be stands in the maker's instructions."
        : measured
            + String.format(
                Locale.ROOT,
                "The %s is slacker: tighten it until its tone is near %.0f Hz, unless the maker"
                    + " names a tone.",
                firstHz < secondHz ? "first" : "second",
                Math.max(firstHz, secondHz));
  }
}
