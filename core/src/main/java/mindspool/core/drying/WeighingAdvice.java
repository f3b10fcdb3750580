package mindspool.core.drying;

import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingForecast.Cycle;

/** Which weighings of a spool in a cycle tell most of when it is dry. */
final class WeighingAdvice {

  /** Below this, h, a drying time is no more than "at once". */
  private static final double LEAST_HOURS = 0.5;

  /** Weighings that are proposed as one row. */
  private static final int WEIGHINGS = 3;

  private WeighingAdvice() {}

  /** When it matters how wet it is: as it is about to be dry, else at the end. */
  static double decisiveHour(Cycle cycle) {
    return Math.max(LEAST_HOURS, cycle.hours().all().orElse(cycle.lastHour()));
  }

  /**
   * The row of weighings that ends earliest of those that tell enough: before it may be dry
   * already, by when it is as likely as not, or by when it surely is.
   */
  static Optional<NextWeighing> next(
      LoadedSpool loaded, List<Cycle> around, double dryHours, double soonHours, double sureHours) {
    if (sureHours <= LEAST_HOURS) {
      return Optional.empty();
    }
    double[] slopes = CycleSlopes.of(around, each -> each.at(dryHours).wettestPercent());
    return DoubleStream.of(soonHours, dryHours, sureHours)
        .mapToObj(until -> candidates(loaded, around, until))
        .map(row -> NextWeighing.of(loaded.belief(), slopes, row, loaded.scaleStepG()))
        .flatMap(Optional::stream)
        .findFirst();
  }

  private static List<NextWeighing.Candidate> candidates(
      LoadedSpool loaded, List<Cycle> around, double untilHours) {
    double gramsPerPercent = 10 * loaded.start().winding().dryMassKg();
    return IntStream.rangeClosed(1, WEIGHINGS)
        .mapToDouble(step -> Math.ceil(4 * untilHours * step / WEIGHINGS) / 4)
        .filter(hour -> hour >= LEAST_HOURS)
        .distinct()
        .mapToObj(
            hour ->
                new NextWeighing.Candidate(
                    hour,
                    CycleSlopes.of(
                        around,
                        each ->
                            gramsPerPercent
                                * (each.at(0).meanPercent() - each.at(hour).meanPercent()))))
        .toList();
  }
}
