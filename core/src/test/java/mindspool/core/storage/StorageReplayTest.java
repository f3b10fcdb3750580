package mindspool.core.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Sorption;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.DesiccantChange;
import mindspool.core.storage.StorageReplay.MeasuredAir;
import mindspool.core.storage.StorageReplay.Opening;
import mindspool.core.storage.StorageReplay.Result;
import mindspool.core.storage.StorageReplay.Surroundings;
import mindspool.core.storage.StorageReplay.Vessel;
import mindspool.core.storage.StorageReplay.Whereabouts;
import org.junit.jupiter.api.Test;

class StorageReplayTest {

  private static final double DAY_S = 86_400;
  private static final Isotherm PLA = Isotherm.of(new Sorption(0.006, 0.006, 1));
  private static final ClimateSeries ROOM = ClimateSeries.constant(new MoistAir(23, 50));

  private static Vessel box(long id, Surroundings outside) {
    return new Vessel(id, ContainerKind.GASKET_BOX.ofVolume(20), Double.NaN, outside, null);
  }

  private static Content spool(double startHumidity, Whereabouts... whereabouts) {
    return new Content(
        Math.round(1000 * startHumidity) + whereabouts.length,
        PLA,
        1000,
        40,
        List.of(),
        0,
        startHumidity,
        List.of(whereabouts));
  }

  private static Whereabouts inBox(double day, long id) {
    return new Whereabouts(day * DAY_S, Surroundings.vessel(id), false);
  }

  private static Whereabouts inRoom(double day) {
    return new Whereabouts(day * DAY_S, Surroundings.air(ROOM), false);
  }

  private static double humidity(Result result, long id, double day) {
    return result.air().get(id).at(day * DAY_S).relativeHumidityPercent();
  }

  /** The field notes' box: 100 g of gel hold a gasket box below 20 % for 277 days. */
  @Test
  void reachesTheLimitOnTheDayOfTheContainerTable() {
    Result result =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM))),
                List.of(spool(0.1, inBox(0, 1))),
                List.of(),
                List.of(new DesiccantChange(1, 0, Desiccant.SILICA_GEL, 100, 2)))
            .run(0, 300 * DAY_S);
    assertThat(humidity(result, 1, 275)).isLessThan(20.1);
    assertThat(humidity(result, 1, 281)).isGreaterThan(19.9);
    assertThat(result.loading().get(1L).get(299).waterG()).isGreaterThan(10.5);
  }

  @Test
  void openingsCountAsMuchAsTheirAir() {
    List<Opening> weekly = new ArrayList<>();
    for (int week = 0; week < 26; week++) {
      weekly.add(new Opening(1, (7 * week + 0.3) * DAY_S, 0));
    }
    Result result =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM))),
                List.of(spool(0.1, inBox(0, 1))),
                weekly,
                List.of(new DesiccantChange(1, 0, Desiccant.SILICA_GEL, 100, 2)))
            .run(0, 182 * DAY_S);
    assertThat(humidity(result, 1, 181)).isCloseTo(19.8, within(0.4));
  }

  /** A damp spool put beside a dry one raises the air for both, and gives off what it brings. */
  @Test
  void aSpoolBringsItsWaterAlong() {
    Result dry =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM))),
                List.of(spool(0.1, inBox(0, 1))),
                List.of(),
                List.of())
            .run(0, 10 * DAY_S);
    Result shared =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM))),
                List.of(spool(0.1, inBox(0, 1)), spool(0.1, inRoom(0), inBox(5, 1))),
                List.of(),
                List.of())
            .run(0, 10 * DAY_S);
    assertThat(humidity(shared, 1, 4.9)).isCloseTo(humidity(dry, 1, 4.9), within(1e-9));
    assertThat(humidity(shared, 1, 9.5)).isGreaterThan(humidity(dry, 1, 9.5) + 8);
  }

  @Test
  void aSealedSpoolChangesNothing() {
    Result with =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM))),
                List.of(
                    spool(0.1, inBox(0, 1)),
                    spool(0.9, new Whereabouts(0, Surroundings.vessel(1), true))),
                List.of(),
                List.of())
            .run(0, 5 * DAY_S);
    Result without =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM))),
                List.of(spool(0.1, inBox(0, 1))),
                List.of(),
                List.of())
            .run(0, 5 * DAY_S);
    assertThat(humidity(with, 1, 5)).isEqualTo(humidity(without, 1, 5));
  }

  @Test
  void aBagInABoxSeesTheBoxNotTheRoom() {
    Vessel bag =
        new Vessel(2, ContainerKind.ZIP_BAG.ofVolume(3), Double.NaN, Surroundings.vessel(1), null);
    Result result =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM)), bag),
                List.of(spool(0.1, inBox(0, 2))),
                List.of(),
                List.of(new DesiccantChange(1, 0, Desiccant.SILICA_GEL, 300, 6)))
            .run(0, 30 * DAY_S);
    assertThat(humidity(result, 2, 30)).isLessThan(15);
  }

  @Test
  void aMeasuredBoxLoadsItsDesiccantByItsRecord() {
    ClimateSeries record = ClimateSeries.constant(new MoistAir(25, 30));
    Vessel measured =
        new Vessel(
            1,
            ContainerKind.GASKET_BOX.ofVolume(20),
            Double.NaN,
            Surroundings.air(ROOM),
            new MeasuredAir(0, record));
    Result result =
        new StorageReplay(
                List.of(measured),
                List.of(),
                List.of(),
                List.of(new DesiccantChange(1, 0, Desiccant.SILICA_GEL, 100, 2)))
            .run(0, 20 * DAY_S);
    assertThat(result.air().get(1L)).isSameAs(record);
    List<StorageReplay.Loading> loading = result.loading().get(1L);
    assertThat(loading.get(loading.size() - 1).waterG()).isCloseTo(17.0, within(0.1));
  }

  /** A hygrometer put in on day 10: until then the box is followed, from then on believed. */
  @Test
  void aBoxMeasuredLaterIsFollowedUntilThen() {
    ClimateSeries record = ClimateSeries.constant(new MoistAir(23, 35));
    Vessel later =
        new Vessel(
            1,
            ContainerKind.GASKET_BOX.ofVolume(20),
            Double.NaN,
            Surroundings.air(ROOM),
            new MeasuredAir(10 * DAY_S, record));
    Vessel bag =
        new Vessel(2, ContainerKind.ZIP_BAG.ofVolume(3), Double.NaN, Surroundings.vessel(1), null);
    List<DesiccantChange> gel = List.of(new DesiccantChange(1, 0, Desiccant.SILICA_GEL, 100, 2));
    Result unmeasured =
        new StorageReplay(List.of(box(1, Surroundings.air(ROOM))), List.of(), List.of(), gel)
            .run(0, 60 * DAY_S);
    Result result =
        new StorageReplay(List.of(later, bag), List.of(), List.of(), gel).run(0, 60 * DAY_S);
    assertThat(humidity(result, 1, 9)).isEqualTo(humidity(unmeasured, 1, 9));
    assertThat(humidity(result, 1, 11)).isCloseTo(35, within(1e-9));
    // A bag within follows what was measured around it.
    assertThat(humidity(result, 2, 60)).isCloseTo(35, within(1.0));
  }

  /** Half a spool brings half the water: the air of the box tells which half was left. */
  @Test
  void whatWasPrintedBringsNoWater() {
    Content whole = spool(0.6, inRoom(0), inBox(5, 1));
    Content halved =
        new Content(
            7,
            PLA,
            1000,
            40,
            List.of(new StorageReplay.MassFrom(4 * DAY_S, 500, 40)),
            0,
            0.6,
            List.of(inRoom(0), inBox(5, 1)));
    Content half = new Content(7, PLA, 500, 40, List.of(), 0, 0.6, List.of(inRoom(0), inBox(5, 1)));
    Content usedAfterwards =
        new Content(
            7,
            PLA,
            1000,
            40,
            List.of(new StorageReplay.MassFrom(20 * DAY_S, 500, 40)),
            0,
            0.6,
            List.of(inRoom(0), inBox(5, 1)));
    double wholeHumidity = withDrySpool(whole);
    assertThat(withDrySpool(halved)).isCloseTo(withDrySpool(half), within(1e-9));
    assertThat(withDrySpool(halved)).isLessThan(wholeHumidity - 2);
    assertThat(withDrySpool(usedAfterwards)).isEqualTo(wholeHumidity);
  }

  private static double withDrySpool(Content other) {
    Result result =
        new StorageReplay(
                List.of(box(1, Surroundings.air(ROOM))),
                List.of(spool(0.1, inBox(0, 1)), other),
                List.of(),
                List.of())
            .run(0, 12 * DAY_S);
    return humidity(result, 1, 12);
  }

  @Test
  void theOrderInWhichFactsArriveDoesNotMatter() {
    List<Opening> openings = new ArrayList<>();
    Random random = new Random(5);
    for (int i = 0; i < 40; i++) {
      openings.add(new Opening(1, random.nextDouble() * 20 * DAY_S, i % 9));
    }
    Result first = run(openings);
    Collections.shuffle(openings, random);
    Result second = run(openings);
    assertThat(humidity(second, 1, 20)).isCloseTo(humidity(first, 1, 20), within(1e-10));
  }

  private static Result run(List<Opening> openings) {
    return new StorageReplay(
            List.of(box(1, Surroundings.air(ROOM))),
            List.of(spool(0.1, inBox(0, 1))),
            openings,
            List.of(new DesiccantChange(1, 3, Desiccant.CLAY, 60, 3)))
        .run(0, 20 * DAY_S);
  }
}
