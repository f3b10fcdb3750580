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
public record DryerLoad(List<LoadedSpool> spools) {

  /** More than any dryer for reels holds. */
  public static final int MOST_SPOOLS = 16;

  public DryerLoad {
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
   * One spool of a load.
   *
   * @param name which tells it from the others
   * @param start its state; not changed
   * @param targetPercent moisture at which drying aims
   * @param belief how well it is known
   * @param scaleStepG step of the scale it would be weighed on
   */
  public record LoadedSpool(
      String name,
      Material material,
      SpoolState start,
      ReelKind reel,
      double targetPercent,
      Belief belief,
      double scaleStepG) {

    /** Usual kitchen scale. */
    private static final double USUAL_STEP_G = 1;

    /** A spool to be weighed on a usual scale. */
    public LoadedSpool(
        String name,
        Material material,
        SpoolState start,
        ReelKind reel,
        double targetPercent,
        Belief belief) {
      this(name, material, start, reel, targetPercent, belief, USUAL_STEP_G);
    }

    /** The same spool with other water in it. */
    public LoadedSpool withStart(SpoolState other) {
      return new LoadedSpool(name, material, other, reel, targetPercent, belief, scaleStepG);
    }

    /** The same spool to be dried to another moisture, %. */
    public LoadedSpool withTarget(double percent) {
      return new LoadedSpool(name, material, start, reel, percent, belief, scaleStepG);
    }

    public LoadedSpool {
      Require.within("scaleStepG", scaleStepG, 0.001, 100, "g");
      Require.within("targetPercent", targetPercent, 1e-4, 50, "%");
    }
  }
}
