package mindspool.server.keep;

import java.nio.file.Path;

/** What is on the disk is not what was last known to be there. */
public final class DamagedDataException extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final transient Path folder;

  DamagedDataException(Path folder, String what, Throwable cause) {
    super(what, cause);
    this.folder = folder;
  }

  /** What to do, as whole lines. */
  public String wayBack() {
    return wayBack(folder);
  }

  /** How to go back to a backup, or on with what is left. */
  static String wayBack(Path folder) {
    return """
        Nothing was changed. You can:
          - go back to a backup: %s
            with  ./mind-spool restore --data %s
          - or go on with what can still be read:
            ./mind-spool start --data %s --accept-loss
        Copy the folder first if you are not sure."""
        .formatted(BackupFolder.of(folder).newestInWords(), folder, folder);
  }
}
