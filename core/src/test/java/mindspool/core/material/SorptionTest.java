package mindspool.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.stream.Stream;
import org.hipparchus.analysis.differentiation.DSFactory;
import org.hipparchus.analysis.differentiation.FiniteDifferencesDifferentiator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class SorptionTest {

  static Stream<Material> materials() {
    return MaterialCatalogue.standard().all().stream();
  }

  /** The slope against numerical differentiation by a general library. */
  @ParameterizedTest
  @MethodSource("materials")
  void slopeIsTheDerivative(Material material) {
    Sorption sorption = material.sorption();
    var differentiator = new FiniteDifferencesDifferentiator(5, 1e-3);
    var derivative = differentiator.differentiate(sorption::moistureFraction);
    DSFactory factory = new DSFactory(1, 1);
    for (double activity : new double[] {0.05, 0.3, 0.5, 0.8, 0.95}) {
      double expected = derivative.value(factory.variable(0, activity)).getPartialDerivative(1);
      assertThat(sorption.slope(activity)).isCloseTo(expected, withinPercentage(1e-4));
    }
  }

  @ParameterizedTest
  @MethodSource("materials")
  void activityInvertsContentEverywhere(Material material) {
    Sorption sorption = material.sorption();
    for (double activity = 0; activity <= 1.2; activity += 0.01) {
      assertThat(sorption.activity(sorption.moistureFraction(activity)))
          .isCloseTo(activity, within(1e-9));
    }
    assertThat(sorption.activity(-1)).isZero();
    assertThat(sorption.moistureFraction(-0.1)).isZero();
  }

  @ParameterizedTest
  @MethodSource("materials")
  void uptakeRisesWithHumidity(Material material) {
    double before = -1;
    for (int percent = 0; percent <= 100; percent++) {
      double content = material.sorption().moistureFraction(percent / 100.0);
      assertThat(content).isGreaterThan(before);
      before = content;
    }
  }

  @Test
  void exponentsNeedNotBeWhole() {
    Sorption sorption = new Sorption(0.01, 0.05, 2.5);
    assertThat(sorption.moistureFraction(0.4))
        .isCloseTo(0.004 + 0.04 * Math.pow(0.4, 2.5), within(1e-15));
    assertThat(sorption.scaled(2).moistureFraction(0.4))
        .isCloseTo(2 * sorption.moistureFraction(0.4), within(1e-15));
  }

  @ParameterizedTest
  @CsvSource({
    "0, 0.05, 3, sorptionHenryFraction", "0.05, 0.04, 3, sorptionSaturationFraction",
    "0.01, 0.05, 0.5, sorptionExponent", "0.01, NaN, 3, sorptionSaturationFraction"
  })
  void impossibleIsothermsAreRefused(double henry, double saturation, double p, String field) {
    assertThatThrownBy(() -> new Sorption(henry, saturation, p)).hasMessageContaining(field);
  }

  /** Arrhenius: with 44 kJ/mol, diffusion at 65 °C is 9.20 times as fast as at 23 °C, by hand. */
  @Test
  void diffusionFollowsArrhenius() {
    Diffusion diffusion = new Diffusion(6e-13, 44_000);
    assertThat(diffusion.atKelvin(296.15)).isCloseTo(6e-13, withinPercentage(1e-9));
    assertThat(diffusion.atKelvin(338.15) / 6e-13).isCloseTo(9.20, within(0.01));
    assertThat(diffusion.scaled(2).atKelvin(310))
        .isCloseTo(2 * diffusion.atKelvin(310), withinPercentage(1e-9));
    assertThatThrownBy(() -> new Diffusion(1, 44_000)).hasMessageContaining("m²/s");
  }
}
