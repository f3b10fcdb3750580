package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import mindspool.core.InvalidValueException;
import mindspool.core.print.Printer.ChamberKind;
import org.junit.jupiter.api.Test;

/** Held against sums by the other formula of variance, and the edges. */
class ChamberWarmthTest {

  @Test
  void withoutPrintsItIsTheUsualOfItsKind() {
    ChamberWarmth none = ChamberWarmth.of(ChamberKind.ENCLOSED, List.of());

    assertThat(none.prints()).isZero();
    assertThat(none.chamberC(100, 20)).isCloseTo(20 + 0.35 * 80, within(1e-12));
    assertThat(none.chamberC(20, 20)).isEqualTo(20);
    assertThat(none.chamberC(0, 20)).as("a cold bed cools no chamber").isEqualTo(20);
  }

  @Test
  void oneObservationGoesHalfWayAndManyPrevail() {
    ChamberWarmth.Seen warm = new ChamberWarmth.Seen(100, 20, 20 + 0.55 * 80);

    assertThat(ChamberWarmth.of(ChamberKind.ENCLOSED, List.of(warm)).keeps())
        .isCloseTo((0.35 + 0.55) / 2, within(1e-12));
    assertThat(ChamberWarmth.of(ChamberKind.ENCLOSED, Collections.nCopies(50, warm)).keeps())
        .isCloseTo(0.55, within(0.005));
  }

  @Test
  void printsThatTellNothingDoNotCount() {
    List<ChamberWarmth.Seen> coldBeds = List.of(new ChamberWarmth.Seen(30, 20, 29));

    assertThat(ChamberWarmth.of(ChamberKind.OPEN, coldBeds).prints()).isZero();
    assertThat(
            ChamberWarmth.of(ChamberKind.HEATED, List.of(new ChamberWarmth.Seen(100, 20, 60)))
                .prints())
        .isZero();
    assertThat(
            ChamberWarmth.of(ChamberKind.OPEN, List.of(new ChamberWarmth.Seen(100, 25, 20)))
                .keeps())
        .as("a sensor colder than the room")
        .isZero();
  }

  @Test
  void isTheMeanWithTheKindAsOneMorePrint() {
    Random random = new Random(4);
    List<ChamberWarmth.Seen> prints = new ArrayList<>();
    double[] shares = new double[31];
    shares[30] = ChamberKind.ENCLOSED.keeps();
    for (int i = 0; i < 30; i++) {
      double room = 15 + 12 * random.nextDouble();
      double bed = 60 + 50 * random.nextDouble();
      shares[i] = 0.3 + 0.3 * random.nextDouble();
      prints.add(new ChamberWarmth.Seen(bed, room, room + shares[i] * (bed - room)));
    }

    ChamberWarmth learned = ChamberWarmth.of(ChamberKind.ENCLOSED, prints);

    double mean = Arrays.stream(shares).average().orElseThrow();
    double meanSquare = Arrays.stream(shares).map(share -> share * share).average().orElseThrow();
    assertThat(learned.keeps()).isCloseTo(mean, within(1e-12));
    assertThat(learned.unsure())
        .as("mean of squares less square of the mean, with the kind's own spread")
        .isCloseTo(Math.sqrt(meanSquare - mean * mean + 0.12 * 0.12 / 31), within(1e-12));
  }

  @Test
  void refusesWhatNoPrintHas() {
    assertThatThrownBy(() -> new ChamberWarmth.Seen(100, 200, 50))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("roomTemperatureC");
    assertThatThrownBy(() -> new ChamberWarmth.Seen(Double.NaN, 20, 50))
        .isInstanceOf(InvalidValueException.class);
  }
}
