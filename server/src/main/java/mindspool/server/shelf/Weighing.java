package mindspool.server.shelf;

import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.stock.Filament;
import mindspool.core.stock.RemainingFilament;

/** Decides whether a mass can be that of a spool. */
final class Weighing {

  private Weighing() {}

  /** Filament left by a weighing that is neither below the empty reel nor above a full one. */
  static RemainingFilament checked(Spool spool, double grossMassG, Filament filament) {
    RemainingFilament left = RemainingFilament.weighed(grossMassG, spool.emptyReelG(), filament);
    double most = spool.emptyReelG().high() + Receiving.MOST_OVER_NOMINAL * spool.nominalNetG;
    if (grossMassG > most) {
      throw new InvalidValueException(
          "grossMassG",
          Require.plain(grossMassG) + " g",
          "up to %.0f g for a reel of %.0f g".formatted(most, spool.nominalNetG),
          "Check the unit (grams, not ounces), the spool, and the mass on its label.");
    }
    return left;
  }
}
