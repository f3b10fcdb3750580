package mindspool.server.devices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BatchTest {

  private final List<Integer> stored = new ArrayList<>();
  private final List<Integer> aside = new ArrayList<>();
  private final List<Integer> done = new ArrayList<>();
  private Set<Integer> bad = Set.of();
  private boolean down;

  private Batch<Integer> batch(int size) {
    Batch<Integer> batch =
        new Batch<>(
            all -> {
              if (down || all.stream().anyMatch(bad::contains)) {
                throw new IllegalStateException("not stored");
              }
              stored.addAll(all);
            },
            (message, why) -> {
              if (down) {
                throw new IllegalStateException("nothing can be kept");
              }
              aside.add(message);
            },
            done::add);
    IntStream.range(0, size).forEach(batch::add);
    return batch;
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 7, 499, 998, 999})
  void oneBadMessageHoldsUpNoOther(int which) {
    bad = Set.of(which);
    Batch<Integer> batch = batch(1000);
    batch.settle();
    assertThat(batch.isEmpty()).isTrue();
    assertThat(aside).containsExactly(which);
    assertThat(stored).hasSize(999).doesNotContain(which).isSorted();
    assertThat(done).containsExactlyElementsOf(IntStream.range(0, 1000).boxed().toList());
  }

  @Test
  void aDatabaseThatIsDownSetsNothingAside() {
    down = true;
    bad = Set.of(3);
    Batch<Integer> batch = batch(10);
    assertThatThrownBy(batch::settle).isInstanceOf(IllegalStateException.class);
    assertThat(done).isEmpty();
    assertThat(aside).isEmpty();
    down = false;
    batch.settle();
    assertThat(aside).containsExactly(3);
    assertThat(stored).containsExactly(0, 1, 2, 4, 5, 6, 7, 8, 9);
    batch.settle();
    assertThat(done).hasSize(10);
  }
}
