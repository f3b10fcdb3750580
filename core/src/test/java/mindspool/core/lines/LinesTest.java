package mindspool.core.lines;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import mindspool.core.InvalidValueException;
import mindspool.core.lines.LineComparison.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Made-up walls of known spacing, photographs of them askew, and pairs that share nothing. */
class LinesTest {

  private static final int COUNT = 1000;
  private static final double STEP_MM = 0.05;

  /** With 80, one false line in five walls instead of one in twenty is seen with power 0.97. */
  private static final int WALLS = Boolean.getBoolean("mindspool.test.long") ? 200 : 80;

  /** A wall with waves, noise that hangs together, light that falls off, and single marks. */
  private static double[] wall(double spacingMm, double strength, double phase, long seed) {
    Random random = new Random(seed);
    double[] wall = new double[COUNT];
    double noise = 0;
    for (int i = 0; i < COUNT; i++) {
      noise = 0.6 * noise + random.nextGaussian();
      double light = 60 * Math.sin(Math.PI * i / COUNT) + 0.03 * i;
      wall[i] =
          120 + light + noise + strength * Math.sin(2 * Math.PI * i * STEP_MM / spacingMm + phase);
    }
    return wall;
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.4, 0.97, 2, 3.3, 5, 8})
  void aKnownSpacingIsFoundWithinThreePerCent(double spacing) {
    LineSpectrum spectrum = LineSpectrum.of(WallProfile.of(wall(spacing, 3, 0.4, 5), STEP_MM));

    assertThat(spectrum.spacings()).isNotEmpty();
    LineSpectrum.Spacing first = spectrum.spacings().get(0);
    assertThat(first.mm() / spacing).isCloseTo(1, within(0.03));
    assertThat(first.confidence()).isGreaterThan(0.95);
  }

  /** The power of a single peak against a plain discrete Fourier sum at its frequency. */
  @Test
  void theStrongestSpacingIsWhereAPlainFourierSumIsLargest() {
    double[] values = WallProfile.of(wall(2.37, 4, 1, 8), STEP_MM).values();
    double bestMm = 0;
    double most = 0;
    for (double mm = 0.3; mm < 8; mm *= 1.001) {
      double cos = 0;
      double sin = 0;
      for (int i = 0; i < values.length; i++) {
        double hann = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / values.length);
        cos += hann * values[i] * Math.cos(2 * Math.PI * i * STEP_MM / mm);
        sin += hann * values[i] * Math.sin(2 * Math.PI * i * STEP_MM / mm);
      }
      if (cos * cos + sin * sin > most) {
        most = cos * cos + sin * sin;
        bestMm = mm;
      }
    }
    LineSpectrum spectrum = LineSpectrum.of(WallProfile.of(wall(2.37, 4, 1, 8), STEP_MM));
    assertThat(spectrum.spacings().get(0).mm()).isCloseTo(bestMm, within(0.005));
  }

  @Test
  void wallsWithoutLinesMostlyShowNoSpacing() {
    int found = 0;
    for (int seed = 0; seed < WALLS; seed++) {
      found +=
          LineSpectrum.of(WallProfile.of(wall(2, 0, 0, seed), STEP_MM)).spacings().isEmpty()
              ? 0
              : 1;
    }
    assertThat(found).as("with 95 % confidence").isLessThanOrEqualTo(WALLS / 10);
  }

  @Test
  void unrelatedWallsAreNotCalledTheSame() {
    int same = 0;
    for (int i = 0; i < WALLS / 2; i++) {
      double spacing = 1 + 0.05 * i;
      LineComparison comparison =
          LineComparison.of(
              WallProfile.of(wall(spacing, 2, 0, 1000 + i), STEP_MM),
              WallProfile.of(wall(7 - spacing, 2, 2, 5000 + i), STEP_MM));
      same += comparison.verdict() == Verdict.SAME ? 1 : 0;
    }
    assertThat(same).isLessThanOrEqualTo(WALLS / 40);
  }

  /** Irregular lines at the same heights, with noise of their own and marks a little off. */
  @Test
  void theSameLinesTwiceAreCalledTheSame() {
    int same = 0;
    for (int i = 0; i < WALLS / 4; i++) {
      Random random = new Random(i);
      double[] first = wall(2, 0, 0, 100 + i);
      double[] second = wall(2, 0, 0, 900 + i);
      for (int line = 0; line < 30; line++) {
        int at = 20 + random.nextInt(COUNT - 60);
        double deep = 4 + 6 * random.nextDouble();
        for (int k = 0; k < 5; k++) {
          first[at + k] -= deep;
          second[at + k + 8] -= deep;
        }
      }
      LineComparison comparison =
          LineComparison.of(WallProfile.of(first, STEP_MM), WallProfile.of(second, STEP_MM));
      if (comparison.verdict() == Verdict.SAME) {
        same++;
        assertThat(comparison.shiftMm()).isCloseTo(8 * STEP_MM, within(0.11));
      }
    }
    assertThat(same).isGreaterThanOrEqualTo(WALLS / 4 * 9 / 10);
  }

  private static GreyPicture photograph(double spacingMm, double tilt, double shade) {
    Random random = new Random(3);
    double[][] noise = new double[400][900];
    for (double[] row : noise) {
      for (int y = 0; y < row.length; y++) {
        row[y] = 8 * random.nextGaussian();
      }
    }
    return new GreyPicture() {
      @Override
      public int width() {
        return 400;
      }

      @Override
      public int height() {
        return 900;
      }

      @Override
      public int brightness(int x, int y) {
        double mm = (850 - y - tilt * (x - 200)) / 16;
        double value =
            130
                + shade * (x - 200) / 4
                + shade * (y - 450) / 10
                + 12 * Math.sin(2 * Math.PI * mm / spacingMm)
                + noise[x][y];
        return (int) Math.max(0, Math.min(255, value));
      }
    };
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 0.05, -0.08})
  void aPhotographAskewAndUnevenlyLitTellsItsSpacing(double tilt) {
    WallMarks marks = new WallMarks(200, 850, 200, 50, 50);
    WallProfile profile = WallProfile.of(photograph(2, tilt, 1), marks);

    assertThat(profile.heightMm()).isCloseTo(50, within(1e-9));
    assertThat(LineSpectrum.of(profile).spacings().get(0).mm()).isCloseTo(2, within(0.06));
  }

  @Test
  void aThinnedProfileKeepsItsScaleAndAPaleWallIsKnown() {
    WallProfile profile = WallProfile.of(wall(5, 4, 0, 3), STEP_MM);
    WallProfile thinned = profile.thinned(300);
    assertThat(thinned.values()).hasSize(250);
    assertThat(thinned.stepMm()).isCloseTo(4 * STEP_MM, within(1e-12));
    assertThat(LineSpectrum.of(thinned).spacings().get(0).mm()).isCloseTo(5, within(0.1));
    assertThat(profile.thinned(5000)).isSameAs(profile);
    WallMarks marks = new WallMarks(200, 850, 200, 50, 50);
    assertThat(marks.isPale(photograph(2, 0, 0))).isFalse();
    GreyPicture pale = photograph(2, 0, 0);
    assertThat(
            marks.isPale(
                new GreyPicture() {
                  @Override
                  public int width() {
                    return pale.width();
                  }

                  @Override
                  public int height() {
                    return pale.height();
                  }

                  @Override
                  public int brightness(int x, int y) {
                    return Math.min(255, 100 + pale.brightness(x, y));
                  }
                }))
        .isTrue();
  }

  @Test
  void spacingsAreMatchedToWhatRepeatsInTheMachine() {
    MachinePeriods machine =
        new MachinePeriods(
            OptionalDouble.of(0.2),
            OptionalDouble.of(8),
            OptionalDouble.of(2),
            OptionalDouble.of(2),
            OptionalDouble.of(20),
            OptionalDouble.of(22),
            OptionalDouble.of(18),
            Math.PI * 1.75 * 1.75 / 4,
            OptionalDouble.of(12),
            OptionalDouble.of(60));
    Map<String, Double> known = machine.knownMm();
    assertThat(known.get("turn of the pulley")).isEqualTo(40);
    // 22 mm of 2.405 mm² over 18 mm² a millimetre.
    assertThat(known.get("turn of the extruder")).isCloseTo(2.94, within(0.01));
    assertThat(known.get("cycle of the heater")).isCloseTo(1, within(1e-12));
    LineSpectrum spectrum = LineSpectrum.of(WallProfile.of(wall(2.01, 4, 0, 2), STEP_MM));
    assertThat(machine.matches(spectrum))
        .extracting(MachinePeriods.Match::what)
        .contains("thread of the screw")
        .doesNotContain("turn of the screw", "turn of the extruder");
    assertThat(machine.at(8.1, 0.2)).containsExactly("turn of the screw");
    assertThat(machine.at(2.05, 0.05)).containsExactly("thread of the screw", "tooth of the belt");
    assertThat(machine.at(5.5, 0.2)).isEmpty();
    assertThatThrownBy(() -> machine.at(0, 0.2)).hasMessageContaining("spacingMm");
  }

  @Test
  void edgesAreRefusedOrHarmless() {
    GreyPicture picture = photograph(2, 0, 0);
    assertThatThrownBy(() -> WallProfile.of(picture, new WallMarks(200, 850, 200, 840, 50)))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("topY");
    assertThatThrownBy(() -> WallProfile.of(picture, new WallMarks(200, 950, 200, 50, 50)))
        .hasMessageContaining("bottomY");
    assertThatThrownBy(() -> new WallMarks(0, 0, 0, 100, 0)).hasMessageContaining("heightMm");
    assertThatThrownBy(() -> WallProfile.of(new double[3], 1)).hasMessageContaining("brightness");
    assertThatThrownBy(() -> WallProfile.of(new double[] {}, 1))
        .isInstanceOf(InvalidValueException.class);
    double[] nan = wall(2, 1, 0, 1);
    nan[5] = Double.NaN;
    assertThatThrownBy(() -> WallProfile.of(nan, STEP_MM)).hasMessageContaining("brightness");
    assertThatThrownBy(() -> WallProfile.of(wall(2, 1, 0, 1), 0)).hasMessageContaining("stepMm");
    WallProfile grey = WallProfile.of(new double[500], 0.1);
    assertThat(LineSpectrum.of(grey).spacings()).isEmpty();
    assertThat(LineComparison.of(grey, grey).verdict()).isEqualTo(Verdict.OTHER);
    WallProfile low = WallProfile.of(wall(0.5, 3, 0, 1), 0.001);
    assertThatThrownBy(() -> LineComparison.of(low, WallProfile.of(wall(2, 3, 0, 1), 0.05)))
        .hasMessageContaining("heightMm");
    assertThat(List.of(Verdict.values())).allSatisfy(it -> assertThat(it.words()).endsWith("."));
  }
}
