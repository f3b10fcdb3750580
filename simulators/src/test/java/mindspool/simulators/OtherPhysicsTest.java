package mindspool.simulators;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.LongStream;
import mindspool.core.learning.CalibratedBand;
import mindspool.core.learning.Calibration;
import mindspool.core.learning.LotPrior;
import mindspool.core.learning.Member;
import mindspool.core.learning.ReelWater;
import mindspool.core.learning.WeighingFit;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.MoistureBand;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.stock.ReelKind;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The program's estimates against spools that obey other physics than its model: its 80 % bands
 * must hold what is true about four times in five, weighed or not.
 */
@Tag("long")
class OtherPhysicsTest {

  private static final List<String> MATERIALS =
      List.of("PLA", "PETG", "ABS", "PA6", "TPU95A", "PVA");
  private static final List<ToDoubleFunction<MoistureProfile>> QUANTITIES =
      List.of(
          MoistureProfile::outerPercent,
          MoistureProfile::meanPercent,
          MoistureProfile::corePercent);

  /** Whether all is drawn that bands were ever held against: {@code ./mind-spool test long}. */
  private static final boolean ALL = Boolean.getBoolean("mindspool.test.long");

  private static final int RUNS = ALL ? 30 : 15;

  /**
   * Steps of the scale, g; 0 where nobody weighs. A finer scale than a kitchen's, in the long run,
   * narrows the same bands by the same rule.
   */
  private static double[] stepsG() {
    return ALL ? new double[] {0, 0.1, 1} : new double[] {0, 1};
  }

  private static final ReelWater REEL = ReelWater.of(ReelKind.PLASTIC, 210);

  /**
   * Share of quantities inside their band.
   *
   * @param stepG of the scale; 0 where nobody weighs
   */
  private static double coverage(Material material, double stepG) {
    return LongStream.range(0, RUNS)
        .parallel()
        .mapToDouble(
            n -> {
              UnknownSpool spool =
                  new UnknownSpool(material, 77 * n + material.name().hashCode(), stepG);
              return stepG > 0 ? weighed(spool) : notWeighed(spool);
            })
        .average()
        .orElseThrow();
  }

  private static double notWeighed(UnknownSpool spool) {
    return inside(
        spool,
        new SpoolReplay(spool.material(), spool.recorded()),
        MoistureBand.at(spool.material(), spool.recorded(), spool.askedS()));
  }

  private static double weighed(UnknownSpool spool) {
    Calibration found =
        new WeighingFit(
                spool.material(), spool.recorded(), spool.weighings(), LotPrior.ANY_LOT, REEL)
            .run();
    Member best = found.best();
    return inside(
        spool,
        new SpoolReplay(
            best.of(spool.material()), spool.recorded(), best.startShift(), Options.STANDARD),
        CalibratedBand.at(spool.material(), spool.recorded(), spool.askedS(), found));
  }

  private static double inside(UnknownSpool spool, SpoolReplay replay, ProfileBand band) {
    MoistureProfile estimate =
        replay.advance(replay.start(), spool.recorded().startS(), spool.askedS(), null).profile();
    return QUANTITIES.stream()
        .mapToDouble(
            quantity ->
                Math.abs(quantity.applyAsDouble(spool.truth()) - quantity.applyAsDouble(estimate))
                        <= band.halfWidth(quantity)
                    ? 1
                    : 0)
        .average()
        .orElseThrow();
  }

  @ParameterizedTest
  @MethodSource("stepsG")
  void eightyPercentBandsHoldTheTruthFourTimesInFive(double stepG) {
    double sum = 0;
    for (String name : MATERIALS) {
      double share = coverage(MaterialCatalogue.standard().named(name), stepG);
      // Of 30 draws at 80 %, 18 or fewer would come one time in a hundred; of 15, 8 or fewer one
      // time in fifty.
      assertThat(share).as(name).isBetween(ALL ? 0.6 : 0.53, 1.0);
      sum += share;
    }
    // Promised is 0.75 to 0.85, which 180 spools hold directly. Of 90 the mean is known to 0.037
    // (standard deviation), so what contradicts the promise one time in a hundred lies outside of
    // 0.66 to 0.94; bands that hold the truth in 0.57 are found out with power 0.99.
    assertThat(sum / MATERIALS.size()).isBetween(ALL ? 0.75 : 0.66, ALL ? 0.85 : 0.94);
  }
}
