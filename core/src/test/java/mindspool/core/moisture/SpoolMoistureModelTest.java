package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Random;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.material.Diffusion;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.PlainMaterials;
import mindspool.core.material.Sorption;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.stock.Winding;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.integration.IterativeLegendreGaussIntegrator;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.special.BesselJ;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SpoolMoistureModelTest {

  private static final MaterialCatalogue MATERIALS = MaterialCatalogue.standard();
  private static final ClimateSeries DRY_HEAT = ClimateSeries.constant(new MoistAir(65, 5.6));

  private static Winding kilogram(Material material) {
    return new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
  }

  @ParameterizedTest
  @ValueSource(strings = {"PA6", "PETG", "PVA", "TPU95A"})
  void waterBalanceCloses(String name) {
    Material material = MATERIALS.named(name);
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    double start = 100 * material.sorption().moistureFraction(0.6);
    SpoolState state = model.uniform(kilogram(material), start, 22);
    double before = state.waterKg();
    ClimateSeries.Builder weather = ClimateSeries.builder();
    for (int hour = 0; hour <= 200; hour++) {
      weather.reading(
          3600.0 * hour,
          new MoistAir(22 + 4 * Math.sin(hour / 4.0), 55 + 20 * Math.cos(hour / 4.0)));
    }
    model.advance(state, weather.build(), AirContact.STILL, 0, 100 * 3600, null);
    model.advance(state, DRY_HEAT, AirContact.FORCED, 0, 10 * 3600, null);
    double change = state.waterKg() - before;
    assertThat(change).isNotCloseTo(0, within(1e-5));
    assertThat(state.waterGainedKg()).isCloseTo(change, within(1e-9 * before));
    // What the balance says is in the winding is what its filament and the air between wraps hold.
    double inFilament = state.profile().meanPercent() / 100;
    double poresM3 = 0.30 / 0.70 / material.densityKgPerM3();
    double mostInPores = poresM3 * new MoistAir(65, 100).vapourDensityGPerM3() / 1000;
    assertThat(state.waterKg() - inFilament).isBetween(0.0, mostInPores);
  }

  @Test
  void aSealedSpoolKeepsItsWater() {
    Material material = MATERIALS.named("PA6");
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    SpoolState state = model.uniform(kilogram(material), 1.2, 22);
    double before = state.waterKg();
    model.advance(
        state,
        ClimateSeries.constant(new MoistAir(35, 90)),
        AirContact.SEALED,
        0,
        90 * 86_400.0,
        null);
    assertThat(state.waterKg()).isCloseTo(before, within(1e-12));
    assertThat(state.profile().meanPercent()).isCloseTo(1.2, within(1e-3));
  }

  /**
   * With filament that follows at once and a straight isotherm, the pack is a diffusion problem in
   * an annulus whose slowest decay is known: J1(k rh) Y0(k ro) = Y1(k rh) J0(k ro) (Carslaw and
   * Jaeger 1959, ch. XIII). Bessel functions from a general library and their integral forms
   * (Abramowitz and Stegun 9.1.22).
   */
  @Test
  void packDecaysAsTheAnnulusDoes() {
    double henry = 0.02;
    Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, 1200);
    SpoolMoistureModel model =
        new SpoolMoistureModel(
            new Sorption(henry, henry, 2),
            new Diffusion(1e-8, 0),
            1500,
            1,
            Options.STANDARD.withPhysics(false, false, true).withTolerance(1e-4));
    SpoolState state = model.uniform(winding, 0.4, 23);
    ClimateSeries dry = ClimateSeries.constant(new MoistAir(23, 0));
    AirContact perfect = new AirContact(1e6, 100, Double.POSITIVE_INFINITY);
    model.advance(state, dry, perfect, 0, 40 * 3600, null);
    double earlier = state.waterKg();
    model.advance(state, dry, perfect, 0, 20 * 3600, null);
    double measured = Math.log(earlier / state.waterKg()) / (20 * 3600);

    double kelvin = 296.15;
    double perPascal = 0.018015268 / (8.314462618 * kelvin);
    double conductivity =
        2.5e-5 * Math.pow(kelvin / 298, 1.75) * Math.pow(0.30, 4.0 / 3) * perPascal;
    double capacity = 0.7 * 1200 * henry / SaturationPressure.atKelvin(kelvin) + 0.30 * perPascal;
    double inner = winding.hubRadiusM();
    double outer = winding.outerRadiusM();
    double root =
        new BrentSolver(1e-9)
            .solve(
                200,
                k ->
                    BesselJ.value(1, k * inner) * besselY(0, k * outer)
                        - besselY(1, k * inner) * BesselJ.value(0, k * outer),
                10,
                60);
    assertThat(measured).isCloseTo(conductivity / capacity * root * root, withinPercentage(0.5));
  }

  private static double besselY(int order, double x) {
    IterativeLegendreGaussIntegrator gauss = new IterativeLegendreGaussIntegrator(40, 1e-11, 1e-11);
    UnivariateFunction wave = angle -> Math.sin(x * Math.sin(angle) - order * angle);
    UnivariateFunction decay =
        t ->
            (Math.exp(order * t) + (order % 2 == 0 ? 1 : -1) * Math.exp(-order * t))
                * Math.exp(-x * Math.sinh(t));
    return (gauss.integrate(100_000, wave, 0, Math.PI) - gauss.integrate(100_000, decay, 0, 9))
        / Math.PI;
  }

  /** A noisy sensor must neither force a step per reading nor change the result. */
  @ParameterizedTest
  @ValueSource(strings = {"PLA", "PETG", "PA6"})
  void noisySensorIsAveragedOverLongSteps(String name) {
    Material material = MATERIALS.named(name);
    Random noise = new Random(4);
    ClimateSeries.Builder readings = ClimateSeries.builder();
    int count = 30 * 144;
    for (int i = 0; i <= count; i++) {
      double day = i / 144.0;
      double celsius = 21 + 2.5 * Math.sin(2 * Math.PI * day) + 0.2 * noise.nextGaussian();
      double percent =
          48
              + 9 * Math.sin(2 * Math.PI * day + 2)
              + 8 * Math.sin(day / 3)
              + 2 * noise.nextGaussian();
      readings.reading(600.0 * i, new MoistAir(celsius, percent));
    }
    ClimateSeries climate = readings.build();
    SpoolMoistureModel adaptive = new SpoolMoistureModel(material);
    SpoolMoistureModel everyReading =
        new SpoolMoistureModel(material, Options.STANDARD.withMaxStep(600).withTolerance(1e-4));
    SpoolState coarse = adaptive.uniform(kilogram(material), 0, 21);
    SpoolState fine = coarse.copy();
    double swing = 100 * material.sorption().moistureFraction(0.5);
    int steps = 0;
    int fineSteps = 0;
    for (int day = 0; day < 30; day++) {
      double from = day * 86_400.0;
      double to = from + 86_400;
      steps += adaptive.advance(coarse, climate, AirContact.STILL, from, to, null);
      fineSteps += everyReading.advance(fine, climate, AirContact.STILL, from, to, null);
      assertThat(coarse.profile().outerPercent())
          .isCloseTo(fine.profile().outerPercent(), within(0.01 * swing));
      assertThat(coarse.profile().meanPercent())
          .isCloseTo(fine.profile().meanPercent(), within(0.01 * swing));
      assertThat(coarse.profile().corePercent())
          .isCloseTo(fine.profile().corePercent(), within(0.01 * swing));
    }
    assertThat(fineSteps).isGreaterThanOrEqualTo(count);
    assertThat(steps).isLessThan(count / 4);
  }

  /** Heating drives vapour inward first: the core of a damp nylon spool gets wetter for a while. */
  @Test
  void theCoreGetsWetterBeforeItDries() {
    Material nylon = PlainMaterials.named("PA6");
    SpoolMoistureModel model = new SpoolMoistureModel(nylon);
    SpoolState state = model.uniform(kilogram(nylon), 2.6406, 23);
    ClimateSeries hot = ClimateSeries.constant(new MoistAir(80, 2.964));
    model.advance(state, hot, AirContact.FORCED, 0, 3600, null);
    // Field notes on moisture, section 7: 2.641 to 2.671 in the first hour.
    assertThat(state.profile().corePercent()).isCloseTo(2.671, within(0.006));
  }

  @Test
  void aPoorlyVentedDryerDriesSlower() {
    Material nylon = PlainMaterials.named("PA6");
    ClimateSeries hot = ClimateSeries.constant(new MoistAir(80, 2.964));
    double previous = 0;
    // 10 and 1 litre a minute into the chamber, then freely vented.
    double[] means = new double[3];
    AirContact[] contacts = {
      AirContact.ventedChamber(60, 0.001, 1),
      AirContact.ventedChamber(600, 0.001, 1),
      AirContact.FORCED
    };
    for (int i = 0; i < 3; i++) {
      SpoolMoistureModel model = new SpoolMoistureModel(nylon);
      SpoolState state = model.uniform(kilogram(nylon), 2.6406, 23);
      model.advance(state, hot, contacts[i], 0, 8 * 3600, null);
      means[i] = state.profile().meanPercent();
    }
    // Field notes on moisture, section 5: after 8 h 1.35 % at 1 L/min, 1.11 % at 10 L/min, 1.08 %
    // free.
    assertThat(means[0]).isCloseTo(1.35, within(0.02));
    assertThat(means[1]).isCloseTo(1.11, within(0.02));
    assertThat(means[2]).isCloseTo(1.08, within(0.02));
  }

  @Test
  void usingTheOuterWrapsTakesTheirWaterAway() {
    Material material = MATERIALS.named("PETG");
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    SpoolState state = model.uniform(kilogram(material), 0, 23);
    model.advance(
        state, ClimateSeries.constant(new MoistAir(26, 75)), AirContact.STILL, 0, 6 * 3600, null);
    MoistureProfile before = state.profile();
    SpoolState rest = state.withOuterMassUsed(0.6);
    assertThat(rest.profile().meanPercent())
        .isCloseTo(before.meanBetween(0, 0.6), within(0.02 * before.meanPercent()));
    assertThat(rest.profile().outerPercent()).isLessThan(before.outerPercent());
    assertThat(rest.winding().outerRadiusM()).isLessThan(state.winding().outerRadiusM());
    assertThat(state.waterKg() - rest.waterKg())
        .isCloseTo(state.waterGainedKg() - rest.waterGainedKg(), within(1e-15));
    assertThatThrownBy(() -> rest.withOuterMassUsed(0.7)).hasMessageContaining("mass left");
  }

  @Test
  void refusesMoreWaterThanThePolymerHolds() {
    Material material = MATERIALS.named("PLA");
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    assertThatThrownBy(() -> model.uniform(kilogram(material), 2, 23))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("initialMoisturePercent is 2;")
        .hasMessageContaining("saturated air");
    assertThatThrownBy(() -> SpoolMoistureModel.checkTemperature("setpointC", 111))
        .hasMessageContaining("up to 110 °C");
  }

  /** Read with other rings or modes a state would mean something else, and nothing would tell. */
  @Test
  void aStateOfAnotherMeshIsRefused() {
    Material material = MaterialCatalogue.standard().named("PETG");
    SpoolState fine =
        new SpoolMoistureModel(material)
            .uniform(new Winding(0.04, 0.06, 0.8, 0.3, 0.00175, 1270), 0.2, 22);
    SpoolMoistureModel coarse = new SpoolMoistureModel(material, SpoolMoistureModel.Options.COARSE);
    ClimateSeries air = ClimateSeries.constant(new MoistAir(22, 50));
    assertThatThrownBy(() -> coarse.advance(fine, air, AirContact.STILL, 0, 3600, null))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("24 rings")
        .hasMessageContaining("12");
  }
}
