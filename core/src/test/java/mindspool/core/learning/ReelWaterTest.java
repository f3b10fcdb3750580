package mindspool.core.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ReelWaterTest {

  private static final double DAY_S = 86_400;
  private static final Material PLA = MaterialCatalogue.standard().named("PLA");

  private static SpoolHistory history(double fromHumidity, MoistAir air, AirContact contact) {
    return new SpoolHistory(
        0,
        new StartMoisture(fromHumidity, 5),
        new Winding(0.04, 0.06, 1, 0.3, 0.00175, PLA.densityKgPerM3()),
        List.of(new Stay(0, ClimateSeries.constant(air), contact)),
        List.of());
  }

  private static double lostG(ReelKind kind, double massG, SpoolHistory history, double untilS) {
    double[] grams = ReelWater.of(kind, massG).grams(history, new double[] {0, untilS});
    return grams[0] - grams[1];
  }

  /** Field notes, storage: 160 g of board give 9.6 g from 50 to 10 % humidity (paper isotherms). */
  @Test
  void cardboardGivesMoreThanTheFilamentOnIt() {
    SpoolHistory dried = history(50, new MoistAir(23, 10), AirContact.STILL);
    assertThat(lostG(ReelKind.CARDBOARD, 160, dried, 5 * DAY_S)).isCloseTo(9.6, within(0.3));
    // One time constant, six hours: 63 % of it.
    assertThat(lostG(ReelKind.CARDBOARD, 160, dried, 6 * 3600)).isCloseTo(6.1, within(0.3));
  }

  @Test
  void hotAirIsFasterAndABagHoldsItBack() {
    SpoolHistory hot = history(50, new MoistAir(63, 5), AirContact.FORCED);
    SpoolHistory cold = history(50, new MoistAir(23, 5), AirContact.FORCED);
    SpoolHistory bag = history(50, new MoistAir(23, 5), AirContact.SEALED);
    double hour = 3600;
    assertThat(lostG(ReelKind.ABS, 200, hot, hour))
        .isGreaterThan(10 * lostG(ReelKind.ABS, 200, cold, hour));
    assertThat(lostG(ReelKind.ABS, 200, bag, 30 * DAY_S)).isZero();
  }

  @ParameterizedTest
  @EnumSource(ReelKind.class)
  void everyKindStaysBetweenNothingAndItsBalance(ReelKind kind) {
    SpoolHistory wet = history(0, new MoistAir(23, 100), AirContact.STILL);
    double taken = 0.0 - lostG(kind, 200, wet, 365 * DAY_S);
    assertThat(taken).isBetween(0.0, 200 * kind.uptake().atSaturation() + 1e-9);
    assertThat(lostG(kind, 0, wet, DAY_S)).isZero();
  }

  /** After months only the last days count, and those as if all had been followed. */
  @Test
  void whatWasLongAgoHasLeftNoTrace() {
    SpoolHistory moved =
        new SpoolHistory(
            0,
            new StartMoisture(90, 5),
            new Winding(0.04, 0.06, 1, 0.3, 0.00175, PLA.densityKgPerM3()),
            List.of(
                new Stay(0, ClimateSeries.constant(new MoistAir(23, 70)), AirContact.STILL),
                new Stay(
                    100 * DAY_S, ClimateSeries.constant(new MoistAir(23, 30)), AirContact.STILL)),
            List.of());
    double at = 102 * DAY_S;
    double[] every = new double[102 * 24 + 1];
    for (int hour = 0; hour < every.length; hour++) {
      every[hour] = 3600.0 * hour;
    }
    for (ReelKind kind : List.of(ReelKind.ABS, ReelKind.CARDBOARD)) {
      double[] followed = ReelWater.of(kind, 200).grams(moved, every);
      double jumped = ReelWater.of(kind, 200).grams(moved, new double[] {at})[0];
      assertThat(jumped).isCloseTo(followed[followed.length - 1], within(0.002));
    }
  }

  /** What the board lost is not taken for the filament's: without it uptake comes out threefold. */
  @Test
  void theBoardsWaterIsNotTakenForTheFilaments() {
    SpoolHistory history =
        new SpoolHistory(
            0,
            new StartMoisture(50, 5),
            new Winding(0.04, 0.06, 1, 0.3, 0.00175, PLA.densityKgPerM3()),
            List.of(
                new Stay(0, ClimateSeries.constant(new MoistAir(23, 50)), AirContact.STILL),
                new Stay(DAY_S, ClimateSeries.constant(new MoistAir(45, 12)), AirContact.FORCED)),
            List.of());
    double[] at = {DAY_S, DAY_S + 4 * 3600, DAY_S + 12 * 3600};
    ReelWater board = ReelWater.of(ReelKind.CARDBOARD, 160);
    double[] reelG = board.grams(history, at);
    SpoolReplay truth = new SpoolReplay(PLA, history, 0, Options.STANDARD);
    SpoolState state = truth.start();
    double time = 0;
    Weighed[] weighed = new Weighed[at.length];
    for (int i = 0; i < at.length; i++) {
      state = truth.advance(state, time, at[i], null);
      time = at[i];
      double gross = 1160 + 1000 * state.waterKg() + reelG[i];
      weighed[i] = new Weighed(time, Math.rint(10 * gross) / 10, 0.1, i > 0);
    }
    Calibration knowing =
        new WeighingFit(PLA, history, List.of(weighed), LotPrior.ANY_LOT, board).run();
    Calibration blind =
        new WeighingFit(PLA, history, List.of(weighed), LotPrior.ANY_LOT, ReelWater.NONE).run();
    assertThat(knowing.best().sorptionFactor()).isCloseTo(1, within(0.1));
    assertThat(knowing.isDoubtful()).isFalse();
    assertThat(blind.best().sorptionFactor()).isGreaterThan(1.5);
  }
}
