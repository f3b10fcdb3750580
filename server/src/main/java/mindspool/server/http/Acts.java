package mindspool.server.http;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Lets one act happen after the other, each in one transaction: what an act checks still holds when
 * it is stored, and all of it is stored or nothing.
 *
 * <p>The turn is taken before any connection to the database, and nobody who holds one ever waits
 * for a turn, so that the two cannot block each other. Reading needs no turn.
 */
@Service
public class Acts {

  /** An act takes milliseconds; whoever waits longer gets an answer instead of waiting on. */
  private static final long PATIENCE_S = 20;

  private final ReentrantLock turn = new ReentrantLock(true);
  private final AtomicLong done = new AtomicLong();
  private final TransactionTemplate transactions;

  Acts(TransactionTemplate transactions) {
    this.transactions = transactions;
  }

  /** Does an act that the program itself has reason for, such as noting an alarm. */
  public <T> T inTurn(Supplier<T> act) {
    boolean mine = turn.isHeldByCurrentThread();
    if (!mine && !takeTurn()) {
      throw new BusyException();
    }
    try {
      return transactions.execute(status -> act.get());
    } finally {
      if (!mine) {
        endTurn();
      }
    }
  }

  /** Waits for its turn; false where it takes too long. */
  boolean takeTurn() {
    try {
      return turn.tryLock(PATIENCE_S, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  void endTurn() {
    done.incrementAndGet();
    turn.unlock();
  }

  /** How many acts are over; whoever computed something before another one must look again. */
  public long done() {
    return done.get();
  }

  /** Too many acts at once. */
  static final class BusyException extends RuntimeException {
    private static final long serialVersionUID = 1L;
  }

  /**
   * Runs something now, for the rest of this act, and once more when the act is stored or given up:
   * what is forgotten from memory only now could be read again by others as it was before.
   */
  public static void nowAndAfterwards(Runnable forget) {
    forget.run();
    if (TransactionSynchronizationManager.isSynchronizationActive()) {
      TransactionSynchronizationManager.registerSynchronization(
          new TransactionSynchronization() {
            @Override
            public int getOrder() {
              return Ordered.HIGHEST_PRECEDENCE;
            }

            @Override
            public void afterCommit() {
              forget.run();
            }

            @Override
            public void afterCompletion(int status) {
              if (status != STATUS_COMMITTED) {
                forget.run();
              }
            }
          });
    }
  }

  /** Runs something once the act is stored; at once where there is none going on. */
  public static void onceStored(Runnable then) {
    if (!TransactionSynchronizationManager.isSynchronizationActive()) {
      then.run();
      return;
    }
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            then.run();
          }
        });
  }
}
