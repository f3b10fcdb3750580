package mindspool.server.acts;

import java.util.Optional;
import java.util.Set;

/**
 * Things that people describe: each is a row with fields. One that can be removed has a field
 * {@code removedS}, null while it is there.
 *
 * @param <T> the row
 */
public interface Editable<T> {

  /** Its word in a sentence, such as "job". */
  String word();

  Class<T> type();

  Optional<T> find(long id);

  /** What it is called. */
  String title(T thing);

  /** Page of it. */
  String link(T thing);

  /** Stores it as an undo made it, and lets what hangs on it follow. Refuses what cannot be. */
  void restore(T thing);

  /**
   * Refuses that the adding of a thing is undone, where that would take away what was done with it
   * since.
   */
  default void refuseTakingAway(T thing) {}

  /**
   * A change of a field in a person's words; none to say its values as they are, an empty text
   * where another field says it.
   */
  default Optional<String> inWords(String field, String before, String after) {
    return Optional.empty();
  }

  /** Fields that are not a person's to change. */
  default Set<String> ownFields() {
    return Set.of();
  }
}
