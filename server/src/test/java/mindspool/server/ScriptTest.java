package mindspool.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the start script says when something is in the way. */
@Tag("process")
class ScriptTest {

  private record Outcome(int code, String output) {}

  private static Outcome run(Map<String, String> environment, String... arguments)
      throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of("bash", "../mind-spool"));
    command.addAll(List.of(arguments));
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.environment().putAll(environment);
    Process process = builder.start();
    String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    return new Outcome(process.exitValue(), output);
  }

  @Test
  void withoutACommandItShowsThem() throws Exception {
    Outcome outcome = run(Map.of());
    assertThat(outcome.code).isEqualTo(2);
    assertThat(outcome.output).contains("demo", "start", "test", "bench", "--data DIR");
  }

  @Test
  void badPortsAndOptionsAreNamed() throws Exception {
    assertThat(run(Map.of(), "demo", "--port", "http").output)
        .contains("--port is \"http\"; allowed: a number from 1 to 65535");
    assertThat(run(Map.of(), "demo", "--port", "70000").output).contains("allowed: 1 to 65535");
    assertThat(run(Map.of(), "demo", "--port").output).contains("--port needs a number");
    assertThat(run(Map.of(), "demo", "--fast").output).contains("\"--fast\" is not an option");
    assertThat(run(Map.of(), "start", "--network", "a b").output)
        .contains("--network is \"a b\"; allowed: a name or address");
    assertThat(run(Map.of(), "test", "--network", "bench").output)
        .contains("\"--network\" is not an option of test");
  }

  @Test
  void aPortInUseIsSaidBeforeAnythingIsBuilt() throws Exception {
    try (ServerSocket busy = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
      Outcome outcome = run(Map.of(), "demo", "--port", String.valueOf(busy.getLocalPort()));
      assertThat(outcome.code).isEqualTo(1);
      assertThat(outcome.output)
          .contains("Port " + busy.getLocalPort() + " is in use")
          .contains("--port")
          .doesNotContain("Building");
    }
  }

  @Test
  void aDataFolderThatCannotBeMadeIsSaid(@TempDir Path folder) throws Exception {
    Path file = Files.writeString(folder.resolve("file"), "x");
    Outcome outcome =
        run(Map.of(), "start", "--port", freePort(), "--data", file.resolve("below").toString());
    assertThat(outcome.code).isEqualTo(1);
    assertThat(outcome.output).contains("cannot be made").contains("--data DIR");
  }

  /** An old Java, played by a stand-in that only tells its version. */
  @Test
  void anOldJavaIsSaid(@TempDir Path folder) throws Exception {
    Path java = folder.resolve("java");
    Files.writeString(java, "#!/bin/sh\necho '    java.specification.version = 11' >&2\n");
    assertThat(java.toFile().setExecutable(true)).isTrue();
    Outcome outcome =
        run(Map.of("PATH", folder + ":" + System.getenv("PATH")), "demo", "--port", freePort());
    assertThat(outcome.code).isEqualTo(1);
    assertThat(outcome.output).contains("Java 11 is too old; 17 or newer is needed");
  }

  /** A full disk, played by a stand-in for the program that tells free space. */
  @Test
  void aFullDiskIsSaid(@TempDir Path folder) throws Exception {
    Path df = folder.resolve("df");
    Files.writeString(
        df,
        "#!/bin/sh\necho 'Filesystem 1M-blocks Used Available'\necho 'disk 1000 988 12 99% /'\n");
    assertThat(df.toFile().setExecutable(true)).isTrue();
    Outcome outcome =
        run(
            Map.of("PATH", folder + ":" + System.getenv("PATH")),
            "start",
            "--port",
            freePort(),
            "--data",
            folder.resolve("data").toString());
    assertThat(outcome.code).isEqualTo(1);
    assertThat(outcome.output).contains("Only 12 MB are free").contains("500 MB are needed");
  }

  private static String freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
      return String.valueOf(socket.getLocalPort());
    }
  }
}
