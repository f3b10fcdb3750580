package mindspool.core.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class SensorHabitTest {

  private static double[] every(double seconds, int count) {
    return IntStream.range(0, count).mapToDouble(i -> i * seconds).toArray();
  }

  /** By hand: five spans of ten minutes; a quarter of an hour where it speaks every second. */
  @Test
  void silenceIsMeasuredByTheUsualSpan() {
    assertThat(SensorHabit.mostSilentS(every(600, 50))).isEqualTo(3000);
    assertThat(SensorHabit.mostSilentS(every(1, 50))).isEqualTo(900);
  }

  @Test
  void oneLongGapIsNoHabit() {
    double[] times = every(600, 60);
    for (int i = 30; i < times.length; i++) {
      times[i] += 86_400;
    }
    assertThat(SensorHabit.mostSilentS(times)).isEqualTo(3000);
  }

  /** Sends on change only: a night of ten hours now and then belongs to it. */
  @Test
  void whoSpeaksSeldomMayBeSilentForLong() {
    double[] times = new double[40];
    for (int i = 1; i < times.length; i++) {
      times[i] = times[i - 1] + (i % 5 == 0 ? 36_000 : 1200);
    }
    assertThat(SensorHabit.mostSilentS(times)).isEqualTo(180_000);
  }

  @Test
  void onlyTheLatestReadingsCount() {
    double[] times = new double[500];
    for (int i = 1; i < times.length; i++) {
      times[i] = times[i - 1] + (i < 250 ? 7200 : 60);
    }
    assertThat(SensorHabit.mostSilentS(times)).isEqualTo(900);
  }

  @Test
  void withoutReadingsThereIsNoHabit() {
    assertThat(SensorHabit.mostSilentS(new double[0])).isInfinite();
    assertThat(SensorHabit.mostSilentS(every(60, 3))).isInfinite();
  }
}
