package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.OptionalDouble;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryingForecast;
import mindspool.core.material.Diffusion;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.PlainMaterials;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Nylon and PVA, which bind water and are softened by it. */
class WaterBindingPolymersTest {

  private static final MoistAir ROOM = new MoistAir(23, 50);
  private static final Dryer OVEN = new Dryer(110, 0, 0, OptionalDouble.empty(), 30);

  private static Material material(String name) {
    return MaterialCatalogue.standard().named(name);
  }

  private static Winding kilogram(Material material) {
    return new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
  }

  /** As a spool is that lay open for a week. */
  private static SpoolState aWeekOpen(Material material) {
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    SpoolState state = model.uniform(kilogram(material), material.dryTargetPercent(), 23);
    model.advance(state, ClimateSeries.constant(ROOM), AirContact.STILL, 0, 7 * 86_400.0, null);
    return state;
  }

  private static DryingForecast dried(Material material, double setpointC, double percent) {
    return DryingForecast.of(
        material,
        aWeekOpen(material),
        ReelKind.METAL,
        OVEN,
        ROOM,
        OptionalDouble.of(setpointC),
        OptionalDouble.of(percent));
  }

  /**
   * Common practice: PA6 dries in about 12 h at 80 °C (8 to 16 h). After a week in the open its
   * outer wraps reach the target then and its core prints; without these properties the core would
   * still be wet after a day.
   */
  @Test
  void nylonDriesInTheTradesTime() {
    Material pa6 = material("PA6");
    assertThat(dried(pa6, 80, 0.2).hours().outer().orElseThrow()).isBetween(10.0, 14.0);
    assertThat(dried(pa6, 80, 0.2).hours().core().orElseThrow()).isLessThan(20);
    assertThat(dried(pa6, 80, 0.5).hours().all().orElseThrow()).isBetween(8.0, 12.0);
    Material plain = PlainMaterials.named("PA6");
    assertThat(dried(plain, 80, 0.2).hours().core().orElseThrow()).isGreaterThan(24);
  }

  /**
   * Field notes on moisture, section 1: 4 kJ/mol lower the floor of a heated dryer by 12 to 23 %.
   */
  @ParameterizedTest
  @CsvSource({"PA6, 80", "PA12, 80", "PVA, 55"})
  void boundWaterLowersTheFloorOfAHeatedDryer(String name, double setpointC) {
    double with = dried(material(name), setpointC, 5).floorPercent();
    double without = dried(PlainMaterials.named(name), setpointC, 5).floorPercent();
    assertThat(with / without).isBetween(0.765, 0.88);
  }

  /** PA6, 24 h under water at 23 °C, 3.2 mm: 1.3 to 1.9 % on resin data sheets, from memory. */
  @Test
  void wetNylonTakesUpWaterFasterThanDryNylon() {
    assertThat(immersed(material("PA6"))).isBetween(1.3, 1.9);
    assertThat(immersed(PlainMaterials.named("PA6"))).isLessThan(1.0);
  }

  /** Thermodynamics: without a difference of vapour pressure nothing moves, however bound. */
  @Test
  void aSpoolInBalanceStaysAsItIs() {
    Material pa6 = material("PA6");
    SpoolMoistureModel model = new SpoolMoistureModel(pa6);
    double there = 100 * pa6.sorption().moistureFractionAt(0.4, 273.15 + 60);
    SpoolState state = model.uniform(kilogram(pa6), there, 60);
    ClimateSeries air = ClimateSeries.constant(new MoistAir(60, 40));
    model.advance(state, air, AirContact.FORCED, 0, 48 * 3600.0, null);
    assertThat(state.profile().meanPercent()).isCloseTo(there, within(1e-6));
  }

  /** Mean uptake, %, of a plate of 3.2 mm under water for 24 h at 23 °C. */
  private static double immersed(Material material) {
    Diffusion d = material.diffusion();
    int cells = 400;
    double half = 1.6e-3;
    double dx = half / cells;
    double[] w = new double[cells];
    double full = material.sorption().saturationFraction();
    double seconds = 0;
    double[] flow = new double[cells + 1];
    while (seconds < 86_400) {
      double fastest = d.atKelvin(296.15) * Math.exp(d.wetExponent() * full);
      double dt = 0.4 * dx * dx / fastest;
      for (int i = 0; i <= cells; i++) {
        double left = i == 0 ? full : w[i - 1];
        double right = i == cells ? w[cells - 1] : w[i];
        double step = i == 0 ? dx / 2 : dx;
        flow[i] =
            i == cells
                ? 0
                : d.atKelvin(296.15)
                    * Math.exp(d.wetExponent() * (left + right) / 2)
                    * (left - right)
                    / step;
      }
      for (int i = 0; i < cells; i++) {
        w[i] += dt / dx * (flow[i] - flow[i + 1]);
      }
      seconds += dt;
    }
    return 100 * Arrays.stream(w).average().orElseThrow();
  }
}
