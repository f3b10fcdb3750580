package mindspool.simulators;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The stand-in's own physics: right by itself, and another than the program's. */
class WoundFilamentTest {

  private static Winding winding(Material material) {
    return new Winding(0.04, 0.06, 1, 0.3, 0.00175, material.densityKgPerM3());
  }

  private static TruePolymer polymer(
      Material material, double bend, double hysteresis, double along) {
    return new TruePolymer(
        material,
        material.sorption(),
        material.diffusion(),
        1,
        1,
        bend,
        hysteresis,
        material.value(Parameter.WET_DIFFUSIVITY),
        1000 * material.value(Parameter.SORPTION_HEAT),
        material.packFactor(),
        along);
  }

  private static void follow(WoundFilament wound, MoistAir air, AirContact contact, double hours) {
    for (int step = 0; step < Math.round(hours * 12); step++) {
      wound.step(air.temperatureC(), air.vapourPressurePa(), contact, 300);
    }
  }

  /**
   * With none of its own habits it is the same spool, computed by another method: finite volumes
   * and shells against modes and rings.
   */
  @ParameterizedTest
  @CsvSource({
    "PETG, 50, 65, 4, FORCED, 8",
    "PLA, 50, 50, 8, FORCED, 8",
    "PA6, 50, 80, 3, FORCED, 10",
    "PA6, 10, 23, 60, STILL, 72",
    "ABS, 15, 23, 55, STILL, 48"
  })
  void withoutHabitsOfItsOwnItAgreesWithTheModel(
      String name, double start, double celsius, double humidity, String contact, double hours) {
    Material material = MaterialCatalogue.standard().named(name);
    AirContact air = contact.equals("STILL") ? AirContact.STILL : AirContact.FORCED;
    MoistAir around = new MoistAir(celsius, humidity);
    WoundFilament wound =
        WoundFilament.uniform(polymer(material, 0, 0, 1), winding(material), 0, start, 23);
    follow(wound, around, air, hours);
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    double before = 100 * material.sorption().moistureFraction(start / 100);
    SpoolState state = model.uniform(winding(material), before, 23);
    model.advance(state, ClimateSeries.constant(around), air, 0, 3600 * hours, null);
    double swing =
        Math.abs(
            before
                - 100 * material.sorption().moistureFractionAt(humidity / 100, celsius + 273.15));
    double mean = wound.profile().meanPercent();
    assertThat(mean).isCloseTo(state.profile().meanPercent(), within(0.025 * swing));
    assertThat(wound.profile().corePercent())
        .isCloseTo(state.profile().corePercent(), within(0.04 * swing));
  }

  /** ASTM-style loop: at the same humidity it holds more when it dries than when it gets wet. */
  @Test
  void itHoldsMoreOnDryingThanOnWetting() {
    Material pla = MaterialCatalogue.standard().named("PLA");
    TruePolymer polymer = polymer(pla, 0, 0.12, 1);
    Winding little = new Winding(0.04, 0.06, 0.02, 0.3, 0.00175, pla.densityKgPerM3());
    WoundFilament fromDry = WoundFilament.uniform(polymer, little, 0, 5, 23);
    WoundFilament fromWet = WoundFilament.uniform(polymer, little, 0, 95, 23);
    follow(fromDry, new MoistAir(23, 50), AirContact.FORCED, 200);
    follow(fromWet, new MoistAir(23, 50), AirContact.FORCED, 200);
    double loop = fromWet.profile().meanPercent() / fromDry.profile().meanPercent();
    assertThat(loop).isCloseTo(1.06 / 0.94, within(0.01));
  }

  /** What leaves the winding is what crosses its rim and its flanges: nothing is lost inside. */
  @Test
  void inASealedBagNothingIsLost() {
    Material pa6 = MaterialCatalogue.standard().named("PA6");
    WoundFilament wound =
        WoundFilament.uniform(polymer(pa6, 0.1, 0.1, 3), winding(pa6), 0.1, 60, 23);
    follow(wound, new MoistAir(23, 20), AirContact.STILL, 12);
    double before = wound.waterKg();
    follow(wound, new MoistAir(40, 20), AirContact.SEALED, 24);
    assertThat(wound.waterKg()).isCloseTo(before, within(1e-6 * before));
    WoundFilament half = wound.withDryMass(0.5);
    assertThat(half.waterKg()).isLessThan(0.53 * before).isGreaterThan(0.47 * before);
  }

  /** Leaky flanges let water out sooner than the program believes. */
  @Test
  void leakyFlangesDrySooner() {
    Material petg = MaterialCatalogue.standard().named("PETG");
    WoundFilament tight = WoundFilament.uniform(polymer(petg, 0, 0, 1), winding(petg), 0, 50, 23);
    WoundFilament leaky =
        WoundFilament.uniform(polymer(petg, 0, 0, 1.5), winding(petg), 0.15, 50, 23);
    MoistAir hot = new MoistAir(65, 4);
    follow(tight, hot, AirContact.FORCED, 6);
    follow(leaky, hot, AirContact.FORCED, 6);
    assertThat(leaky.profile().corePercent()).isLessThan(0.95 * tight.profile().corePercent());
  }
}
