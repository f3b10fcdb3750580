package mindspool.core.drying;

import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.ReelKind;

/**
 * Spools that are dried together.
 *
 * @param spools 1 to {@link #MOST_SPOOLS}
 */
public record Charge(List<Load> spools) {

  /** More than any dryer for reels holds. */
  public static final int MOST_SPOOLS = 24;

  public Charge {
    if (spools.isEmpty() || spools.size() > MOST_SPOOLS) {
      throw new InvalidValueException(
          "spools",
          spools.size() + " spools",
          "1 to " + MOST_SPOOLS,
          "Choose what is dried together.");
    }
    spools = List.copyOf(spools);
  }

  /**
   * One spool of a charge.
   *
   * @param name by which it is told apart
   * @param start its state; not changed
   * @param targetPercent moisture at which drying aims
   * @param startSpread relative standard deviation of its water at the start
   */
  public record Load(
      String name,
      Material material,
      SpoolState start,
      ReelKind reel,
      double targetPercent,
      double startSpread) {

    public Load {
      Require.within("targetPercent", targetPercent, 1e-4, 50, "%");
    }
  }
}
