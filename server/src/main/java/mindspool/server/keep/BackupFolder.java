package mindspool.server.keep;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Backups of a data folder: zip files with the database and with what it held, each read back when
 * it is made and before it is restored.
 */
final class BackupFolder {

  /** Why a backup was made; each kind makes room for its later ones. */
  enum Reason {
    DAILY,
    MIGRATION,
    MANUAL
  }

  /** A backup that is there. */
  record Backup(Path file, Instant at, Reason reason, long bytes) {}

  private static final DateTimeFormatter STAMP =
      DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH-mm-ss'Z'", Locale.ROOT);

  private static final String PREFIX = "mind-spool-";
  private static final String DATABASE = "mind-spool.mv.db";
  private static final String HELD = "held.json";
  static final int MIGRATIONS_KEPT = 3;

  /** Made by hand, also by scripts: more than anybody goes back to. */
  static final int MANUAL_KEPT = 20;

  private final Path data;
  private final Path folder;

  private BackupFolder(Path data) {
    this.data = data;
    this.folder = data.resolve("backups");
  }

  /** The backups of a data folder. */
  static BackupFolder of(Path data) {
    return new BackupFolder(data);
  }

  /** All backups, the newest first; files that are none are left out. */
  List<Backup> all() {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    List<Backup> found = new ArrayList<>();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        parse(file).ifPresent(found::add);
      }
    } catch (IOException e) {
      return List.of();
    }
    found.sort(Comparator.comparing(Backup::at).reversed());
    return found;
  }

  private static Optional<Backup> parse(Path file) {
    String name = file.getFileName().toString();
    if (!name.startsWith(PREFIX) || !name.endsWith(".zip")) {
      return Optional.empty();
    }
    String bare = name.substring(PREFIX.length(), name.length() - ".zip".length());
    int dash = bare.lastIndexOf('-');
    try {
      Instant at = LocalDateTime.parse(bare.substring(0, dash), STAMP).toInstant(ZoneOffset.UTC);
      Reason reason = Reason.valueOf(bare.substring(dash + 1).toUpperCase(Locale.ROOT));
      return Optional.of(new Backup(file, at, reason, Files.size(file)));
    } catch (DateTimeParseException
        | IllegalArgumentException
        | IndexOutOfBoundsException
        | IOException e) {
      return Optional.empty();
    }
  }

  String newestInWords() {
    List<Backup> all = all();
    if (all.isEmpty()) {
      return "there is none";
    }
    Backup newest = all.get(0);
    String held;
    try {
      held = held(newest.file).words();
    } catch (IOException e) {
      held = "cannot be read";
    }
    return "the newest is of %s (%s); %d in all".formatted(newest.at, held, all.size());
  }

  /**
   * Makes a backup of an open database and reads it back.
   *
   * @throws IOException when it cannot be written, or does not hold what it should
   */
  Backup make(Connection connection, Reason reason, Instant now) throws IOException, SQLException {
    Files.createDirectories(folder);
    String name =
        PREFIX
            + STAMP.format(LocalDateTime.ofInstant(now, ZoneOffset.UTC))
            + "-"
            + reason.name().toLowerCase(Locale.ROOT)
            + ".zip";
    Path raw = folder.resolve(name + ".raw");
    Path part = folder.resolve(name + ".part");
    try {
      Inventory before = Inventory.of(connection);
      try (Statement statement = connection.createStatement()) {
        statement.execute("checkpoint sync");
        statement.execute("backup to '" + raw.toString().replace("'", "''") + "'");
      }
      addHeld(raw, part, before);
      check(part);
      Path file = folder.resolve(name);
      Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
      return new Backup(file, now, reason, Files.size(file));
    } finally {
      Files.deleteIfExists(raw);
      Files.deleteIfExists(part);
    }
  }

  private static void addHeld(Path raw, Path to, Inventory held) throws IOException {
    try (ZipInputStream in = new ZipInputStream(Files.newInputStream(raw));
        ZipOutputStream out =
            new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(to)))) {
      out.putNextEntry(new ZipEntry(HELD));
      out.write(JsonMapper.shared().writeValueAsBytes(held));
      out.closeEntry();
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        if (entry.getName().endsWith(".mv.db")) {
          out.putNextEntry(new ZipEntry(DATABASE));
          in.transferTo(out);
          out.closeEntry();
        }
      }
    }
  }

  /** What a backup says that it holds. */
  static Inventory held(Path file) throws IOException {
    try (ZipInputStream in = new ZipInputStream(Files.newInputStream(file))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        if (HELD.equals(entry.getName())) {
          return JsonMapper.shared()
              .readValue(new String(in.readAllBytes(), StandardCharsets.UTF_8), Inventory.class);
        }
      }
    } catch (JacksonException e) {
      throw new IOException("it does not say what it holds", e);
    }
    throw new IOException("it is no backup of Mind Spool");
  }

  /**
   * Reads a backup as if it were restored, without touching the data.
   *
   * @return what it holds
   * @throws IOException when it cannot be read or holds less than it says
   */
  Inventory check(Path file) throws IOException {
    Path trial = Files.createTempDirectory(Files.createDirectories(folder), "check-");
    try {
      unpack(file, trial.resolve(DATABASE));
      return read(trial, held(file));
    } finally {
      delete(trial);
    }
  }

  private static void unpack(Path file, Path database) throws IOException {
    try (InputStream opened = Files.newInputStream(file);
        ZipInputStream in = new ZipInputStream(opened)) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        if (DATABASE.equals(entry.getName())) {
          try (OutputStream out = Files.newOutputStream(database)) {
            in.transferTo(out);
          }
          return;
        }
      }
    }
    throw new IOException("there is no database in it");
  }

  private static Inventory read(Path trial, Inventory promised) throws IOException {
    String url = "jdbc:h2:file:" + trial.resolve("mind-spool").toAbsolutePath() + ";IFEXISTS=TRUE";
    try (Connection connection = DriverManager.getConnection(url, "sa", "")) {
      Inventory found = Inventory.of(connection);
      boolean less =
          promised.counts().entrySet().stream()
              .anyMatch(each -> found.counts().getOrDefault(each.getKey(), 0L) < each.getValue());
      if (less) {
        throw new IOException("it holds only " + found.wordsOfWhatIsLeft(promised));
      }
      return found;
    } catch (SQLException e) {
      throw new IOException("the database in it cannot be opened: " + e.getMessage(), e);
    }
  }

  private static void delete(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Files.deleteIfExists(file);
      }
    }
    Files.deleteIfExists(folder);
  }

  /**
   * Puts a backup in the place of the data, which is kept beside it.
   *
   * @return where the data that was there is now; empty where there was none
   */
  Optional<Path> restore(Path file, Instant now) throws IOException {
    check(file);
    Path database = data.resolve(DATABASE);
    Path part = data.resolve(DATABASE + ".restoring");
    unpack(file, part);
    Optional<Path> before = Optional.empty();
    if (Files.exists(database)) {
      Path aside =
          data.resolve(
              "before-restore-"
                  + STAMP.format(LocalDateTime.ofInstant(now, ZoneOffset.UTC))
                  + ".mv.db");
      Files.move(database, aside);
      before = Optional.of(aside);
    }
    Files.move(part, database, StandardCopyOption.ATOMIC_MOVE);
    // What was known of the data is no longer so; the next start begins to know anew.
    Files.deleteIfExists(data.resolve(KnownData.FILE));
    return before;
  }

  /** Deletes daily backups that are no longer kept, and old ones of migrations. */
  void rotate(ZoneId zone) throws IOException {
    List<Backup> all = all();
    List<Instant> daily =
        all.stream().filter(b -> b.reason == Reason.DAILY).map(Backup::at).toList();
    var kept = BackupRotation.kept(daily, zone);
    int migrations = 0;
    int manual = 0;
    for (Backup backup : all) {
      boolean goes =
          switch (backup.reason) {
            case DAILY -> !kept.contains(backup.at);
            case MIGRATION -> ++migrations > MIGRATIONS_KEPT;
            case MANUAL -> ++manual > MANUAL_KEPT;
          };
      if (goes) {
        Files.deleteIfExists(backup.file);
      }
    }
  }
}
