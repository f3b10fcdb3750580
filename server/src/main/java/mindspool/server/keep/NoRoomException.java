package mindspool.server.keep;

import java.io.IOException;
import java.nio.file.Path;

/** The disk has too little room for anything more to be stored safely. */
public final class NoRoomException extends RuntimeException {

  private static final long serialVersionUID = 1L;

  NoRoomException(Path folder, long freeMb, long neededMb) {
    super(
        ("Only %d MB are free where the data is (%s); %d MB are needed to store safely. Nothing was"
                + " changed. Free some space, then do it again; everything can still be read.")
            .formatted(freeMb, folder, neededMb));
  }

  /** Whether something failed since the disk, or one's share of it, is full. */
  public static boolean isCauseOf(Throwable failure) {
    for (Throwable each = failure; each != null; each = each.getCause()) {
      String words = each instanceof IOException ? String.valueOf(each.getMessage()) : "";
      if (words.contains("No space left on device") || words.contains("Disk quota exceeded")) {
        return true;
      }
    }
    return false;
  }
}
