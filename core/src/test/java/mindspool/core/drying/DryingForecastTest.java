package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.OptionalDouble;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryingCeiling.Setter;
import mindspool.core.drying.DryingForecast.Recipe;
import mindspool.core.material.Material;
import mindspool.core.material.PlainMaterials;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DryingForecastTest {

  private static final MoistAir ROOM = new MoistAir(23, 50);
  private static final Dryer DRYER = new Dryer(110, 0, 0, OptionalDouble.empty(), 12);

  private static Material material(String name) {
    return PlainMaterials.named(name);
  }

  private static DryingForecast forecast(
      String name, MoistAir room, Dryer dryer, ReelKind reel, Double setpoint, Double target) {
    Material material = material(name);
    Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
    double start = 100 * material.sorption().moistureFraction(room.relativeHumidityPercent() / 100);
    SpoolState state =
        new SpoolMoistureModel(material).uniform(winding, start, room.temperatureC());
    return DryingForecast.of(
        material,
        state,
        reel,
        dryer,
        room,
        setpoint == null ? OptionalDouble.empty() : OptionalDouble.of(setpoint),
        target == null ? OptionalDouble.empty() : OptionalDouble.of(target));
  }

  /**
   * Field notes on moisture, section 4 (g), from an independent program: hours from the balance of
   * 23 °C and 50 % until outer wraps and core are below a limit, reel no obstacle.
   */
  @ParameterizedTest
  @CsvSource({
    "PA6, 80, 0.20, 18.8, 35.3", "PA12, 80, 0.15, 3.7, 7.1", "PETG, 65, 0.05, 12.8, 15.4",
    "PETG, 65, 0.08, 7.5, 9.5", "PLA, 50, 0.15, 3.5, 8.5", "ABS, 80, 0.10, 1.5, 3.2",
    "ASA, 80, 0.10, 1.7, 3.6", "PC, 90, 0.03, 1.5, 2.6", "TPU95A, 55, 0.12, 1.8, 7.7",
    "PVA, 55, 1.0, 37.9, 84.8"
  })
  void hoursToTheTarget(String name, double setpoint, double target, double outer, double core) {
    DryingForecast forecast = forecast(name, ROOM, DRYER, ReelKind.METAL, setpoint, target);
    assertThat(forecast.hours().outer().orElseThrow()).isCloseTo(outer, within(0.1 + 0.01 * outer));
    assertThat(forecast.hours().core().orElseThrow()).isCloseTo(core, within(0.1 + 0.01 * core));
    assertThat(forecast.hours().mean().orElseThrow())
        .isBetween(forecast.hours().outer().getAsDouble(), forecast.hours().core().getAsDouble());
  }

  /** Field notes, same table: cases that never end, because the room's air is too damp. */
  @ParameterizedTest
  @CsvSource({"PLA, 50, 0.05", "PVA, 55, 0.50", "PA6, 45, 0.20", "PETG, 45, 0.05"})
  void neverSaysWhyAndWhatWouldHelp(String name, double setpoint, double target) {
    DryingForecast forecast = forecast(name, ROOM, DRYER, ReelKind.METAL, setpoint, target);
    assertThat(forecast.hours().core()).isEmpty();
    assertThat(forecast.floorPercent()).isGreaterThanOrEqualTo(target);
    assertThat(forecast.advice().get(0))
        .startsWith("Never, because air of 23 °C and 50 % humidity");
    double needed = DryingForecast.temperatureForFloor(material(name), ROOM, target);
    boolean heatSuffices = needed <= forecast.ceiling().temperatureC();
    assertThat(String.join(" ", forecast.advice()))
        .contains(heatSuffices ? "Hotter helps" : "Drier air helps");
  }

  /** Common practice: below 50 °C drying is slow or never. */
  @Test
  void below50DegreesIsSlowOrNever() {
    assertThat(
            forecast("PETG", ROOM, DRYER, ReelKind.METAL, 45.0, null).hours().core().orElseThrow())
        .isGreaterThan(4 * 9.5);
    assertThat(
            forecast("ABS", new MoistAir(28, 80), DRYER, ReelKind.METAL, 50.0, null).hours().core())
        .isEmpty();
  }

  /** Field notes moisture.md: lowest temperature for a limit in this air. */
  @ParameterizedTest
  @CsvSource({"PA6, 0.20, 73, 92", "PETG, 0.05, 51, 67", "PLA, 0.05, 60, 77", "PVA, 0.5, 60, 77"})
  void lowestTemperatureForALimit(String name, double limit, double mild, double humid) {
    assertThat(DryingForecast.temperatureForFloor(material(name), ROOM, limit))
        .isCloseTo(mild, within(0.6));
    assertThat(DryingForecast.temperatureForFloor(material(name), new MoistAir(28, 80), limit))
        .isCloseTo(humid, within(0.6));
  }

  /** Examples of storage-handling-diagnosis.md section 3.4, there with 1 K for the instrument. */
  @Test
  void theLowestLimitSetsTheCeiling() {
    Dryer uneven = new Dryer(70, 0, 6, OptionalDouble.empty(), 12);
    assertCeiling("PLA", ReelKind.CARDBOARD, uneven, 44, Setter.FILAMENT);
    assertCeiling("PA6", ReelKind.POLYSTYRENE, uneven, 64, Setter.REEL);
    assertCeiling("PC", ReelKind.PC, uneven, 70, Setter.DRYER);
    assertCeiling("PETG", ReelKind.PRINTED_PLA, uneven, 39, Setter.REEL);
    assertCeiling("ASA", ReelKind.PRINTED_PLA, DRYER, 45, Setter.REEL);
    assertThat(DryingCeiling.of(material("PETG"), ReelKind.REFILL, DRYER).limits())
        .extracting(DryingCeiling.Limit::what)
        .containsExactly(Setter.FILAMENT, Setter.DRYER);
  }

  private static void assertCeiling(
      String material, ReelKind reel, Dryer dryer, double temperature, Setter setter) {
    DryingCeiling ceiling = DryingCeiling.of(material(material), reel, dryer);
    assertThat(ceiling.temperatureC()).isEqualTo(temperature);
    assertThat(ceiling.setBy()).isEqualTo(setter);
  }

  @Test
  void recommendedSetpointCorrectsTheDryersBias() {
    Dryer cool = new Dryer(90, -5, 0, OptionalDouble.empty(), 12);
    DryingForecast forecast = forecast("PETG", ROOM, cool, ReelKind.METAL, null, null);
    assertThat(forecast.setpointC()).isEqualTo(67);
    assertThat(forecast.airTemperatureC()).isEqualTo(62);
    assertThat(forecast("PETG", ROOM, DRYER, ReelKind.METAL, null, null).setpointC()).isEqualTo(65);
  }

  @Test
  void recipesAreComparedUnderTheCeiling() {
    DryingForecast forecast = forecast("PETG", ROOM, DRYER, ReelKind.CARDBOARD, null, null);
    assertThat(forecast.recipes())
        .extracting(Recipe::name)
        .containsExactly("gentle", "moderate", "thorough", "to the core");
    Recipe gentle = forecast.recipes().get(0);
    Recipe thorough = forecast.recipes().get(2);
    Recipe core = forecast.recipes().get(3);
    assertThat(gentle.verdict()).startsWith("still wet");
    assertThat(thorough.verdict()).isEqualTo("dry through");
    assertThat(core.hours().orElseThrow()).isCloseTo(9.5, within(0.2));
    assertThat(core.corePercent()).isCloseTo(0.08, withinPercentage(1));
    assertThat(thorough.energyKWh()).isGreaterThan(core.energyKWh());
    Recipe onPrintedReel =
        forecast("ASA", ROOM, DRYER, ReelKind.PRINTED_PLA, null, null).recipes().get(2);
    assertThat(onPrintedReel.setpointC()).isEqualTo(45);
  }

  @Test
  void aSetpointAboveTheCeilingIsWarnedOfAndAboveTheRatingRefused() {
    assertThat(forecast("PLA", ROOM, DRYER, ReelKind.METAL, 60.0, null).advice().get(0))
        .startsWith("60 °C is above the ceiling of 50 °C");
    Dryer small = new Dryer(55, 0, 0, OptionalDouble.empty(), 12);
    assertThatThrownBy(() -> forecast("PLA", ROOM, small, ReelKind.METAL, 60.0, null))
        .hasMessageContaining("dryer.setpointC is 60; allowed: 20 to 55 °C");
    assertThatThrownBy(() -> forecast("PLA", ROOM, DRYER, ReelKind.METAL, Double.NaN, null))
        .hasMessageContaining("not a number");
    Dryer furnace = new Dryer(200, 0, 0, OptionalDouble.empty(), 12);
    assertThatThrownBy(() -> forecast("PC", ROOM, furnace, ReelKind.METAL, 120.0, null))
        .hasMessageContaining("up to 110 °C");
  }

  @Test
  void aClosedDryerIsSlowerThanAVentedOne() {
    Dryer closed = new Dryer(110, 0, 0, OptionalDouble.of(2), 12);
    DryingForecast slow = forecast("PA6", ROOM, closed, ReelKind.METAL, 80.0, 0.5);
    DryingForecast fast = forecast("PA6", ROOM, DRYER, ReelKind.METAL, 80.0, 0.5);
    assertThat(slow.hours().core().orElseThrow())
        .isGreaterThan(1.5 * fast.hours().core().orElseThrow());
  }
}
