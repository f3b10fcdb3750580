package mindspool.server.keep;

import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Where the backups of this program's data are. */
@Component
class BackupPlace {

  private final BackupFolder folder;

  BackupPlace(@Value("${mindspool.data-dir}") Path data) {
    this.folder = BackupFolder.of(data);
  }

  BackupFolder folder() {
    return folder;
  }
}
