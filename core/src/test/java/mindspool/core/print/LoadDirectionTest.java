package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Strength by the direction of load: limits of the criterion in closed form. */
class LoadDirectionTest {

  @ParameterizedTest
  @ValueSource(doubles = {0.05, 0.3, 0.6, 0.9, 1})
  void alongAndAcrossAreTheStrengthsThemselves(double zToXy) {
    assertThat(LoadDirection.share(zToXy, 0)).isCloseTo(1, within(1e-12));
    assertThat(LoadDirection.share(zToXy, 90)).isCloseTo(zToXy, within(1e-12));
  }

  /** At 45° all three terms weigh a quarter: 2 / sqrt(1/z² + 1/(0.85 z)²). */
  @ParameterizedTest
  @ValueSource(doubles = {0.2, 0.6, 0.9})
  void atFortyFiveDegreesByHand(double zToXy) {
    double byHand = 2 / Math.sqrt(1 / (zToXy * zToXy) + 1 / (0.85 * 0.85 * zToXy * zToXy));
    assertThat(LoadDirection.share(zToXy, 45)).isCloseTo(byHand, within(1e-12));
  }

  @Test
  void aBetterBondBearsMoreInEveryDirection() {
    for (double angle = 5; angle <= 90; angle += 5) {
      assertThat(LoadDirection.share(0.8, angle)).isGreaterThan(LoadDirection.share(0.4, angle));
    }
  }

  /** Layers that do not hold together at all still bear along them. */
  @Test
  void layersThatDoNotBondBearAlongThemOnly() {
    assertThat(LoadDirection.share(0, 0)).isEqualTo(1);
    assertThat(LoadDirection.share(0, 45)).isZero();
    assertThat(LoadDirection.share(0, 90)).isZero();
  }

  @Test
  void refusesWhatCannotBe() {
    assertThatThrownBy(() -> LoadDirection.share(-0.1, 45)).hasMessageContaining("zToXyRatio");
    assertThatThrownBy(() -> LoadDirection.share(0.5, 91)).hasMessageContaining("angleDeg");
  }
}
