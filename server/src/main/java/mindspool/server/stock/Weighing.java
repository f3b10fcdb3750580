package mindspool.server.stock;

import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.stock.Filament;
import mindspool.core.stock.RemainingFilament;

/** Decides whether a mass can be that of a spool. */
public final class Weighing {

  /** A reel carries at most this much more than its label says; PVA can hold a third of water. */
  private static final double MOST_OVER_NOMINAL = 1.3;

  private Weighing() {}

  /** Filament left by a weighing that is neither below the empty reel nor above a full one. */
  public static RemainingFilament checked(Spool spool, double grossMassG, Filament filament) {
    RemainingFilament left = RemainingFilament.weighed(grossMassG, spool.emptyReelG(), filament);
    double most = spool.emptyReelG().high() + MOST_OVER_NOMINAL * spool.nominalNetG;
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
