package mindspool.server.acts;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/**
 * Rows of one table as things that people describe.
 *
 * @param <T> the row
 */
public abstract class StoredEditable<T> implements Editable<T> {

  private final String word;
  private final Class<T> type;
  private final JpaRepository<T, Long> store;

  protected StoredEditable(String word, Class<T> type, JpaRepository<T, Long> store) {
    this.word = word;
    this.type = type;
    this.store = store;
  }

  @Override
  public final String word() {
    return word;
  }

  @Override
  public final Class<T> type() {
    return type;
  }

  @Override
  public final Optional<T> find(long id) {
    return store.findById(id);
  }

  @Override
  public final void restore(T thing) {
    check(thing);
    store.saveAndFlush(thing);
    follow(thing);
  }

  /** Refuses what cannot be. */
  protected void check(T thing) {}

  /** Lets what hangs on it follow. */
  protected void follow(T thing) {}
}
