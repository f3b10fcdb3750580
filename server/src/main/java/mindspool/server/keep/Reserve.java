package mindspool.server.keep;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Some megabytes held back for the case that another program fills the disk to its last byte while
 * the database writes, which closes it. They are given up so that it can be opened again and read.
 */
@Component
class Reserve {

  private static final Logger LOG = LoggerFactory.getLogger(Reserve.class);
  private static final int MB = 1 << 20;

  private final Path file;
  private final int sizeMb;
  private final KnownData known;
  private final DiskSpace disk;
  private final Durability durability;
  private final DataSource pool;

  Reserve(
      @Value("${mindspool.data-dir}") Path folder,
      @Value("${mindspool.reserve-mb}") int sizeMb,
      KnownData known,
      DiskSpace disk,
      Durability durability,
      DataSource pool) {
    this.file = folder.resolve("reserve");
    this.sizeMb = sizeMb;
    this.known = known;
    this.disk = disk;
    this.durability = durability;
    this.pool = pool;
  }

  /** Looks after the database: opens it again where it was closed, and holds room back. */
  @Scheduled(fixedDelay = 1_000)
  void look() {
    if (!known.isOnDisk()) {
      return;
    }
    if (!durability.isOpen()) {
      revive();
    } else if (!Files.exists(file) && disk.hasRoomFor(sizeMb)) {
      holdBack();
    }
  }

  private void revive() {
    LOG.warn("The database was closed; it is opened again");
    try {
      if (disk.isLow() && Files.deleteIfExists(file)) {
        LOG.warn("The disk is full; the reserve was given up for the database");
      }
    } catch (IOException e) {
      LOG.warn("The reserve could not be given up", e);
    }
    if (pool instanceof HikariDataSource connections && connections.getHikariPoolMXBean() != null) {
      connections.getHikariPoolMXBean().softEvictConnections();
    }
    durability.isOpen();
  }

  private void holdBack() {
    byte[] block = new byte[MB];
    try (OutputStream out = Files.newOutputStream(file)) {
      for (int i = 0; i < sizeMb; i++) {
        out.write(block);
      }
    } catch (IOException e) {
      LOG.warn("No room could be held back", e);
    }
  }
}
