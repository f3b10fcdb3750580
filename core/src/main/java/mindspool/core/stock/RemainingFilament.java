package mindspool.core.stock;

import mindspool.core.InvalidValueException;
import mindspool.core.Require;

/**
 * Filament left on a reel: gross mass less the empty reel.
 *
 * @param massG left, with the range that an unknown empty reel leaves open
 * @param lengthM the same as length
 */
public record RemainingFilament(Band massG, Band lengthM) {

  /** A reel and its filament weigh no more than this, g. */
  public static final double MAX_GROSS_G = 25_000;

  /**
   * Filament left by weighing.
   *
   * @param grossG reel with filament
   * @param emptyReelG empty reel
   * @param filament to turn mass into length
   */
  public static RemainingFilament weighed(double grossG, Band emptyReelG, Filament filament) {
    Require.within(
        "grossMassG", grossG, 1, MAX_GROSS_G, "g", "Weigh the reel with its filament, in grams.");
    if (grossG <= emptyReelG.low()) {
      throw new InvalidValueException(
          "grossMassG",
          Require.plain(grossG) + " g",
          (emptyReelG.isExact()
                  ? "more than the empty reel's "
                  : "more than the lightest empty reel, ")
              + Require.plain(emptyReelG.low())
              + " g",
          "Check the scale's zero, the unit, and the reel kind or its own empty mass.");
    }
    Band mass = Band.difference(grossG, emptyReelG);
    return new RemainingFilament(
        mass,
        new Band(
            filament.lengthM(mass.low()),
            filament.lengthM(mass.typical()),
            filament.lengthM(mass.high())));
  }
}
