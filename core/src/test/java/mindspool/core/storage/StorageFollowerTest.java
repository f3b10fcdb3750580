package mindspool.core.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Sorption;
import mindspool.core.storage.StorageFollower.Change;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.DesiccantChange;
import mindspool.core.storage.StorageReplay.MassFrom;
import mindspool.core.storage.StorageReplay.MeasuredAir;
import mindspool.core.storage.StorageReplay.Opening;
import mindspool.core.storage.StorageReplay.Surroundings;
import mindspool.core.storage.StorageReplay.Vessel;
import mindspool.core.storage.StorageReplay.Whereabouts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Going on from where it was must find exactly what a replay from the beginning finds. */
class StorageFollowerTest {

  private static final double DAY_S = 86_400;
  private static final double AHEAD_S = 15 * DAY_S;

  /** A full day, some weeks after the first fact. */
  private static final double BEGIN_S = 20_000 * DAY_S;

  private static final Isotherm PLA = Isotherm.of(new Sorption(0.006, 0.006, 1));

  /** A workshop whose record grows and is corrected at random. */
  private static final class Workshop {
    private final Random random;
    private final int boxes = 6;
    private final List<List<Whereabouts>> moves = new ArrayList<>();
    private final List<List<MassFrom>> uses = new ArrayList<>();
    private final List<Opening> openings = new ArrayList<>();
    private final List<DesiccantChange> changes = new ArrayList<>();
    private double wetterFromS = Double.POSITIVE_INFINITY;

    Workshop(long seed) {
      random = new Random(seed);
      for (int i = 0; i < 8; i++) {
        moves.add(new ArrayList<>());
        uses.add(new ArrayList<>());
        move(i, BEGIN_S + i * 0.37 * DAY_S);
      }
    }

    /** Weather of the room, recorded up to now and expected to stay as it is. */
    ClimateSeries room(double nowS) {
      ClimateSeries.Builder series = ClimateSeries.builder();
      for (double time = BEGIN_S - DAY_S; time <= nowS; time += 1800) {
        double days = time / DAY_S;
        double extra = time > wetterFromS ? 9 : 0;
        series.reading(
            time,
            new MoistAir(
                22 + 3 * Math.sin(2 * Math.PI * days), 50 + 20 * Math.sin(days / 5) + extra));
      }
      return series.build();
    }

    private void move(int spool, double atS) {
      int box = random.nextInt(boxes + 1);
      Surroundings in = box == boxes ? null : Surroundings.vessel(box);
      moves.get(spool).removeIf(stay -> stay.fromS() > atS);
      moves.get(spool).add(new Whereabouts(atS, in, in != null && random.nextInt(6) == 0));
    }

    /** Something happens now, or is said only now to have happened before. */
    void happen(double nowS) {
      double at = random.nextInt(4) == 0 ? nowS - random.nextDouble() * 9 * DAY_S : nowS - 60;
      int spool = random.nextInt(moves.size());
      double arrived = moves.get(spool).get(0).fromS();
      switch (random.nextInt(6)) {
        case 0, 1 -> move(spool, Math.max(arrived + 60, at));
        case 2 -> {
          uses.get(spool).removeIf(use -> use.fromS() > at);
          double left =
              uses.get(spool).isEmpty()
                  ? 1000
                  : uses.get(spool).get(uses.get(spool).size() - 1).dryMassG();
          uses.get(spool).add(new MassFrom(Math.max(arrived, at), 0.8 * left, 40));
        }
        case 3 -> openings.add(new Opening(random.nextInt(boxes), at, random.nextInt(9)));
        case 4 ->
            changes.add(
                random.nextBoolean()
                    ? new DesiccantChange(
                        random.nextInt(boxes), at, Desiccant.SILICA_GEL, 50, 2 + at % 3)
                    : new DesiccantChange(random.nextInt(boxes), at, null, 0, 0));
        default -> {
          if (random.nextInt(5) == 0) {
            wetterFromS = at;
          } else if (!openings.isEmpty()) {
            openings.remove(random.nextInt(openings.size()));
          }
        }
      }
    }

    /** Before anything was in a box its air concerned nothing. */
    double firstUseS(long box) {
      double first = Double.POSITIVE_INFINITY;
      for (List<Whereabouts> stays : moves) {
        for (Whereabouts stay : stays) {
          if (stay.in() != null && stay.in().vesselId() == box && !stay.sealed()) {
            first = Math.min(first, stay.fromS());
          }
        }
      }
      for (DesiccantChange change : changes) {
        first = change.vesselId() == box ? Math.min(first, change.atS()) : first;
      }
      return first;
    }

    StorageRecord record(double nowS) {
      ClimateSeries room = room(nowS);
      List<Vessel> vessels = new ArrayList<>();
      for (int i = 0; i < boxes; i++) {
        vessels.add(
            new Vessel(
                i,
                i % 2 == 0
                    ? ContainerKind.ZIP_BAG.ofVolume(3)
                    : ContainerKind.GASKET_BOX.ofVolume(20),
                Double.NaN,
                i == 2 ? Surroundings.vessel(1) : Surroundings.air(room),
                i == 5
                    ? new MeasuredAir(
                        BEGIN_S + 20 * DAY_S, ClimateSeries.constant(new MoistAir(23, 33)))
                    : null));
      }
      List<Content> contents = new ArrayList<>();
      for (int i = 0; i < moves.size(); i++) {
        List<Whereabouts> stays =
            moves.get(i).stream()
                .map(
                    stay ->
                        stay.in() == null
                            ? new Whereabouts(stay.fromS(), Surroundings.air(room), false)
                            : stay)
                .toList();
        contents.add(
            new Content(
                i, PLA, 1000, 40, List.copyOf(uses.get(i)), i % 3 == 0 ? 100 : 0, 0.1 * i, stays));
      }
      return new StorageRecord(vessels, contents, List.copyOf(openings), List.copyOf(changes));
    }
  }

  private static StorageFollower following(StorageRecord record) {
    StorageFollower follower = new StorageFollower(AHEAD_S);
    follower.tell(record);
    return follower;
  }

  private static void assertSameAir(
      Workshop workshop, StorageFollower grown, StorageFollower fresh, double nowS) {
    for (long box = 0; box < 6; box++) {
      ClimateSeries a = grown.air(box, nowS, 1800);
      ClimateSeries b = fresh.air(box, nowS, 1800);
      for (double time = workshop.firstUseS(box); time < nowS + AHEAD_S; time += 7_000) {
        assertThat(a.vapourPressurePaAt(time))
            .as("box %d, %.2f days before now", box, (nowS - time) / DAY_S)
            .isCloseTo(b.vapourPressurePaAt(time), within(1e-9));
      }
      assertThat(grown.inside(box, nowS, 1800).stream().mapToDouble(WaterStore::waterG).sum())
          .isCloseTo(
              fresh.inside(box, nowS, 1800).stream().mapToDouble(WaterStore::waterG).sum(),
              within(1e-9));
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void goingOnFindsWhatBeginningAnewFinds(long seed) {
    Workshop workshop = new Workshop(seed);
    StorageFollower grown = new StorageFollower(AHEAD_S);
    double now = BEGIN_S + 12 * DAY_S;
    for (int round = 0; round < 25; round++) {
      now += workshop.random.nextDouble() * 1.3 * DAY_S;
      for (int i = workshop.random.nextInt(3); i >= 0; i--) {
        workshop.happen(now);
      }
      StorageRecord record = workshop.record(now);
      grown.tell(record);
      if (workshop.random.nextInt(3) > 0) {
        // Not every change is looked at before the next.
        assertSameAir(workshop, grown, following(record), now);
      }
    }
  }

  private static final ClimateSeries ROOM = ClimateSeries.constant(new MoistAir(23, 50));

  private static StorageRecord boxesWithASpoolEach(int count, List<Opening> openings) {
    List<Vessel> boxes = new ArrayList<>();
    List<Content> spools = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      boxes.add(
          new Vessel(
              i, ContainerKind.GASKET_BOX.ofVolume(20), Double.NaN, Surroundings.air(ROOM), null));
      spools.add(
          new Content(
              i,
              PLA,
              1000,
              40,
              List.of(),
              0,
              0.1,
              List.of(new Whereabouts(BEGIN_S, Surroundings.vessel(i), false))));
    }
    return new StorageRecord(boxes, spools, openings, List.of());
  }

  /** Only where something is another, and no earlier than that. */
  @Test
  void tellsWhoseAirIsAnotherAndFromWhen() {
    double now = BEGIN_S + 10 * DAY_S;
    StorageFollower follower = following(boxesWithASpoolEach(3, List.of()));
    assertThat(follower.waiting(now, 1800)).containsExactly(0L, 1L, 2L);
    follower.waiting(now, 1800).forEach(id -> follower.air(id, now, 1800));
    assertThat(follower.waiting(now, 1800)).isEmpty();
    assertThat(follower.changes()).isEmpty();
    double opened = BEGIN_S + 7.3 * DAY_S;
    follower.tell(boxesWithASpoolEach(3, List.of(new Opening(1, opened, 5))));
    assertThat(follower.waiting(now, 1800)).containsExactly(1L);
    follower.air(1, now, 1800);
    Map<Long, Change> changes = follower.changes();
    assertThat(changes).containsOnlyKeys(1L);
    assertThat(changes.get(1L).fromS()).isBetween(opened - 3600, opened);
    follower.told(changes);
    assertThat(follower.changes()).isEmpty();
  }

  /** Two openings, the later one followed between hearing of the first and saying so. */
  @Test
  void aChangeFoundWhileAnotherIsBeingToldIsKept() {
    double now = BEGIN_S + 10 * DAY_S;
    StorageFollower follower = following(boxesWithASpoolEach(1, List.of()));
    follower.air(0, now, 1800);
    Opening first = new Opening(0, BEGIN_S + 5 * DAY_S, 5);
    Opening second = new Opening(0, BEGIN_S + 7 * DAY_S, 5);
    follower.tell(boxesWithASpoolEach(1, List.of(first)));
    follower.air(0, now, 1800);
    Map<Long, Change> heard = follower.changes();
    follower.tell(boxesWithASpoolEach(1, List.of(first, second)));
    follower.air(0, now, 1800);
    follower.told(heard);
    assertThat(follower.changes()).containsOnlyKeys(0L);
  }

  /** A quarter of a century of a box is kept in days, not in hours. */
  @Test
  void aLongRecordTakesLittleMemory() {
    double now = BEGIN_S + 26 * 365.25 * DAY_S;
    StorageFollower follower =
        following(boxesWithASpoolEach(1, List.of(new Opening(0, BEGIN_S, 1))));
    // Hourly it would be 228,000.
    assertThat(follower.air(0, now, 1800).size()).isLessThan(14_000);
  }
}
