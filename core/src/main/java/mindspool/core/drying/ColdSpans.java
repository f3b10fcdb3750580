package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;

/**
 * Spans of a cycle in which the dryer was cold although it should have heated: a power cut, a
 * tripped cut-out or an opened lid.
 */
public final class ColdSpans {

  /** Below this share of the way from room to setpoint it does not heat (judgement). */
  private static final double COLD_SHARE = 0.7;

  /** Shorter ones are an opened lid. */
  private static final double LEAST_S = 10 * 60;

  private ColdSpans() {}

  /** Temperature inside at a time, s. */
  public record Reading(double timeS, double temperatureC) {}

  /** A span, s. */
  public record Span(double fromS, double toS) {}

  /**
   * Finds them.
   *
   * @param readings in order of time
   * @param warmFromS when it should have been warm
   * @param untilS until when it should have heated
   * @param roomC temperature around it
   * @param airC temperature inside to be expected
   */
  public static List<Span> of(
      List<Reading> readings, double warmFromS, double untilS, double roomC, double airC) {
    double cold = roomC + COLD_SHARE * (airC - roomC);
    List<Span> spans = new ArrayList<>();
    double since = Double.NaN;
    double last = Double.NaN;
    for (Reading reading : readings) {
      if (reading.timeS < warmFromS || reading.timeS > untilS) {
        continue;
      }
      if (reading.temperatureC < cold) {
        since = Double.isNaN(since) ? reading.timeS : since;
        last = reading.timeS;
      } else if (!Double.isNaN(since)) {
        add(spans, since, reading.timeS);
        since = Double.NaN;
      }
    }
    if (!Double.isNaN(since)) {
      add(spans, since, last);
    }
    return spans;
  }

  private static void add(List<Span> spans, double fromS, double toS) {
    if (toS - fromS >= LEAST_S) {
      spans.add(new Span(fromS, toS));
    }
  }
}
