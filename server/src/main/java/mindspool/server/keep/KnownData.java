package mindspool.server.keep;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.zip.CRC32C;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What was last known to be on the disk, kept in a small file beside the data: at the next start
 * the data must hold at least that, and after an orderly stop be the same to the byte.
 */
@Component
class KnownData implements DisposableBean {

  static final String FILE = "known.json";

  private static final Logger LOG = LoggerFactory.getLogger(KnownData.class);

  private final Path folder;
  private final Path file;
  private final Path database;
  private final boolean acceptLoss;
  private final boolean onDisk;
  private volatile Inventory latest;

  KnownData(
      @Value("${mindspool.data-dir}") Path folder,
      @Value("${mindspool.accept-loss:false}") boolean acceptLoss,
      @Value("${spring.datasource.url}") String url) {
    this.folder = folder;
    this.file = folder.resolve(FILE);
    this.database = folder.resolve("mind-spool.mv.db");
    this.acceptLoss = acceptLoss;
    this.onDisk = url.startsWith("jdbc:h2:file:");
  }

  /**
   * The file's content.
   *
   * @param bytes length of the data file after an orderly stop; null while the program runs
   * @param sum its CRC-32C then
   */
  record Known(Instant at, Inventory held, Long bytes, Long sum) {}

  /** Whether data is kept on the disk at all; the demonstration keeps none. */
  boolean isOnDisk() {
    return onDisk;
  }

  /** What was known at the last stop; null where nothing was. */
  private Known known() {
    if (!onDisk || !Files.exists(file)) {
      return null;
    }
    try {
      return JsonMapper.shared().readValue(Files.readAllBytes(file), Known.class);
    } catch (IOException | JacksonException e) {
      // Half written when the machine stopped; then the data speaks for itself.
      LOG.warn("What was known of the data cannot be read; the data is taken as it is");
      return null;
    }
  }

  /** Checks the data file before anything opens it. */
  void checkFile() {
    Known known = known();
    if (known == null || acceptLoss || known.held.isEmpty()) {
      return;
    }
    if (!Files.exists(database)) {
      throw damaged("The data file is gone: " + database + ".", known, null);
    }
    try {
      long size = Files.size(database);
      if (size == 0) {
        throw damaged("The data file is empty: " + database + ".", known, null);
      }
      if (known.bytes != null && (size != known.bytes || sum() != known.sum)) {
        throw damaged(
            "The data file is not as Mind Spool left it (%d bytes, %d then): %s."
                .formatted(size, known.bytes, database),
            known,
            null);
      }
    } catch (IOException e) {
      throw damaged("The data file cannot be read: " + database + ".", known, e);
    }
  }

  /** Checks that an opened database holds what was known. */
  void check(Connection connection) throws SQLException {
    Known known = known();
    Inventory found = Inventory.of(connection);
    if (known != null && !acceptLoss && found.mark() < known.held.mark()) {
      throw damaged(
          "The data is older than it should be: only "
              + found.wordsOfWhatIsLeft(known.held)
              + " can be read.",
          known,
          null);
    }
    latest = found;
  }

  /** Notes that the data is in use: after a kill only what it held counts, not its bytes. */
  synchronized void opened() {
    if (!latest.isEmpty()) {
      write(new Known(Instant.now(), latest, null, null));
    }
  }

  /** The database could not be opened. */
  DamagedDataException unreadable(SQLException cause) {
    Known known = known();
    String what = "The data file is damaged and cannot be opened: " + database + ".";
    return known == null
        ? new DamagedDataException(folder, what, cause)
        : damaged(what, known, cause);
  }

  private DamagedDataException damaged(String what, Known known, Throwable cause) {
    return new DamagedDataException(
        folder,
        what
            + "\nAt %s it held %s."
                .formatted(known.at.truncatedTo(ChronoUnit.SECONDS), known.held.words()),
        cause);
  }

  /** Notes what is on the disk now. */
  synchronized void note(Inventory held) {
    latest = held;
    write(new Known(Instant.now(), held, null, null));
  }

  private void write(Known known) {
    if (!onDisk) {
      return;
    }
    Path part = folder.resolve(FILE + ".part");
    try {
      Files.createDirectories(folder);
      Files.write(part, JsonMapper.shared().writeValueAsBytes(known));
      Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      // On a full disk the older note stays, which is true as well.
      LOG.debug("What is known of the data was not written", e);
    }
  }

  private long sum() throws IOException {
    CRC32C sum = new CRC32C();
    byte[] buffer = new byte[1 << 20];
    try (InputStream in = Files.newInputStream(database)) {
      for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
        sum.update(buffer, 0, read);
      }
    }
    return sum.getValue();
  }

  /** Comes after the database was closed: notes the file as it was left. */
  @Override
  public void destroy() {
    if (!onDisk || latest == null || !Files.exists(database)) {
      return;
    }
    try {
      write(new Known(Instant.now(), latest, Files.size(database), sum()));
    } catch (IOException e) {
      LOG.warn("The data file could not be read after it was closed", e);
    }
  }
}
