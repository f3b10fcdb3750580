package mindspool.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.upkeep.HotIdle.Advice;
import mindspool.core.upkeep.HotIdle.Reading;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HotIdleTest {

  private static final long NOW_S = 1_800_000_000L;

  private static Material material(String name) {
    return MaterialCatalogue.standard().named(name);
  }

  /** A reading each minute, the last of them now. */
  private static List<Reading> steady(double celsius, int minutes) {
    List<Reading> readings = new ArrayList<>();
    for (int minute = minutes; minute >= 0; minute--) {
      readings.add(new Reading(NOW_S - 60L * minute, celsius));
    }
    return readings;
  }

  /** Field notes: minutes after which melt that stands begins to char. */
  @ParameterizedTest
  @CsvSource({
    "PLA, 210, 55",
    "PLA, 220, 30",
    "PLA, 240, 10",
    "PETG, 240, 35",
    "PETG, 250, 18",
    "PETG, 260, 9",
    "ABS, 250, 25",
    "ABS, 270, 7",
    "PA6, 260, 29",
    "PA6, 270, 14"
  })
  void standsAsLongAsTheFieldNotesSay(String name, double celsius, int minutes) {
    assertThat(HotIdle.of(material(name), steady(celsius, minutes), NOW_S).dose())
        .isEqualTo(1, within(0.08));
  }

  @Test
  void itIsToCoolWhileItIsHotAndToBeCleanedOnceItHasCharred() {
    Material pla = material("PLA");
    assertThat(HotIdle.of(pla, steady(220, 5), NOW_S).advice()).isEqualTo(Advice.NOTHING);
    HotIdle waits = HotIdle.of(pla, steady(220, 15), NOW_S);
    assertThat(waits.advice()).isEqualTo(Advice.COOL);
    assertThat(waits.minutes()).isEqualTo(15, within(1e-9));
    assertThat(waits.minutesLeft(pla)).isEqualTo(15, within(0.5));
    assertThat(HotIdle.of(pla, steady(220, 40), NOW_S).advice()).isEqualTo(Advice.CLEAN);

    // It was switched off since: nothing is to cool, and what has charred stays.
    List<Reading> cooled = new ArrayList<>(steady(220, 15));
    cooled.add(new Reading(NOW_S + 60, 40));
    HotIdle off = HotIdle.of(pla, cooled, NOW_S + 600);
    assertThat(off.advice()).isEqualTo(Advice.NOTHING);
    assertThat(off.minutesLeft(pla)).isInfinite();
    List<Reading> charred = new ArrayList<>(steady(220, 40));
    charred.add(new Reading(NOW_S + 60, 40));
    assertThat(HotIdle.of(pla, charred, NOW_S + 9000).advice()).isEqualTo(Advice.CLEAN);
  }

  /** A device that went silent for an hour tells of five minutes, not of sixty. */
  @Test
  void silenceIsNotHeat() {
    Material pla = material("PLA");
    List<Reading> gap = List.of(new Reading(NOW_S - 7200, 220), new Reading(NOW_S - 3600, 220));
    HotIdle idle = HotIdle.of(pla, gap, NOW_S);
    assertThat(idle.minutes()).isEqualTo(10, within(1e-9));
    assertThat(idle.nowC()).isNaN();
    assertThat(HotIdle.of(pla, List.of(), NOW_S).dose()).isZero();
    // At standby and below, nothing counts.
    assertThat(HotIdle.of(pla, steady(idle.standbyC(), 600), NOW_S).dose()).isZero();
  }
}
