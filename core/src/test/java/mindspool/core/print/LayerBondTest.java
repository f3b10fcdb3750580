package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bond of layers against the handbook's corrections, trends of measurements, common practice. */
class LayerBondTest {

  private static final MaterialCatalogue CATALOGUE = MaterialCatalogue.standard();

  /** Two walls, layers of 0.2 mm, lines of 0.45 mm, 60 mm/s out of a usual hot end. */
  private static LayerBond bond(Material material, double airC, double fan, double layerS) {
    MeltFlow melt =
        MeltFlow.of(
            material,
            new MeltFlow.HotEnd(material.value(Parameter.NOZZLE), 5.4e-9, 0.4e-3, 12e-3, 1.75e-3));
    return LayerBond.of(
        material, new LayerBond.Laying(melt.meltC(), airC, fan, 0, layerS, 0.2e-3, 0.45e-3, 2, 0));
  }

  /** Source: handbook, corrections to printing, bond of layers. */
  @ParameterizedTest
  @CsvSource({
    "PLA, 25, 1, 0.69, 0.67, 0.67, 0.67",
    "PETG, 30, 0.35, 0.74, 0.69, 0.67, 0.67",
    "ABS, 50, 0, 0.70, 0.58, 0.53, 0.51",
    "ABS, 23, 0, 0.61, 0.49, 0.40, 0.36",
    "ABS, 25, 1, 0.39, 0.37, 0.36, 0.36",
    "PC, 60, 0, 0.68, 0.50, 0.40, 0.36",
    "PA6, 45, 0, 0.76, 0.68, 0.64, 0.62",
    "PA-CF, 45, 0, 0.55, 0.50, 0.48, 0.48"
  })
  void layersBondAsTheHandbookHasIt(
      String name, double airC, double fan, double at15, double at30, double at60, double at120) {
    Material material = CATALOGUE.named(name);
    assertThat(bond(material, airC, fan, 15).zToXy()).isCloseTo(at15, within(0.03));
    assertThat(bond(material, airC, fan, 30).zToXy()).isCloseTo(at30, within(0.03));
    assertThat(bond(material, airC, fan, 60).zToXy()).isCloseTo(at60, within(0.03));
    assertThat(bond(material, airC, fan, 120).zToXy()).isCloseTo(at120, within(0.03));
  }

  /** Longer layers cost ABS about a third, not more than half; trend of Faes et al. 2016. */
  @Test
  void longLayersCostAbsAboutAThird() {
    Material abs = CATALOGUE.named("ABS");
    double quick = bond(abs, 50, 0, 15).zToXy();
    double slow = bond(abs, 50, 0, 120).zToXy();
    assertThat(1 - slow / quick).isBetween(0.2, 0.4);
  }

  /** What is asked of a material is what its usual settings reach: no warning for all. */
  @ParameterizedTest
  @CsvSource({
    "PLA, 25, 1",
    "PETG, 30, 0.35",
    "ABS, 50, 0",
    "ASA, 50, 0",
    "HIPS, 50, 0",
    "PA6, 45, 0",
    "PA12, 45, 0",
    "PA-CF, 45, 0",
    "TPU95A, 25, 0.5",
    "PP, 30, 0.2"
  })
  void usualSettingsReachWhatIsAskedFor(String name, double airC, double fan) {
    Material material = CATALOGUE.named(name);
    assertThat(bond(material, airC, fan, 30).zToXy())
        .isGreaterThanOrEqualTo(material.value(Parameter.BOND_TARGET));
  }

  @Test
  void theBandHoldsTheRatioAndFollowsTheContact() {
    for (Material material : CATALOGUE.all()) {
      LayerBond bond = bond(material, 35, 0.3, 40);
      assertThat(bond.zToXy())
          .as(material.name())
          .isBetween(bond.band().low(), bond.band().high())
          .isBetween(0.0, 1.0);
      assertThat(bond.band().high()).as(material.name()).isGreaterThan(bond.band().low());
    }
  }
}
