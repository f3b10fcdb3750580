package mindspool.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RunsOutTest {

  /** Worked by hand: 30 uses of 40 g in 90 days are 13.3 g a day; 600 g last 45 days. */
  @Test
  void theMiddleIsStockOverUse() {
    double[] uses = new double[30];
    Arrays.fill(uses, 40);
    RunsOut out = RunsOut.of(600, uses, 90).orElseThrow();
    assertThat(out.days()).isEqualTo(45, within(1e-9));
    assertThat(out.lowDays()).isLessThan(45).isGreaterThan(30);
    assertThat(out.highDays().orElseThrow()).isGreaterThan(45).isLessThan(70);
  }

  @Test
  void nothingThereLastsNoTimeAndNothingUsedLastsForGood() {
    RunsOut none = RunsOut.of(0, new double[] {40, 10}, 90).orElseThrow();
    assertThat(none.lowDays()).isZero();
    assertThat(none.days()).isZero();
    assertThat(RunsOut.of(500, new double[0], 90)).isEmpty();
    assertThat(RunsOut.of(-3, new double[] {5}, 90).orElseThrow().days()).isZero();
    assertThatThrownBy(() -> RunsOut.of(5, new double[] {5}, 0))
        .hasMessageContaining("windowDays is 0");
  }

  @Test
  void oneUseTellsNoUpperEnd() {
    RunsOut one = RunsOut.of(1000, new double[] {100}, 90).orElseThrow();
    assertThat(one.highDays()).isEmpty();
    assertThat(one.lowDays()).isPositive();
  }

  /** Simulated workshops: about eight in ten run out within the band. */
  @Test
  void theBandHoldsAsOftenAsItSays() {
    Random random = new Random(5);
    int held = 0;
    int told = 0;
    for (int trial = 0; trial < 600; trial++) {
      double perDay = 0.3 + random.nextDouble();
      double meanG = 20 + 60 * random.nextDouble();
      double[] past = used(random, perDay, meanG, 90);
      RunsOut out = RunsOut.of(900, past, 90).orElse(null);
      if (out == null || out.highDays().isEmpty()) {
        continue;
      }
      told++;
      double day = runsOutAfter(random, perDay, meanG, 900);
      if (day >= out.lowDays() && day <= out.highDays().getAsDouble()) {
        held++;
      }
    }
    assertThat(told).isGreaterThan(500);
    assertThat(held / (double) told).isBetween(0.72, 0.9);
  }

  private static double[] used(Random random, double perDay, double meanG, int days) {
    List<Double> uses = new ArrayList<>();
    double at = wait(random, perDay);
    while (at < days) {
      uses.add(size(random, meanG));
      at += wait(random, perDay);
    }
    return uses.stream().mapToDouble(use -> use).toArray();
  }

  private static double runsOutAfter(Random random, double perDay, double meanG, double stock) {
    double left = stock;
    double at = 0;
    while (left > 0) {
      at += wait(random, perDay);
      left -= size(random, meanG);
    }
    return at;
  }

  private static double wait(Random random, double perDay) {
    return -Math.log(1 - random.nextDouble()) / perDay;
  }

  private static double size(Random random, double meanG) {
    return meanG * (0.3 + 1.4 * random.nextDouble());
  }
}
