package mindspool.core.hygrometer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.hygrometer.HygrometerCorrection.Point;
import mindspool.core.hygrometer.HygrometerCorrection.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HygrometerCorrectionTest {

  private static final Point LOW = new Point(Salt.MAGNESIUM_CHLORIDE, 23, 36.1);
  private static final Point HIGH = new Point(Salt.SODIUM_CHLORIDE, 23, 78.9);

  /**
   * Fits published beside Greenspan's table, from memory: MgCl2 33.6686 - 0.00797397 t - 0.00108988
   * t², NaCl 75.5164 + 0.0398321 t - 0.00265459 t², K2SO4 98.7792 - 0.0590502 t.
   */
  @ParameterizedTest
  @CsvSource({
    "MAGNESIUM_CHLORIDE, 33.6686, -0.00797397, -0.00108988, 0",
    "SODIUM_CHLORIDE, 75.5164, 0.0398321, -0.00265459, 2.848e-5",
    "POTASSIUM_SULPHATE, 98.7792, -0.0590502, 0, 0"
  })
  void saltsFollowTheirPublishedFits(Salt salt, double a, double b, double c, double d) {
    for (double t = 15; t <= 30; t += 2.5) {
      assertThat(salt.humidityPercent(t)).isCloseTo(a + t * (b + t * (c + t * d)), within(0.03));
    }
  }

  /** The field notes' worked example: 20 % becomes 16.9 ± 2.5, over one salt alone 16.5 ± 5.6. */
  @Test
  void twoPointsAndOne() {
    HygrometerCorrection two = HygrometerCorrection.through(List.of(HIGH, LOW));
    assertThat(two.gain()).isCloseTo(0.992, within(0.001));
    assertThat(two.offsetPercent()).isCloseTo(-2.92, within(0.02));
    assertThat(two.corrected(20)).isCloseTo(16.9, within(0.05));
    assertThat(two.uncertaintyPercent(20)).isCloseTo(2.5, within(0.1));
    assertThat(two.verdict()).isEqualTo(Verdict.USABLE);
    assertThat(two.corrected(36.1)).isCloseTo(LOW.salt().humidityPercent(23), within(1e-9));

    HygrometerCorrection one = HygrometerCorrection.through(List.of(HIGH));
    assertThat(one.corrected(20)).isCloseTo(16.5, within(0.1));
    assertThat(one.uncertaintyPercent(20)).isCloseTo(5.6, within(0.1));
    assertThat(one.verdict()).isEqualTo(Verdict.ONE_POINT_ONLY);
    assertThat(HygrometerCorrection.NONE.uncertaintyPercent(40)).isEqualTo(6);
  }

  @Test
  void saltsTooCloseOrTooWarmAreRefused() {
    assertThatThrownBy(
            () ->
                HygrometerCorrection.through(
                    List.of(LOW, new Point(Salt.POTASSIUM_CARBONATE, 23, 45))))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("15 % RH apart");
    assertThatThrownBy(() -> new Point(Salt.SODIUM_CHLORIDE, 35, 75))
        .hasMessageContaining("15 to 30 °C");
    assertThatThrownBy(() -> Salt.ofId("sugar")).hasMessageContaining("MgCl2");
    assertThatThrownBy(() -> HygrometerCorrection.through(List.of()))
        .hasMessageContaining("points");
  }

  @Test
  void sensorsFarOffAreRejected() {
    Point farOff = new Point(Salt.SODIUM_CHLORIDE, 23, 89);
    assertThat(HygrometerCorrection.through(List.of(farOff)).verdict()).isEqualTo(Verdict.REJECT);
    Point flat = new Point(Salt.MAGNESIUM_CHLORIDE, 23, 41);
    Point flatHigh = new Point(Salt.SODIUM_CHLORIDE, 23, 74);
    assertThat(HygrometerCorrection.through(List.of(flat, flatHigh)).verdict())
        .isEqualTo(Verdict.REJECT);
  }
}
