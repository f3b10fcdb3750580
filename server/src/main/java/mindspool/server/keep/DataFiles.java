package mindspool.server.keep;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Files of the data folder that are the program's own: database, backups, what is held back. */
@Component
class DataFiles implements SpaceUse {

  private final Path folder;
  private final Backups backups;

  DataFiles(@Value("${mindspool.data-dir}") Path folder, Backups backups) {
    this.folder = folder;
    this.backups = backups;
  }

  @Override
  public List<Use> uses() {
    List<Use> uses = new ArrayList<>();
    uses.add(
        Use.inFiles(
            "database",
            "Database",
            1,
            size(folder.resolve("mind-spool.mv.db")),
            "Room of what was deleted in it is used again."));
    List<BackupFolder.Backup> all = backups.all();
    uses.add(
        Use.inFiles(
            "backups",
            "Backups",
            all.size(),
            all.stream().mapToLong(BackupFolder.Backup::bytes).sum(),
            "Daily ones: of seven days, four weeks, twelve months. By hand: the newest %d. Before an"
                    .formatted(BackupFolder.MANUAL_KEPT)
                + " upgrade: the newest %d.".formatted(BackupFolder.MIGRATIONS_KEPT)));
    uses.add(
        Use.inFiles(
            "reserve",
            "Held back for a full disk",
            1,
            size(folder.resolve("reserve")),
            "Given up when the disk is full, so that the database can be opened."));
    return uses;
  }

  /** Of a file, or of all in a folder; 0 of what is not there. Files may come and go meanwhile. */
  static long size(Path path) {
    try (Stream<Path> files = Files.walk(path)) {
      return files.mapToLong(DataFiles::fileSize).sum();
    } catch (NoSuchFileException | UncheckedIOException e) {
      return 0;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static long fileSize(Path file) {
    try {
      return Files.isRegularFile(file) ? Files.size(file) : 0;
    } catch (IOException e) {
      return 0;
    }
  }
}
