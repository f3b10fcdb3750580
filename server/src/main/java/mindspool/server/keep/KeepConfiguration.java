package mindspool.server.keep;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import org.flywaydb.core.Flyway;
import org.springframework.beans.factory.config.BeanFactoryPostProcessor;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The order of a start and of a stop, as far as the data is concerned. */
@Configuration
class KeepConfiguration {

  /** H2's code for a database file that another process has locked. */
  private static final int ALREADY_OPEN = 90020;

  /** The database is closed before what is known of it is noted for the last time. */
  @Bean
  static BeanFactoryPostProcessor databaseClosesFirst() {
    return factory -> {
      if (factory.containsBeanDefinition("dataSource")) {
        factory.getBeanDefinition("dataSource").setDependsOn("knownData");
      }
    };
  }

  /** Checks the data, backs it up if a migration is due, and only then touches it. */
  @Bean
  FlywayMigrationStrategy checkedMigration(
      KnownData known, DataSourceProperties properties, Clock clock, BackupPlace place) {
    return flyway -> {
      known.checkFile();
      try (Connection connection = flyway.getConfiguration().getDataSource().getConnection()) {
        known.check(connection);
        backUpBefore(flyway, connection, known, clock, place);
        // From here on the file changes; how it was left says nothing any more.
        known.opened();
      } catch (SQLException e) {
        if (e.getErrorCode() == ALREADY_OPEN || rootCode(e) == ALREADY_OPEN) {
          throw new IllegalStateException(e);
        }
        throw known.unreadable(e);
      }
      flyway.migrate();
    };
  }

  private static int rootCode(Throwable thrown) {
    for (Throwable at = thrown; at != null; at = at.getCause()) {
      if (at instanceof SQLException sql && sql.getErrorCode() == ALREADY_OPEN) {
        return ALREADY_OPEN;
      }
    }
    return 0;
  }

  private static void backUpBefore(
      Flyway flyway, Connection connection, KnownData known, Clock clock, BackupPlace place)
      throws SQLException {
    boolean due = flyway.info().pending().length > 0;
    if (!due || !known.isOnDisk() || Inventory.of(connection).isEmpty()) {
      return;
    }
    try {
      place.folder().make(connection, BackupFolder.Reason.MIGRATION, clock.instant());
      place.folder().rotate(clock.getZone());
    } catch (IOException e) {
      throw new IllegalStateException(
          "The data is of an older version and could not be backed up before it is changed ("
              + e.getMessage()
              + "). Make room on the disk, then start again.",
          e);
    }
  }
}
