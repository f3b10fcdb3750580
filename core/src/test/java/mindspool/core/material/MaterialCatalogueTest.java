package mindspool.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import mindspool.core.InvalidValueException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MaterialCatalogueTest {

  private static final MaterialCatalogue MATERIALS = MaterialCatalogue.standard();

  @Test
  void knowsTheUsualMaterialsWithASourceForEveryFigure() {
    assertThat(MATERIALS.all())
        .extracting(Material::name)
        .contains(
            "PLA", "PETG", "ABS", "ASA", "PA6", "PA12", "PA-CF", "PC", "TPU95A", "PVA", "HIPS",
            "PP");
    for (Material material : MATERIALS.all()) {
      assertThat(material.parameters().keySet())
          .containsAll(Arrays.stream(Parameter.values()).filter(Parameter::isOfAll).toList());
      assertThat(material.traits()).hasSize(Trait.values().length);
      material
          .parameters()
          .forEach(
              (parameter, figure) -> assertThat(figure.source()).as(parameter.key()).isNotBlank());
      assertThat(material.dryingTemperatureC()).isLessThanOrEqualTo(material.dryingCeilingC());
    }
  }

  /** Generic resin sheets, equilibrium at 23 °C and 50 % (ISO 62 method 4), from memory, ± 20 %. */
  @ParameterizedTest
  @CsvSource({"PA6, 2.7", "PA12, 0.7", "ABS, 0.34", "PC, 0.15", "TPU95A, 0.45", "PLA, 0.35"})
  void equilibriumAtRoomClimate(String name, double percent) {
    double computed = 100 * MATERIALS.named(name).sorption().moistureFraction(0.5);
    assertThat(computed).isCloseTo(percent, within(0.2 * percent));
  }

  @Test
  void overridesAreCheckedAndMarkedAsOwn() {
    Material own = MATERIALS.named("petg").with(Map.of("printLimitPercent", 0.12));
    assertThat(own.printLimitPercent()).isEqualTo(0.12);
    assertThat(own.parameters().get(Parameter.PRINT_LIMIT).grade()).isEqualTo(Sourced.Grade.OWN);
    assertThatThrownBy(() -> MATERIALS.named("PETG").with(Map.of("printLimitPercent", 0.01)))
        .hasMessageContaining("at least the dry target");
    assertThatThrownBy(() -> MATERIALS.named("PETG").with(Map.of("colour", 1.0)))
        .hasMessageContaining("densityKgPerM3");
    assertThatThrownBy(() -> MATERIALS.named("PETG").with(Map.of("densityKgPerM3", Double.NaN)))
        .hasMessageContaining("500 to 8000 kg/m³");
    assertThatThrownBy(
            () -> MATERIALS.named("PETG").with(Map.of("sorptionSaturationFraction", 0.001)))
        .hasMessageContaining("Saturation must not be below");
  }

  @Test
  void unknownMaterialNamesTheKnownOnes() {
    assertThatThrownBy(() -> MATERIALS.named("wood"))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("PETG")
        .hasMessageContaining("\"wood\"");
  }

  /** A filled blend is a line that names its nearest relative, and a line for what differs. */
  @Test
  void aMaterialIsAddedByALineAndWhatDiffers() throws IOException {
    String lines =
        Files.readString(Path.of("src/main/resources/mindspool/core/material/materials.csv"))
            + """
            PETG-CF,PETG with carbon fibre,like,PETG,D,short fibres take up no water
            PETG-CF,PETG with carbon fibre,abrasiveShare,1,C,common practice
            """;
    Material blend = MaterialCatalogue.read(new StringReader(lines)).named("petg-cf");
    assertThat(blend.isAbrasive()).isTrue();
    assertThat(blend.printLimitPercent()).isEqualTo(MATERIALS.named("PETG").printLimitPercent());
    Sourced taken = blend.parameters().get(Parameter.DIFFUSIVITY);
    assertThat(taken.grade()).isEqualTo(Sourced.Grade.D);
    assertThat(taken.source()).isEqualTo("as PETG: short fibres take up no water");
    assertThatThrownBy(
            () ->
                MaterialCatalogue.read(
                    new StringReader(
                        "material,title,parameter,value,grade,source\nX,X,like,PLA,D,\n")))
        .hasMessageContaining("a material in a line above");
  }

  /** Common practice: which fibre wears nozzles, which polymer snaps, which water softens. */
  @Test
  void propertiesFollowFromFigures() {
    assertThat(MATERIALS.all().stream().filter(Material::isAbrasive).map(Material::name))
        .containsExactly("PA-CF");
    assertThat(MATERIALS.all().stream().filter(Material::isBrittle).map(Material::name))
        .containsExactlyInAnyOrder("PLA", "PA-CF");
    assertThat(MATERIALS.all().stream().filter(Material::isSoftenedByWater).map(Material::name))
        .contains("PA6", "PVA")
        .doesNotContain("ABS", "PP");
    assertThat(MATERIALS.named("PLA").creepsNearDrying()).isTrue();
    assertThat(MATERIALS.named("PC").creepsNearDrying()).isFalse();
  }

  /** Whatever has a range holds its usual value within it; what crystallises melts above that. */
  @Test
  void printFiguresAreInOrder() {
    for (Material material : MATERIALS.all()) {
      String name = material.name();
      assertThat(material.value(Parameter.NOZZLE))
          .as(name)
          .isBetween(material.value(Parameter.NOZZLE_MIN), material.value(Parameter.NOZZLE_MAX));
      assertThat(material.value(Parameter.BED))
          .as(name)
          .isBetween(material.value(Parameter.BED_MIN), material.value(Parameter.BED_MAX));
      assertThat(material.value(Parameter.CHAMBER))
          .as(name)
          .isBetween(material.value(Parameter.CHAMBER_MIN), material.value(Parameter.CHAMBER_MAX));
      assertThat(material.value(Parameter.FAN_MIN))
          .as(name)
          .isLessThanOrEqualTo(material.value(Parameter.FAN_MAX));
      material
          .known(Parameter.CRYSTALLISATION)
          .ifPresent(
              crystallises ->
                  assertThat(material.known(Parameter.MELTING).getAsDouble())
                      .as(name)
                      .isGreaterThan(crystallises));
    }
  }
}
