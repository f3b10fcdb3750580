package mindspool.core.drying;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.core.drying.DryingForecast.Cycle;
import mindspool.core.drying.DryingForecast.Point;
import mindspool.core.drying.DryingForecast.Recipe;
import mindspool.core.drying.DryingForecast.Runs;
import mindspool.core.material.Material;

/**
 * The ways in which practitioners dry, each followed for this spool. Temperatures and hours: common
 * practice. None goes above what is safe.
 */
final class Recipes {

  /** Recipes of the trade: gentle below 50 °C for 1 to 2 h (common practice). */
  private static final double GENTLE_C = 45;

  private static final double GENTLE_HOURS = 2;

  /** Moderate: 60 to 70 °C for 3 to 4 h, then test (common practice). */
  private static final double MODERATE_C = 65;

  private static final double MODERATE_HOURS = 4;

  /** Thorough: 12 h for PETG at 65 °C (common practice). */
  private static final double THOROUGH_HOURS = 12;

  private final Material material;
  private final Dryer dryer;
  private final Runs runs;
  private final DryingCeiling ceiling;
  private final CycleRun toTheCore;

  Recipes(Material material, Dryer dryer, Runs runs, DryingCeiling ceiling, CycleRun toTheCore) {
    this.material = material;
    this.dryer = dryer;
    this.runs = runs;
    this.ceiling = ceiling;
    this.toTheCore = toTheCore;
  }

  List<Recipe> compared() {
    return List.of(
        fixed("gentle", GENTLE_C, GENTLE_HOURS),
        fixed("moderate", MODERATE_C, MODERATE_HOURS),
        fixed("thorough", material.dryingTemperatureC(), THOROUGH_HOURS),
        toTheCore());
  }

  private double setpoint(double airTemperatureC) {
    return Math.max(20, Math.min(ceiling.cautiousC(), airTemperatureC - dryer.biasC()));
  }

  private Recipe fixed(String name, double airTemperatureC, double hours) {
    double setpoint = setpoint(airTemperatureC);
    CycleRun run = runs.of(setpoint, hours);
    Cycle cycle = run.cycle(0);
    Point end = cycle.at(hours);
    return new Recipe(
        name,
        setpoint,
        OptionalDouble.of(hours),
        end.outerPercent(),
        end.meanPercent(),
        end.corePercent(),
        run.energyKWh(hours),
        verdict(end, cycle.target(), setpoint));
  }

  private Recipe toTheCore() {
    double setpoint = setpoint(material.dryingTemperatureC());
    boolean followed = toTheCore.cycle(0).setpointC() == setpoint;
    CycleRun run = followed ? toTheCore : runs.untilDry(setpoint);
    Cycle cycle = run.cycle(0);
    OptionalDouble hours = cycle.hours().all();
    double last = hours.orElse(cycle.lastHour());
    Point end = cycle.at(last);
    return new Recipe(
        "to the core",
        setpoint,
        hours,
        end.outerPercent(),
        end.meanPercent(),
        end.corePercent(),
        run.energyKWh(last),
        hours.isPresent()
            ? "dry to the core, as computed"
            : "never: " + verdict(end, cycle.target(), setpoint));
  }

  private String verdict(Point end, double target, double setpoint) {
    double floor = runs.floorPercent(setpoint);
    if (floor >= target) {
      return String.format(
          Locale.ROOT,
          "this room's air allows %.3f %% at best here; more hours do not help",
          floor);
    }
    if (Math.max(end.outerPercent(), end.corePercent()) <= target) {
      return "dry through";
    }
    if (end.outerPercent() <= target) {
      return String.format(
          Locale.ROOT,
          "outer wraps dry, core still %.2f times the target",
          end.corePercent() / target);
    }
    return String.format(
        Locale.ROOT,
        "still wet: outer wraps %.2f, core %.2f times the target",
        end.outerPercent() / target,
        end.corePercent() / target);
  }
}
