package mindspool.server.http;

import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;

/**
 * Something read from the database and kept until it is forgotten. What was being read when it was
 * forgotten is not kept, and nobody waits for another's reading.
 */
public final class KeptValue<T> {

  private final AtomicReference<Object> state = new AtomicReference<>(new Object());

  private record Value<T>(T value) {}

  /** What is kept, or else what is read now. */
  @SuppressWarnings("unchecked")
  public T get(Supplier<T> read) {
    Object before = state.get();
    if (before instanceof Value<?> known) {
      return (T) known.value;
    }
    T fresh = read.get();
    state.compareAndSet(before, new Value<>(fresh));
    return fresh;
  }

  /** What is kept; null where nothing is. */
  @SuppressWarnings("unchecked")
  public T peek() {
    return state.get() instanceof Value<?> known ? (T) known.value : null;
  }

  /** Keeps something that follows from what was kept, unless that was forgotten meanwhile. */
  public void replace(T before, T after) {
    Object now = state.get();
    if (now instanceof Value<?> known && known.value == before) {
      state.compareAndSet(now, new Value<>(after));
    }
  }

  /** Has it read anew by whoever asks next. */
  public void forget() {
    state.set(new Object());
  }
}
