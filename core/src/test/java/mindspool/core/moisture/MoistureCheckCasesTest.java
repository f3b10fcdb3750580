package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import mindspool.core.PhysicalConstants;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.material.Diffusion;
import mindspool.core.material.Sorption;
import mindspool.core.stock.Winding;
import org.assertj.core.data.Offset;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The field notes' check cases for moisture, each within the tolerance it states. Their expected
 * values come from a far finer discretisation (80 rings of 50 shells, relative tolerance 1e-6)
 * written independently of this code.
 */
class MoistureCheckCasesTest {

  private static final JsonNode CHECKS =
      JsonMapper.shared()
          .readTree(MoistureCheckCasesTest.class.getResourceAsStream("/checks/moisture.json"));

  private static Stream<JsonNode> list(String name) {
    return StreamSupport.stream(CHECKS.get(name).spliterator(), false);
  }

  static Stream<JsonNode> scenarios() {
    return list("scenarios");
  }

  private static Sorption sorption(JsonNode check) {
    JsonNode material = CHECKS.get("materials").get(check.get("mat").asString());
    return new Sorption(number(material, "h"), number(material, "w100"), number(material, "p"));
  }

  private static double number(JsonNode node, String field) {
    return node.get(field).asDouble();
  }

  private static Percentage relative(JsonNode check) {
    return Percentage.withPercentage(100 * number(check, "relTol"));
  }

  @Test
  void saturationPressures() {
    list("psat")
        .forEach(
            check ->
                assertThat(SaturationPressure.atCelsius(number(check, "T_C")))
                    .isCloseTo(number(check, "p_Pa"), relative(check)));
  }

  @Test
  void vapourDensities() {
    list("vapourDensity")
        .forEach(
            check ->
                assertThat(
                        new MoistAir(number(check, "T_C"), 100 * number(check, "RH"))
                                .vapourDensityGPerM3()
                            / 1000)
                    .isCloseTo(number(check, "c"), relative(check)));
  }

  @Test
  void isothermsAndTheirInverses() {
    list("isotherm")
        .forEach(
            check -> {
              Sorption sorption = sorption(check);
              double activity = number(check, "a");
              double content = number(check, "w");
              assertThat(sorption.moistureFraction(activity)).isCloseTo(content, relative(check));
              assertThat(sorption.slope(activity))
                  .isCloseTo(number(check, "dwda"), relative(check));
              assertThat(sorption.activity(content))
                  .isCloseTo(activity, within(number(check, "inverseAbsTol")));
            });
  }

  @Test
  void filamentUptake() {
    FilamentModes eight = FilamentModes.withTail(8);
    list("cylinderUptake")
        .forEach(
            check -> {
              double fourier = number(check, "Fo");
              assertThat(eight.uptake(fourier))
                  .isCloseTo(number(check, "modal8"), within(1e-9))
                  .isCloseTo(number(check, "MtMinf"), within(number(check, "modal8_absTol")));
              assertThat(FilamentModes.withTail(4).uptake(fourier))
                  .isCloseTo(number(check, "modal4"), within(1e-9));
            });
  }

  @Test
  void modesAndTail() {
    JsonNode expected = CHECKS.get("modes8_with_tail");
    FilamentModes modes = FilamentModes.withTail(8);
    for (int n = 0; n < modes.count(); n++) {
      assertThat(modes.weight(n)).isCloseTo(expected.get("B").get(n).asDouble(), within(1e-13));
      assertThat(modes.rate(n)).isCloseTo(expected.get("lambda_").get(n).asDouble(), within(1e-7));
    }
  }

  @Test
  void windingRadiiFollowMass() {
    list("geometry")
        .forEach(
            check ->
                assertThat(
                        new Winding(
                                number(check, "rh"),
                                number(check, "W"),
                                number(check, "mass"),
                                number(check, "eps"),
                                0.00175,
                                number(check, "rho"))
                            .outerRadiusM())
                    .isCloseTo(number(check, "ro"), relative(check)));
  }

  @Test
  void dryerFloors() {
    list("dryerFloor")
        .forEach(
            check -> {
              MoistAir room = new MoistAir(number(check, "roomT_C"), 100 * number(check, "roomRH"));
              double activity = room.relativeHumidityPercentAt(number(check, "T_C")) / 100;
              assertThat(activity).isCloseTo(number(check, "RH_in_dryer"), relative(check));
              assertThat(sorption(check).moistureFraction(activity))
                  .isCloseTo(number(check, "w"), relative(check));
            });
  }

  @ParameterizedTest
  @MethodSource("scenarios")
  void scenario(JsonNode scenario) {
    JsonNode material = CHECKS.get("materials").get(scenario.get("mat").asString());
    Winding winding =
        new Winding(
            number(scenario, "rh"),
            number(scenario, "W"),
            number(scenario, "mass"),
            number(scenario, "eps"),
            2 * number(scenario, "R"),
            number(material, "rho"));
    SpoolMoistureModel model =
        new SpoolMoistureModel(
            sorption(scenario),
            new Diffusion(number(material, "D23"), number(material, "Ea")),
            number(material, "cp"),
            1,
            SpoolMoistureModel.Options.STANDARD.withPhysics(
                scenario.get("stefan").asBoolean(),
                scenario.get("latent").asBoolean(),
                scenario.get("flange_heat").asBoolean()));
    double startPercent = 100 * sorption(scenario).moistureFraction(number(scenario, "a0"));
    SpoolState state = model.uniform(winding, startPercent, number(scenario, "T0_C"));

    Offset<Double> content = within(number(scenario, "absTol_w"));
    Offset<Double> kelvin = within(number(scenario, "absTol_T"));
    Air air = Air.of(scenario);
    double time = 0;
    for (JsonNode expected : scenario.get("expected")) {
      double end = 3600 * number(expected, "hours");
      model.advance(state, air.climate, air.contact, time, end, null);
      time = end;
      MoistureProfile profile = state.profile();
      String when = scenario.get("id").asString() + " after " + number(expected, "hours") + " h";
      assertThat(profile.meanPercent() / 100)
          .as("mean, " + when)
          .isCloseTo(number(expected, "mean"), content);
      assertThat(profile.outerPercent() / 100)
          .as("outer, " + when)
          .isCloseTo(number(expected, "outer10"), content);
      assertThat(profile.corePercent() / 100)
          .as("core, " + when)
          .isCloseTo(number(expected, "core10"), content);
      assertThat(state.coreTemperatureC())
          .as("core temperature, " + when)
          .isCloseTo(number(expected, "T_core_C"), kelvin);
      assertThat(state.outerTemperatureC())
          .as("outer temperature, " + when)
          .isCloseTo(number(expected, "T_outer_C"), kelvin);
    }
  }

  /** The surroundings of a scenario: constant, or a daily cycle read every ten minutes. */
  private record Air(ClimateSeries climate, AirContact contact) {

    static Air of(JsonNode scenario) {
      JsonNode cyclic = scenario.get("cyclic");
      if (cyclic == null) {
        List<JsonNode> segments = new ArrayList<>();
        scenario.get("segments").forEach(segments::add);
        assertThat(segments).hasSize(1);
        JsonNode only = segments.get(0);
        return new Air(
            ClimateSeries.constant(new MoistAir(number(only, "T_C"), 100 * number(only, "RH"))),
            contact(only));
      }
      ClimateSeries.Builder series = ClimateSeries.builder();
      double period = 3600 * number(cyclic, "period_h");
      for (int minute = 0; minute <= 97 * 60; minute += 10) {
        double angle = 2 * Math.PI * 60 * minute / period;
        double celsius = number(cyclic, "T_mean_C") + number(cyclic, "T_amp") * Math.sin(angle);
        double humidity =
            number(cyclic, "RH_mean")
                + number(cyclic, "RH_amp") * Math.sin(angle + number(cyclic, "RH_phase"));
        series.point(
            60 * minute,
            celsius,
            humidity * SaturationPressure.atKelvin(PhysicalConstants.kelvin(celsius)));
      }
      return new Air(series.build(), contact(cyclic));
    }

    private static AirContact contact(JsonNode node) {
      return new AirContact(number(node, "hm"), number(node, "hc"), Double.POSITIVE_INFINITY);
    }
  }
}
