package mindspool.core.plan;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.Horizon;

/**
 * A print that needs dry filament.
 *
 * @param grams filament that it takes
 * @param startH when it starts, at the latest: its spool must be dry by then
 * @param anyTime whether it starts as soon as its spool is dry
 * @param hours how long it prints
 * @param candidates spools that it may take
 * @param readyAsIs for each candidate whether it stays below its print limit for the whole job
 *     without being dried
 * @param holdsH for each candidate how long it prints well in the holder once it is dried; none
 *     where it holds two weeks
 * @param holdsInDryBoxH the same in a dry box
 * @param inDryBox whether the job prints out of a dry box
 */
public record PlanJob(
    long id,
    String name,
    double grams,
    double startH,
    boolean anyTime,
    double hours,
    List<PlanSpool> candidates,
    Map<String, Boolean> readyAsIs,
    Map<String, OptionalDouble> holdsH,
    Map<String, OptionalDouble> holdsInDryBoxH,
    boolean inDryBox) {

  public PlanJob {
    Require.within("grams", grams, 0.1, 20_000, "g");
    Require.within("hours", hours, 0.05, 1000, "h");
    if (startH < 0) {
      throw new InvalidValueException(
          "startAt",
          String.format(Locale.ROOT, "%.1f h ago", -startH),
          "a time to come",
          "A job whose start has passed cannot be planned for; give a new one or take it out.");
    }
    candidates = List.copyOf(candidates);
  }

  public double endH() {
    return startH + hours;
  }

  /** Whether both print at some time. */
  boolean overlaps(PlanJob other) {
    return startH < other.endH() && other.startH < endH();
  }

  /** Whether a spool serves it; no spool at all always may be given. */
  boolean mayTake(PlanSpool spool) {
    return spool == null || candidates.contains(spool);
  }

  boolean isReadyAsIs(PlanSpool spool) {
    return readyAsIs.getOrDefault(spool.code(), false);
  }

  /** Whether a dried spool prints well to the end of the job from its holder. */
  public boolean holds(PlanSpool spool) {
    return holdsAfter(spool, 0);
  }

  /** Whether a dried spool prints well from its holder for so many hours. */
  boolean holdsFor(PlanSpool spool, double printingHours) {
    return holdsAfter(spool, printingHours - hours);
  }

  /** The same after other jobs printed from it for so many hours. */
  boolean holdsAfter(PlanSpool spool, double printingHours) {
    return isLong(inDryBox ? holdsInDryBoxH : holdsH, spool, printingHours);
  }

  /** The same where the dryer may feed the print. */
  boolean holdsFrom(PlanSpool spool, PlanDryer dryer) {
    return dryer.feedsOut() || holds(spool);
  }

  /** Whether it would out of a dry box. */
  boolean wouldHoldInDryBox(PlanSpool spool) {
    return isLong(holdsInDryBoxH, spool, 0);
  }

  private boolean isLong(Map<String, OptionalDouble> held, PlanSpool spool, double printingHours) {
    OptionalDouble hold = held.getOrDefault(spool.code(), OptionalDouble.empty());
    return hold.orElse(Horizon.HOURS) >= hours + printingHours;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof PlanJob that && that.id == id;
  }

  @Override
  public int hashCode() {
    return Long.hashCode(id);
  }
}
