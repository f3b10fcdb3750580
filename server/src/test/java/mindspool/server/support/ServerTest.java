package mindspool.server.support;

import static org.assertj.core.api.Assertions.assertThat;

import com.hivemq.client.mqtt.MqttClient;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.function.BooleanSupplier;
import mindspool.server.support.Api.Answer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.SpringBootTest.WebEnvironment;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.TestExecutionListeners;
import org.springframework.test.context.TestExecutionListeners.MergeMode;
import tools.jackson.databind.JsonNode;

/** The whole application on a free port, with a database file of its own. */
@SpringBootTest(webEnvironment = WebEnvironment.RANDOM_PORT)
@Tag("http")
@TestExecutionListeners(listeners = FreshDatabase.class, mergeMode = MergeMode.MERGE_WITH_DEFAULTS)
public abstract class ServerTest {

  @Value("${local.server.port}")
  protected int port;

  protected Api api;

  @DynamicPropertySource
  protected static void ownDatabase(DynamicPropertyRegistry registry) {
    String folder = folder();
    registry.add("mindspool.data-dir", () -> folder);
    registry.add("mindspool.mqtt.port", () -> 0);
    registry.add("mindspool.alerts.to-this-computer", () -> true);
    registry.add("mindspool.live.refresh-ms", () -> 300);
    registry.add("mindspool.live.replay-ms", () -> 500);
  }

  private static String folder() {
    try {
      return Files.createTempDirectory("mind-spool-test").toString();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @BeforeEach
  protected void connect() {
    api = new Api(port);
  }

  /** Posts what must be taken. */
  protected JsonNode posted(String path, String json) {
    Answer answer = api.post(path, json);
    assertThat(answer.status()).as(answer.raw().body()).isBetween(200, 299);
    return answer.body();
  }

  /** Adds a room whose air is known, a shelf in it, and returns the room's number. */
  protected long addRoom(String name, double temperatureC, double humidityPercent) {
    long room = addPlace(name, "ROOM");
    posted(
        "/api/places/" + room + "/typed-climates",
        String.format(
            Locale.ROOT,
            "{\"temperatureC\": %.1f, \"relativeHumidityPercent\": %.1f, \"since\": \"%s\"}",
            temperatureC,
            humidityPercent,
            Instant.now().minus(60, ChronoUnit.DAYS)));
    return room;
  }

  /** Adds a place in another and returns its number. */
  protected long addPlaceIn(long room, String name, String kind, String more) {
    return posted(
            "/api/places",
            "{\"name\": \"%s\", \"kind\": \"%s\", \"withinId\": %d%s}"
                .formatted(name, kind, room, more))
        .get("id")
        .asLong();
  }

  /** A client of the program's own broker, once that is up. */
  protected Mqtt3BlockingClient brokerClient() {
    await(() -> api.get("/api/mqtt").body().get("connected").asBoolean());
    String address = api.get("/api/mqtt").body().get("address").asString();
    Mqtt3BlockingClient client =
        MqttClient.builder()
            .useMqttVersion3()
            .serverHost("127.0.0.1")
            .serverPort(Integer.parseInt(address.substring(address.indexOf(':') + 1)))
            .buildBlocking();
    client.connect();
    return client;
  }

  /** Waits half a minute at most until something is so. */
  protected static void await(BooleanSupplier condition) {
    for (int i = 0; i < 300 && !condition.getAsBoolean(); i++) {
      try {
        Thread.sleep(100);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
    assertThat(condition.getAsBoolean()).isTrue();
  }

  /** Adds a place and returns its number. */
  protected long addPlace(String name, String kind) {
    return api.post("/api/places", "{\"name\": \"%s\", \"kind\": \"%s\"}".formatted(name, kind))
        .body()
        .get("id")
        .asLong();
  }
}
