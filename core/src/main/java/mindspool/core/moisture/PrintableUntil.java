package mindspool.core.moisture;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.Require;

/**
 * Until when the next metres print well where the spool lies.
 *
 * @param state how it stands
 * @param timeS the moment at which that changes; none beyond the horizon
 * @param headroomPercent limit minus moisture of those metres now; negative when past the limit
 */
public record PrintableUntil(State state, OptionalDouble timeS, double headroomPercent) {

  /** How a spool stands against its print limit. */
  public enum State {
    /** Prints well until {@code timeS}. */
    UNTIL,
    /** Prints well beyond the forecast. */
    BEYOND_FORECAST,
    /** Too wet now, and dry enough again from {@code timeS} on. */
    AGAIN_FROM,
    /** Too wet now and for the whole forecast. */
    PAST_LIMIT
  }

  /** Moisture by depth at a forecast time. */
  public record ForecastPoint(double timeS, MoistureProfile profile) {}

  /**
   * Reads the moment from a forecast, between whose points moisture is taken to run straight.
   *
   * @param forecast in order of time, the first point now
   * @param jobShare share of the spool that the next job takes, 0..1
   * @param limitPercent print limit, % of dry polymer
   */
  public static PrintableUntil of(
      List<ForecastPoint> forecast, double jobShare, double limitPercent) {
    Require.within("limitPercent", limitPercent, 0, 100, "%");
    double previous = forecast.get(0).profile().wettestPercentInNext(jobShare);
    double headroom = limitPercent - previous;
    boolean wetNow = headroom < 0;
    for (int i = 1; i < forecast.size(); i++) {
      double next = forecast.get(i).profile().wettestPercentInNext(jobShare);
      if (next > limitPercent != wetNow) {
        double share = (limitPercent - previous) / (next - previous);
        double start = forecast.get(i - 1).timeS();
        double time = start + share * (forecast.get(i).timeS() - start);
        return new PrintableUntil(
            wetNow ? State.AGAIN_FROM : State.UNTIL, OptionalDouble.of(time), headroom);
      }
      previous = next;
    }
    return new PrintableUntil(
        wetNow ? State.PAST_LIMIT : State.BEYOND_FORECAST, OptionalDouble.empty(), headroom);
  }
}
