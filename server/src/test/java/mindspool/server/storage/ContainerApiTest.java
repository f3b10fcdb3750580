package mindspool.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class ContainerApiTest extends ServerTest {

  private static final Instant START = Instant.now().minus(40, ChronoUnit.DAYS);

  private static String day(int day) {
    return START.plus(day, ChronoUnit.DAYS).toString();
  }

  private long roomAt50(String name) {
    long room = addPlace(name, "ROOM");
    api.post(
        "/api/places/" + room + "/typed-climates",
        "{\"temperatureC\": 23, \"relativeHumidityPercent\": 50, \"since\": \"%s\"}"
            .formatted(day(0)));
    return room;
  }

  private long box(String name, long room, String more) {
    Answer answer =
        api.post(
            "/api/places",
            "{\"name\": \"%s\", \"kind\": \"GASKET_BOX\", \"withinId\": %d, \"volumeL\": 20 %s}"
                .formatted(name, room, more));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    return answer.body().get("id").asLong();
  }

  private String spoolIn(long place, int day) {
    Answer answer =
        api.post(
            "/api/spools",
            """
            {"material": "PLA", "colourName": "test", "colourHex": "#445566", "grossMassG": 1215,
             "emptyReelG": 215, "arrival": "OPEN", "placeId": %d, "arrivedAt": "%s",
             "initialMoisturePercent": 0.06}
            """
                .formatted(place, day(day)));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    return answer.body().get("code").asString();
  }

  private JsonNode storage(long box) {
    Answer answer = api.get("/api/places/" + box + "/storage?limitPercent=20&months=6");
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.body();
  }

  private long put(long box, String json) {
    Answer answer = api.post("/api/places/" + box + "/desiccant", json);
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    return answer.act();
  }

  /** The field notes' gasket box: 0.082 to 0.095 g a day and unit; it holds for many months. */
  @Test
  void aClosedBoxHasAComputedClimate() {
    long room = roomAt50("room of computed box");
    long box = box("computed box", room, "");
    spoolIn(box, 0);
    long act =
        put(box, "{\"kind\": \"silica_gel\", \"massG\": 102, \"at\": \"%s\"}".formatted(day(0)));
    JsonNode place = api.get("/api/places/" + box).body();
    assertThat(place.get("climateSource").asString()).isEqualTo("COMPUTED");
    double now = place.at("/now/relativeHumidityPercent").asDouble();
    assertThat(now).isBetween(4.0, 8.0);

    JsonNode storage = storage(box);
    assertThat(storage.get("outsidePercent").asDouble()).isCloseTo(50, within(0.1));
    assertThat(storage.get("typicalDays").asDouble()).isBetween(200.0, 277.0);
    assertThat(storage.get("tightDays").asDouble())
        .isGreaterThan(storage.get("typicalDays").asDouble());
    assertThat(storage.at("/desiccant/dryMassG").asDouble()).isCloseTo(100, within(0.01));
    assertThat(storage.at("/desiccant/regenerateNow").asBoolean()).isFalse();

    api.undo(act);
    assertThat(storage(box).get("desiccant").isNull()).isTrue();
    double without =
        api.get("/api/places/" + box).body().at("/now/relativeHumidityPercent").asDouble();
    assertThat(without).isGreaterThan(now + 8);
    api.redo(act);
    assertThat(api.get("/api/places/" + box).body().at("/now/relativeHumidityPercent").asDouble())
        .isCloseTo(now, within(0.01));
  }

  @Test
  void aSpoolIsReplayedWithTheBoxAndOpeningsCount() {
    long room = roomAt50("room of two boxes");
    long dry = box("box with gel", room, "");
    long opened = box("box often open", room, "");
    for (long box : new long[] {dry, opened}) {
      put(box, "{\"kind\": \"silica_gel\", \"massG\": 40, \"at\": \"%s\"}".formatted(day(0)));
    }
    String kept = spoolIn(dry, 0);
    String disturbed = spoolIn(opened, 0);
    String left = spoolIn(room, 0);
    for (int day = 1; day < 38; day++) {
      for (int hour = 0; hour < 24; hour += 4) {
        api.post(
            "/api/places/" + opened + "/openings",
            "{\"minutes\": 30, \"at\": \"%s\"}"
                .formatted(START.plus(24L * day + hour, ChronoUnit.HOURS)));
      }
    }
    double inBox = outer(kept);
    double oftenOpen = outer(disturbed);
    double inRoom = outer(left);
    assertThat(inBox).isLessThan(0.1);
    assertThat(oftenOpen).isGreaterThan(inBox + 0.05);
    assertThat(inRoom).isGreaterThan(oftenOpen);
  }

  private double outer(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/frames/outer/0").asDouble();
  }

  /** G = gained / days / (outside - inside); nothing is offered where a spool came in meanwhile. */
  @Test
  void weighingDesiccantTellsTheLeak() {
    long room = roomAt50("room of weighed box");
    long box = box("weighed box", room, "");
    put(box, "{\"kind\": \"silica_gel\", \"massG\": 102, \"at\": \"%s\"}".formatted(day(5)));
    api.post(
        "/api/places/" + box + "/desiccant/weighings",
        "{\"massG\": 104, \"at\": \"%s\"}".formatted(day(15)));
    JsonNode leak = storage(box).get("leakFound");
    double inside = leak.get("insidePercent").asDouble();
    assertThat(inside).isBetween(3.0, 8.0);
    double expected = 2.0 / 10 / (0.5 - inside / 100);
    assertThat(leak.get("gPerDay").asDouble()).isCloseTo(expected, within(1e-6));

    api.put("/api/places/" + box + "/leak", "{\"leakGPerDay\": %f}".formatted(expected));
    assertThat(storage(box).get("leakMeasured").asBoolean()).isTrue();
    assertThat(storage(box).get("tightDays").asDouble())
        .isEqualTo(storage(box).get("leakyDays").asDouble());

    spoolIn(box, 10);
    assertThat(storage(box).get("leakFound").isNull()).isTrue();
  }

  @Test
  void placesStandInOneAnotherButNotInThemselves() {
    long room = roomAt50("outer room");
    long rack =
        api.post(
                "/api/places",
                "{\"name\": \"rack\", \"kind\": \"OPEN_SHELF\", \"withinId\": %d}".formatted(room))
            .body()
            .get("id")
            .asLong();
    JsonNode place = api.get("/api/places/" + rack).body();
    assertThat(place.get("climateSource").asString()).isEqualTo("SURROUNDINGS");
    assertThat(place.at("/now/relativeHumidityPercent").asDouble()).isCloseTo(50, within(0.01));
    Answer circle =
        api.change("/api/places/" + room, "{\"name\": \"outer room\", \"withinId\": " + rack + "}");
    assertThat(circle.status()).isEqualTo(422);
    assertThat(circle.field()).isEqualTo("withinId");
    assertThat(circle.detail()).contains("stand in itself");
  }

  @Test
  void aFullPlaceTakesNoMore() {
    long room = roomAt50("room with slot");
    long slot =
        api.post(
                "/api/places",
                "{\"name\": \"slot\", \"kind\": \"SLOT\", \"withinId\": %d, \"capacity\": 1}"
                    .formatted(room))
            .body()
            .get("id")
            .asLong();
    spoolIn(slot, 20);
    String other = spoolIn(room, 0);
    Answer full = api.post("/api/spools/" + other + "/moves", "{\"placeId\": " + slot + "}");
    assertThat(full.status()).isEqualTo(422);
    assertThat(full.field()).isEqualTo("placeId");
    assertThat(full.detail()).contains("1 of 1");
    // Nor from a time on when it was still free, because it would lie there now.
    String move = "/api/spools/" + other + "/moves";
    Answer since = api.post(move, "{\"placeId\": %d, \"at\": \"%s\"}".formatted(slot, day(10)));
    assertThat(since.status()).isEqualTo(422);
    assertThat(since.detail()).contains("1 of 1");
    // A visit that was over before the other came is no contradiction.
    Answer visit =
        api.post(
            move,
            "{\"placeId\": %d, \"at\": \"%s\", \"until\": \"%s\"}"
                .formatted(slot, day(10), day(12)));
    assertThat(visit.status()).as(visit.raw().body()).isEqualTo(201);
  }

  @Test
  void badInputIsExplained() {
    long room = roomAt50("room of bad input");
    long box = box("bad input box", room, "");
    assertThat(api.post("/api/places/" + room + "/openings", "{\"minutes\": 5}").field())
        .isEqualTo("placeId");
    assertThat(api.post("/api/places/" + box + "/openings", "{\"minutes\": -5}").field())
        .isEqualTo("minutes");
    assertThat(
            api.post("/api/places/" + box + "/openings", "{\"at\": \"2999-01-01T00:00:00Z\"}")
                .field())
        .isEqualTo("at");
    assertThat(
            api.post("/api/places/" + box + "/desiccant", "{\"kind\": \"rice\", \"massG\": 10}")
                .field())
        .isEqualTo("desiccant.kind");
    assertThat(api.post("/api/places/" + box + "/desiccant/weighings", "{\"massG\": 10}").detail())
        .contains("Say first what was put in");
    put(box, "{\"kind\": \"silica_gel\", \"massG\": 100}");
    assertThat(api.post("/api/places/" + box + "/desiccant/weighings", "{\"massG\": 190}").field())
        .isEqualTo("massG");
    assertThat(api.get("/api/places/" + box + "/storage?limitPercent=0").field())
        .isEqualTo("limitPercent");
  }

  @Test
  void anOutlookIsTypedAndTakenBack() {
    long room = roomAt50("room that closes");
    String code = spoolIn(room, 0);
    double before = inTwoWeeks(code);
    Answer planned =
        api.post(
            "/api/places/" + room + "/outlooks",
            "{\"name\": \"closed\", \"temperatureC\": 23, \"relativeHumidityPercent\": 85, \"until\": \"%s\"}"
                .formatted(Instant.now().plus(20, ChronoUnit.DAYS)));
    assertThat(planned.status()).as(planned.raw().body()).isEqualTo(201);
    assertThat(inTwoWeeks(code)).isGreaterThan(1.3 * before);
    assertThat(api.get("/api/spools/" + code).body().get("outlookAssumption").asString())
        .contains("closed: 23 °C, 85 %");
    api.undo(planned.body().get("actId").asLong());
    assertThat(inTwoWeeks(code)).isCloseTo(before, within(1e-3));
    Answer past =
        api.post(
            "/api/places/" + room + "/outlooks",
            "{\"name\": \"past\", \"temperatureC\": 23, \"relativeHumidityPercent\": 85, \"until\": \"%s\"}"
                .formatted(day(3)));
    assertThat(past.field()).isEqualTo("until");
  }

  private double inTwoWeeks(String code) {
    JsonNode outer = api.get("/api/spools/" + code).body().at("/spool/frames/outer");
    return outer.get(outer.size() - 1).asDouble();
  }

  /** A bag from a store at 8 °C must not be opened where the dew point is at 12 °C. */
  @Test
  void aColdReelIsNotToBeOpenedInTheWarm() {
    long room = roomAt50("warm room");
    long cold = addPlace("cold store", "ROOM");
    api.post(
        "/api/places/" + cold + "/typed-climates",
        "{\"temperatureC\": 8, \"relativeHumidityPercent\": 60, \"since\": \"%s\"}"
            .formatted(day(0)));
    Answer sealed =
        api.post(
            "/api/spools",
            "{\"material\": \"PA6\", \"colourName\": \"cold\", \"placeId\": %d}".formatted(cold));
    JsonNode rooms =
        api.get("/api/spools/" + sealed.body().get("code").asString()).body().get("coldRooms");
    JsonNode warm =
        rooms
            .valueStream()
            .filter(each -> each.get("room").asString().equals("warm room"))
            .findFirst()
            .orElseThrow();
    assertThat(warm.get("openFromC").asDouble()).isCloseTo(14, within(0.1));
    assertThat(api.get("/api/spools/" + spoolIn(room, 0)).body().get("coldRooms")).isEmpty();
  }

  /** Others were computed before it was there. */
  /** A hygrometer that came into the box on day 30; before, the box is followed from its room. */
  @Test
  void aBoxMeasuredLaterWasComputedBefore() {
    long room = roomAt50("room of box measured later");
    long box = box("box measured later", room, "");
    String code = spoolIn(box, 0);
    put(box, "{\"kind\": \"silica_gel\", \"massG\": 102, \"at\": \"%s\"}".formatted(day(0)));
    double computed =
        api.get("/api/places/" + box).body().at("/now/relativeHumidityPercent").asDouble();
    assertThat(computed).isLessThan(10);
    Answer typed =
        api.post(
            "/api/places/" + box + "/typed-climates",
            "{\"temperatureC\": 23, \"relativeHumidityPercent\": 35, \"since\": \"%s\"}"
                .formatted(day(30)));
    assertThat(typed.status()).isEqualTo(201);
    JsonNode place = api.get("/api/places/" + box).body();
    assertThat(place.get("climateSource").asString()).isEqualTo("TYPED");
    assertThat(place.at("/now/relativeHumidityPercent").asDouble()).isCloseTo(35, within(0.01));
    // Nothing is known of the room before day 0, and of the box no less than of the room.
    assertThat(place.get("gaps")).hasSize(1);
    assertThat(place.at("/gaps/0/toS").asLong()).isEqualTo(Instant.parse(day(0)).getEpochSecond());

    JsonNode page = api.get("/api/spools/" + code).body();
    assertThat(page.at("/basis/unrecordedHours").asDouble()).isZero();
    JsonNode times = page.at("/air/timeS");
    long fifteenth = Instant.parse(day(15)).getEpochSecond();
    int i = 0;
    while (times.get(i).asLong() < fifteenth) {
      i++;
    }
    assertThat(page.at("/air/relativeHumidityPercent/" + i).asDouble()).isLessThan(10);
  }

  @Test
  void aNewBoxIsThereAtOnce() {
    long room = roomAt50("room with a new box");
    long first = box("box before", room, "");
    assertThat(storage(first).get("typicalDays").isNull()).isFalse();
    long second = box("box after", room, "");
    JsonNode place = api.get("/api/places/" + second).body();
    assertThat(place.get("climateSource").asString()).isEqualTo("COMPUTED");
    assertThat(place.at("/now/relativeHumidityPercent").asDouble()).isCloseTo(50, within(1.0));
    assertThat(api.get("/api/shelf").status()).isEqualTo(200);
    assertThat(storage(second).get("nowPercent").asDouble()).isCloseTo(50, within(1.0));
  }
}
