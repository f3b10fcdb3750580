package mindspool.server.keep;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mindspool.server.keep.BackupFolder.Backup;
import mindspool.server.keep.BackupFolder.Reason;
import tools.jackson.databind.json.JsonMapper;

/**
 * {@code ./mind-spool backup} and {@code restore}: with the program running it is asked to do it,
 * otherwise the data is opened here.
 */
public final class BackupCommand {

  private static final int ALREADY_OPEN = 90020;

  private BackupCommand() {}

  /**
   * Runs a command.
   *
   * @param args {@code backup DATA} or {@code restore DATA [FILE]}
   */
  public static void main(String[] args) {
    try {
      Path data = Path.of(args[1]);
      System.out.println(
          args[0].equals("backup")
              ? backup(data)
              : restore(data, args.length > 2 ? Path.of(args[2]) : null));
    } catch (IOException | SQLException e) {
      System.err.println("mind-spool: " + e.getMessage());
      System.exit(1);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Read only: the next start expects the file as the program left it, to the byte. */
  private static String url(Path data) {
    return "jdbc:h2:file:"
        + data.resolve("mind-spool").toAbsolutePath()
        + ";IFEXISTS=TRUE;ACCESS_MODE_DATA=r";
  }

  /**
   * Makes a backup of a data folder, whether or not the program runs with it.
   *
   * @return what was done, in words
   */
  public static String backup(Path data) throws IOException, SQLException, InterruptedException {
    try (Connection connection = DriverManager.getConnection(url(data), "sa", "")) {
      Backup made = BackupFolder.of(data).make(connection, Reason.MANUAL, Instant.now());
      return said(data, made.file().getFileName().toString());
    } catch (SQLException e) {
      if (e.getErrorCode() == ALREADY_OPEN) {
        return said(data, askRunning(data));
      }
      throw e;
    }
  }

  private static String said(Path data, String file) throws IOException {
    Path made = data.resolve("backups").resolve(file);
    return "Backup made and read back: %s (%s).".formatted(made, BackupFolder.held(made).words());
  }

  private static String askRunning(Path data) throws IOException, InterruptedException {
    Path address = data.resolve(RunningAddress.FILE);
    if (!Files.exists(address)) {
      throw new IOException(
          "The data is open in another program. Stop that first, then try again.");
    }
    HttpResponse<String> answer =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(
                        URI.create(Files.readString(address).strip() + "/api/backups"))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString(""))
                    .build(),
                HttpResponse.BodyHandlers.ofString());
    var body = JsonMapper.shared().readTree(answer.body());
    if (answer.statusCode() != 201) {
      throw new IOException(body.path("detail").asString());
    }
    return body.get("file").asString();
  }

  /**
   * Puts a backup in the place of the data; the program must not run with it.
   *
   * @param file null for the newest backup
   * @return what was done, in words
   */
  public static String restore(Path data, Path file) throws IOException, SQLException {
    BackupFolder folder = BackupFolder.of(data);
    refuseWhileOpen(data);
    Path chosen = file;
    if (chosen == null) {
      List<Backup> all = folder.all();
      if (all.isEmpty()) {
        throw new IOException(
            "There is no backup in %s. Name one: ./mind-spool restore FILE --data %s"
                .formatted(data.resolve("backups"), data));
      }
      chosen = all.get(0).file();
    }
    if (!Files.exists(chosen)) {
      throw new IOException("There is no file " + chosen + ".");
    }
    Optional<Path> before = folder.restore(chosen, Instant.now());
    return "Restored %s (%s).%s"
        .formatted(
            chosen,
            BackupFolder.held(chosen).words(),
            before.map(path -> "\nWhat was there before is kept as " + path + ".").orElse(""));
  }

  private static void refuseWhileOpen(Path data) throws IOException {
    try (Connection connection = DriverManager.getConnection(url(data), "sa", "")) {
      connection.isValid(1);
    } catch (SQLException e) {
      if (e.getErrorCode() == ALREADY_OPEN) {
        throw new IOException("Mind Spool is running with this data. Stop it first.", e);
      }
      // Damaged or not there: that is what restoring is for.
    }
  }
}
