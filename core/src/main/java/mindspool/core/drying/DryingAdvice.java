package mindspool.core.drying;

import static mindspool.core.PhysicalConstants.kelvin;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.drying.DryingCeiling.Setter;
import mindspool.core.drying.DryingForecast.Cycle;
import mindspool.core.drying.DryingForecast.Runs;
import mindspool.core.material.Material;

/** Says in words why a cycle does not reach its target, what would help, and what to beware of. */
final class DryingAdvice {

  private final Material material;
  private final Dryer dryer;
  private final MoistAir room;
  private final DryingCeiling ceiling;
  private final Runs runs;
  private final Cycle cycle;
  private final double target;
  private final List<String> lines = new ArrayList<>();

  DryingAdvice(
      Material material,
      Dryer dryer,
      MoistAir room,
      DryingCeiling ceiling,
      Runs runs,
      Cycle cycle,
      double target) {
    this.material = material;
    this.dryer = dryer;
    this.room = room;
    this.ceiling = ceiling;
    this.runs = runs;
    this.cycle = cycle;
    this.target = target;
  }

  List<String> lines() {
    if (ceiling.refusal().isPresent()) {
      say("%s", ceiling.refusal().get());
    }
    ceiling.risk().ifPresent(this::unmeasured);
    ceiling.slow().ifPresent(slow -> say("%s", slow));
    if (cycle.setpointC() > ceiling.temperatureC()) {
      say(
          "%s °C is above the ceiling of %.0f °C: %s. Lower the setpoint.",
          Require.plain(cycle.setpointC()),
          Math.floor(ceiling.temperatureC()),
          ceiling.limits().get(0).why());
    }
    double floor = runs.floorPercent(cycle.setpointC());
    if (floor >= target) {
      floorTooHigh(floor);
    } else if (cycle.hours().core().isEmpty() || cycle.hours().outer().isEmpty()) {
      tooSlow(floor);
    }
    if (ceiling.startsCooler()) {
      say(
          "It is damp, and water softens %s: the first %.0f h at %.0f °C at most.",
          material.name(), DampStart.HOURS, Math.floor(ceiling.startC()));
    }
    if (cycle.setpointC() + dryer.hottestAboveSetC() > DryingCeiling.LABELS_OOZE_C) {
      say("Labels and tapes ooze above %.0f °C: peel them off.", DryingCeiling.LABELS_OOZE_C);
    }
    return List.copyOf(lines);
  }

  /** The risk of a setpoint above what is safe, or why the one below it was chosen. */
  private void unmeasured(String risk) {
    if (cycle.setpointC() > ceiling.cautiousC() + 0.5) {
      say("%s", risk);
    } else if (ceiling.cautiousC() < material.dryingTemperatureC() - dryer.biasC() - 1) {
      say(
          "This dryer was never measured: %.0f °C is safe in nearly all of its kind, up to %.0f °C"
              + " in most. Measuring it (90 minutes, on its page) tells which it is.",
          Math.floor(ceiling.cautiousC()), Math.floor(ceiling.temperatureC()));
    }
  }

  private void floorTooHigh(double floor) {
    say(
        "Never, because air of %.0f °C and %.0f %% humidity, heated to %.0f °C, still holds %s at"
            + " %.3f %%; the target is %.3f %%.",
        room.temperatureC(),
        room.relativeHumidityPercent(),
        cycle.setpointC() + dryer.biasC(),
        material.name(),
        floor,
        target);
    double needed = DryingForecast.temperatureForFloor(material, room, target) - dryer.biasC();
    if (needed <= ceiling.temperatureC()) {
      say(
          "Hotter helps: in this air set more than %.0f °C; the ceiling is %.0f °C.",
          Math.ceil(needed), Math.floor(ceiling.temperatureC()));
    } else {
      say(
          "Heat alone does not help: it would take more than %.0f °C, the ceiling is %.0f °C, set by"
              + " the %s. %s",
          Math.ceil(needed),
          Math.floor(ceiling.temperatureC()),
          ceiling.setBy().word(),
          ceiling.setBy() == Setter.FILAMENT ? "" : raiseCeiling());
    }
    drierAir();
  }

  private void drierAir() {
    double setpoint = Math.min(Math.max(cycle.setpointC(), recommended()), ceiling.temperatureC());
    double activity = material.sorption().activity(target / 100);
    double airC = setpoint + dryer.biasC();
    double vapour =
        activity
            * material.sorption().humidityFactor(kelvin(airC))
            * SaturationPressure.atCelsius(airC);
    double humidity = 100 * vapour / SaturationPressure.atCelsius(room.temperatureC());
    if (humidity < room.relativeHumidityPercent()) {
      say(
          "Drier air helps: at %.0f °C the room may have less than %.0f %% humidity (dew point"
              + " %.0f °C); or use a dryer with desiccant, or dry it in a drier room.",
          setpoint, Math.floor(humidity), Math.floor(SaturationPressure.temperatureC(vapour)));
    }
  }

  private double recommended() {
    return ceiling.recommendedSetpointC(material, dryer);
  }

  private void tooSlow(double floor) {
    say(
        "Not within ten days at %.0f °C; the driest possible in this air, %.3f %%, is close or the cycle too cool.",
        cycle.setpointC(), floor);
    if (cycle.setpointC() < recommended() - 1) {
      say("Set %.0f °C, which everything in the dryer stands.", Math.floor(recommended()));
    }
    if (dryer.airChangesPerHour().orElse(99) < 2) {
      say("The dryer keeps its damp air: open its vent a little or add desiccant.");
    }
  }

  private String raiseCeiling() {
    if (ceiling.slow().isPresent()) {
      return "";
    }
    return ceiling.raisedBy().isEmpty()
        ? "The filament itself sets it; only drier air or more time helps."
        : String.join(" ", ceiling.raisedBy());
  }

  private void say(String format, Object... values) {
    lines.add(String.format(Locale.ROOT, format, values).strip());
  }
}
