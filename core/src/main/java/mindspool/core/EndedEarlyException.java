package mindspool.core;

/**
 * A long computation was ended before it was finished, because its thread was interrupted: the time
 * for it is over, or nobody waits for it any more.
 */
public final class EndedEarlyException extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /** Ends what the current thread computes when it was interrupted; costs nothing otherwise. */
  public static void throwIfInterrupted() {
    if (Thread.currentThread().isInterrupted()) {
      throw new EndedEarlyException();
    }
  }
}
