package mindspool.server.devices;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/**
 * Messages that wait to be stored, the oldest first. Where they cannot be stored together they are
 * halved until the one is found that cannot be stored at all; that one is set aside, so that it
 * holds up no other.
 *
 * @param <T> a message
 */
final class Batch<T> {

  private final Consumer<List<T>> store;
  private final BiConsumer<T, RuntimeException> setAside;
  private final Consumer<T> done;
  private final Deque<T> waiting = new ArrayDeque<>();

  /**
   * An empty batch.
   *
   * @param store stores all of some messages or fails
   * @param setAside keeps one that cannot be stored, with why; fails where nothing can be kept
   * @param done is called for each message that is stored or set aside, in their order
   */
  Batch(Consumer<List<T>> store, BiConsumer<T, RuntimeException> setAside, Consumer<T> done) {
    this.store = store;
    this.setAside = setAside;
    this.done = done;
  }

  void add(T message) {
    waiting.addLast(message);
  }

  boolean isEmpty() {
    return waiting.isEmpty();
  }

  /**
   * Settles all that waits.
   *
   * @throws RuntimeException when not even one can be set aside; what is left stays and may be
   *     settled later
   */
  void settle() {
    settle(waiting.size());
  }

  private void settle(int first) {
    if (first == 0) {
      return;
    }
    List<T> part = waiting.stream().limit(first).toList();
    try {
      store.accept(part);
    } catch (RuntimeException e) {
      if (first > 1) {
        settle(first / 2);
        settle(first - first / 2);
        return;
      }
      setAside.accept(part.get(0), e);
    }
    for (int i = 0; i < first; i++) {
      done.accept(waiting.removeFirst());
    }
  }
}
