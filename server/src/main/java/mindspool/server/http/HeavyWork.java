package mindspool.server.http;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;

/** Lets few long computations run at a time, so that they leave room for everything else. */
@Service
public class HeavyWork {

  private static final int AT_ONCE = 2;
  private static final long PATIENCE_S = 10;

  private final Semaphore room = new Semaphore(AT_ONCE, true);

  /** There is too much to do at once. */
  static final class TooMuchException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    TooMuchException() {
      super(
          "Other long computations are running; this one was not begun. Ask again in a moment, one"
              + " after the other.");
    }
  }

  /** Computes something once there is room, or refuses after some seconds. */
  public <T> T run(Supplier<T> work) {
    try {
      if (!room.tryAcquire(PATIENCE_S, TimeUnit.SECONDS)) {
        throw new TooMuchException();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new TooMuchException();
    }
    try {
      return work.get();
    } finally {
      room.release();
    }
  }
}
