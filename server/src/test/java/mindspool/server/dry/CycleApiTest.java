package mindspool.server.dry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.hivemq.client.mqtt.MqttGlobalPublishFilter;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Dryers and cycles with the real database and broker. */
class CycleApiTest extends ServerTest {

  private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.SECONDS);
  private static int counter;

  @Autowired private JdbcTemplate jdbc;
  @Autowired private ConfigurableApplicationContext context;

  private long room;
  private long shelf;
  private long dryer;

  @BeforeEach
  void workshop() {
    counter++;
    room = addRoom("cycle room " + counter, 22, 50);
    shelf = addPlaceIn(room, "cycle shelf " + counter, "OPEN_SHELF", "");
    dryer =
        addPlaceIn(
            room,
            "cycle dryer " + counter,
            "DRYER",
            ", \"setpointC\": 50, \"ratedMaxC\": 75, \"capacity\": 4");
    describe("\"kind\": \"PURPOSE_MADE_VENTED\", \"slots\": 2");
    measure();
  }

  /** Nobody says in which room a kitchen's dryer stands; all pages take it for the same one. */
  @Test
  void aDryerWithoutARoomTakesTheAirThatIsKnown() {
    long anywhere =
        api.post(
                "/api/places",
                "{\"name\": \"anywhere %d\", \"kind\": \"DRYER\"}".formatted(counter))
            .body()
            .get("id")
            .asLong();
    long taken = api.get("/api/dryers/" + anywhere).body().get("roomId").asLong();
    assertThat(api.get("/api/places/" + taken).body().get("climateSource").asString())
        .isIn("TYPED", "MEASURED");
    JsonNode own = api.get("/api/dryers/" + dryer).body();
    assertThat(own.get("roomId").asLong()).isEqualTo(room);
  }

  private Answer describe(String json) {
    return api.change("/api/dryers/" + dryer, "{%s}".formatted(json));
  }

  /** Three probes, steady 2 K apart, hottest 3 K above what was set. */
  private static String probeLog() {
    return IntStream.rangeClosed(0, 90)
        .mapToObj(
            minute -> {
              double at = 60 - 38 * Math.pow(0.05, minute / 20.0) + (minute == 30 ? 1 : 0);
              return String.format(Locale.ROOT, "%d,%.2f,%.2f,%.2f", minute, at, at + 2, at - 2);
            })
        .collect(Collectors.joining("\\n"));
  }

  private JsonNode measure() {
    return posted(
        "/api/dryers/" + dryer + "/measurements",
        "{\"setpointC\": 60, \"instrumentUncertaintyK\": 0.5, \"keep\": true, \"log\": \"%s\"}"
            .formatted(probeLog()));
  }

  private String spool(String material, String more) {
    return posted(
            "/api/spools",
            ("{\"material\": \"%s\", \"colourName\": \"grey\", \"placeId\": %d, \"arrival\":"
                    + " \"OPEN\", \"reel\": \"metal\", \"arrivedAt\": \"%s\"%s}")
                .formatted(material, shelf, NOW.minus(30, ChronoUnit.DAYS), more))
        .get("code")
        .asString();
  }

  private Answer start(String json) {
    return api.post("/api/cycles", "{\"dryerId\": %d, %s}".formatted(dryer, json));
  }

  private long started(String code, double setpoint, double hours, double hoursAgo) {
    Answer answer =
        start(
            String.format(
                Locale.ROOT,
                "\"codes\": [\"%s\"], \"setpointC\": %.1f, \"hours\": %.1f, \"at\": \"%s\"",
                code,
                setpoint,
                hours,
                NOW.minusSeconds(Math.round(3600 * hoursAgo))));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    return answer.body().get("id").asLong();
  }

  /** Over and not emptied: an alert, until the reel is out; one that still heats is none. */
  @Test
  void aCycleThatIsOverWithSpoolsInsideIsAnAlert() {
    String code = spool("PETG", "");
    long over = started(code, 55, 4, 6);
    await(() -> alerts().contains("\"over-" + over + "\""));
    assertThat(alerts()).contains("is over. Take out " + code);
    assertThat(alerts()).doesNotContain("\"hot-" + over + "\"");
    posted(
        "/api/cycles/" + over + "/acts",
        "{\"act\": \"EMPTY\", \"codes\": [\"%s\"], \"placeId\": %d}".formatted(code, shelf));
    await(() -> !alerts().contains("\"over-" + over + "\""));
    long running = started(spool("PETG", ""), 55, 40, 1);
    assertThat(alerts()).doesNotContain("\"over-" + running + "\"");
  }

  private String alerts() {
    return api.get("/api/alerts").raw().body();
  }

  private JsonNode cycle(long id) {
    Answer answer = api.get("/api/cycles/" + id);
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.body();
  }

  private double mean(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/frames/mean/0").asDouble();
  }

  @Test
  void aMeasuredDryerIsNoLongerTakenForOneOfItsKind() {
    JsonNode view = api.get("/api/dryers/" + dryer).body();
    assertThat(view.at("/behaviour/measured").asBoolean()).isTrue();
    assertThat(view.at("/behaviour/hottestAboveSetK").asDouble()).isCloseTo(2.6, within(0.3));
    assertThat(view.at("/measurement/uniformityK").asDouble()).isCloseTo(4, within(0.01));
    assertThat(api.undo(view.at("/measurement/actId").asLong()).status()).isEqualTo(200);
    assertThat(api.get("/api/dryers/" + dryer).body().at("/behaviour/measured").asBoolean())
        .isFalse();
  }

  @Test
  void insideDimensionsGiveTheVolume() {
    Answer answer =
        describe(
            "\"kind\": \"VACUUM\", \"insideLengthMm\": 300, \"insideWidthMm\": 250,"
                + " \"insideHeightMm\": 200");
    assertThat(answer.body().get("volumeL").asDouble()).isCloseTo(15, within(1e-9));
  }

  @Test
  void badDescriptionsAreNamedAndChangeNothing() {
    assertThat(describe("\"kind\": \"PURPOSE_MADE\", \"slots\": 0").field()).isEqualTo("slots");
    assertThat(describe("\"slots\": 2").field()).isEqualTo("kind");
    assertThat(describe("\"kind\": \"VACUUM\", \"maxReelWidthMm\": 5").field())
        .isEqualTo("maxReelWidthMm");
    assertThat(describe("\"kind\": \"VACUUM\", \"maySwitchOff\": true").field())
        .isEqualTo("switchTopic");
    assertThat(describe("\"kind\": \"VACUUM\", \"switchTopic\": \"a/#\"").field())
        .isEqualTo("switchTopic");
    assertThat(describe("\"kind\": \"VACUUM\", \"desiccant\": \"silica_gel\"").field())
        .isEqualTo("desiccantDryG");
    assertThat(describe("\"kind\": \"VACUUM\", \"insideLengthMm\": 300").field())
        .isEqualTo("insideLengthMm");
    JsonNode view = api.get("/api/dryers/" + dryer).body();
    assertThat(view.get("kind").asString()).isEqualTo("PURPOSE_MADE_VENTED");
    assertThat(view.get("slots").asInt()).isEqualTo(2);
    Answer gap =
        api.post(
            "/api/dryers/" + dryer + "/measurements",
            "{\"setpointC\": 60, \"log\": \"%s\"}"
                .formatted(probeLog().replaceAll("\\\\n3\\d,[^\\\\]*", "")));
    assertThat(gap.field()).isEqualTo("log");
    assertThat(gap.detail()).contains("gap of 11 minutes");
    assertThat(api.put("/api/dryers/" + shelf, "{\"kind\": \"VACUUM\"}").field())
        .isEqualTo("dryerId");
  }

  @Test
  void aCycleDriesWhatIsInItAndTakingItBackUndoesThat() {
    String code = spool("PETG", "");
    double before = mean(code);
    long id = started(code, 60, 8, 6);
    JsonNode view = cycle(id);
    assertThat(view.at("/summary/stage").asString()).isEqualTo("RUNNING");
    JsonNode inside = view.at("/spools/0");
    assertThat(inside.get("code").asString()).isEqualTo(code);
    assertThat(inside.get("meanPercent").asDouble()).isLessThan(0.75 * before);
    assertThat(inside.get("sureDryS").asLong()).isGreaterThan(inside.get("likelyDryS").asLong());
    assertThat(mean(code)).isCloseTo(inside.get("meanPercent").asDouble(), within(0.01));
    assertThat(view.at("/heated/0/toS").asLong())
        .isEqualTo(NOW.minus(6, ChronoUnit.HOURS).plus(8, ChronoUnit.HOURS).getEpochSecond());
    assertThat(undoStart(id).status()).isEqualTo(200);
    assertThat(mean(code)).isCloseTo(before, within(0.005));
    assertThat(api.get("/api/cycles/" + id).status()).isEqualTo(404);
    // Dried for long enough it takes a while in the room to lose half of that.
    long dried = started(code, 60, 30, 30);
    JsonNode after = api.get("/api/cycles/%d/after/%s".formatted(dried, code)).body();
    assertThat(after.get("hoursLeft").isNull()).isTrue();
    assertThat(after.get("bagWithinHours").asDouble()).isBetween(0.05, 48.0);
    assertThat(after.at("/homes/0/printableHours").asDouble())
        .isGreaterThan(after.at("/homes/0/goodHours").asDouble());
  }

  /** A dryer that was paused has dried less: what it did counts, not what was planned. */
  @Test
  void pausesCount() {
    String code = spool("PETG", "");
    long id = started(code, 60, 8, 6);
    double straight = cycle(id).at("/spools/0/meanPercent").asDouble();
    act(id, "\"act\": \"PAUSE\", \"at\": \"%s\"".formatted(NOW.minus(5, ChronoUnit.HOURS)));
    assertThat(cycle(id).at("/summary/stage").asString()).isEqualTo("PAUSED");
    act(id, "\"act\": \"RESUME\", \"at\": \"%s\"".formatted(NOW.minus(1, ChronoUnit.HOURS)));
    JsonNode view = cycle(id);
    assertThat(view.at("/summary/plannedEndS").asLong())
        .isEqualTo(NOW.plus(6, ChronoUnit.HOURS).getEpochSecond());
    assertThat(view.at("/spools/0/meanPercent").asDouble()).isGreaterThan(1.1 * straight);
    assertThat(refused(id, "\"act\": \"RESUME\"")).isEqualTo("act");
  }

  private Answer undoStart(long id) {
    return api.undo(cycle(id).at("/summary/actId").asLong());
  }

  private void act(long id, String json) {
    posted("/api/cycles/%d/acts".formatted(id), "{%s}".formatted(json));
  }

  private String refused(long id, String json) {
    return api.post("/api/cycles/%d/acts".formatted(id), "{%s}".formatted(json)).field();
  }

  @Test
  void spoolsComeAndGoAndStoppingPutsThemAway() {
    String first = spool("PETG", "");
    String second = spool("ASA", "");
    String third = spool("PLA", "");
    long id = started(first, 55, 8, 1);
    act(id, "\"act\": \"ADD\", \"code\": \"%s\"".formatted(second));
    assertThat(refused(id, "\"act\": \"ADD\", \"code\": \"%s\"".formatted(third)))
        .isEqualTo("code");
    act(id, "\"act\": \"REMOVE\", \"code\": \"%s\", \"placeId\": %d".formatted(second, shelf));
    // PLA stands 50 °C, less the hottest spot: not at 55.
    Answer tooHot =
        api.post(
            "/api/cycles/%d/acts".formatted(id),
            "{\"act\": \"ADD\", \"code\": \"%s\"}".formatted(third));
    assertThat(tooHot.field()).isEqualTo("code");
    assertThat(tooHot.detail()).contains("PLA softens");
    JsonNode after = api.get("/api/cycles/%d/after/%s".formatted(id, first)).body();
    // Seven hours early it is too wet to be kept dry; the same water as on its own page.
    assertThat(after.get("hoursLeft").asDouble()).isCloseTo(7, within(0.05));
    assertThat(after.get("bagWithinHours").asDouble()).isZero();
    assertThat(after.get("surePrintsS").asLong())
        .isCloseTo(cycle(id).at("/spools/0/surePrintsS").asLong(), within(60L));
    assertThat(after.at("/homes/0/goodHours").asDouble()).isZero();
    JsonNode rings = api.get("/api/spools/" + first).body();
    assertThat(after.get("corePercent").asDouble())
        .isCloseTo(rings.at("/spool/frames/core/0").asDouble(), within(0.01));
    assertThat(after.get("printLimitPercent").asDouble())
        .isEqualTo(rings.at("/spool/printLimitPercent").asDouble());
    act(id, "\"act\": \"STOP\", \"placeId\": %d".formatted(shelf));
    JsonNode view = cycle(id);
    assertThat(view.at("/summary/stage").asString()).isEqualTo("STOPPED");
    assertThat(api.get("/api/spools/" + first).body().at("/spool/placeId").asLong())
        .isEqualTo(shelf);
    assertThat(refused(id, "\"act\": \"PAUSE\"")).isEqualTo("act");
  }

  /** Stopped is not emptied: the dryer stays taken, and Today says so, until all is out. */
  @Test
  void aStoppedDryerIsTakenUntilItIsEmpty() {
    String first = spool("PETG", "");
    String second = spool("ASA", "");
    long id = started(first, 55, 8, 1);
    act(id, "\"act\": \"ADD\", \"code\": \"%s\"".formatted(second));
    act(id, "\"act\": \"STOP\"");
    JsonNode view = cycle(id);
    assertThat(view.at("/summary/stage").asString()).isEqualTo("TO_EMPTY");
    assertThat(view.at("/summary/codes").size()).isEqualTo(2);
    assertThat(view.get("spools").size()).isEqualTo(2);
    assertThat(view.at("/spools/0/sureDryS").isNull()).isTrue();
    JsonNode line = line("cycle-" + id + "-empty");
    assertThat(line.get("what").asString()).contains(first, second);
    assertThat(line.at("/deed/kind").asString()).isEqualTo("TAKE_OUT");
    assertThat(start("\"codes\": [\"%s\"], \"hours\": 6".formatted(spool("PETG", ""))).detail())
        .contains("still inside");
    assertThat(refused(id, "\"act\": \"RESUME\"")).isEqualTo("act");
    act(id, "\"act\": \"REMOVE\", \"code\": \"%s\", \"placeId\": %d".formatted(second, shelf));
    assertThat(cycle(id).at("/summary/stage").asString()).isEqualTo("TO_EMPTY");
    act(id, "\"act\": \"EMPTY\", \"placeId\": %d".formatted(shelf));
    assertThat(cycle(id).at("/summary/stage").asString()).isEqualTo("STOPPED");
    assertThat(line("cycle-" + id + "-empty")).isNull();
    assertThat(refused(id, "\"act\": \"EMPTY\", \"placeId\": %d".formatted(shelf)))
        .isEqualTo("act");
    assertThat(start("\"codes\": [\"%s\"], \"hours\": 6".formatted(spool("PETG", ""))).status())
        .isEqualTo(201);
  }

  private JsonNode line(String key) {
    for (JsonNode each : api.get("/api/today").body().get("lines")) {
      if (each.get("key").asString().equals(key)) {
        return each;
      }
    }
    return null;
  }

  /** Carried out by hand it leaves its cycle, and undoing that puts it back into it. */
  @Test
  void aSpoolCarriedOutByHandLeavesItsCycle() {
    String code = spool("PETG", "");
    long id = started(code, 60, 8, 2);
    String moves = "/api/spools/" + code + "/moves";
    Answer visit =
        api.post(
            moves,
            "{\"placeId\": %d, \"at\": \"%s\", \"until\": \"%s\"}"
                .formatted(shelf, NOW.minusSeconds(3600), NOW.minusSeconds(1800)));
    assertThat(visit.field()).isEqualTo("until");
    Answer moved = api.post(moves, "{\"placeId\": %d}".formatted(shelf));
    assertThat(moved.status()).as(moved.raw().body()).isEqualTo(201);
    assertThat(cycle(id).at("/summary/codes").size()).isZero();
    assertThat(cycle(id).at("/summary/stage").asString()).isEqualTo("RUNNING");
    assertThat(line("cycle-" + id + "-idle").get("what").asString()).startsWith("Switch");
    api.undo(moved.act());
    assertThat(cycle(id).at("/summary/codes/0").asString()).isEqualTo(code);
    act(id, "\"act\": \"STOP\"");
    api.post(moves, "{\"placeId\": %d}".formatted(shelf));
    assertThat(cycle(id).at("/summary/stage").asString()).isEqualTo("STOPPED");
  }

  /** A move into a dryer says whether it is dried there. */
  @Test
  void aSpoolCarriedIntoADryerJoinsOrLiesCold() {
    String first = spool("PETG", "");
    String second = spool("PETG", "");
    String delicate = spool("PLA", "");
    String into = "{\"placeId\": %d%s}";
    Answer unsaid = api.post("/api/spools/" + second + "/moves", into.formatted(dryer, ""));
    assertThat(unsaid.field()).isEqualTo("entry");
    assertThat(unsaid.detail()).contains("No cycle runs in");
    assertThat(
            api.post(
                    "/api/spools/" + second + "/moves",
                    into.formatted(dryer, ", \"entry\": \"JOIN\""))
                .field())
        .isEqualTo("entry");
    long id = started(first, 60, 8, 1);
    String moves = "/api/spools/" + second + "/moves";
    assertThat(api.post(moves, into.formatted(dryer, ", \"entry\": \"COLD\"")).detail())
        .contains("whatever goes in is dried");
    assertThat(
            api.post(
                    "/api/spools/" + delicate + "/moves",
                    into.formatted(dryer, ", \"entry\": \"JOIN\""))
                .detail())
        .contains("PLA softens");
    Answer joined = api.post(moves, into.formatted(dryer, ", \"entry\": \"JOIN\""));
    assertThat(joined.status()).as(joined.raw().body()).isEqualTo(201);
    assertThat(cycle(id).at("/summary/codes").size()).isEqualTo(2);
    api.undo(joined.act());
    assertThat(cycle(id).at("/summary/codes").size()).isEqualTo(1);
    act(id, "\"act\": \"STOP\", \"placeId\": %d".formatted(shelf));
    assertThat(api.post(moves, into.formatted(dryer, ", \"entry\": \"COLD\"")).status())
        .isEqualTo(201);
    assertThat(api.get("/api/spools/" + second).body().at("/spool/placeId").asLong())
        .isEqualTo(dryer);
  }

  @Test
  void whatCannotStartSaysWhyAndMovesNothing() {
    String petg = spool("PETG", "");
    String wide = spool("ABS", ", \"rimRadiusMm\": 150, \"widthMm\": 100");
    String sealed =
        posted(
                "/api/spools",
                "{\"material\": \"PETG\", \"colourName\": \"x\", \"placeId\": %d}".formatted(shelf))
            .get("code")
            .asString();
    assertThat(
            describe(
                    "\"kind\": \"PURPOSE_MADE_VENTED\", \"slots\": 2, \"maxReelWidthMm\": 70,"
                        + " \"maxReelDiameterMm\": 215")
                .status())
        .isEqualTo(200);
    String hours = "\"hours\": 6";
    assertThat(start("\"codes\": [], " + hours).field()).isEqualTo("codes");
    assertThat(start("\"codes\": [\"%s\"]".formatted(petg)).field()).isEqualTo("hours");
    assertThat(start("\"codes\": [\"%s\"], \"hours\": 0".formatted(petg)).field())
        .isEqualTo("hours");
    assertThat(start("\"codes\": [\"%s\"], %s".formatted(wide, hours)).detail())
        .contains("wants 310 mm across");
    assertThat(start("\"codes\": [\"%s\"], %s".formatted(sealed, hours)).detail())
        .contains("sealed in its bag");
    Answer hot = start("\"codes\": [\"%s\"], \"setpointC\": 70, %s".formatted(petg, hours));
    assertThat(hot.field()).isEqualTo("setpointC");
    assertThat(hot.detail()).contains("PETG softens").contains("hottest spot");
    assertThat(
            start(
                    "\"codes\": [\"%s\"], \"at\": \"%s\", %s"
                        .formatted(petg, NOW.plus(1, ChronoUnit.DAYS), hours))
                .field())
        .isEqualTo("at");
    assertThat(api.get("/api/spools/" + petg).body().at("/spool/placeId").asLong())
        .isEqualTo(shelf);
    started(petg, 60, 6, 0.1);
    describe("\"kind\": \"PURPOSE_MADE_VENTED\", \"slots\": 2, \"outOfOrder\": true");
    Answer both = start("\"codes\": [\"%s\"], %s".formatted(wide, hours));
    assertThat(both.field()).isEqualTo("dryerId");
    assertThat(both.detail()).contains("out of order").contains("a cycle that nobody stopped");
  }

  /** Too hot for what is inside: an alarm at once, and a message switches the dryer off. */
  @Test
  void overTemperatureAlarmsAndSwitchesOff() throws InterruptedException {
    Mqtt3BlockingClient client = brokerClient();
    String topic = "dryer%d".formatted(counter);
    try (var messages = client.publishes(MqttGlobalPublishFilter.SUBSCRIBED)) {
      client.subscribeWith().topicFilter(topic + "/set").qos(MqttQos.AT_LEAST_ONCE).send();
      describe(
          ("\"kind\": \"PURPOSE_MADE_VENTED\", \"slots\": 2, \"switchTopic\": \"%s/set\","
                  + " \"switchOffPayload\": \"off\", \"maySwitchOff\": true")
              .formatted(topic));
      posted(
          "/api/devices",
          ("{\"name\": \"probe %s\", \"kind\": \"DRYER\", \"placeId\": %d, \"channels\": ["
                  + "{\"topicFilter\": \"%s/t\", \"pointer\": \"\", \"unit\": \"CELSIUS\"}]}")
              .formatted(topic, dryer, topic));
      String code = spool("PETG", "");
      long id = started(code, 60, 8, 1);
      publish(client, topic + "/t", "59.5");
      publish(client, topic + "/t", "73.5");
      await(() -> !cycle(id).at("/summary/alarm").isNull());
      JsonNode view = cycle(id);
      assertThat(view.at("/summary/alarm").asString()).contains("73.5 °C").contains("PETG");
      var sent = messages.receive(10, TimeUnit.SECONDS);
      assertThat(sent).isPresent();
      assertThat(new String(sent.get().getPayloadAsBytes(), StandardCharsets.UTF_8))
          .isEqualTo("off");
      await(() -> cycle(id).at("/summary/stage").asString().equals("PAUSED"));
      assertThat(cycle(id).get("shownC").asDouble()).isEqualTo(73.5);
      publish(client, topic + "/t", "40");
      await(() -> cycle(id).at("/summary/alarm").isNull());
    } finally {
      client.disconnect();
    }
  }

  private static void publish(Mqtt3BlockingClient client, String topic, String payload) {
    client
        .publishWith()
        .topic(topic)
        .payload(payload.getBytes(StandardCharsets.UTF_8))
        .qos(MqttQos.AT_LEAST_ONCE)
        .send();
  }

  /** Off in mid-cycle, the program asks what the dryer did meanwhile, and believes the answer. */
  @Test
  void timeThatTheProgramDidNotSeeIsAskedFor() {
    String code = spool("PETG", "");
    long id = started(code, 60, 10, 6);
    double ran = cycle(id).at("/spools/0/meanPercent").asDouble();
    long gone = NOW.minus(5, ChronoUnit.HOURS).getEpochSecond();
    jdbc.update("merge into program_alive key (id) values (1, ?)", gone);
    context.publishEvent(
        new ApplicationReadyEvent(
            new SpringApplication(), new String[0], context, Duration.ofSeconds(1)));
    JsonNode asked = cycle(id).get("unanswered");
    assertThat(asked).hasSize(1);
    assertThat(asked.get(0).get("atS").asLong()).isEqualTo(gone);
    act(
        id,
        "\"act\": \"WITHOUT_POWER\", \"at\": \"%s\", \"until\": \"%s\""
            .formatted(Instant.ofEpochSecond(gone), NOW.minus(1, ChronoUnit.HOURS)));
    JsonNode answered = cycle(id);
    assertThat(answered.get("unanswered")).isEmpty();
    assertThat(answered.get("heated")).hasSize(2);
    assertThat(answered.at("/spools/0/meanPercent").asDouble()).isGreaterThan(1.1 * ran);
    assertThat(answered.at("/summary/plannedEndS").asLong())
        .isEqualTo(NOW.plus(8, ChronoUnit.HOURS).getEpochSecond());
    assertThat(refused(id, "\"act\": \"WITHOUT_POWER\"")).isEqualTo("at");
  }

  /** The sensors that are in a dryer anyway characterise it, minute by minute. */
  @Test
  void aDryerIsMeasuredByTheDevicesInIt() {
    Mqtt3BlockingClient client = brokerClient();
    for (int probe = 1; probe <= 2; probe++) {
      posted(
          "/api/devices",
          ("{\"name\": \"rim %d of %d\", \"kind\": \"DRYER\", \"placeId\": %d, \"channels\": ["
                  + "{\"topicFilter\": \"rim%d/%d\", \"pointer\": \"/t\", \"unit\": \"CELSIUS\","
                  + " \"timePointer\": \"/at\"}]}")
              .formatted(probe, counter, dryer, counter, probe));
    }
    for (int minute = 0; minute <= 90; minute++) {
      double celsius = 57 - 35 * Math.pow(0.05, minute / 25.0);
      for (int probe = 1; probe <= 2; probe++) {
        publish(
            client,
            "rim%d/%d".formatted(counter, probe),
            String.format(
                Locale.ROOT,
                "{\"t\": %.2f, \"at\": \"%s\"}",
                celsius + 4 * (probe - 1),
                NOW.minus(90 - minute, ChronoUnit.MINUTES)));
      }
    }
    client.disconnect();
    String request =
        "{\"setpointC\": 60, \"from\": \"%s\"}".formatted(NOW.minus(95, ChronoUnit.MINUTES));
    String path = "/api/dryers/" + dryer + "/measurements";
    await(
        () -> {
          Answer answer = api.post(path, request);
          return answer.status() == 200
              && Math.abs(answer.body().get("biasK").asDouble() + 1) < 0.1;
        });
    JsonNode found = api.post(path, request).body();
    assertThat(found.get("uniformityK").asDouble()).isCloseTo(4, within(0.01));
    assertThat(found.get("heatUpMin").asDouble()).isCloseTo(25, within(1.5));
    assertThat(found.get("id").isNull()).isTrue();
  }

  /** The single forecast says how sure it is, what a humid room does, and what is refused. */
  @Test
  void aForecastForADryerOfTheWorkshopSaysWhatIsNotOffered() {
    String code = spool("PETG", "");
    String path = "/api/spools/" + code + "/drying-forecast";
    String body = "{\"dryerId\": %d, \"roomPlaceId\": %d}".formatted(dryer, room);
    JsonNode view = posted(path, body);
    assertThat(view.at("/forecast/ceiling/setBy").asString()).isEqualTo("filament");
    double likely = view.at("/forecast/hoursToLimit/core").asDouble();
    assertThat(view.get("sureHours").asDouble()).isGreaterThan(likely);
    assertThat(view.at("/humidRoom/relativeHumidityPercent").asDouble()).isEqualTo(70);
    assertThat(view.at("/humidRoom/floorPercent").asDouble())
        .isGreaterThan(view.at("/forecast/floorPercent").asDouble());

    JsonNode measurement = api.get("/api/dryers/" + dryer).body().get("measurement");
    api.undo(measurement.get("actId").asLong());
    describe("\"kind\": \"KITCHEN_OVEN\", \"slots\": 2");
    String soft = spool("TPU95A", "");
    JsonNode oven = posted("/api/spools/" + soft + "/drying-forecast", body);
    assertThat(oven.get("objection").asString()).contains("refused until this oven was measured");
    assertThat(oven.get("sureHours").isNull()).isTrue();
    assertThat(oven.at("/forecast/ceiling/refusal").asString()).contains("kitchen oven");
    assertThat(start("\"codes\": [\"%s\"], \"hours\": 4".formatted(soft)).field())
        .isEqualTo("codes");
  }

  /** What a thermometer inside showed counts, not the setpoint; a cold spell is a power cut. */
  @Test
  void measuredTemperatureIsReplayedAndAPowerCutIsSeen() {
    Mqtt3BlockingClient client = brokerClient();
    String topic = "cut%d".formatted(counter);
    posted(
        "/api/devices",
        ("{\"name\": \"%s\", \"kind\": \"DRYER\", \"placeId\": %d, \"channels\": ["
                + "{\"topicFilter\": \"%s\", \"pointer\": \"/t\", \"unit\": \"CELSIUS\","
                + " \"timePointer\": \"/at\"}]}")
            .formatted(topic, dryer, topic));
    String code = spool("PETG", "");
    long id = started(code, 60, 8, 6);
    double computed = cycle(id).at("/spools/0/meanPercent").asDouble();
    for (int minute = 360; minute >= 0; minute -= 5) {
      boolean cold = minute <= 240 && minute >= 60;
      publish(
          client,
          topic,
          String.format(
              Locale.ROOT,
              "{\"t\": %.1f, \"at\": \"%s\"}",
              cold ? 23.0 : minute == 360 ? 22.0 : 60.0,
              NOW.minus(minute, ChronoUnit.MINUTES)));
    }
    await(() -> cycle(id).get("coldSpans").size() == 1);
    JsonNode span = cycle(id).at("/coldSpans/0");
    assertThat(span.get("toS").asLong() - span.get("fromS").asLong()).isBetween(10_500L, 11_500L);
    await(() -> cycle(id).at("/spools/0/meanPercent").asDouble() > 1.1 * computed);
    client.disconnect();
  }

  private double meanAfter(String code, String load, double airChanges) {
    describe(
        String.format(
            Locale.ROOT,
            "\"kind\": \"PURPOSE_MADE_VENTED\", \"slots\": 4, \"volumeL\": 14,"
                + " \"airChangesPerHour\": %.1f",
            airChanges));
    Answer answer =
        start(
            "\"codes\": [%s], \"setpointC\": 60, \"hours\": 8, \"at\": \"%s\""
                .formatted(load, NOW.minus(6, ChronoUnit.HOURS)));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    long id = answer.body().get("id").asLong();
    double mean = mean(code);
    undoStart(id);
    return mean;
  }

  /** Replayed spool by spool, each sees what the others give off. */
  @Test
  void severalWetSpoolsInATightDryerDryMoreSlowlyThanOne() {
    String first = spool("PETG", "");
    String more =
        IntStream.range(0, 3)
            .mapToObj(i -> "\"" + spool("PETG", "") + "\"")
            .collect(Collectors.joining(","));
    String one = "\"" + first + "\"";
    double before = mean(first);
    double freely = meanAfter(first, one, 200);
    double alone = meanAfter(first, one, 1);
    double together = meanAfter(first, one + "," + more, 1);
    assertThat(freely).isLessThan(alone);
    assertThat(alone).isLessThan(together);
    assertThat(together).isLessThan(before);
    assertThat(before - alone).isGreaterThan(1.2 * (before - together));
  }
}
