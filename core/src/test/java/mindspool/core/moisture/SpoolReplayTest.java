package mindspool.core.moisture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.PrintableUntil.ForecastPoint;
import mindspool.core.moisture.PrintableUntil.State;
import mindspool.core.moisture.SpoolHistory.MassLeft;
import mindspool.core.moisture.SpoolHistory.Stay;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;

class SpoolReplayTest {

  private static final double DAY = 86_400;
  private static final Material PETG = MaterialCatalogue.standard().named("PETG");
  private static final Winding KILOGRAM =
      new Winding(0.04, 0.06, 1, 0.30, 0.00175, PETG.densityKgPerM3());
  private static final ClimateSeries SHELF = ClimateSeries.constant(new MoistAir(23, 55));
  private static final ClimateSeries HOT = ClimateSeries.constant(new MoistAir(65, 5.6));

  private static SpoolHistory history(List<MassLeft> masses, Stay... stays) {
    return new SpoolHistory(0, new StartMoisture(15, 8), KILOGRAM, List.of(stays), masses);
  }

  private static MoistureProfile at(SpoolHistory history, double time) {
    SpoolReplay replay = new SpoolReplay(PETG, history);
    return replay.advance(replay.start(), 0, time, null).profile();
  }

  @Test
  void aSealedBagKeepsWhatLaterStaysChange() {
    Stay sealed = new Stay(0, SHELF, AirContact.SEALED);
    Stay opened = new Stay(20 * DAY, SHELF, AirContact.STILL);
    double start = 100 * PETG.sorption().moistureFraction(0.15);
    assertThat(at(history(List.of(), sealed, opened), 20 * DAY).meanPercent())
        .isCloseTo(start, within(1e-3));
    assertThat(at(history(List.of(), sealed, opened), 27 * DAY).meanPercent())
        .isGreaterThan(2.5 * start);
  }

  @Test
  void aShortDryingLeavesTheCoreWetAndTheShelfWetsTheOutsideAgain() {
    Stay shelf = new Stay(0, SHELF, AirContact.STILL);
    Stay dryer = new Stay(30 * DAY, HOT, AirContact.FORCED);
    Stay back = new Stay(30.2 * DAY, SHELF, AirContact.STILL);
    SpoolHistory history = history(List.of(), shelf, dryer, back);
    MoistureProfile dried = at(history, 30.2 * DAY);
    assertThat(dried.corePercent()).isGreaterThan(1.1 * dried.outerPercent());
    MoistureProfile later = at(history, 32 * DAY);
    assertThat(later.outerPercent()).isGreaterThan(later.corePercent());
  }

  /** Where a replay is cut must not matter: checkpoints rest on it. */
  @Test
  void replayInPiecesEqualsReplayInOneGo() {
    SpoolHistory history =
        history(
            List.of(new MassLeft(3.5 * DAY, 0.7)),
            new Stay(0, SHELF, AirContact.STILL),
            new Stay(6 * DAY, HOT, AirContact.FORCED),
            new Stay(6.4 * DAY, SHELF, AirContact.STILL));
    MoistureProfile whole = at(history, 9 * DAY);
    SpoolReplay replay = new SpoolReplay(PETG, history);
    SpoolState state = replay.start();
    double time = 0;
    for (double next : new double[] {1.1, 3.5, 4, 6.2, 7.7, 9}) {
      state = replay.advance(state, time, next * DAY, null);
      time = next * DAY;
    }
    assertThat(state.profile().outerPercent()).isCloseTo(whole.outerPercent(), within(3e-4));
    assertThat(state.profile().corePercent()).isCloseTo(whole.corePercent(), within(3e-4));
    assertThat(state.winding().dryMassKg()).isEqualTo(0.7);
  }

  @Test
  void aRiseInMassIsNotMoreFilament() {
    SpoolHistory history =
        history(List.of(new MassLeft(DAY, 1.004)), new Stay(0, SHELF, AirContact.STILL));
    SpoolReplay replay = new SpoolReplay(PETG, history);
    assertThat(replay.advance(replay.start(), 0, 2 * DAY, null).winding().dryMassKg()).isEqualTo(1);
  }

  @Test
  void theBandNarrowsWhenASpoolComesIntoBalance() {
    SpoolHistory history = history(List.of(), new Stay(0, SHELF, AirContact.STILL));
    MoistureProfile soon = at(history, 2 * DAY);
    MoistureProfile late = at(history, 60 * DAY);
    double soonBand =
        MoistureBand.at(PETG, history, 2 * DAY).halfWidth(MoistureProfile::meanPercent);
    double lateBand =
        MoistureBand.at(PETG, history, 60 * DAY).halfWidth(MoistureProfile::meanPercent);
    assertThat(soonBand / soon.meanPercent()).isGreaterThan(1.05 * lateBand / late.meanPercent());
    // In balance only the uptake is uncertain, a factor exp(0.2), and what no model has, 8 %.
    double balance = Math.hypot(Math.exp(0.2) - 1, 0.08);
    assertThat(lateBand / late.meanPercent()).isCloseTo(1.2816 * balance, within(0.01));
  }

  @Test
  void printableUntilFindsTheCrossing() {
    MoistureProfile dry = new MoistureProfile(new double[] {0.1, 0.1});
    MoistureProfile wet = new MoistureProfile(new double[] {0.1, 0.3});
    PrintableUntil until =
        PrintableUntil.of(
            List.of(new ForecastPoint(0, dry), new ForecastPoint(100, wet)), 0.1, 0.2);
    assertThat(until.state()).isEqualTo(State.UNTIL);
    // The outermost tenth lies above the ring's mean, so it crosses a little before half-time.
    assertThat(until.timeS().getAsDouble()).isBetween(35.0, 50.0);
    assertThat(until.headroomPercent()).isCloseTo(0.1, within(1e-12));
    assertThat(
            PrintableUntil.of(
                    List.of(new ForecastPoint(0, wet), new ForecastPoint(100, dry)), 0.1, 0.2)
                .state())
        .isEqualTo(State.AGAIN_FROM);
    assertThat(PrintableUntil.of(List.of(new ForecastPoint(0, wet)), 0.1, 0.2).state())
        .isEqualTo(State.PAST_LIMIT);
    assertThat(PrintableUntil.of(List.of(new ForecastPoint(0, dry)), 0.1, 0.2).state())
        .isEqualTo(State.BEYOND_FORECAST);
  }

  @Test
  void aWetCoreCountsWhenTheJobReachesIt() {
    double[] rings = new double[24];
    for (int i = 0; i < 12; i++) {
      rings[i] = 0.5;
    }
    MoistureProfile dryOutside = new MoistureProfile(rings);
    assertThat(dryOutside.wettestPercentInNext(0.2)).isCloseTo(0, within(1e-9));
    assertThat(dryOutside.wettestPercentInNext(0.9)).isCloseTo(0.5, within(0.01));
  }

  @Test
  void profileMeansAreConsistent() {
    double[] rings = new double[24];
    for (int i = 0; i < rings.length; i++) {
      rings[i] = i + 0.5;
    }
    MoistureProfile linear = new MoistureProfile(rings);
    assertThat(linear.meanPercent()).isCloseTo(12, within(1e-12));
    assertThat(linear.outerPercent()).isCloseTo(24 * 0.95, within(1e-9));
    assertThat(linear.corePercent()).isCloseTo(24 * 0.05, within(1e-9));
    assertThat(linear.meanBetween(0.3, 0.31)).isCloseTo(24 * 0.305, within(1e-9));
    List<Double> grouped = new ArrayList<>();
    for (double mean : linear.grouped(8)) {
      grouped.add(mean);
    }
    assertThat(grouped).first().isEqualTo(1.5);
  }

  /** Facts may come in any order; the replay is the same to the last bit. */
  @Test
  void theOrderInWhichFactsAreToldDoesNotMatter() {
    List<Stay> stays =
        new ArrayList<>(
            List.of(
                new Stay(0, SHELF, AirContact.STILL),
                new Stay(3 * DAY, HOT, AirContact.FORCED),
                new Stay(3.3 * DAY, SHELF, AirContact.STILL),
                new Stay(5 * DAY, SHELF, AirContact.SEALED),
                new Stay(6 * DAY, SHELF, AirContact.STILL)));
    List<MassLeft> masses =
        new ArrayList<>(
            List.of(
                new MassLeft(2 * DAY, 0.9),
                new MassLeft(4 * DAY, 0.7),
                new MassLeft(7 * DAY, 0.4)));
    MoistureProfile inOrder = at(history(masses, stays.toArray(Stay[]::new)), 8 * DAY);
    Random random = new Random(3);
    for (int i = 0; i < 10; i++) {
      Collections.shuffle(stays.subList(1, stays.size()), random);
      Collections.shuffle(masses, random);
      MoistureProfile shuffled = at(history(masses, stays.toArray(Stay[]::new)), 8 * DAY);
      assertThat(shuffled.percentByRing()).containsExactly(inOrder.percentByRing());
    }
  }

  @Test
  void aSpoolIsAlwaysSomewhere() {
    assertThatThrownBy(() -> history(List.of()))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("always somewhere");
    assertThatThrownBy(() -> history(List.of(), new Stay(5, SHELF, AirContact.STILL)))
        .hasMessageContaining("always somewhere");
  }

  /** The coarse runs of the band stay within a per cent of the swing of the fine one. */
  @Test
  void coarseRunsAreGoodEnoughForBands() {
    SpoolHistory history =
        history(
            List.of(new MassLeft(3.5 * DAY, 0.7)),
            new Stay(0, SHELF, AirContact.STILL),
            new Stay(6 * DAY, HOT, AirContact.FORCED),
            new Stay(6.3 * DAY, SHELF, AirContact.STILL));
    double swing = 100 * PETG.sorption().moistureFraction(0.5);
    for (double day : new double[] {1, 3, 6, 6.15, 6.3, 7, 10}) {
      SpoolReplay coarse = new SpoolReplay(PETG, history, 0, SpoolMoistureModel.Options.COARSE);
      MoistureProfile quick = coarse.advance(coarse.start(), 0, day * DAY, null).profile();
      MoistureProfile fine = at(history, day * DAY);
      assertThat(quick.outerPercent()).isCloseTo(fine.outerPercent(), within(0.01 * swing));
      assertThat(quick.meanPercent()).isCloseTo(fine.meanPercent(), within(0.01 * swing));
      assertThat(quick.corePercent()).isCloseTo(fine.corePercent(), within(0.01 * swing));
    }
  }

  /** Taken up again from a stored state at a checkpoint, it comes out the same to the last bit. */
  @Test
  void goesOnFromACheckpointAsIfItHadNeverStopped() throws IOException {
    Random random = new Random(9);
    ClimateSeries.Builder weather = ClimateSeries.builder();
    for (int hour = 0; hour < 40 * 24; hour++) {
      weather.reading(
          3600.0 * hour, new MoistAir(20 + 3 * random.nextDouble(), 40 + 20 * random.nextDouble()));
    }
    SpoolHistory history =
        history(
            List.of(new MassLeft(12.3 * DAY, 0.7)),
            new Stay(0, weather.build(), AirContact.STILL),
            new Stay(9.1 * DAY, HOT, AirContact.FORCED),
            new Stay(9.4 * DAY, SHELF, AirContact.STILL));
    SpoolReplay replay = new SpoolReplay(PETG, history);
    double end = 33.7 * DAY;
    double[] straight = replay.advance(replay.start(), 0, end, null).profile().percentByRing();

    double checkpoint = SpoolReplay.checkpointBefore(30 * DAY);
    assertThat(checkpoint).isEqualTo(28 * DAY);
    ByteArrayOutputStream stored = new ByteArrayOutputStream();
    replay.advance(replay.start(), 0, checkpoint, null).write(new DataOutputStream(stored));
    SpoolState read =
        SpoolState.read(new DataInputStream(new ByteArrayInputStream(stored.toByteArray())));
    double[] resumed =
        new SpoolReplay(PETG, history)
            .advance(read, checkpoint, end, null)
            .profile()
            .percentByRing();
    assertThat(resumed).containsExactly(straight);
  }
}
