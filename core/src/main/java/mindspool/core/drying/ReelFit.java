package mindspool.core.drying;

import java.util.Optional;
import mindspool.core.Require;

/**
 * Whether a reel goes into a dryer's slot with room for the air to pass around it: 10 mm over its
 * diameter, 5 mm over its width (common practice).
 *
 * @param slots how many reels go in
 * @param maxDiameterMm inside clearance across a reel; none where nobody measured it
 * @param maxWidthMm inside clearance along a reel's axis, per slot
 */
public record ReelFit(int slots, Optional<Double> maxDiameterMm, Optional<Double> maxWidthMm) {

  /** A reel needs so much more than its diameter to be put in, mm (judgement). */
  private static final double ROUND_DIAMETER_MM = 10;

  /** And so much beside it, mm (judgement). */
  private static final double BESIDE_WIDTH_MM = 5;

  public ReelFit {
    Require.within(
        "slots", slots, 1, DryerLoad.MOST_SPOOLS, "", "A dryer holds at least one reel.");
    maxDiameterMm.ifPresent(value -> Require.within("maxReelDiameterMm", value, 50, 1000, "mm"));
    maxWidthMm.ifPresent(value -> Require.within("maxReelWidthMm", value, 10, 1000, "mm"));
  }

  /** Why a reel does not go in; none where it does or where nobody measured the dryer. */
  public Optional<String> objection(double reelDiameterMm, double reelWidthMm) {
    if (maxDiameterMm.isPresent() && reelDiameterMm + ROUND_DIAMETER_MM > maxDiameterMm.get()) {
      return Optional.of(
          "its reel of %.0f mm wants %.0f mm across, the dryer has %.0f mm"
              .formatted(reelDiameterMm, reelDiameterMm + ROUND_DIAMETER_MM, maxDiameterMm.get()));
    }
    if (maxWidthMm.isPresent() && reelWidthMm + BESIDE_WIDTH_MM > maxWidthMm.get()) {
      return Optional.of(
          "its reel of %.0f mm width wants %.0f mm per slot, the dryer has %.0f mm"
              .formatted(reelWidthMm, reelWidthMm + BESIDE_WIDTH_MM, maxWidthMm.get()));
    }
    return Optional.empty();
  }
}
