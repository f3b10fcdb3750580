package mindspool.server.http;

import java.util.function.Supplier;
import mindspool.core.Require;

/** Somebody changed a thing after it was read and before this change of it arrived. */
public final class StaleEditException extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final transient Object current;

  private StaleEditException(String what, Object current) {
    super(what + " was changed by somebody else since you opened it.");
    this.current = current;
  }

  /** The thing as it is now, to be shown beside what was sent. */
  Object current() {
    return current;
  }

  /**
   * Refuses a change that was made from an older state.
   *
   * @param what the thing in words, to begin a sentence with
   * @param read version that the change was made from; must be given
   * @param version it has now
   * @param current the thing as it is now
   */
  public static void refuse(String what, Integer read, int version, Object current) {
    refuse(what, read, version, () -> current);
  }

  /** As the other, for a thing that takes long to show. */
  public static void refuse(String what, Integer read, int version, Supplier<?> current) {
    if (Require.present("version", read, "the version that was read with it") != version) {
      throw new StaleEditException(what, current.get());
    }
  }
}
