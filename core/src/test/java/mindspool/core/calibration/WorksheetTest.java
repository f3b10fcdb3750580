package mindspool.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.calibration.Worksheet.Step;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.junit.jupiter.api.Test;

class WorksheetTest {

  private final Random random = new Random(11);

  /** Against Hipparchus's QR least squares of the points, not of the normal equations. */
  @Test
  void fitsAreThoseOfAGeneralLibrary() {
    for (int order = 1; order <= 2; order++) {
      for (int trial = 0; trial < 20; trial++) {
        int n = 8;
        double[] x = new double[n];
        double[] y = new double[n];
        double[][] rows = new double[n][order + 1];
        for (int i = 0; i < n; i++) {
          x[i] = 200 + 7 * i + random.nextDouble();
          y[i] = 3 + 0.01 * x[i] - 1e-4 * x[i] * x[i] + random.nextGaussian();
          for (int k = 0; k <= order; k++) {
            rows[i][k] = Math.pow((x[i] - 225) / 25, k);
          }
        }
        double[] b =
            new QRDecomposition(new Array2DRowRealMatrix(rows))
                .getSolver()
                .solve(new ArrayRealVector(y))
                .toArray();
        LeastSquares fit = LeastSquares.of(x, y, order, 0);
        for (double at : new double[] {205, 221, 248}) {
          double expected = 0;
          for (int k = 0; k <= order; k++) {
            expected += b[k] * Math.pow((at - 225) / 25, k);
          }
          assertThat(fit.at(at)).isEqualTo(expected, within(1e-8));
        }
      }
    }
  }

  /** The slope's standard deviation by the textbook: {@code s / sqrt(sum (x - mean)²)}. */
  @Test
  void theSlopesUncertaintyIsTheTextbooks() {
    double[] x = {10, 20, 40, 80};
    double[] y = {10.1, 19.9, 40.2, 79.8};
    LeastSquares fit = LeastSquares.of(x, y, 1, 0);
    double mean = 37.5;
    double spread = 0;
    double squares = 0;
    for (int i = 0; i < 4; i++) {
      spread += (x[i] - mean) * (x[i] - mean);
      squares += Math.pow(y[i] - fit.at(x[i]), 2);
    }
    assertThat(fit.slopeSd()).isEqualTo(Math.sqrt(squares / 2) / Math.sqrt(spread), within(1e-12));
    assertThat(fit.residualSd()).isEqualTo(Math.sqrt(squares / 2), within(1e-12));
  }

  /** Made by hand: scores fall off by the square from 232 °C. */
  @Test
  void aLadderFindsItsTop() {
    List<Step> steps = new ArrayList<>();
    for (double c = 210; c <= 250; c += 8) {
      double score = 4.5 - Math.pow((c - 232) / 15, 2);
      double bond = Math.max(0, Math.min(5, (score * 3.5 - 4 - 1) / 2));
      steps.add(new Step(c, bond, 1, 2));
    }
    Worksheet ladder = Worksheet.temperatureLadder(steps);
    assertThat(ladder.value()).isEqualTo(232, within(1.5));
    assertThat(ladder.unsure()).isBetween(0.5, 8.0);
    assertThat(ladder.curve()).hasSize(41);
  }

  @Test
  void aLadderThatOnlyRisesSaysToGoOn() {
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      steps.add(new Step(210 + 5 * i, i, 0, 3));
    }
    Worksheet ladder = Worksheet.temperatureLadder(steps);
    assertThat(ladder.value()).isEqualTo(230);
    assertThat(ladder.words()).contains("another ladder");
  }

  /** Worked by hand: walls of 0.44 where 0.40 was set at 100 % want 90.9 %. */
  @Test
  void flowIsSetBackByWhatWallsAreTooThick() {
    Worksheet flow =
        Worksheet.flow(List.of(0.44, 0.43, 0.45, 0.44, 0.44, 0.44, 0.43, 0.45), 0.4, 100);
    assertThat(flow.value()).isEqualTo(90.9, within(0.05));
    assertThat(flow.leftOut()).isEmpty();
    Worksheet slipped =
        Worksheet.flow(List.of(0.44, 0.43, 0.45, 0.44, 0.44, 0.60, 0.43, 0.45), 0.4, 100);
    assertThat(slipped.leftOut()).containsExactly(5);
    assertThat(slipped.value()).isEqualTo(90.9, within(0.5));
  }

  @Test
  void diameterSaysMeanAndOval() {
    List<Double> across = new ArrayList<>();
    for (int i = 0; i < 10; i++) {
      across.add(1.74);
      across.add(1.70);
    }
    Worksheet diameter = Worksheet.diameter(across, 1.75);
    assertThat(diameter.value()).isEqualTo(1.72, within(1e-9));
    assertThat(diameter.words()).contains("oval by 0.040").contains("103.5 %");
    assertThatThrownBy(() -> Worksheet.diameter(across.subList(0, 7), 1.75))
        .hasMessageContaining("pairs");
  }

  /** Made by hand: 0.6 % shrinkage and lines that are 0.08 mm too wide. */
  @Test
  void shrinkageIsToldFromTheWidthOfLines() {
    List<Double> drawn = List.of(10.0, 25.0, 50.0, 100.0, 150.0);
    List<Double> measured = drawn.stream().map(each -> 0.994 * each + 0.08).toList();
    Worksheet shrinkage = Worksheet.shrinkage(drawn, measured);
    assertThat(shrinkage.value()).isEqualTo(0.6, within(1e-6));
    assertThat(shrinkage.words()).contains("1.0060 times").contains("0.08 mm");
    assertThat(shrinkage.unsure()).isBetween(0.001, 0.05);
  }

  /** Common practice: new steps are old steps times asked over fed. */
  @Test
  void extruderStepsFollowFromWhatCame() {
    Worksheet extruder =
        Worksheet.extruder(List.of(50.0, 100.0, 200.0), List.of(48.0, 96.0, 192.0), 400);
    assertThat(extruder.value()).isEqualTo(400 / 0.96, within(1e-6));
  }

  /** Made by hand: level up to 12 mm³/s, then a fall of 4 % for each mm³/s. */
  @Test
  void theMeltCeilingIsWhereItFallsBehind() {
    List<Double> flow = new ArrayList<>();
    List<Double> mass = new ArrayList<>();
    for (double q = 2; q <= 20; q += 2) {
      flow.add(q);
      mass.add(1.24 * (0.99 - 0.04 * Math.max(0, q - 12) + 0.002 * random.nextGaussian()));
    }
    Worksheet ceiling = Worksheet.meltCeiling(flow, mass, 1.24);
    assertThat(ceiling.value()).isEqualTo(12 + 0.05 * 0.99 / 0.04, within(0.5));
    assertThat(ceiling.words()).contains("no faster");
    List<Double> all = flow.stream().map(q -> 1.24).toList();
    assertThat(Worksheet.meltCeiling(flow, all, 1.24).words()).contains("fastest that was tried");
  }

  @Test
  void tooFewOrImpossibleMeasurementsAreRefusedByField() {
    assertThatThrownBy(() -> Worksheet.flow(List.of(0.4, 0.4), 0.4, 100))
        .hasMessageContaining("measured is 2");
    assertThatThrownBy(() -> Worksheet.flow(List.of(0.4, 0.4, 0.4, 4.0), 0.4, 100))
        .hasMessageContaining("measured[3] is 4");
    assertThatThrownBy(
            () -> Worksheet.shrinkage(List.of(50.0, 51.0, 52.0), List.of(50.0, 51.0, 52.0)))
        .hasMessageContaining("half as long again");
    assertThatThrownBy(() -> Worksheet.extruder(List.of(50.0, 100.0, 200.0), List.of(48.0), 400))
        .hasMessageContaining("measured is 1 values");
    assertThatThrownBy(
            () ->
                Worksheet.temperatureLadder(
                    List.of(
                        new Step(220, 1, 1, 1),
                        new Step(221, 1, 1, 1),
                        new Step(222, 1, 1, 1),
                        new Step(223, 1, 1, 1))))
        .hasMessageContaining("10 K or more");
  }

  /** 80 % of 3,000 draws, give or take four standard errors, whatever so few measurements tell. */
  @Test
  void bandsOfFewMeasurementsHoldAsOftenAsTheySay() {
    int draws = 3000;
    int flows = 0;
    int lengths = 0;
    int steps = 0;
    for (int draw = 0; draw < draws; draw++) {
      List<Double> walls = new ArrayList<>();
      for (int i = 0; i < 4; i++) {
        walls.add(0.45 / 1.03 + 0.03 * random.nextGaussian());
      }
      flows += held(Worksheet.flow(walls, 0.45, 100), 103);
      List<Double> drawn = List.of(20.0, 60.0, 100.0);
      List<Double> measured = new ArrayList<>();
      drawn.forEach(mm -> measured.add(0.995 * mm + 0.1 + 0.2 * random.nextGaussian()));
      lengths += held(Worksheet.shrinkage(drawn, measured), 0.5);
      List<Double> asked = List.of(50.0, 100.0, 150.0, 200.0);
      List<Double> fed = new ArrayList<>();
      asked.forEach(mm -> fed.add(0.97 * mm + 0.8 * random.nextGaussian()));
      steps += held(Worksheet.extruder(asked, fed, 400), 400 / 0.97);
    }
    for (int held : new int[] {flows, lengths, steps}) {
      assertThat(held / (double) draws).isCloseTo(0.8, within(0.03));
    }
  }

  private static int held(Worksheet found, double truth) {
    return Math.abs(found.value() - truth) <= 1.2816 * found.unsure() ? 1 : 0;
  }

  @Test
  void whatTellsNothingSaysWhatIsMissing() {
    List<Step> two = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      two.add(new Step(i % 2 == 0 ? 200 : 220, 3, 1, 4));
    }
    assertThatThrownBy(() -> Worksheet.temperatureLadder(two))
        .hasMessageContaining("steps.nozzleC")
        .hasMessageContaining("3 or more different");
    assertThatThrownBy(
            () ->
                Worksheet.meltCeiling(
                    List.of(8.0, 8.0, 8.0, 8.0, 8.0), List.of(1.0, 1.0, 1.0, 1.0, 1.0), 1))
        .hasMessageContaining("asked");
  }
}
