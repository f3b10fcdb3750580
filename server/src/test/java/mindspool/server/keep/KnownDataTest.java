package mindspool.server.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is noticed of the data file before anything opens it. */
class KnownDataTest {

  @TempDir private Path folder;

  private KnownData known(boolean acceptLoss) {
    return new KnownData(folder, acceptLoss, "jdbc:h2:file:" + folder.resolve("mind-spool"));
  }

  private Path database() {
    return folder.resolve("mind-spool.mv.db");
  }

  private void leftInOrder() throws IOException {
    Files.writeString(database(), "five spools");
    KnownData before = known(false);
    before.note(new Inventory(7, Map.of("spools", 5L)));
    before.destroy();
  }

  @Test
  void whatWasLeftInOrderIsTakenAsItIs() throws IOException {
    leftInOrder();
    assertThatCode(known(false)::checkFile).doesNotThrowAnyException();
  }

  @Test
  void aFileThatIsGoneEmptyOrAnotherIsSaidWithWhatItHeldAndTheWayBack() throws IOException {
    leftInOrder();
    Files.writeString(database(), "five spoolz");
    assertThatThrownBy(known(false)::checkFile)
        .isInstanceOf(DamagedDataException.class)
        .hasMessageContaining("not as Mind Spool left it")
        .hasMessageContaining("5 spools");
    assertThatCode(known(true)::checkFile).doesNotThrowAnyException();
    Files.write(database(), new byte[0]);
    assertThatThrownBy(known(false)::checkFile).hasMessageContaining("data file is empty");
    Files.delete(database());
    assertThatThrownBy(known(false)::checkFile)
        .hasMessageContaining("data file is gone")
        .isInstanceOfSatisfying(
            DamagedDataException.class,
            damaged -> assertThat(damaged.wayBack()).contains("mind-spool restore"));
  }

  /** After a kill what it held counts, not its bytes: the data was open and may be another. */
  @Test
  void whatWasOpenWhenItWasKilledIsHeldAgainstWhatItHeldOnly() throws IOException, SQLException {
    leftInOrder();
    try (Connection empty = DriverManager.getConnection("jdbc:h2:mem:known")) {
      assertThatThrownBy(() -> known(false).check(empty))
          .isInstanceOf(DamagedDataException.class)
          .hasMessageContaining("older than it should be")
          .hasMessageContaining("0 of 5 spools");
      KnownData accepting = known(true);
      accepting.check(empty);
    }
    known(false).note(new Inventory(9, Map.of("spools", 6L)));
    Files.writeString(database(), "written since");
    assertThatCode(known(false)::checkFile).doesNotThrowAnyException();
  }

  /** Half written when the machine stopped: the data speaks for itself. */
  @Test
  void anUnreadableNoteStopsNothing() throws IOException {
    leftInOrder();
    Files.writeString(folder.resolve(KnownData.FILE), "{\"at\": ");
    assertThatCode(known(false)::checkFile).doesNotThrowAnyException();
  }
}
