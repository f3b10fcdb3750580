package mindspool.server.keep;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Service;

/**
 * Waits until everything committed is on the disk. The database by itself writes half a second
 * later, and what was promised meanwhile would be lost with the process. Those who wait at the same
 * time share one writing.
 */
@Service
public class Durability implements DisposableBean {

  private final DataSourceProperties properties;
  private final ReentrantLock writing = new ReentrantLock();
  private final Object counting = new Object();
  private long asked;
  private long written;
  private Connection connection;

  Durability(DataSourceProperties properties) {
    this.properties = properties;
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
      if (connection == null || connection.isClosed()) {
        connection =
            DriverManager.getConnection(
                properties.determineUrl(),
                properties.determineUsername(),
                properties.determinePassword());
      }
      try (Statement statement = connection.createStatement()) {
        statement.execute("checkpoint sync");
      }
    } catch (SQLException e) {
      close();
      throw new DataAccessResourceFailureException("The disk did not take what was stored", e);
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

  @Override
  public void destroy() {
    close();
  }
}
