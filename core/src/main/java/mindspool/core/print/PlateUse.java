package mindspool.core.print;

/** What use does to a build plate. Rates are judgement; that it does is common practice. */
public final class PlateUse {

  /** Loss of hold per print since the last wash, and what is always left: a finger halves it. */
  private static final double LOST_PER_PRINT = 0.04;

  private static final double LEAST = 0.5;

  /** A laminate plate gets better over 45 to 55 prints; common practice. */
  private static final int SEASONED_AFTER = 50;

  private static final double NEW_LAMINATE = 0.8;

  /** Prints that a coat of each kind is good for; common practice, glue is renewed each time. */
  private static final int ADHESIVE_PRINTS = 40;

  private PlateUse() {}

  /** How clean a plate is, 0.5 to 1. */
  public static double cleanliness(int printsSinceWash) {
    return Math.max(LEAST, 1 - LOST_PER_PRINT * printsSinceWash);
  }

  /** How well it holds against a seasoned one. */
  public static double seasoning(String surface, int prints) {
    return surface.equals("g10")
        ? NEW_LAMINATE + (1 - NEW_LAMINATE) * Math.min(1, prints / (double) SEASONED_AFTER)
        : 1;
  }

  /** Prints that a fresh coat is good for; 0 where nothing is spread. */
  public static int freshCoatPrints(String interfaceLayer) {
    return switch (interfaceLayer) {
      case "none" -> 0;
      case "eng_water" -> ADHESIVE_PRINTS;
      default -> 1;
    };
  }
}
