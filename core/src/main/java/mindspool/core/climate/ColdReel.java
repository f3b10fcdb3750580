package mindspool.core.climate;

import java.util.OptionalDouble;

/**
 * When a cold reel may be unpacked: below the room's dew point water condenses on it. Common
 * practice: keep it closed until it is 2 K above.
 */
public final class ColdReel {

  /**
   * A reel counts as warm enough so much above the dew point, K: error of hygrometers (judgement).
   */
  private static final double MARGIN_K = 2;

  private ColdReel() {}

  /**
   * Temperature to which the reel must warm before it is opened, °C; none when it is warm enough.
   *
   * @param reelC of the reel now
   * @param room air into which it would be opened
   */
  public static OptionalDouble openFromC(double reelC, MoistAir room) {
    if (room.dewPointC().isEmpty()) {
      return OptionalDouble.empty();
    }
    double least = room.dewPointC().getAsDouble() + MARGIN_K;
    return reelC < least ? OptionalDouble.of(least) : OptionalDouble.empty();
  }
}
