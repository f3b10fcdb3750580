package mindspool.simulators.hardship;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;

/** The program in a process of its own, on free ports, with a data folder that outlives it. */
public final class ProgramProcess implements AutoCloseable {

  private static final int TRIES = 1800;
  private static final long PAUSE_MS = 100;
  private static final int LEAST_PORT = 20_000;
  private static final int MOST_PORT = 32_000;
  private static final String MAIN = "mindspool.server.MindSpoolApplication";

  /**
   * What is started.
   *
   * @param folder in which it runs
   * @param arguments of Java, up to the program's own options
   */
  public record Program(Path folder, List<String> arguments) {

    /** As {@code ./mind-spool start} runs it: unpacked, with its archive of loaded classes. */
    public static Program unpacked(Path app) {
      return new Program(
          app, List.of("-XX:SharedArchiveFile=app.jsa", "-Xshare:auto", "-jar", JAR));
    }

    /** From the classes of a class path. */
    public static Program ofClasses(String classPath) {
      return new Program(Path.of("."), List.of("-cp", classPath, MAIN));
    }
  }

  private static final String JAR = "mind-spool-app.jar";

  private final Path data;
  private final Program program;
  private final List<String> settings;
  private final int httpPort = freePort();
  private final int mqttPort = freePort();
  private final Path logs;
  private Path log;
  private int launches;
  private Process process;

  /**
   * Prepares a program.
   *
   * @param data its data folder
   * @param program what is started
   * @param settings more options of it
   */
  public ProgramProcess(Path data, Program program, String... settings) throws IOException {
    this.data = data;
    this.program = program;
    this.settings = List.of(settings);
    this.logs = Files.createTempDirectory("mind-spool-process");
  }

  /**
   * A port that nobody uses, and none of those that the system gives to whoever asks for any: it is
   * still free when the program is started anew.
   */
  public static int freePort() {
    for (int tries = 0; tries < TRIES; tries++) {
      int port = ThreadLocalRandom.current().nextInt(LEAST_PORT, MOST_PORT);
      try (ServerSocket socket = new ServerSocket(port)) {
        return socket.getLocalPort();
      } catch (IOException taken) {
        // Another one then.
      }
    }
    throw new IllegalStateException("no free port from %d to %d".formatted(LEAST_PORT, MOST_PORT));
  }

  public int httpPort() {
    return httpPort;
  }

  public int mqttPort() {
    return mqttPort;
  }

  /** All that it printed since it was started last. */
  public String output() throws IOException {
    return Files.readString(log);
  }

  public Process process() {
    return process;
  }

  /** Starts it without waiting. */
  public void launch() throws IOException {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx512m",
                "-XX:TieredStopAtLevel=1"));
    command.addAll(program.arguments());
    command.add("--server.port=" + httpPort);
    command.add("--mindspool.mqtt.port=" + mqttPort);
    command.add("--mindspool.data-dir=" + data.toAbsolutePath());
    command.addAll(settings);
    log = logs.resolve("start-" + ++launches + ".log");
    process =
        new ProcessBuilder(command)
            .directory(program.folder().toFile())
            .redirectErrorStream(true)
            .redirectOutput(log.toFile())
            .start();
  }

  /** Starts it and waits until it answers and hears its devices. */
  public void start() throws IOException, InterruptedException {
    launch();
    Http http = new Http(httpPort);
    for (int i = 0; i < TRIES; i++) {
      if (!process.isAlive()) {
        throw new IllegalStateException("the program ended:\n" + output());
      }
      try {
        if (http.get("/api/mqtt").json().path("connected").asBoolean()) {
          return;
        }
      } catch (IOException notYet) {
        // It is still starting.
      }
      Thread.sleep(PAUSE_MS);
    }
    throw new IllegalStateException("the program does not answer:\n" + output());
  }

  /** Ends it at once, as a power cut would. */
  public void kill() throws InterruptedException {
    process.destroyForcibly().waitFor();
  }

  /**
   * Asks it to stop.
   *
   * @return whether it did within the given time
   */
  public boolean stop(int seconds) throws InterruptedException {
    process.destroy();
    return process.waitFor(seconds, TimeUnit.SECONDS);
  }

  @Override
  public void close() throws InterruptedException {
    if (process != null && process.isAlive()) {
      kill();
    }
  }
}
