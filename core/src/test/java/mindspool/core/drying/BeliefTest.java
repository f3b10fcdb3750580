package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import mindspool.core.learning.LotPrior;
import mindspool.core.learning.Member;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;
import org.junit.jupiter.api.Test;

class BeliefTest {

  private static final double[] DIFFUSION_ONLY = {1, 0, 0, 0};
  private static final double[] WATER_ONLY = {0, 0, 1, 0};

  private static MoistureProfile profile(double outer, double core) {
    double[] rings = new double[10];
    for (int i = 0; i < rings.length; i++) {
      rings[i] = core + (outer - core) * i / (rings.length - 1);
    }
    return new MoistureProfile(rings);
  }

  @Test
  void anyLotIsAsWideAsItsPrior() {
    Belief any = Belief.anyLot(0.25);
    assertThat(any.sd(DIFFUSION_ONLY)).isCloseTo(LotPrior.ANY_LOT.logDiffusionSd(), within(1e-12));
    assertThat(any.sd(WATER_ONLY)).isCloseTo(0.25, within(1e-12));
    // More uptake goes with more water.
    assertThat(any.covariance(new double[] {0, 1, 0, 0}, WATER_ONLY)).isPositive();
  }

  /** Two equal members one unit apart: standard deviation one half, and the model's own error. */
  @Test
  void learnedCovarianceIsThatOfTheMembers() {
    Belief learned =
        Belief.learned(
            List.of(new Member(0, 0, 0, 0.5), new Member(1, 0, 0, 0.5)),
            List.of(profile(0.1, 0.2), profile(0.1, 0.2)));
    double model = ProfileBand.UNMODELLED_SHARE_SD;
    assertThat(learned.sd(DIFFUSION_ONLY)).isCloseTo(Math.hypot(0.5, model), within(1e-9));
    assertThat(learned.sd(WATER_ONLY)).isCloseTo(model, within(1e-9));
  }

  /** The design point raises the quantity by just so many deviations, to first order. */
  @Test
  void theWorstShiftReachesItsQuantile() {
    Belief belief = Belief.anyLot(0.3);
    double[] slopes = {-1, 0.4, 0.7, 0.5};
    double[] shift = belief.worst(slopes, 1.3);
    double raised = 0;
    for (int i = 0; i < slopes.length; i++) {
      raised += slopes[i] * shift[i];
    }
    assertThat(raised).isCloseTo(1.3 * belief.sd(slopes), within(1e-9));
    assertThat(shift[0]).isNegative();
    assertThat(belief.worst(new double[4], 1.3)).containsOnly(0);
  }

  private static NextWeighing.Candidate shows(double hour, double diffusionG, double waterG) {
    return new NextWeighing.Candidate(hour, new double[] {diffusionG, 0, waterG, 0});
  }

  /** One number cannot tell two unknowns apart; two that weight them differently can. */
  @Test
  void twoWeighingsTellWhatOneCannot() {
    Belief belief = Belief.anyLot(0.3);
    double[] slopes = {-1, 0, 1, 0};
    Optional<NextWeighing> one = NextWeighing.of(belief, slopes, List.of(shows(2, 1, 1)), 0.1);
    Optional<NextWeighing> two =
        NextWeighing.of(belief, slopes, List.of(shows(2, 1, 1), shows(5, 0.2, 3)), 0.1);
    assertThat(two).isPresent();
    assertThat(two.get().nextHour()).isEqualTo(2);
    assertThat(two.get().sdAfter())
        .isLessThan(0.5 * one.map(NextWeighing::sdAfter).orElse(two.get().sdBefore()));
  }

  @Test
  void aCoarseScaleTellsTooLittleToBeProposed() {
    Belief belief = Belief.anyLot(0.3);
    double[] slopes = {-1, 0, 1, 0};
    List<NextWeighing.Candidate> row = List.of(shows(2, 1, 1), shows(5, 0.2, 3));
    assertThat(NextWeighing.of(belief, slopes, row, 50)).isEmpty();
    assertThat(NextWeighing.of(belief, slopes, List.of(), 0.1)).isEmpty();
  }
}
