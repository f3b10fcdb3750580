package mindspool.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.InvalidValueException;
import mindspool.core.trouble.StandOut.Share;
import org.junit.jupiter.api.Test;

/** Bands of shares against closed forms, and plates that fail more often or do not. */
class StandOutTest {

  /** Of no print: the quantiles of the even distribution; of n good ones: 1 - (1 - p)^(1/(n+1)). */
  @Test
  void bandsAreThoseOfTheBetaDistribution() {
    assertThat(new Share(0, 0).low()).isCloseTo(0.1, within(1e-9));
    assertThat(new Share(0, 0).high()).isCloseTo(0.9, within(1e-9));
    assertThat(new Share(0, 9).high()).isCloseTo(1 - Math.pow(0.1, 0.1), within(1e-9));
    assertThat(new Share(9, 9).low()).isCloseTo(Math.pow(0.1, 0.1), within(1e-9));
    for (int failed = 0; failed <= 20; failed++) {
      Share share = new Share(failed, 20);
      Share mirrored = new Share(20 - failed, 20);
      assertThat(share.low()).isCloseTo(1 - mirrored.high(), within(1e-9));
      assertThat(share.low()).isLessThan((failed + 1) / 22.0);
      assertThat(share.high()).isGreaterThan((failed + 1) / 22.0);
    }
  }

  private static List<StandOut.Print> prints(String name, int failed, int good) {
    List<StandOut.Print> prints = new ArrayList<>();
    for (int i = 0; i < failed + good; i++) {
      prints.add(new StandOut.Print(name, i < failed));
    }
    return prints;
  }

  @Test
  void aPlateThatFailsFarMoreOftenIsNamedWithItsCounts() {
    List<StandOut.Print> all = prints("Sheet A", 7, 8);
    all.addAll(prints("Sheet B", 2, 40));
    all.addAll(prints("Glass", 1, 3));
    List<StandOut> found = StandOut.among("plate", all);

    assertThat(found).hasSize(1);
    assertThat(found.get(0).name()).isEqualTo("Sheet A");
    assertThat(found.get(0).its()).isEqualTo(new Share(7, 15));
    assertThat(found.get(0).others()).isEqualTo(new Share(3, 46));
  }

  @Test
  void chanceSeldomMakesOneStandOut() {
    Random random = new Random(6);
    int named = 0;
    for (int workshop = 0; workshop < 200; workshop++) {
      List<StandOut.Print> all = new ArrayList<>();
      for (int i = 0; i < 120; i++) {
        all.add(new StandOut.Print("plate " + i % 3, random.nextDouble() < 0.1));
      }
      named += StandOut.among("plate", all).size();
    }
    // Of 600 plates.
    assertThat(named).isLessThan(40);
  }

  @Test
  void fewPrintsOrOneAloneTellNothing() {
    assertThat(StandOut.among("plate", List.of())).isEmpty();
    assertThat(StandOut.among("plate", prints("only", 9, 1))).isEmpty();
    List<StandOut.Print> few = prints("few", 4, 0);
    few.addAll(prints("many", 0, 50));
    assertThat(StandOut.among("plate", few)).isEmpty();
    assertThatThrownBy(() -> new Share(3, 2)).isInstanceOf(InvalidValueException.class);
    assertThatThrownBy(() -> new Share(-1, 2)).isInstanceOf(InvalidValueException.class);
  }
}
