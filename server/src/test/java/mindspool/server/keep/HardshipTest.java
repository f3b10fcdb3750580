package mindspool.server.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.hivemq.client.mqtt.MqttClient;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3AsyncClient;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mindspool.server.support.Api;
import mindspool.server.support.Api.Answer;
import mindspool.simulators.hardship.DeafSubscriber;
import mindspool.simulators.hardship.Ledger;
import mindspool.simulators.hardship.ProgramProcess;
import mindspool.simulators.hardship.ProgramProcess.Program;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The program in a process of its own: killed, stopped, its disk filled, its data damaged. */
@Tag("process")
class HardshipTest {

  /** As it is shipped, where the test run says that this is there; else from its classes. */
  private static final Program PROGRAM =
      System.getProperty("mindspool.app") == null
          ? Program.ofClasses(System.getProperty("java.class.path"))
          : Program.unpacked(Path.of(System.getProperty("mindspool.app")));

  private static final int WORKERS = 4;
  private static final int STOP_S = 10;

  @TempDir private Path folder;

  private Path data;
  private ProgramProcess program;
  private Api api;

  @BeforeEach
  void prepare() throws IOException {
    data = folder.resolve("data");
    use(data);
  }

  private void use(Path place, String... settings) throws IOException {
    data = place;
    program = new ProgramProcess(data, PROGRAM, settings);
    api = new Api(program.httpPort());
  }

  @AfterEach
  void end() throws InterruptedException {
    program.close();
  }

  private Path database() {
    return data.resolve("mind-spool.mv.db");
  }

  /** Of the first reading; one stream goes on where the one before ended, so none comes twice. */
  private final long startMs = System.currentTimeMillis() - 3_600_000;

  private int sent;

  /** Publishes readings until the broker is gone; counts those that it acknowledged. */
  private final class Stream implements Runnable {
    final AtomicInteger acknowledged = new AtomicInteger();

    @Override
    public void run() {
      Mqtt3AsyncClient publisher =
          MqttClient.builder()
              .useMqttVersion3()
              .serverHost("127.0.0.1")
              .serverPort(program.mqttPort())
              .buildAsync();
      try {
        publisher.connect().get(10, TimeUnit.SECONDS);
        while (!Thread.currentThread().isInterrupted() && publisher.getState().isConnected()) {
          String message = "{\"v\": %d, \"t\": %d}".formatted(sent % 100, startMs + 10L * sent++);
          publisher
              .publishWith()
              .topic("stream")
              .payload(message.getBytes(StandardCharsets.UTF_8))
              .qos(MqttQos.AT_LEAST_ONCE)
              .send()
              .thenRun(acknowledged::incrementAndGet);
          Thread.sleep(1);
        }
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      } catch (Exception gone) {
        // Killed.
      }
    }
  }

  private long device() {
    return api.post(
            "/api/devices",
            """
            {"name": "stream", "kind": "HYGROMETER", "channels":
             [{"topicFilter": "stream", "pointer": "/v", "unit": "PERCENT", "timePointer": "/t"}]}
            """)
        .body()
        .get("id")
        .asLong();
  }

  /** Lies in the open for so long that it changes no more. */
  private String oldSpool() {
    long place =
        api.post("/api/places", "{\"name\": \"old shelf\", \"kind\": \"OPEN_SHELF\"}")
            .body()
            .get("id")
            .asLong();
    return api.post(
            "/api/spools",
            ("{\"material\": \"ASA\", \"colourName\": \"sand\", \"placeId\": %d,"
                    + " \"arrivedAt\": \"2025-01-01T00:00:00Z\", \"arrival\": \"OPEN\"}")
                .formatted(place))
        .body()
        .get("code")
        .asString();
  }

  private JsonNode estimate(String code) {
    return api.get("/api/spools/" + code).body();
  }

  private long readings(long device) {
    return api.get("/api/devices/" + device).body().at("/channels/0/readings").asLong();
  }

  /** What the broker kept is stored after the start; waits as long as that goes on. */
  private void awaitReadings(long device, long promised) throws InterruptedException {
    long before = -1;
    int still = 0;
    while (still < 200) {
      long now = readings(device);
      if (now >= promised) {
        return;
      }
      still = now > before ? 0 : still + 1;
      before = now;
      Thread.sleep(100);
    }
  }

  /** Every kind of act over HTTP and readings over MQTT, until there were enough; then a kill. */
  private void workUntilKilled(Ledger ledger, Stream stream) throws InterruptedException {
    ExecutorService people = Executors.newFixedThreadPool(WORKERS + 1);
    people.execute(stream);
    for (int i = 0; i < WORKERS; i++) {
      long seed = i;
      people.execute(() -> ledger.work(seed));
    }
    int enough = ledger.size() + 180;
    await(() -> ledger.size() >= enough && stream.acknowledged.get() >= 300);
    program.kill();
    people.shutdownNow();
    assertThat(people.awaitTermination(30, TimeUnit.SECONDS)).isTrue();
  }

  /**
   * Asked to stop while requests run and readings arrive and a subscriber does not read: requests
   * that run are finished, none is answered 500, one that comes late on a connection kept open is
   * told why it is refused, and nothing in the log frightens anybody.
   *
   * @return how many places it said that it stored
   */
  private long stoppedInOrder(Stream stream) throws Exception {
    DeafSubscriber deaf = new DeafSubscriber(program.mqttPort(), "deaf");
    List<Answer> answers = Collections.synchronizedList(new ArrayList<>());
    AtomicBoolean over = new AtomicBoolean();
    ExecutorService people = Executors.newFixedThreadPool(WORKERS + 1);
    people.execute(stream);
    for (int i = 0; i < WORKERS; i++) {
      people.execute(
          () -> {
            while (!over.get()) {
              try {
                answers.add(api.get("/api/places"));
                answers.add(
                    api.post(
                        "/api/places",
                        "{\"name\": \"%s\", \"kind\": \"ROOM\"}".formatted(UUID.randomUUID())));
              } catch (RuntimeException refused) {
                // No longer taken: what a stopping server may do.
              }
            }
          });
    }
    int before = stream.acknowledged.get();
    await(() -> answers.size() >= 40 && stream.acknowledged.get() >= before + 100);
    List<KeptOpen> later = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      later.add(new KeptOpen(program.httpPort()));
    }
    Future<List<String>> heard =
        people.submit(
            () -> {
              List<String> all = new ArrayList<>();
              for (KeptOpen each : later) {
                Thread.sleep(40);
                all.add(each.asked());
                each.close();
              }
              return all;
            });
    assertThat(program.stop(STOP_S)).as("it stops within ten seconds").isTrue();
    over.set(true);
    assertThat(heard.get())
        .as("what comes late is not called faulty")
        .allMatch(
            answer ->
                answer.isEmpty()
                    || answer.startsWith("HTTP/1.1 200")
                    || (answer.startsWith("HTTP/1.1 503")
                        && answer.contains("is being stopped; nothing of this request was done")));
    deaf.close();
    people.shutdownNow();
    assertThat(people.awaitTermination(30, TimeUnit.SECONDS)).isTrue();
    assertThat(answers).isNotEmpty();
    assertThat(
            answers.stream()
                .filter(answer -> answer.status() >= 300 && !isTooLate(answer))
                .map(answer -> answer.status() + ": " + answer.raw().body()))
        .as("answers that refuse, with their words")
        .isEmpty();
    assertThat(program.output()).doesNotContain("\tat ");
    return answers.stream().filter(answer -> answer.status() == 201).count();
  }

  private static boolean isTooLate(Answer answer) {
    return answer.status() == 503
        && answer.raw().body().contains("is being stopped; nothing of this request was done");
  }

  /** A connection on which something was asked and which stays open, as a browser keeps it. */
  private static final class KeptOpen implements AutoCloseable {
    private final Socket socket;

    KeptOpen(int port) throws IOException {
      socket = new Socket("127.0.0.1", port);
      socket.setSoTimeout(30_000);
      assertThat(asked()).startsWith("HTTP/1.1 200");
    }

    /** The answer to one more question; empty once nobody is there to give it. */
    String asked() {
      try {
        socket
            .getOutputStream()
            .write(
                "GET /api/attendance HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n"
                    .getBytes(StandardCharsets.US_ASCII));
        byte[] answer = new byte[8192];
        int read = socket.getInputStream().read(answer);
        return new String(answer, 0, Math.max(0, read), StandardCharsets.UTF_8);
      } catch (IOException gone) {
        return "";
      }
    }

    @Override
    public void close() throws IOException {
      socket.close();
    }
  }

  /** How often anything was written, as it was noted last. */
  private long knownMark() {
    try {
      return JsonMapper.shared()
          .readTree(Files.readAllBytes(data.resolve(KnownData.FILE)))
          .at("/held/mark")
          .asLong();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Waits as long as it takes, within reason: no check here is about speed. */
  private static void await(BooleanSupplier condition) throws InterruptedException {
    for (int i = 0; i < 6000 && !condition.getAsBoolean(); i++) {
      Thread.sleep(25);
    }
    assertThat(condition.getAsBoolean()).isTrue();
  }

  private String refusedStart() throws Exception {
    program.launch();
    assertThat(program.process().waitFor(180, TimeUnit.SECONDS)).as("it ends").isTrue();
    return program.output();
  }

  /**
   * The life of one workshop, told through, so that each start of the program proves something: it
   * is killed at work, stopped at work, killed at rest, backed up while it does not run, put back
   * to an older state, damaged, and restored.
   */
  @Test
  void nothingThatWasAcknowledgedIsLostAndWhatIsDamagedIsSaid() throws Exception {
    // Killed in the middle of it.
    program.start();
    Ledger ledger = new Ledger(program.httpPort());
    ledger.prepare();
    long device = device();
    String old = oldSpool();
    String estimate = estimate(old).at("/spool/frames/mean/0").toString();
    Stream stream = new Stream();
    workUntilKilled(ledger, stream);
    assertThat(ledger.acknowledged().size()).as("kinds of acts").isGreaterThanOrEqualTo(14);

    // All is there again; asked to stop in the middle of it.
    program.start();
    assertThat(ledger.lost()).isEmpty();
    awaitReadings(device, stream.acknowledged.get());
    // The same facts give the same estimate; nothing else is kept.
    assertThat(estimate(old).at("/spool/frames/mean/0")).hasToString(estimate);
    assertThat(estimate(old).at("/basis/unrecordedHours").asDouble()).isGreaterThan(1000);
    long places = api.get("/api/places").body().size() + stoppedInOrder(stream);

    // A backup that is made while it does not run leaves the data as it is.
    byte[] atRest = Files.readAllBytes(database());
    byte[] knownAtRest = Files.readAllBytes(data.resolve(KnownData.FILE));
    long markAtRest = knownMark();
    String made = BackupCommand.backup(data);
    assertThat(made).contains("read back").doesNotContain(" 0 readings");
    Matcher spools = Pattern.compile("\\d+ spools").matcher(made);
    assertThat(spools.find()).isTrue();
    assertThat(Files.readAllBytes(database())).isEqualTo(atRest);

    // What it held before is put in its place after a kill.
    program.start();
    assertThat((long) api.get("/api/places").body().size()).isGreaterThanOrEqualTo(places);
    awaitReadings(device, stream.acknowledged.get());
    assertThat(ledger.lost()).isEmpty();
    ledger.work(3, 60);
    await(() -> knownMark() > markAtRest);
    program.kill();
    Files.write(database(), atRest);
    assertThat(refusedStart())
        .contains("older than it should be")
        .contains(" of ")
        .contains("accept-loss")
        .doesNotContain("\tat ");

    // Cut to half after an orderly stop; nonsense where nothing was noted at a stop.
    Files.write(data.resolve(KnownData.FILE), knownAtRest);
    try (RandomAccessFile file = new RandomAccessFile(database().toFile(), "rw")) {
      file.setLength(atRest.length / 2);
    }
    byte[] half = Files.readAllBytes(database());
    assertThat(refusedStart())
        .contains("not as Mind Spool left it")
        .contains("mind-spool restore")
        .doesNotContain("\tat ");
    assertThat(Files.readAllBytes(database())).as("left as it was").isEqualTo(half);
    Path known = data.resolve(KnownData.FILE);
    Files.writeString(
        known,
        Files.readString(known)
            .replaceAll("\"bytes\":\\d+", "\"bytes\":null")
            .replaceAll("\"sum\":-?\\d+", "\"sum\":null"));
    Files.write(database(), new byte[100_000]);
    assertThat(refusedStart())
        .contains("damaged and cannot be opened")
        .contains(" spools")
        .doesNotContain("\tat ");

    assertThat(BackupCommand.restore(data, null)).contains("Restored").contains(spools.group());
    program.start();
    assertThat(api.get("/api/shelf").body().get("spools")).hasSizeGreaterThanOrEqualTo(5);
  }

  /** On a small disk of its own; only root may make one. */
  @Test
  void aFullDiskStopsWritingInTimeAndGoesOnByItself() throws Exception {
    Path small = Files.createDirectory(folder.resolve("small"));
    assumeTrue(ran("mount", "-t", "tmpfs", "-o", "size=160m", "tmpfs", small.toString()));
    try {
      use(small.resolve("data"), "--mindspool.least-free-mb=40", "--mindspool.reserve-mb=8");
      program.start();
      Ledger ledger = new Ledger(program.httpPort());
      ledger.prepare();
      ledger.work(1, 40);
      await(() -> Files.exists(data.resolve("reserve")));
      fill(small.resolve("filler"));
      await(() -> api.get("/api/alerts").raw().body().contains("\"disk\""));
      Api.Answer refused = api.post("/api/places", "{\"name\": \"late\", \"kind\": \"ROOM\"}");
      assertThat(refused.status()).as(refused.raw().body()).isEqualTo(507);
      assertThat(refused.detail()).contains("MB are free").contains("still be read");
      assertThat(api.get("/api/shelf").status()).isEqualTo(200);
      assertThat(api.get("/api/alerts").raw().body()).contains("disk is nearly full");
      Files.delete(small.resolve("filler"));
      await(() -> !api.get("/api/alerts").raw().body().contains("\"disk\""));
      assertThat(api.post("/api/places", "{\"name\": \"after\", \"kind\": \"ROOM\"}").status())
          .isEqualTo(201);
      assertThat(ledger.lost()).isEmpty();
      await(() -> api.get("/api/mqtt").body().get("connected").asBoolean());
      assertThat(program.stop(STOP_S)).isTrue();
    } finally {
      program.close();
      ran("umount", small.toString());
    }
  }

  private static void fill(Path file) {
    try (var out = Files.newOutputStream(file)) {
      byte[] block = new byte[1 << 20];
      while (true) {
        out.write(block);
      }
    } catch (IOException full) {
      // That is what was wanted.
    }
  }

  private static boolean ran(String... command) throws Exception {
    try {
      return new ProcessBuilder(command).start().waitFor() == 0;
    } catch (IOException notThere) {
      return false;
    }
  }
}
