package mindspool.core.drying;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.stock.ReelKind;

/**
 * Highest setpoint at which nothing in the dryer is harmed, what sets it, and what would raise it.
 *
 * <p>In a dryer that was measured the margin is what was measured. One that was not is set to what
 * is safe in nearly all of its kind. Practice uses it at the temperature on the filament's data
 * sheet: so much is allowed to whoever asks for it, with its risk said, as long as the hottest spot
 * of most of its kind stays below softening.
 *
 * @param temperatureC the lowest of the limits
 * @param cautiousC the same if the dryer is among the worst of its kind; equal where measured
 * @param startC the same for the first hours, lower where the filament is damp
 * @param setBy which limit that is
 * @param limits all limits, lowest first
 * @param raisedBy what would raise it, in words; most useful first
 * @param slow why it is far below the usual temperature, and what would help; none where it is not
 * @param risk what may happen between the cautious ceiling and this one; none where they are equal
 * @param refusal why no cycle is offered at all; none where one is
 */
public record DryingCeiling(
    double temperatureC,
    double cautiousC,
    double startC,
    Setter setBy,
    List<Limit> limits,
    List<String> raisedBy,
    Optional<String> slow,
    Optional<String> risk,
    Optional<String> refusal) {

  /** A setpoint so far below the usual one takes much longer. Judgement. */
  private static final double FAR_BELOW_USUAL_K = 15;

  /**
   * Limits of filament and reel lie at least so far below softening (8 K for PLA, 10 K and more for
   * the others and for reels; data sheets, from memory).
   */
  private static final double BELOW_SOFTENING_K = 8;

  /** Acrylic labels and tapes ooze above this, °C (grade D). */
  public static final double LABELS_OOZE_C = 80;

  /** Less than this is not worth the work. */
  private static final double WORTH_K = 1;

  /** What can set the ceiling. */
  public enum Setter {
    FILAMENT("filament"),
    REEL("reel"),
    ADHESIVE("adhesive"),
    DRYER("dryer");

    private final String word;

    Setter(String word) {
      this.word = word;
    }

    public String word() {
      return word;
    }
  }

  /**
   * One limit.
   *
   * @param temperatureC highest setpoint that it allows, °C
   * @param why the reason in words
   */
  public record Limit(Setter what, double temperatureC, String why) {}

  /** Ceiling for dry filament on a reel in a dryer. */
  public static DryingCeiling of(Material material, ReelKind reel, Dryer dryer) {
    return of(material, reel, dryer, 0);
  }

  /** Ceiling for a spool of a load, as damp as it is. */
  public static DryingCeiling of(DryerLoad.LoadedSpool loaded, Dryer dryer) {
    return of(loaded.material(), loaded.reel(), dryer, loaded.start().profile().meanPercent());
  }

  /**
   * Ceiling for a filament on a reel in a dryer.
   *
   * @param meanPercent its moisture, which softens some
   */
  public static DryingCeiling of(
      Material material, ReelKind reel, Dryer dryer, double meanPercent) {
    List<Limit> limits = limits(material, reel, dryer);
    Limit lowest = limits.get(0);
    double cautious = Math.min(dryer.ratedMaxC(), cautiousC(material, reel, dryer));
    double damp =
        DampStart.needed(material, meanPercent)
            ? material.dryingCeilingC()
                - material.dampStartLowerK()
                - leastMarginK(dryer.behaviour())
            : Double.POSITIVE_INFINITY;
    List<String> raisedBy = raisedBy(limits, reel, dryer);
    return new DryingCeiling(
        lowest.temperatureC(),
        Math.min(cautious, lowest.temperatureC()),
        Math.min(damp, lowest.temperatureC()),
        lowest.what(),
        List.copyOf(limits),
        raisedBy,
        tooCool(material, lowest, raisedBy),
        risk(harmful(material, reel), lowest.temperatureC(), cautious, dryer.behaviour()),
        dryer.kind().refuses(material, dryer.behaviour().measured()));
  }

  private static double cautiousC(Material material, ReelKind reel, Dryer dryer) {
    return harmful(material, reel).get(0).temperatureC() - dryer.behaviour().marginK();
  }

  /**
   * What is taken off a limit in any case: of an unmeasured dryer what softening leaves no room.
   */
  private static double leastMarginK(DryerBehaviour behaviour) {
    return behaviour.measured()
        ? behaviour.marginK()
        : Math.max(0, behaviour.hottestAboveSetC() - BELOW_SOFTENING_K);
  }

  private static Optional<String> risk(
      List<Limit> harmful, double ceilingC, double cautiousC, DryerBehaviour behaviour) {
    if (behaviour.measured() || ceilingC <= cautiousC + 0.05) {
      return Optional.empty();
    }
    double usually = ceilingC + behaviour.hottestAboveSetC();
    return Optional.of(
        String.format(
            Locale.ROOT,
            "This dryer was never measured; %s °C is safe in nearly all of its kind. Set to its"
                + " ceiling, %s °C, the hottest place in most of them is at %.0f °C, in some at"
                + " %.0f °C, and %s. A thermometer beside the reel shows which within minutes of"
                + " steady heat, and measuring it (90 minutes, on its page) lets the ceiling follow.",
            whole(cautiousC),
            whole(ceilingC),
            usually,
            usually + behaviour.uncertaintyK(),
            harmful.get(0).why()));
  }

  private static Optional<String> tooCool(Material material, Limit lowest, List<String> raisedBy) {
    double below = material.dryingTemperatureC() - lowest.temperatureC();
    return below > FAR_BELOW_USUAL_K
        ? Optional.of(
            "The ceiling of %s °C lies %.0f K below the %s °C usual for %s, so it takes far longer. %s"
                .formatted(
                    whole(lowest.temperatureC()),
                    below,
                    whole(material.dryingTemperatureC()),
                    material.name(),
                    String.join(" ", raisedBy))
                .strip())
        : Optional.empty();
  }

  /** Air temperatures above which filament or reel are harmed, lowest first. */
  public static List<Limit> harmful(Material material, ReelKind reel) {
    List<Limit> limits = new ArrayList<>();
    limits.add(
        new Limit(
            Setter.FILAMENT,
            material.dryingCeilingC(),
            "%s softens, sticks or ages above %s °C"
                .formatted(material.name(), Require.plain(material.dryingCeilingC()))));
    reel.ceilingC()
        .ifPresent(
            ceiling ->
                limits.add(
                    new Limit(
                        Setter.REEL,
                        ceiling,
                        "the reel stands %s °C (%s): %s"
                            .formatted(Require.plain(ceiling), reel.title(), reel.why()))));
    reel.glueCeilingC()
        .ifPresent(
            ceiling ->
                limits.add(
                    new Limit(
                        Setter.ADHESIVE,
                        ceiling,
                        "hot-melt glue of the reel lets go above %s °C"
                            .formatted(Require.plain(ceiling)))));
    limits.sort(Comparator.comparingDouble(Limit::temperatureC));
    return limits;
  }

  private static List<Limit> limits(Material material, ReelKind reel, Dryer dryer) {
    DryerBehaviour behaviour = dryer.behaviour();
    List<Limit> limits = new ArrayList<>();
    for (Limit harmful : harmful(material, reel)) {
      double cautious = harmful.temperatureC - behaviour.marginK();
      double offered =
          Math.min(material.dryingTemperatureC(), harmful.temperatureC - leastMarginK(behaviour));
      limits.add(
          new Limit(harmful.what, Math.max(cautious, offered), harmful.why + margin(behaviour)));
    }
    limits.add(
        new Limit(
            Setter.DRYER,
            dryer.ratedMaxC(),
            "this dryer can be set to " + Require.plain(dryer.ratedMaxC()) + " °C at most"));
    limits.sort(Comparator.comparingDouble(Limit::temperatureC));
    return limits;
  }

  private static String margin(DryerBehaviour behaviour) {
    if (behaviour.marginK() <= 0) {
      return "";
    }
    return behaviour.measured()
        ? String.format(
            Locale.ROOT,
            "; the hottest spot lies %s K above the setpoint%s",
            tenth(behaviour.hottestAboveSetC()),
            behaviour.uncertaintyK() > 0
                ? ", the probes may be off by " + tenth(behaviour.uncertaintyK()) + " K"
                : "")
        : String.format(
            Locale.ROOT,
            "; unmeasured, the hottest spot is %s ± %s K above the setpoint",
            tenth(behaviour.hottestAboveSetC()),
            tenth(behaviour.uncertaintyK()));
  }

  private static List<String> raisedBy(List<Limit> limits, ReelKind reel, Dryer dryer) {
    List<String> ways = new ArrayList<>();
    Limit lowest = limits.get(0);
    double filament =
        limits.stream()
            .filter(limit -> limit.what() == Setter.FILAMENT)
            .mapToDouble(Limit::temperatureC)
            .findFirst()
            .orElseThrow();
    double upTo = Math.min(filament, dryer.ratedMaxC());
    if (lowest.what() == Setter.REEL || lowest.what() == Setter.ADHESIVE) {
      ways.add(
          "Rewind it from the %s reel onto one of metal or polycarbonate: up to %s °C."
              .formatted(reel.id(), whole(upTo)));
    } else if (lowest.what() == Setter.DRYER && limits.get(1).temperatureC() > upTo + WORTH_K) {
      ways.add(
          "Take a dryer rated higher: up to %s °C.".formatted(whole(limits.get(1).temperatureC())));
    }
    if (!dryer.behaviour().measured() && lowest.what() != Setter.DRYER) {
      ways.add(
          "Measure this dryer with probes: the %s K that one of its kind may be"
                  .formatted(tenth(dryer.behaviour().marginK()))
              + " hotter than its setpoint become what it truly does.");
    }
    return List.copyOf(ways);
  }

  /** Whether the first hours are to be cooler than the rest. */
  public boolean startsCooler() {
    return startC < temperatureC;
  }

  /**
   * Setpoint for several together: as warm as the one that wants most likes it, but no warmer than
   * is safe for any.
   *
   * @param wantedC what each would be set to alone, °C
   */
  public static double commonSetpointC(List<DryingCeiling> ceilings, List<Double> wantedC) {
    double most = wantedC.stream().mapToDouble(Double::doubleValue).max().orElse(0);
    double allowed =
        ceilings.stream()
            .mapToDouble(DryingCeiling::cautiousC)
            .min()
            .orElse(Double.POSITIVE_INFINITY);
    return Math.min(most, allowed);
  }

  private static String tenth(double value) {
    return Require.plain(Math.rint(10 * value) / 10);
  }

  private static String whole(double value) {
    return Require.plain(Math.floor(value + 1e-9));
  }

  /**
   * Setpoint to choose: brings the air to the usual drying temperature, or to what is safe also in
   * a dryer among the worst of its kind, if that is lower. More is for whoever takes the risk.
   */
  public double recommendedSetpointC(Material material, Dryer dryer) {
    return Math.min(cautiousC, material.dryingTemperatureC() - dryer.biasC());
  }
}
