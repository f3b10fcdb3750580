package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Set;
import mindspool.core.drying.DryingPractice.Review;
import mindspool.core.material.MaterialCatalogue;
import org.junit.jupiter.api.Test;

class DryingPracticeTest {

  private final MaterialCatalogue catalogue = MaterialCatalogue.standard();

  private DryingPractice spool(long seed) {
    return DryingPractice.of(catalogue, seed);
  }

  @Test
  void theSameSeedGivesTheSameSpool() {
    assertThat(spool(12).review(0.5, 50, 6)).isEqualTo(spool(12).review(0.5, 50, 6));
  }

  @Test
  void seedsGiveManyKindsOfSpools() {
    Set<String> kinds = new HashSet<>();
    for (long seed = 0; seed < 40; seed++) {
      DryingPractice spool = spool(seed);
      kinds.add(spool.material().name() + " " + spool.openDays());
    }
    assertThat(kinds).hasSizeGreaterThan(15);
  }

  /** The program's own plan, with a little to spare, is good wherever one exists. */
  @Test
  void theProgramsOwnPlanIsGood() {
    int planned = 0;
    for (long seed = 0; seed < 12; seed++) {
      Review first = spool(seed).review(0.1, 30, 0);
      if (first.bestHours().isPresent()) {
        double hours = 1.05 * first.bestHours().getAsDouble();
        Review own = spool(seed).review(first.meanPercent(), Math.max(30, first.bestC()), hours);
        assertThat(own.isGood()).as("seed " + seed + ": " + own.words()).isTrue();
        assertThat(own.guessIsNear()).isTrue();
        assertThat(own.wastedHours()).isZero();
        assertThat(own.lostG()).isZero();
        planned++;
      }
    }
    assertThat(planned).isGreaterThan(4);
  }

  /** Between dry and what it would come to for good; common practice. */
  @Test
  void theTruthLiesBetweenDryAndBalance() {
    for (long seed = 0; seed < 20; seed++) {
      DryingPractice spool = spool(seed);
      double mean = spool.review(1, 40, 0).meanPercent();
      double dry = spool.material().dryTargetPercent();
      double balance = spool.balancePercent();
      assertThat(mean)
          .as("seed " + seed)
          .isBetween(Math.min(dry, balance) - 1e-6, Math.max(dry, balance) + 1e-6);
    }
  }

  @Test
  void tooHotSpoilsAndTooLongWastes() {
    boolean spoilt = false;
    boolean wasted = false;
    for (long seed = 0; seed < 40 && !(spoilt && wasted); seed++) {
      DryingPractice spool = spool(seed);
      Review hot = spool.review(0.5, spool.dryer().ratedMaxC(), 1);
      if (hot.spoils()) {
        spoilt = true;
        assertThat(hot.lostG()).isEqualTo(spool.netG(), within(1e-9));
        assertThat(hot.words()).startsWith("Too hot");
      }
      Review longest = spool.review(0.5, Math.max(30, Math.floor(hot.bestC())), 200);
      if (longest.isGood() && longest.wastedHours() > 0) {
        wasted = true;
        assertThat(longest.words()).contains("longer than it needed");
        assertThat(longest.kWh()).isPositive();
      }
    }
    assertThat(spoilt).isTrue();
    assertThat(wasted).isTrue();
  }

  @Test
  void aPlanOutsideTheDryerIsRefused() {
    DryingPractice spool = spool(1);
    assertThatThrownBy(() -> spool.review(0.5, 200, 6)).hasMessageContaining("setpointC is 200");
    assertThatThrownBy(() -> spool.review(-1, 50, 6)).hasMessageContaining("guessPercent is -1");
    assertThatThrownBy(() -> spool.review(1, 50, 300)).hasMessageContaining("hours is 300");
  }
}
