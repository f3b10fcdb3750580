package mindspool.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

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
      assertThat(material.parameters()).hasSize(Parameter.values().length);
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
}
