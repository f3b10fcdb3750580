package mindspool.core.drying;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.drying.ProbeLog.Row;

/**
 * How a dryer truly behaves at a setpoint, from a run with probes in it: after the ideas of IEC
 * 60068-3-5 (temperature chambers: gradient, fluctuation) and ASTM E145 (ovens: uniformity, rate of
 * ventilation), in a shape that needs no more than a few probes and ninety minutes.
 *
 * @param setpointC what was set
 * @param biasK mean of all probes once steady, minus setpoint
 * @param overshootK highest reading before it was steady, above the steady mean
 * @param rippleK from the lowest to the highest mean of the probes once steady
 * @param uniformityK from the coolest to the hottest probe once steady
 * @param heatUpMin until the mean had risen by 95 %
 * @param hottestAboveSetK highest reading of any probe at any time, minus setpoint
 * @param instrumentUncertaintyK standard uncertainty of the probes
 */
public record DryerCharacterisation(
    double setpointC,
    double biasK,
    double overshootK,
    double rippleK,
    double uniformityK,
    double heatUpMin,
    double hottestAboveSetK,
    double instrumentUncertaintyK) {

  /** The end of the run that must be steady. */
  private static final double STEADY_S = 30 * 60;

  /** The mean may drift by so much over the steady end, K. */
  private static final double STEADY_DRIFT_K = 2;

  /** Readings further apart do not show a swing, s (judgement). */
  private static final double LONGEST_GAP_S = 5 * 60;

  /** A run that rises less says nothing of its time constant, K (judgement). */
  private static final double LEAST_RISE_K = 10;

  /** Warmed up: so much of the final rise, three time constants. */
  private static final double WARM_SHARE = 0.95;

  /** Density times heat capacity of air in J/(m³ K), as ASTM E145 uses it. */
  private static final double AIR_CAPACITY = 1.2 * 1005;

  /**
   * What a run tells.
   *
   * @param setpointC what was set, °C
   * @param instrumentUncertaintyK standard uncertainty of the probes, K
   * @throws InvalidValueException when the log has a gap, is too short, or never became steady
   */
  public static DryerCharacterisation of(
      ProbeLog log, double setpointC, double instrumentUncertaintyK) {
    Require.within("setpointC", setpointC, 20, 250, "°C");
    Require.within("instrumentUncertaintyK", instrumentUncertaintyK, 0, 10, "K");
    List<Row> rows = log.rows();
    refuseGaps(rows);
    double end = rows.get(rows.size() - 1).timeS();
    double steadyFrom = end - STEADY_S;
    if (rows.get(0).timeS() > steadyFrom) {
      throw ProbeLog.bad(
          "%.0f minutes".formatted((end - rows.get(0).timeS()) / 60),
          "more than the 30 minutes that count as steady",
          "Log from switching on, for 90 minutes.");
    }
    List<Row> steady = rows.stream().filter(row -> row.timeS() >= steadyFrom).toList();
    refuseDrift(steady);
    double mean = steady.stream().mapToDouble(Row::mean).average().orElseThrow();
    double[] probes = probeMeans(steady);
    double hottest = rows.stream().mapToDouble(Row::highest).max().orElseThrow();
    double early =
        rows.stream()
            .filter(row -> row.timeS() < steadyFrom)
            .mapToDouble(Row::highest)
            .max()
            .orElseThrow();
    return new DryerCharacterisation(
        setpointC,
        mean - setpointC,
        Math.max(0, early - mean),
        steady.stream().mapToDouble(Row::mean).max().orElseThrow()
            - steady.stream().mapToDouble(Row::mean).min().orElseThrow(),
        highest(probes) - lowest(probes),
        heatUpMin(rows, mean),
        hottest - setpointC,
        instrumentUncertaintyK);
  }

  private static void refuseGaps(List<Row> rows) {
    for (int i = 1; i < rows.size(); i++) {
      double gap = rows.get(i).timeS() - rows.get(i - 1).timeS();
      if (gap > LONGEST_GAP_S) {
        throw ProbeLog.bad(
            "a gap of %.0f minutes after minute %.0f"
                .formatted(gap / 60, (rows.get(i - 1).timeS() - rows.get(0).timeS()) / 60),
            "readings at most 5 minutes apart",
            "The overshoot may have been in it. Repeat the run, or cut the log to a part without"
                + " gaps.");
      }
    }
  }

  private static void refuseDrift(List<Row> steady) {
    int third = Math.max(1, steady.size() / 3);
    double first = mean(steady.subList(0, third));
    double last = mean(steady.subList(steady.size() - third, steady.size()));
    if (Math.abs(last - first) > STEADY_DRIFT_K) {
      throw ProbeLog.bad(
          "the last half hour goes from %.1f to %.1f °C".formatted(first, last),
          "steady within %.0f K".formatted(STEADY_DRIFT_K),
          "Let it run until it has been steady for half an hour.");
    }
  }

  private static double mean(List<Row> rows) {
    return rows.stream().mapToDouble(Row::mean).average().orElseThrow();
  }

  private static double heatUpMin(List<Row> rows, double steadyMean) {
    double start = rows.get(0).mean();
    if (steadyMean - start < LEAST_RISE_K) {
      throw ProbeLog.bad(
          "a rise from %.1f to %.1f °C".formatted(start, steadyMean),
          "a rise of at least %.0f K".formatted(LEAST_RISE_K),
          "Begin the log cold, before switching on.");
    }
    double warm = start + WARM_SHARE * (steadyMean - start);
    double at =
        rows.stream()
            .filter(row -> row.mean() >= warm)
            .mapToDouble(Row::timeS)
            .findFirst()
            .orElseThrow();
    return (at - rows.get(0).timeS()) / 60;
  }

  private static double[] probeMeans(List<Row> rows) {
    double[] means = new double[rows.get(0).temperatureC().length];
    for (Row row : rows) {
      for (int i = 0; i < means.length; i++) {
        means[i] += row.temperatureC()[i] / rows.size();
      }
    }
    return means;
  }

  private static double highest(double[] values) {
    double most = values[0];
    for (double each : values) {
      most = Math.max(most, each);
    }
    return most;
  }

  private static double lowest(double[] values) {
    double least = values[0];
    for (double each : values) {
      least = Math.min(least, each);
    }
    return least;
  }

  /** As forecasts use it. */
  public DryerBehaviour behaviour() {
    return new DryerBehaviour(
        biasK, Math.max(0, hottestAboveSetK), instrumentUncertaintyK, heatUpMin, true);
  }

  /** What one should know of it, most important first; empty where it is a good dryer. */
  public List<String> remarks() {
    List<String> lines = new ArrayList<>();
    if (hottestAboveSetK > 3) {
      lines.add(
          "Somewhere it gets %.0f K hotter than set: every limit is lowered by as much."
              .formatted(hottestAboveSetK));
    }
    if (uniformityK > 5) {
      lines.add(
          "One side is %.0f K hotter than the other: turn the reel, or let a fan move the air."
              .formatted(uniformityK));
    }
    if (biasK < -3) {
      lines.add(
          "It stays %.0f K below the setpoint: set it higher, as far as the ceiling allows."
              .formatted(-biasK));
    }
    return lines;
  }

  /**
   * How often a dryer's air is replaced, from the electric power that it takes with the vent open
   * and closed, steady at one temperature (the idea of ASTM E145).
   *
   * @param openW mean power with the vent open
   * @param closedW mean power with the vent closed
   * @return air changes per hour with the vent open, above those with it closed
   */
  public static double airChangesPerHour(
      double openW, double closedW, double insideC, double roomC, double volumeL) {
    Require.within("closedW", closedW, 0, 10_000, "W");
    Require.within(
        "openW", openW, closedW + 1, 10_000, "W", "An open vent takes more power than a closed.");
    Require.within("insideC", insideC, roomC + LEAST_RISE_K, 250, "°C", "Measure it hot.");
    Require.within("volumeL", volumeL, 1, 2000, "L");
    return (openW - closedW) * 3600 / (AIR_CAPACITY * (insideC - roomC)) / (volumeL / 1000);
  }
}
