package mindspool.server.keep;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
            ("Daily ones: the latest of %d days, %d weeks and %d months. By hand: the newest %d."
                    + " Before an upgrade: the newest %d.")
                .formatted(
                    BackupRotation.DAYS,
                    BackupRotation.WEEKS,
                    BackupRotation.MONTHS,
                    BackupFolder.MANUAL_KEPT,
                    BackupFolder.MIGRATIONS_KEPT)));
    uses.add(
        Use.inFiles(
            "reserve",
            "Held back for a full disk",
            1,
            size(folder.resolve("reserve")),
            "Given up when the disk is full, so that the database can be opened."));
    return uses;
  }

  /** Of a file, bytes; 0 where it is not there. */
  private static long size(Path file) {
    try {
      return Files.exists(file) ? Files.size(file) : 0;
    } catch (IOException e) {
      // It went meanwhile.
      return 0;
    }
  }
}
