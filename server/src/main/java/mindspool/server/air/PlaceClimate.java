package mindspool.server.air;

import java.util.List;
import java.util.OptionalLong;
import mindspool.core.climate.ClimateSeries;

/**
 * The air of a place as far as it is known.
 *
 * @param placeId the place
 * @param series its air against epoch seconds
 * @param source where it comes from
 * @param gaps spans without any record, in which it is assumed
 */
public record PlaceClimate(long placeId, ClimateSeries series, Source source, List<Gap> gaps) {

  /** Where a place's climate comes from. */
  public enum Source {
    MEASURED,
    TYPED,
    HEATED_ROOM,
    /** Closed container, followed from the air around it and what is in it. */
    COMPUTED,
    /** Closed container that was not followed yet since the start; shown is the air around it. */
    COMPUTING,
    /** The air of what it stands in. */
    SURROUNDINGS,
    ASSUMED
  }

  /** A span without record, epoch seconds. */
  public record Gap(double fromS, double toS) {

    double overlapS(double from, double to) {
      return Math.max(0, Math.min(toS, to) - Math.max(fromS, from));
    }
  }

  /** From when on nothing was measured any more; none while readings arrive. */
  public OptionalLong staleSinceS() {
    return gaps.stream()
        .filter(gap -> Double.isInfinite(gap.toS) && !Double.isInfinite(gap.fromS))
        .mapToLong(gap -> Math.round(gap.fromS))
        .findFirst();
  }

  /** Hours within a span in which the air is only assumed. */
  public double unrecordedHours(double fromS, double toS) {
    return gaps.stream().mapToDouble(gap -> gap.overlapS(fromS, toS)).sum() / 3600;
  }
}
