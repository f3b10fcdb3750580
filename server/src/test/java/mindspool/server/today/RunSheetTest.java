package mindspool.server.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Lines are computed once for all who look, and anew once something may have changed. */
@Tag("http")
class RunSheetTest {

  private final AtomicInteger computed = new AtomicInteger();
  private final AtomicLong acts = new AtomicLong();
  private boolean changing;

  private final AgendaSource station =
      new AgendaSource() {
        @Override
        public List<Line> lines(long nowS, long untilS) {
          int count = computed.incrementAndGet();
          return List.of(
              new Line("k" + untilS, nowS, Doer.PERSON, "what " + count, "why", "else", "/today"));
        }

        @Override
        public boolean isChanging() {
          return changing;
        }
      };

  private final AgendaSource broken =
      (nowS, untilS) -> {
        throw new IllegalStateException("out of order");
      };

  private final RunSheet sheet = new RunSheet(List.of(broken, station), acts::get);

  @Test
  void twentyWhoLookHaveItComputedOnce() {
    IntStream.range(0, 20).parallel().forEach(i -> sheet.lines(1000, 3600));
    assertThat(computed).hasValue(1);
    assertThat(sheet.lines(1010, 3600))
        .extracting(AgendaSource.Line::what)
        .containsExactly("what 1");
    assertThat(sheet.lines(1000, 7200)).extracting(AgendaSource.Line::key).containsExactly("k8200");
  }

  @Test
  void anActAndTimeHaveItComputedAnew() {
    sheet.lines(1000, 3600);
    acts.incrementAndGet();
    assertThat(sheet.lines(1000, 3600).get(0).what()).isEqualTo("what 2");
    assertThat(sheet.lines(1015, 3600).get(0).what()).as("after a while").isEqualTo("what 3");
    assertThat(sheet.lines(900, 3600).get(0).what()).as("the clock went back").isEqualTo("what 4");
    changing = true;
    assertThat(sheet.lines(901, 3600).get(0).what()).isEqualTo("what 5");
    assertThat(sheet.lines(901, 3600).get(0).what()).isEqualTo("what 6");
  }

  /** Whoever asks for another length each time fills no memory. */
  @Test
  void oddLengthsAreNotKept() {
    for (int i = 0; i < 100; i++) {
      sheet.lines(1000, 3600 + i);
    }
    computed.set(0);
    sheet.lines(1000, 3650);
    sheet.lines(1000, 3650);
    assertThat(computed).hasValue(2);
  }
}
