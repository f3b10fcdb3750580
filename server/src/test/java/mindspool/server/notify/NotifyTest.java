package mindspool.server.notify;

import static org.assertj.core.api.Assertions.assertThat;

import com.hivemq.client.mqtt.MqttGlobalPublishFilter;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpServer;
import jakarta.mail.MessagingException;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.TestPropertySource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Alerts reach a real mail server, a real web server and a subscriber of the real broker. */
@TestPropertySource(
    properties = {"mindspool.alerts.watch-ms=200", "mindspool.public-url=http://shop.example:8090"})
class NotifyTest extends ServerTest {

  private static int counter;

  private GreenMail mail;
  private HttpServer web;

  @AfterEach
  void silence() {
    for (JsonNode place : api.get("/api/containers").body()) {
      if (!place.get("desiccant").isNull()) {
        api.post("/api/places/" + place.get("placeId").asLong() + "/desiccant/removals", "{}");
      }
    }
    await(() -> !api.get("/api/alerts").raw().body().contains("desiccant-"));
    for (JsonNode route : api.get("/api/alert-routes").body()) {
      api.delete("/api/alert-routes/" + route.get("id").asLong());
    }
    if (mail != null) {
      mail.stop();
    }
    if (web != null) {
      web.stop(0);
    }
  }

  /** A box whose desiccant was soaked when it was put in. */
  private long spentBox() {
    counter++;
    long room = addRoom("room " + counter, 22, 60);
    long box = addPlaceIn(room, "soaked box " + counter, "GASKET_BOX", "");
    soak(box);
    return box;
  }

  private void soak(long box) {
    posted(
        "/api/places/" + box + "/desiccant",
        "{\"kind\": \"silica_gel\", \"massG\": 130, \"waterG\": 28}");
  }

  private boolean alerted(long box) {
    for (JsonNode alert : api.get("/api/alerts").body()) {
      if (alert.get("key").asString().equals("desiccant-" + box)) {
        return alert.get("mutedUntilS").isNull();
      }
    }
    return false;
  }

  private void startMail(int port) {
    mail = new GreenMail(new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
    mail.setUser("bench@example.org", "bench", "very secret");
    mail.start();
  }

  private long route(String kind, String target, String more) {
    return posted(
            "/api/alert-routes",
            "{\"kind\": \"%s\", \"name\": \"way %d\", \"target\": \"%s\"%s}"
                .formatted(kind, System.nanoTime(), target, more))
        .get("id")
        .asLong();
  }

  private static String smtp(int port) {
    return (", \"smtpHost\": \"127.0.0.1\", \"smtpPort\": %d, \"smtpSecurity\": \"NONE\","
            + " \"smtpUser\": \"bench\", \"smtpPassword\": \"very secret\","
            + " \"sender\": \"bench@example.org\"")
        .formatted(port);
  }

  @Test
  void aSpentDesiccantIsMailedOnceWithTheWayThere() throws MessagingException {
    startMail(0);
    route("MAIL", "keeper@example.org", smtp(mail.getSmtp().getPort()));
    long box = spentBox();
    assertThat(mail.waitForIncomingEmail(30_000, 1)).isTrue();
    var message = mail.getReceivedMessages()[0];
    assertThat(message.getSubject()).contains("desiccant of soaked box").contains("is spent");
    assertThat(message.getAllRecipients()[0]).hasToString("keeper@example.org");
    assertThat(GreenMailUtil.getBody(message))
        .contains("Change or regenerate it")
        .contains("http://shop.example:8090/place/" + box);

    // Over and back again is news; the same as before is not: each other box's mail tells that
    // the watch has looked in between.
    posted("/api/places/" + box + "/desiccant/removals", "{}");
    await(() -> !alerted(box));
    spentBox();
    assertThat(mail.waitForIncomingEmail(30_000, 2)).isTrue();
    soak(box);
    assertThat(mail.waitForIncomingEmail(30_000, 3)).isTrue();
    spentBox();
    assertThat(mail.waitForIncomingEmail(30_000, 4)).isTrue();
    List<Boolean> ofTheFirst = new ArrayList<>();
    for (var each : mail.getReceivedMessages()) {
      ofTheFirst.add(GreenMailUtil.getBody(each).strip().endsWith("/place/" + box));
    }
    assertThat(ofTheFirst).containsExactly(true, false, true, false);
  }

  @Test
  void aMutedAlertIsSentOnlyOnceItIsWantedAgain() throws IOException {
    List<JsonNode> got = startWeb(200);
    long box = spentBox();
    await(() -> alerted(box));
    String key = "desiccant-" + box;
    posted(
        "/api/alerts/mutes",
        "{\"key\": \"%s\", \"until\": \"%s\"}"
            .formatted(key, Instant.now().plus(1, ChronoUnit.HOURS)));
    assertThat(alerted(box)).isFalse();
    route("WEBHOOK", "http://127.0.0.1:" + web.getAddress().getPort() + "/hook", "");
    String other = "desiccant-" + spentBox();
    await(() -> got.stream().anyMatch(each -> each.get("key").asString().equals(other)));
    assertThat(got).noneMatch(each -> each.get("key").asString().equals(key));
    api.delete("/api/alerts/mutes?key=" + key);
    await(() -> got.stream().anyMatch(each -> each.get("key").asString().equals(key)));
    JsonNode posted =
        got.stream()
            .filter(each -> each.get("key").asString().equals(key))
            .findFirst()
            .orElseThrow();
    assertThat(posted.get("link").asString()).endsWith("/place/" + box);
    assertThat(posted.get("urgent").asBoolean()).isFalse();
  }

  private List<JsonNode> startWeb(int status) throws IOException {
    List<JsonNode> got = new CopyOnWriteArrayList<>();
    web = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    web.createContext(
        "/hook",
        exchange -> {
          got.add(JsonMapper.shared().readTree(exchange.getRequestBody().readAllBytes()));
          exchange.sendResponseHeaders(status, -1);
          exchange.close();
        });
    web.start();
    return got;
  }

  @Test
  void aSubscriberOfTheBrokerGetsIt() throws InterruptedException {
    Mqtt3BlockingClient client = brokerClient();
    try (var publishes = client.publishes(MqttGlobalPublishFilter.SUBSCRIBED)) {
      client.subscribeWith().topicFilter("shop/alerts").send();
      route("MQTT", "shop/alerts", "");
      long box = spentBox();
      var message = publishes.receive(30, TimeUnit.SECONDS).orElseThrow();
      assertThat(new String(message.getPayloadAsBytes(), StandardCharsets.UTF_8))
          .contains("desiccant-" + box);
    }
    client.disconnect();
  }

  /** What was not taken says so, and is tried again; a test says at once whether it is. */
  @Test
  void aServerThatRefusesIsSaidAndTheTestMessageTellsTheTruth() throws IOException {
    List<JsonNode> got = startWeb(503);
    long refused = route("WEBHOOK", "http://127.0.0.1:" + web.getAddress().getPort() + "/hook", "");
    JsonNode answer = api.post("/api/alert-routes/" + refused + "/test", "").body();
    assertThat(answer.get("problem").asString()).contains("did not take it").doesNotContain("503");
    assertThat(got).hasSize(1);
    assertThat(api.get("/api/alert-routes").body().get(0).get("problem").asString())
        .contains("did not take it")
        .doesNotContain("503");
    long nobody = route("MAIL", "keeper@example.org", smtp(1));
    assertThat(
            api.post("/api/alert-routes/" + nobody + "/test", "").body().get("problem").asString())
        .contains("127.0.0.1:1");
    startMail(0);
    long wrongPassword =
        route(
            "MAIL",
            "keeper@example.org",
            smtp(mail.getSmtp().getPort()).replace("very secret", "guessed"));
    assertThat(
            api.post("/api/alert-routes/" + wrongPassword + "/test", "")
                .body()
                .get("problem")
                .asString())
        .containsIgnoringCase("auth");
  }

  @Test
  void aPasswordIsGivenToNobodyAndStaysWhereItIsNotGivenAnew() throws MessagingException {
    startMail(0);
    long id = route("MAIL", "keeper@example.org", smtp(mail.getSmtp().getPort()));
    Answer changed =
        api.put(
            "/api/alert-routes/" + id,
            "{\"version\": 0, \"kind\": \"MAIL\", \"name\": \"phone\","
                + " \"target\": \"other@example.org\""
                + smtp(mail.getSmtp().getPort()).replace("very secret", "")
                + "}");
    assertThat(changed.status()).as(changed.raw().body()).isEqualTo(200);
    assertThat(api.get("/api/alert-routes").raw().body()).doesNotContain("very secret");
    assertThat(api.get("/api/acts").raw().body()).doesNotContain("very secret");
    api.undo(changed.act());
    Answer removed = api.delete("/api/alert-routes/" + id);
    assertThat(api.get("/api/alert-routes").body()).isEmpty();
    api.undo(removed.act());
    assertThat(api.post("/api/alert-routes/" + id + "/test", "").body().get("problem").isNull())
        .as("its password came back with it")
        .isTrue();
    assertThat(mail.getReceivedMessages()[0].getAllRecipients()[0])
        .hasToString("keeper@example.org");
  }

  /** A kept password goes to nobody else: whoever changes the server enters it again. */
  @Test
  void aKeptPasswordIsNotSentToAnotherServer() {
    long id = route("MAIL", "keeper@example.org", smtp(2525));
    String elsewhere =
        "{\"kind\": \"MAIL\", \"name\": \"x\", \"target\": \"keeper@example.org\", \"version\": 0%s}";
    String without = smtp(2526).replaceAll(", \"smtpPassword\": \"[^\"]*\"", "");
    assertThat(without).doesNotContain("assword");
    Answer refused = api.put("/api/alert-routes/" + id, elsewhere.formatted(without));
    assertThat(refused.field()).isEqualTo("smtpPassword");
    assertThat(refused.raw().body()).contains("127.0.0.1:2526").doesNotContain("very secret");
    assertThat(api.get("/api/alert-routes").body().toString()).contains("2525");
    Answer anew = api.put("/api/alert-routes/" + id, elsewhere.formatted(smtp(2526)));
    assertThat(anew.status()).as(anew.raw().body()).isEqualTo(200);
  }

  @Test
  void waysThatCannotBeNameTheirField() {
    assertThat(wrong("\"kind\": \"WEBHOOK\", \"name\": \"x\", \"target\": \"ftp://a\""))
        .isEqualTo("target");
    assertThat(wrong("\"kind\": \"MQTT\", \"name\": \"x\", \"target\": \"a/#\""))
        .isEqualTo("target");
    assertThat(wrong("\"kind\": \"MAIL\", \"name\": \"x\", \"target\": \"nobody\""))
        .isEqualTo("target");
    assertThat(
            wrong(
                "\"kind\": \"MAIL\", \"name\": \"x\", \"target\": \"a@b.org\","
                    + " \"sender\": \"a@b.org\""))
        .isEqualTo("smtpHost");
    assertThat(wrong("\"kind\": \"MQTT\", \"name\": \" \", \"target\": \"a\"")).isEqualTo("name");
    assertThat(
            api.post("/api/alerts/mutes", "{\"key\": \"x\", \"until\": \"2020-01-01T00:00:00Z\"}")
                .field())
        .isEqualTo("until");
  }

  private String wrong(String json) {
    return api.post("/api/alert-routes", "{" + json + "}").field();
  }
}
