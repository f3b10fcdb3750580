package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;

/** Air with next to no water, spools with next to no filament: there is always an answer. */
class DryAirTest {

  private static final MaterialCatalogue CATALOGUE = MaterialCatalogue.standard();

  private static Winding winding(Material material, double massG) {
    return new Winding(
        0.04, 0.06, massG / 1000, Winding.USUAL_VOID_FRACTION, 0.00175, material.densityKgPerM3());
  }

  private static SpoolState after(
      String name, double massG, double startPercent, double startC, MoistAir air, double hours) {
    Material material = CATALOGUE.named(name);
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    SpoolState state = model.uniform(winding(material, massG), startPercent, startC);
    model.advance(state, ClimateSeries.constant(air), AirContact.STILL, 0, 3600 * hours, null);
    return state;
  }

  /** Common practice: a nearly empty spool put into a dry box. */
  @Test
  void aRemainderInADryBoxDries() {
    SpoolState state = after("PETG", 100, 0.244, 23, new MoistAir(23, 3), 240);
    double balance = 100 * CATALOGUE.named("PETG").sorption().moistureFraction(0.03);
    assertThat(state.profile().meanPercent()).isBetween(balance, 0.244);
    SpoolState long_ = after("PETG", 100, 0.244, 23, new MoistAir(23, 3), 2400);
    assertThat(long_.profile().meanPercent()).isCloseTo(balance, within(0.01 * 0.244));
  }

  @Test
  void thereIsAnAnswerAtEveryEdge() {
    Random random = new Random(11);
    String[] names = {"PLA", "PETG", "ABS", "PA6", "PC", "TPU95A", "PVA", "PA12"};
    for (int i = 0; i < 400; i++) {
      String name = names[i % names.length];
      double most = 100 * CATALOGUE.named(name).sorption().saturationFraction();
      double start = i % 3 == 0 ? 0 : random.nextDouble() * most;
      double humidity = i % 4 == 0 ? 0 : Math.pow(10, -2 + 4 * random.nextDouble());
      double celsius = i % 5 == 0 ? 80 + 30 * random.nextDouble() : -20 + 70 * random.nextDouble();
      double mass = Math.pow(10, 0.7 + 3 * random.nextDouble());
      SpoolState state =
          after(
              name,
              Math.min(mass, 1500),
              start,
              i % 7 == 0 ? -20 : 23,
              new MoistAir(celsius, humidity),
              48);
      double balance =
          100
              * CATALOGUE
                  .named(name)
                  .sorption()
                  .moistureFractionAt(humidity / 100, 273.15 + celsius);
      String described =
          "%s, %.0f g, %.3f %% in %.0f °C %.2f %%".formatted(name, mass, start, celsius, humidity);
      assertThat(state.profile().meanPercent())
          .as(described)
          .isBetween(
              Math.min(start, balance) - 1e-3 * most, Math.max(start, balance) + 1e-3 * most);
    }
  }
}
