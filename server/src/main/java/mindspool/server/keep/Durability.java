package mindspool.server.keep;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Waits until everything committed is on the disk. The database by itself writes half a second
 * later, and what was promised meanwhile would be lost with the process. Those who wait at the same
 * time share one writing.
 */
@Service
public class Durability implements DisposableBean {

  private final DataSourceProperties properties;
  private final KnownData known;
  private final ReentrantLock writing = new ReentrantLock();
  private final Object counting = new Object();
  private long asked;
  private long written;
  private Connection connection;
  private boolean unnoted;

  Durability(DataSourceProperties properties, KnownData known) {
    this.properties = properties;
    this.known = known;
  }

  /** Notes what is on the disk by now, so that the next start can tell whether it still is. */
  @Scheduled(fixedDelay = 1_000)
  void note() {
    writing.lock();
    try {
      if (unnoted && connection != null) {
        known.note(Inventory.of(connection));
        unnoted = false;
      }
    } catch (SQLException e) {
      close();
    } finally {
      writing.unlock();
    }
  }

  /**
   * Returns once all that was committed before the call is on the disk.
   *
   * @throws DataAccessResourceFailureException when it cannot be written
   */
  public void awaitDisk() {
    long mine;
    synchronized (counting) {
      mine = ++asked;
    }
    // A lock of its own connection only, never one of the pool that the others wait for.
    writing.lock();
    try {
      long upTo;
      synchronized (counting) {
        if (written >= mine) {
          return;
        }
        upTo = asked;
      }
      write();
      synchronized (counting) {
        written = upTo;
      }
    } finally {
      writing.unlock();
    }
  }

  private void write() {
    try {
      open();
      try (Statement statement = connection.createStatement()) {
        statement.execute("select next value for kept_mark");
        statement.execute("checkpoint sync");
      }
      unnoted = true;
    } catch (SQLException e) {
      close();
      throw new DataAccessResourceFailureException("The disk did not take what was stored", e);
    }
  }

  private void open() throws SQLException {
    if (connection == null || connection.isClosed()) {
      connection =
          DriverManager.getConnection(
              properties.determineUrl(),
              properties.determineUsername(),
              properties.determinePassword());
    }
  }

  /** Lets go of the database, so that it can be closed or opened anew. */
  void close() {
    writing.lock();
    try {
      if (connection != null) {
        connection.close();
      }
    } catch (SQLException closedAlready) {
      // Nothing more to let go of.
    } finally {
      connection = null;
      writing.unlock();
    }
  }

  /** Whether the database answers; where it was closed by a full disk it is opened anew. */
  boolean isOpen() {
    writing.lock();
    try {
      open();
      try (Statement statement = connection.createStatement()) {
        statement.execute("select 1");
      }
      return true;
    } catch (SQLException e) {
      close();
      return false;
    } finally {
      writing.unlock();
    }
  }

  @Override
  public void destroy() {
    note();
    close();
  }
}
