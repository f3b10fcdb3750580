package mindspool.server.devices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.hivemq.client.mqtt.MqttClient;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import mindspool.simulators.hardship.DeafSubscriber;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A plain MQTT 3.1.1 client against the real broker and database. */
class MqttTest extends ServerTest {

  private Mqtt3BlockingClient publisher;

  @BeforeEach
  void connectPublisher() {
    publisher = brokerClient();
  }

  @AfterEach
  void disconnectPublisher() {
    publisher.disconnect();
  }

  private JsonNode mqtt() {
    return api.get("/api/mqtt").body();
  }

  private long count(String fate) {
    return mqtt().at("/counts/" + fate).asLong();
  }

  private void publish(String topic, String payload) {
    publisher
        .publishWith()
        .topic(topic)
        .payload(payload.getBytes(StandardCharsets.UTF_8))
        .qos(MqttQos.AT_LEAST_ONCE)
        .send();
  }

  private long device(String name, String kind, Long placeId, String channels) {
    Answer answer =
        api.post(
            "/api/devices",
            "{\"name\": \"%s\", \"kind\": \"%s\", \"placeId\": %s, \"channels\": [%s]}"
                .formatted(name, kind, placeId, channels));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    return answer.body().get("id").asLong();
  }

  private static String channel(String topic, String pointer, String unit, String time) {
    return "{\"topicFilter\": \"%s\", \"pointer\": \"%s\", \"unit\": \"%s\", \"timePointer\": \"%s\"}"
        .formatted(topic, pointer, unit, time);
  }

  private static String air(String topic) {
    return channel(topic, "/t", "CELSIUS", "/at") + "," + channel(topic, "/h", "PERCENT", "/at");
  }

  private static String reading(double celsius, double humidity, Instant at) {
    return "{\"t\": %.2f, \"h\": %.2f, \"at\": \"%s\"}".formatted(celsius, humidity, at);
  }

  private long readings(long device) {
    return api.get("/api/devices/" + device).body().at("/channels/0/readings").asLong();
  }

  @Test
  void mappedReadingsBecomeThePlacesClimate() {
    long place = addPlace("measured by device", "ROOM");
    long device = device("hygrometer 1", "HYGROMETER", place, air("lab/one"));
    Instant start = Instant.now().minus(2, ChronoUnit.HOURS).truncatedTo(ChronoUnit.SECONDS);
    for (int i = 0; i <= 12; i++) {
      publish("lab/one", reading(21.5, 44 + 0.1 * i, start.plus(10L * i, ChronoUnit.MINUTES)));
    }
    await(() -> readings(device) == 13);
    await(
        () ->
            api.get("/api/places/" + place)
                .body()
                .get("climateSource")
                .asString()
                .equals("MEASURED"));
    await(
        () ->
            Math.abs(
                    api.get("/api/places/" + place)
                            .body()
                            .at("/now/relativeHumidityPercent")
                            .asDouble()
                        - 45.2)
                < 0.05);
  }

  /** Every ten minutes a reading, and then none for a day: silent against its habit. */
  @Test
  void aSensorThatFellSilentIsAnAlertAndItsPlaceSaysSinceWhen() {
    long place = addPlace("silent corner", "ROOM");
    long device = device("hygrometer silent", "HYGROMETER", place, air("lab/silent"));
    Instant last = Instant.now().minus(26, ChronoUnit.HOURS).truncatedTo(ChronoUnit.SECONDS);
    for (int i = 30; i >= 0; i--) {
      publish("lab/silent", reading(21, 50, last.minus(10L * i, ChronoUnit.MINUTES)));
    }
    await(() -> readings(device) == 31);
    await(() -> alert("silent-" + device).contains("hygrometer silent has been silent for 26 h"));
    await(
        () ->
            api.get("/api/places/" + place).body().get("staleSinceS").asLong(-1)
                == last.getEpochSecond());

    publish("lab/silent", reading(21, 50, Instant.now()));
    await(() -> alert("silent-" + device).isEmpty());
    await(() -> api.get("/api/places/" + place).body().get("staleSinceS").isNull());
  }

  private String alert(String key) {
    for (JsonNode alert : api.get("/api/alerts").body()) {
      if (alert.get("key").asString().equals(key)) {
        return alert.get("text").asString();
      }
    }
    return "";
  }

  @Test
  void plainNumbersOtherUnitsAndWildcards() {
    long device = device("scale kg", "SCALE", null, channel("scales/+/mass", "", "KILOGRAM", ""));
    publish("scales/bench/mass", "1.2153");
    publish("scales/bench/mass", "1,2154");
    await(() -> readings(device) == 2);
    JsonNode view = api.get("/api/devices/" + device).body();
    assertThat(view.at("/channels/0/latest").asDouble()).isCloseTo(1215.4, within(1e-9));
    assertThat(view.at("/channels/0/quantityUnit").asString()).isEqualTo("g");
  }

  @Test
  void duplicatesLateAndOutOfOrderMessagesAreCountedAndNoneCountsTwice() {
    long device = device("hygrometer 2", "HYGROMETER", null, air("lab/two"));
    Instant now = Instant.now().truncatedTo(ChronoUnit.SECONDS);
    long duplicates = count("DUPLICATE");
    long disordered = count("OUT_OF_ORDER");
    long delayed = count("DELAYED");
    publish("lab/two", reading(20, 40, now.minusSeconds(60)));
    publish("lab/two", reading(20, 40, now.minusSeconds(60)));
    publish("lab/two", reading(20, 41, now.minusSeconds(120)));
    publish("lab/two", reading(20, 42, now.minusSeconds(3 * 3600)));
    await(() -> readings(device) == 3);
    await(() -> count("DUPLICATE") == duplicates + 2);
    assertThat(count("OUT_OF_ORDER")).isEqualTo(disordered + 4);
    assertThat(count("DELAYED")).isEqualTo(delayed + 2);
  }

  @Test
  void badMessagesAreCountedKeptAndChangeNothing() {
    long device = device("hygrometer 3", "HYGROMETER", null, air("lab/three"));
    long unknown = count("UNKNOWN_TOPIC");
    long malformed = count("MALFORMED");
    long impossible = count("IMPOSSIBLE");
    long future = count("FUTURE_CLOCK");
    long large = count("TOO_LARGE");
    publish("nobody/knows", "42");
    publish("lab/three", "not json");
    publish("lab/three", "{\"t\": 20}");
    publish("lab/three", "{\"t\": \"warm\", \"h\": 40, \"at\": \"yesterday\"}");
    publish("lab/three", reading(20, 140, Instant.now()));
    publish("lab/three", reading(20, 40, Instant.now().plus(3, ChronoUnit.HOURS)));
    publisher
        .publishWith()
        .topic("lab/three")
        .payload(new byte[10 << 20])
        .qos(MqttQos.AT_LEAST_ONCE)
        .send();
    publish("lab/three", reading(20, 40, Instant.now()));
    await(() -> count("TOO_LARGE") == large + 1);
    await(() -> count("UNKNOWN_TOPIC") == unknown + 1);
    assertThat(count("MALFORMED")).isEqualTo(malformed + 6);
    assertThat(count("IMPOSSIBLE")).isEqualTo(impossible + 1);
    assertThat(count("FUTURE_CLOCK")).isEqualTo(future + 2);
    // The temperature of the impossible humidity is sound.
    await(() -> readings(device) == 2);
    JsonNode refused = api.get("/api/mqtt/refused").body();
    assertThat(refused.toString()).contains("TOO_LARGE", "not json", "FUTURE");
  }

  /** Twice in one batch, and times that nothing can count: neither holds up what comes after. */
  @Test
  void repeatedAndImpossibleReadingsHoldUpNoOthers() {
    long device = device("hygrometer 9", "HYGROMETER", null, air("lab/nine"));
    long malformed = count("MALFORMED");
    Instant at = Instant.now().minusSeconds(30);
    for (int i = 0; i < 5; i++) {
      publish("lab/nine", reading(20, 40, at));
    }
    publish("lab/nine", "{\"t\": 20, \"h\": 40, \"at\": \"+1000000000-01-01T00:00:00Z\"}");
    publish("lab/nine", "{\"t\": 20, \"h\": 40, \"at\": 3}");
    publish("lab/nine", reading(21, 41, at.plusSeconds(10)));
    await(() -> readings(device) == 2);
    await(() -> count("MALFORMED") == malformed + 4);
    assertThat(mqtt().get("problem").asString()).isEmpty();
    assertThat(api.get("/api/alerts").raw().body()).doesNotContain("intake");
  }

  private int brokerPort() {
    String address = mqtt().get("address").asString();
    return Integer.parseInt(address.substring(address.indexOf(':') + 1));
  }

  /** A page of any site can open a WebSocket to this machine; the broker has none for it. */
  @Test
  void webPagesDoNotReachTheBroker() throws Exception {
    long seen = count("RECEIVED");
    var client =
        MqttClient.builder()
            .useMqttVersion3()
            .serverHost("127.0.0.1")
            .serverPort(brokerPort())
            .webSocketWithDefaultConfig()
            .buildAsync();
    assertThat(client.connect())
        .failsWithin(Duration.ofSeconds(15))
        .withThrowableOfType(ExecutionException.class);
    assertThat(count("RECEIVED")).isEqualTo(seen);
  }

  /** Neither is the request to become one answered, nor any other HTTP. */
  @Test
  void theBrokersPortAnswersNoHttp() throws Exception {
    String upgrade =
        """
        GET /mqtt HTTP/1.1\r
        Host: 127.0.0.1\r
        Upgrade: websocket\r
        Connection: Upgrade\r
        Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r
        Sec-WebSocket-Version: 13\r
        Sec-WebSocket-Protocol: mqtt\r
        Origin: http://another.example\r
        \r
        """;
    for (String request : new String[] {upgrade, "GET / HTTP/1.1\r\nHost: x\r\n\r\n", "\0"}) {
      try (Socket socket = new Socket("127.0.0.1", brokerPort())) {
        socket.setSoTimeout(10_000);
        socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
        assertThat(socket.getInputStream().readAllBytes()).isEmpty();
      }
    }
  }

  @Test
  void nobodyTakesTheProgramsOwnSession() {
    for (String name : new String[] {"mind-spool", "mind-spool-2"}) {
      var thief =
          MqttClient.builder()
              .useMqttVersion3()
              .identifier(name)
              .serverHost("127.0.0.1")
              .serverPort(brokerPort())
              .buildAsync();
      assertThat(thief.connect())
          .as(name)
          .failsWithin(Duration.ofSeconds(15))
          .withThrowableOfType(ExecutionException.class);
    }
    assertThat(mqtt().get("connected").asBoolean()).isTrue();
  }

  /** What a subscriber does not read is dropped for it alone, and said. */
  @Test
  void aDeafSubscriberDoesNotFillTheDisk() throws Exception {
    long device = device("hygrometer 10", "HYGROMETER", null, channel("deaf/x", "", "PERCENT", ""));
    try (var deaf = new DeafSubscriber(brokerPort(), "deaf-one")) {
      var flooding =
          MqttClient.builder()
              .useMqttVersion3()
              .serverHost("127.0.0.1")
              .serverPort(brokerPort())
              .buildAsync();
      flooding.connect().get(10, TimeUnit.SECONDS);
      CompletableFuture<?> last = null;
      for (int i = 0; i < 25_000; i++) {
        last =
            flooding
                .publishWith()
                .topic("deaf/x")
                .payload(String.valueOf(i % 100).getBytes(StandardCharsets.UTF_8))
                .qos(MqttQos.AT_LEAST_ONCE)
                .send();
        if (i % 500 == 0) {
          last.get(30, TimeUnit.SECONDS);
        }
      }
      last.get(30, TimeUnit.SECONDS);
      await(() -> readings(device) == 25_000);
      await(() -> api.get("/api/alerts").raw().body().contains("deaf-one"));
      flooding.disconnect();
    }
  }

  @Test
  void whatWasSaidBeforeTheDeviceWasKnownIsNotAReading() {
    publisher
        .publishWith()
        .topic("lab/retained")
        .payload("21".getBytes(StandardCharsets.UTF_8))
        .qos(MqttQos.AT_LEAST_ONCE)
        .retain(true)
        .send();
    await(() -> mqtt().get("topics").toString().contains("lab/retained"));
    long device =
        device("thermometer", "HYGROMETER", null, channel("lab/retained", "", "CELSIUS", ""));
    publish("lab/retained", "22");
    await(() -> readings(device) == 1);
    assertThat(api.get("/api/devices/" + device).body().at("/channels/0/latest").asDouble())
        .isEqualTo(22);
  }

  @Test
  void aCheckCorrectsWithoutTouchingRawReadings() {
    long place = addPlace("corrected place", "ROOM");
    long device = device("hygrometer 4", "HYGROMETER", place, air("lab/four"));
    for (int i = 0; i < 4; i++) {
      publish("lab/four", reading(20, 50, Instant.now().minus(i, ChronoUnit.MINUTES)));
    }
    await(() -> readings(device) == 4);
    Answer check =
        api.post(
            "/api/devices/" + device + "/checks",
            """
            {"points": [{"salt": "MgCl2", "temperatureC": 23, "readingPercent": 36.1},
                        {"salt": "NaCl", "temperatureC": 23, "readingPercent": 78.9}]}
            """);
    assertThat(check.status()).isEqualTo(201);
    double corrected =
        50 * check.body().get("gain").asDouble() + check.body().get("offsetPercent").asDouble();
    await(
        () ->
            Math.abs(
                    api.get("/api/places/" + place)
                            .body()
                            .at("/now/relativeHumidityPercent")
                            .asDouble()
                        - corrected)
                < 0.01);
    JsonNode view = api.get("/api/devices/" + device).body();
    assertThat(view.at("/channels/1/latest").asDouble()).isEqualTo(50);
    assertThat(view.get("correctedPercent").asDouble()).isCloseTo(corrected, within(1e-9));
    assertThat(view.get("checkOverdue").asBoolean()).isFalse();
    api.undo(check.act());
    assertThat(api.get("/api/devices/" + device).body().get("correctedPercent").asDouble())
        .isEqualTo(50);
  }

  @Test
  void aScaleTellsWhenItRests() {
    long device = device("bench scale", "SCALE", null, channel("bench/scale", "/g", "GRAM", ""));
    publish("bench/scale", "{\"g\": 0}");
    publish("bench/scale", "{\"g\": 800}");
    await(() -> readings(device) == 2);
    assertThat(api.get("/api/devices/" + device + "/scale").body().get("stableG").isNull())
        .isTrue();
    for (int i = 0; i < 4; i++) {
      publish("bench/scale", "{\"g\": 1215.2}");
      try {
        Thread.sleep(500);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
    await(() -> readings(device) == 6);
    assertThat(api.get("/api/devices/" + device + "/scale").body().get("stableG").asDouble())
        .isCloseTo(1215.2, within(1e-9));
    // Nobody said how fine it is: it shows tenths, so a tenth is kept.
    assertThat(api.get("/api/devices/" + device + "/scale").body().get("stepG").asDouble())
        .isEqualTo(0.1);
  }

  @Test
  void mappingsAreCheckedAndPreviewed() {
    publish("new/device", "{\"sensor\": {\"rh\": 0.45}, \"ts\": 1760000000}");
    await(() -> mqtt().get("topics").toString().contains("new/device"));
    JsonNode preview =
        api.post("/api/mqtt/preview", channel("new/#", "/sensor/rh", "FRACTION", "/ts")).body();
    assertThat(preview.at("/0/value").asDouble()).isCloseTo(45, within(1e-9));
    assertThat(preview.at("/0/timeMs").asLong()).isEqualTo(1_760_000_000_000L);
    assertThat(
            api.post("/api/mqtt/preview", channel("new/#", "/sensor/rh", "PERCENT", "/nothing"))
                .body()
                .at("/0/refusal")
                .asString())
        .isEqualTo("NOT_A_TIME");
    assertThat(api.post("/api/mqtt/preview", channel("a/#/b", "", "GRAM", "")).field())
        .isEqualTo("topicFilter");
    assertThat(api.post("/api/mqtt/preview", channel("a/b", "no-slash", "GRAM", "")).field())
        .isEqualTo("pointer");
  }

  /** The log of a device that is heard anyway adds nothing. */
  @Test
  void aFileOfALiveDeviceAddsNothing() {
    long place = addPlace("live and file", "ROOM");
    long device = device("hygrometer 5", "HYGROMETER", place, air("lab/five"));
    Instant start = Instant.now().minus(1, ChronoUnit.HOURS).truncatedTo(ChronoUnit.MINUTES);
    StringBuilder log = new StringBuilder("time,temperature C,humidity %\n");
    for (int i = 0; i < 5; i++) {
      Instant at = start.plus(10L * i, ChronoUnit.MINUTES);
      publish("lab/five", reading(20, 44, at));
      log.append(at.plusSeconds(20)).append(",20.0,44.0\n");
    }
    log.append(start.minus(1, ChronoUnit.DAYS)).append(",20.0,41.0\n");
    await(() -> readings(device) == 5);
    JsonNode preview =
        api.upload(
                "/api/places/" + place + "/climate-files",
                "device.csv",
                log.toString().getBytes(StandardCharsets.UTF_8),
                "UTC")
            .body();
    assertThat(preview.get("readings").asInt()).isEqualTo(6);
    assertThat(preview.get("newReadings").asInt()).isEqualTo(1);
    JsonNode stored =
        api.post(
                "/api/places/"
                    + place
                    + "/climate-files/"
                    + preview.get("uploadId").asString()
                    + "/import",
                "{}")
            .body();
    assertThat(stored.get("rowsTaken").asInt()).isEqualTo(1);
  }
}
