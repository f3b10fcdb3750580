package mindspool.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.hivemq.client.mqtt.MqttClient;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3AsyncClient;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import mindspool.server.keep.BackupCommand;
import mindspool.simulators.hardship.DeafSubscriber;
import mindspool.simulators.hardship.Ledger;
import mindspool.simulators.hardship.ProgramProcess;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The program in a process of its own: killed, stopped, its disk filled, its data damaged. */
@Tag("long")
class HardshipTest {

  private static final int WORKERS = 4;

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
    program = new ProgramProcess(data, System.getProperty("java.class.path"), settings);
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

  /** Every kind of act over HTTP and readings over MQTT, killed twice in the middle of it. */
  @Test
  void nothingThatWasAcknowledgedIsLostWhenKilled() throws Exception {
    program.start();
    Ledger ledger = new Ledger(program.httpPort());
    ledger.prepare();
    long device = device();
    int promised = 0;
    for (int kill = 0; kill < 2; kill++) {
      int before = ledger.size();
      Stream stream = new Stream();
      ExecutorService people = Executors.newFixedThreadPool(WORKERS + 1);
      people.execute(stream);
      for (int i = 0; i < WORKERS; i++) {
        long seed = 10L * kill + i;
        people.execute(() -> ledger.work(seed));
      }
      int enough = before + 150 + 37 * kill;
      for (int i = 0;
          i < 4800 && (ledger.size() < enough || stream.acknowledged.get() < 300);
          i++) {
        Thread.sleep(25);
      }
      assertThat(ledger.size()).as("acts before the kill").isGreaterThanOrEqualTo(enough);
      program.kill();
      people.shutdownNow();
      assertThat(people.awaitTermination(30, TimeUnit.SECONDS)).isTrue();
      promised += stream.acknowledged.get();
      program.start();
      assertThat(ledger.lost()).isEmpty();
      awaitReadings(device, promised);
      assertThat(readings(device)).isGreaterThanOrEqualTo(promised);
    }
    assertThat(ledger.acknowledged().size()).as("kinds of acts").isGreaterThanOrEqualTo(14);
  }

  /** Requests that run are finished, none is answered 500 or 503, and a deaf subscriber is left. */
  @Test
  void stopsInOrderWithinTenSeconds() throws Exception {
    program.start();
    Ledger ledger = new Ledger(program.httpPort());
    ledger.prepare();
    DeafSubscriber deaf = new DeafSubscriber(program.mqttPort(), "deaf");
    List<Integer> statuses = java.util.Collections.synchronizedList(new ArrayList<>());
    AtomicBoolean over = new AtomicBoolean();
    ExecutorService people = Executors.newFixedThreadPool(WORKERS);
    for (int i = 0; i < WORKERS; i++) {
      people.execute(
          () -> {
            while (!over.get()) {
              try {
                statuses.add(api.get("/api/places").status());
                statuses.add(
                    api.post(
                            "/api/places",
                            "{\"name\": \"%s\", \"kind\": \"ROOM\"}"
                                .formatted(java.util.UUID.randomUUID()))
                        .status());
              } catch (RuntimeException refused) {
                // No longer taken: what a stopping server may do.
              }
            }
          });
    }
    Thread.sleep(1_500);
    assertThat(program.stop(10)).as("it stops within ten seconds").isTrue();
    over.set(true);
    deaf.close();
    people.shutdownNow();
    assertThat(statuses).isNotEmpty().allMatch(status -> status < 300);
    long stored = statuses.stream().filter(status -> status == 201).count();
    program.start();
    assertThat((long) api.get("/api/places").body().size()).isGreaterThanOrEqualTo(stored);
    // Killed before anything was done after an orderly stop: nothing is damaged.
    program.kill();
    program.start();
    assertThat((long) api.get("/api/places").body().size()).isGreaterThanOrEqualTo(stored);
  }

  private String refusedStart() throws Exception {
    program.launch();
    assertThat(program.process().waitFor(180, TimeUnit.SECONDS)).as("it ends").isTrue();
    return program.output();
  }

  private void fillAndStop() throws Exception {
    program.start();
    Ledger ledger = new Ledger(program.httpPort());
    ledger.prepare();
    long device = device();
    Stream stream = new Stream();
    Thread publishing = new Thread(stream);
    publishing.start();
    for (int i = 0; i < 600 && readings(device) < 500; i++) {
      Thread.sleep(50);
    }
    assertThat(readings(device)).isGreaterThanOrEqualTo(500);
    publishing.interrupt();
    publishing.join();
    Thread.sleep(1_500);
  }

  @Test
  void damagedDataIsSaidPlainlyAndABackupBringsItBack() throws Exception {
    fillAndStop();
    String made = BackupCommand.backup(data);
    assertThat(made).contains("read back").contains("5 spools").doesNotContain(" 0 readings");
    assertThat(program.stop(10)).isTrue();
    byte[] sound = Files.readAllBytes(database());
    Path known = data.resolve("known.json");
    byte[] knownAtStop = Files.readAllBytes(known);

    // Cut to half, after an orderly stop and after a kill.
    try (RandomAccessFile file = new RandomAccessFile(database().toFile(), "rw")) {
      file.setLength(sound.length / 2);
    }
    byte[] half = Files.readAllBytes(database());
    assertThat(refusedStart())
        .contains("not as Mind Spool left it")
        .contains("mind-spool restore")
        .doesNotContain("\tat ");
    assertThat(Files.readAllBytes(database())).as("left as it was").isEqualTo(half);

    // Empty, and gone.
    Files.write(database(), new byte[0]);
    assertThat(refusedStart()).contains("data file is empty");
    Files.delete(database());
    assertThat(refusedStart()).contains("data file is gone");

    // Nonsense, where nothing was noted at a stop.
    String unstopped =
        new String(knownAtStop, StandardCharsets.UTF_8)
            .replaceAll("\"bytes\":\\d+", "\"bytes\":null")
            .replaceAll("\"sum\":-?\\d+", "\"sum\":null");
    Files.writeString(known, unstopped);
    Files.write(database(), new byte[100_000]);
    assertThat(refusedStart())
        .contains("damaged and cannot be opened")
        .contains("5 spools")
        .doesNotContain("\tat ");

    assertThat(BackupCommand.restore(data, null)).contains("Restored").contains("5 spools");
    program.start();
    assertThat(api.get("/api/shelf").body().get("spools")).hasSize(5);
  }

  @Test
  void dataThatIsOlderThanItShouldBeIsNoticed() throws Exception {
    program.start();
    Ledger ledger = new Ledger(program.httpPort());
    ledger.prepare();
    Thread.sleep(1_500);
    assertThat(program.stop(10)).isTrue();
    byte[] old = Files.readAllBytes(database());
    program.start();
    ledger.work(3, 60);
    Thread.sleep(1_500);
    program.kill();
    Files.write(database(), old);
    assertThat(refusedStart())
        .contains("older than it should be")
        .contains(" of ")
        .contains("accept-loss")
        .contains("there is none");
    use(data, "--mindspool.accept-loss=true");
    program.start();
    assertThat(api.get("/api/shelf").status()).isEqualTo(200);
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
      for (int i = 0; i < 50 && !Files.exists(data.resolve("reserve")); i++) {
        Thread.sleep(100);
      }
      fill(small.resolve("filler"));
      Thread.sleep(2_500);
      Api.Answer refused = api.post("/api/places", "{\"name\": \"late\", \"kind\": \"ROOM\"}");
      assertThat(refused.status()).as(refused.raw().body()).isEqualTo(507);
      assertThat(refused.detail()).contains("MB are free").contains("still be read");
      assertThat(api.get("/api/shelf").status()).isEqualTo(200);
      assertThat(api.get("/api/alerts").raw().body()).contains("disk is nearly full");
      Files.delete(small.resolve("filler"));
      for (int i = 0; i < 100 && api.get("/api/alerts").raw().body().contains("\"disk\""); i++) {
        Thread.sleep(100);
      }
      assertThat(api.post("/api/places", "{\"name\": \"after\", \"kind\": \"ROOM\"}").status())
          .isEqualTo(201);
      assertThat(ledger.lost()).isEmpty();
      for (int i = 0; i < 150 && !api.get("/api/mqtt").body().get("connected").asBoolean(); i++) {
        Thread.sleep(100);
      }
      assertThat(api.get("/api/mqtt").body().get("connected").asBoolean()).isTrue();
      assertThat(program.stop(10)).isTrue();
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
