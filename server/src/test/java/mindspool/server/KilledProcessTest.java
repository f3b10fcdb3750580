package mindspool.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.hivemq.client.mqtt.MqttClient;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3AsyncClient;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The program in a process of its own, killed while messages stream in. */
class KilledProcessTest {

  private static final int MESSAGES = 4_000;
  private static final int KILL_AFTER = 1_500;

  @TempDir private Path data;

  private final int httpPort = freePort();
  private final int mqttPort = freePort();
  private final Api api = new Api(httpPort);
  private Process process;

  private static int freePort() {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private void start() throws Exception {
    process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx512m",
                "-cp",
                System.getProperty("java.class.path"),
                "mindspool.server.MindSpoolApplication",
                "--server.port=" + httpPort,
                "--mindspool.mqtt.port=" + mqttPort,
                "--mindspool.data-dir=" + data)
            .redirectErrorStream(true)
            .redirectOutput(Files.createTempFile("mind-spool-killed", ".log").toFile())
            .start();
    for (int i = 0; i < 300; i++) {
      try {
        if (api.get("/api/mqtt").body().get("connected").asBoolean()) {
          return;
        }
      } catch (RuntimeException notYet) {
        assertThat(process.isAlive()).as("the program runs").isTrue();
      }
      Thread.sleep(200);
    }
    throw new AssertionError("it did not start");
  }

  @AfterEach
  void stop() throws InterruptedException {
    process.destroyForcibly().waitFor();
  }

  private long readings(long device) {
    return api.get("/api/devices/" + device).body().at("/channels/0/readings").asLong();
  }

  @Test
  void nothingThatWasAcknowledgedIsLost() throws Exception {
    start();
    long device =
        api.post(
                "/api/devices",
                """
                {"name": "stream", "kind": "HYGROMETER", "channels":
                 [{"topicFilter": "stream", "pointer": "/v", "unit": "PERCENT", "timePointer": "/t"}]}
                """)
            .body()
            .get("id")
            .asLong();
    Mqtt3AsyncClient publisher =
        MqttClient.builder()
            .useMqttVersion3()
            .serverHost("127.0.0.1")
            .serverPort(mqttPort)
            .buildAsync();
    publisher.connect().get(10, TimeUnit.SECONDS);
    AtomicInteger acknowledged = new AtomicInteger();
    long time = System.currentTimeMillis() - 3_600_000;
    for (int i = 0; i < MESSAGES && process.isAlive(); i++) {
      String message = "{\"v\": %d, \"t\": %d}".formatted(i % 100, time + 10L * i);
      publisher
          .publishWith()
          .topic("stream")
          .payload(message.getBytes(StandardCharsets.UTF_8))
          .qos(MqttQos.AT_LEAST_ONCE)
          .send()
          .thenRun(acknowledged::incrementAndGet);
      Thread.sleep(1);
      if (acknowledged.get() > KILL_AFTER) {
        process.destroyForcibly().waitFor();
      }
    }
    assertThat(process.isAlive()).as("killed in the middle of the stream").isFalse();
    int promised = acknowledged.get();
    start();
    for (int i = 0; i < 100 && readings(device) < promised; i++) {
      Thread.sleep(100);
    }
    assertThat(readings(device)).isGreaterThanOrEqualTo(promised);
  }
}
