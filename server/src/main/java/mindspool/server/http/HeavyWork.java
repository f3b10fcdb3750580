package mindspool.server.http;

import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import mindspool.core.EndedEarlyException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/**
 * Lets few long computations run at a time, so that they leave room for everything else, and ends
 * each when its time is over or whoever asked has gone.
 */
@Service
public class HeavyWork implements DisposableBean {

  /** Longest that a calculator may take, s. */
  public static final double USUAL_SECONDS = 20;

  private static final int AT_ONCE = 2;
  private static final long PATIENCE_S = 10;
  private static final long LOOK_MS = 250;

  private final Semaphore room = new Semaphore(AT_ONCE, true);
  private final ExecutorService workers =
      Executors.newCachedThreadPool(
          task -> {
            Thread thread = new Thread(task, "heavy-work");
            thread.setDaemon(true);
            return thread;
          });

  /** There is too much to do at once. */
  static final class TooMuchException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    TooMuchException() {
      super(
          "Other long computations are running; this one was not begun. Ask again in a moment, one"
              + " after the other.");
    }
  }

  /** A computation was ended because its time was over. */
  static final class TooLongException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    TooLongException(double seconds) {
      super(
          "This takes longer than %.0f s and was ended. Ask for less: fewer spools, dryers or"
                  .formatted(seconds)
              + " intervals, or a shorter time.");
    }
  }

  /** Computes something within the usual time. */
  public <T> T run(Supplier<T> work) {
    return run(USUAL_SECONDS, work);
  }

  /**
   * Computes something once there is room.
   *
   * @param seconds how long it may take; then it is ended
   */
  public <T> T run(double seconds, Supplier<T> work) {
    BooleanSupplier callerIsGone = Callers.current();
    enter(room);
    try {
      return await(workers.submit(work::get), seconds, callerIsGone);
    } finally {
      room.release();
    }
  }

  /** Waits for a place, or refuses after some seconds. */
  static void enter(Semaphore places) {
    try {
      if (!places.tryAcquire(PATIENCE_S, TimeUnit.SECONDS)) {
        throw new TooMuchException();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new TooMuchException();
    }
  }

  private static <T> T await(Future<T> result, double seconds, BooleanSupplier callerIsGone) {
    long endNs = System.nanoTime() + Math.round(1e9 * seconds);
    try {
      while (true) {
        try {
          return result.get(LOOK_MS, TimeUnit.MILLISECONDS);
        } catch (TimeoutException notYet) {
          if (System.nanoTime() > endNs || callerIsGone.getAsBoolean()) {
            throw new TooLongException(seconds);
          }
        }
      }
    } catch (ExecutionException e) {
      if (e.getCause() instanceof EndedEarlyException) {
        throw new TooLongException(seconds);
      }
      throw e.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new TooLongException(seconds);
    } catch (CancellationException e) {
      throw new TooLongException(seconds);
    } finally {
      result.cancel(true);
    }
  }

  @Override
  public void destroy() {
    workers.shutdownNow();
  }

  /** Who asked, and whether they still wait. */
  static final class Callers {

    /** Request attribute under which the web server leaves a way to find out. */
    static final String GONE = "mindspool.caller-is-gone";

    private Callers() {}

    static BooleanSupplier current() {
      RequestAttributes request = RequestContextHolder.getRequestAttributes();
      return request != null
              && request.getAttribute(GONE, RequestAttributes.SCOPE_REQUEST)
                  instanceof BooleanSupplier gone
          ? gone
          : () -> false;
    }
  }
}
