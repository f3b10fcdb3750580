package mindspool.core.drying;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.stock.ReelKind;

/**
 * Highest setpoint at which nothing in the dryer is harmed, and what sets it.
 *
 * @param temperatureC the lowest of the limits
 * @param setBy which limit that is
 * @param limits all limits, lowest first
 */
public record DryingCeiling(double temperatureC, Setter setBy, List<Limit> limits) {

  /** What can set the ceiling. */
  public enum Setter {
    FILAMENT("filament"),
    REEL("reel"),
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

  /** Ceiling for a filament on a reel in a dryer. */
  public static DryingCeiling of(Material material, ReelKind reel, Dryer dryer) {
    double hottest = dryer.hottestAboveSetC();
    String margin =
        hottest > 0
            ? "; the hottest spot lies " + Require.plain(hottest) + " K above the setpoint"
            : "";
    List<Limit> limits = new ArrayList<>();
    limits.add(
        new Limit(
            Setter.FILAMENT,
            material.dryingCeilingC() - hottest,
            "%s softens, sticks or ages above %s °C%s"
                .formatted(material.title(), Require.plain(material.dryingCeilingC()), margin)));
    reel.ceilingC()
        .ifPresent(
            ceiling ->
                limits.add(
                    new Limit(
                        Setter.REEL,
                        ceiling - hottest,
                        "%s reel stands %s °C: %s%s"
                            .formatted(reel.title(), Require.plain(ceiling), reel.why(), margin))));
    limits.add(
        new Limit(
            Setter.DRYER,
            dryer.ratedMaxC(),
            "this dryer can be set to " + Require.plain(dryer.ratedMaxC()) + " °C at most"));
    limits.sort(Comparator.comparingDouble(Limit::temperatureC));
    Limit lowest = limits.get(0);
    return new DryingCeiling(lowest.temperatureC(), lowest.what(), List.copyOf(limits));
  }

  /**
   * Setpoint to choose: brings the air to the usual drying temperature, or the ceiling if lower.
   */
  public double recommendedSetpointC(Material material, Dryer dryer) {
    return Math.min(temperatureC, material.dryingTemperatureC() - dryer.biasC());
  }
}
