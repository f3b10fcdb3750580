package mindspool.server.keep;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Locale;
import mindspool.server.keep.BackupFolder.Backup;
import mindspool.server.keep.BackupFolder.Reason;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "today")
class BackupController {

  private final Backups backups;

  BackupController(Backups backups) {
    this.backups = backups;
  }

  /** A backup; {@code reason} is daily, migration or manual. */
  record BackupView(String file, long atS, String reason, long bytes) {}

  private static BackupView view(Backup backup) {
    return new BackupView(
        backup.file().getFileName().toString(),
        backup.at().getEpochSecond(),
        backup.reason().name().toLowerCase(Locale.ROOT),
        backup.bytes());
  }

  @GetMapping("/api/backups")
  @Operation(summary = "All backups, the newest first")
  List<BackupView> all() {
    return backups.all().stream().map(BackupController::view).toList();
  }

  @PostMapping("/api/backups")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Makes a backup now and reads it back")
  BackupView make() {
    return view(backups.make(Reason.MANUAL));
  }
}
