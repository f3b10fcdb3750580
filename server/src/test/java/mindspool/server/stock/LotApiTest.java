package mindspool.server.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Collections;
import java.util.Locale;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class LotApiTest extends ServerTest {

  private static int count;
  private String maker;
  private long lot;

  @BeforeEach
  void deliver() {
    maker = "Maker " + count;
    long place = addPlace("lots shelf " + count++, "OPEN_SHELF");
    Answer answer =
        api.post(
            "/api/deliveries",
            """
            {"common": {"material": "ABS", "colourName": "ash", "placeId": %d, "nominalNetG": 500,
              "lot": {"maker": "%s", "batch": "1", "price": 12, "currency": "EUR",
                      "nozzleLowC": 230, "nozzleHighC": 250}},
             "reels": [{}, {}]}
            """
                .formatted(place, maker));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    lot = view().get("id").asLong();
  }

  private JsonNode view() {
    return api.get("/api/lots")
        .body()
        .valueStream()
        .filter(each -> each.get("maker").asString().equals(maker))
        .findFirst()
        .orElseThrow();
  }

  private Answer change(String more) {
    return api.put(
        "/api/lots/" + lot,
        "{\"version\": %d, \"maker\": \"%s\", \"batch\": \"1\" %s}"
            .formatted(view().get("version").asInt(), maker, more));
  }

  @Test
  void labelAndPriceAreKept() {
    JsonNode view = view();
    assertThat(view.get("pricePerKg").asDouble()).isEqualTo(24);
    assertThat(view.get("nozzleHighC").asDouble()).isEqualTo(250);
    assertThat(view.get("spools")).hasSize(2);
    assertThat(view.get("usedUp").asInt()).isZero();
  }

  @Test
  void ownValuesAreAddedAndTaggedToTheLot() {
    assertThat(change(", \"ownNozzleC\": 243, \"ownFlowPercent\": 96.5").status()).isEqualTo(200);
    JsonNode view = view();
    assertThat(view.get("ownNozzleC").asDouble()).isEqualTo(243);
    assertThat(view.get("ownFlowPercent").asDouble()).isEqualTo(96.5);
  }

  @Test
  void tanglesAndUseAreCounted() {
    String code = view().at("/spools/0").asString();
    String end = "/api/spools/" + code + "/end";
    api.post(end, "{\"act\": \"DROP\"}");
    api.post(end, "{\"act\": \"CROSSING_SEEN\"}");
    api.post("/api/spools/" + code + "/heat-events", "{\"temperatureC\": 62}");
    api.post("/api/spools/" + code + "/emptyings", "{\"emptyReelG\": 148}");
    JsonNode view = view();
    assertThat(view.get("tangles").asInt()).isEqualTo(1);
    assertThat(view.get("heatEvents").asInt()).isEqualTo(1);
    assertThat(view.get("usedUp").asInt()).isEqualTo(1);
    assertThat(view.get("usedG").asDouble()).isEqualTo(500);
    assertThat(view.get("emptyReelG").asDouble()).isEqualTo(148);
    assertThat(view.get("spools")).hasSize(1);
  }

  @ParameterizedTest
  @CsvSource({
    "'\"price\": -3', price",
    "'\"currency\": \"euro\"', currency",
    "'\"nozzleLowC\": 260, \"nozzleHighC\": 240', nozzleHighC",
    "'\"bedLowC\": 500', bedLowC",
    "'\"ownFlowPercent\": 5', ownFlowPercent",
    "'\"ownDiameterMm\": 17.5', ownDiameterMm"
  })
  void badValuesAreExplainedAndChangeNothing(String json, String field) {
    JsonNode before = view();
    Answer answer = change(", " + json);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.field()).isEqualTo(field);
    assertThat(view()).isEqualTo(before);
  }

  private JsonNode deliverNylon(String ofMaker, int reels) {
    long shelf = addPlace("nylon shelf of " + ofMaker, "OPEN_SHELF");
    posted(
        "/api/places/" + shelf + "/typed-climates",
        "{\"temperatureC\": 23, \"relativeHumidityPercent\": 50, \"since\": \"%s\"}"
            .formatted(daysAgo(60)));
    return posted(
            "/api/deliveries",
            """
            {"common": {"material": "PA6", "colourName": "raw", "placeId": %d, "emptyReelG": 216,
              "arrival": "SEALED_TIGHT", "arrivedAt": "%s", "openedAt": "%s",
              "lot": {"maker": "%s", "batch": "7"}},
             "reels": [%s]}
            """
                .formatted(
                    shelf,
                    daysAgo(46),
                    daysAgo(46),
                    ofMaker,
                    String.join(", ", Collections.nCopies(reels, "{}"))))
        .get("codes");
  }

  private static Instant daysAgo(int days) {
    return Instant.now().minusSeconds(86_400L * days);
  }

  private double spread(String code) {
    return api.get("/api/spools/" + code).body().at("/band/mean").asDouble();
  }

  private double laterThanLikely(String code, long room) {
    JsonNode forecast =
        posted200(
                "/api/load-forecast",
                "{\"codes\": [\"%s\"], \"roomPlaceId\": %d, \"dryer\": {\"ratedMaxC\": 90}}"
                    .formatted(code, room))
            .get("forecast");
    JsonNode sure = forecast.get("sureLastHours");
    return sure.isNull()
        ? Double.POSITIVE_INFINITY
        : sure.asDouble() / forecast.get("lastHours").asDouble();
  }

  private JsonNode posted200(String path, String json) {
    Answer answer = api.post(path, json);
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.body();
  }

  /** What the scale taught of one spool narrows the band of its sisters, alone and in a load. */
  @Test
  void aLotThatIsKnownNarrowsTheBandOfItsOtherSpools() {
    JsonNode known = deliverNylon("Known " + count, 2);
    JsonNode unknown = deliverNylon("Unknown " + count, 1);
    String weighed = known.at("/0").asString();
    // What a scale of 0.1 g shows of a lot in which water moves at 0.6 times the table's pace.
    JsonNode truth =
        posted200(
                "/api/calc/moisture",
                """
                {"material": "PA6", "materialOverrides": {"diffusivityAt23CM2PerS": 1.2e-13},
                 "winding": {"hubRadiusMm": 50, "outerRadiusMm": 100, "widthMm": 60, "netMassG": 1000},
                 "initialMoisturePercent": 0.8, "reportHours": [0, 72, 384, 1080],
                 "climate": [{"hours": 1080, "temperatureC": 23, "relativeHumidityPercent": 50,
                              "air": "still"}]}
                """)
            .get("report");
    for (JsonNode then : truth) {
      double hour = then.get("hour").asDouble();
      posted(
          "/api/spools/" + weighed + "/weighings",
          String.format(
              Locale.ROOT,
              "{\"grossMassG\": %.1f, \"at\": \"%s\", \"nothingUsed\": %s}",
              1216 + 10 * then.get("meanPercent").asDouble(),
              daysAgo(46).plusSeconds(Math.round(3600 * hour)),
              hour > 0));
    }
    JsonNode learned = api.get("/api/spools/" + weighed).body().get("learned");
    assertThat(learned.at("/diffusion/likely").asDouble()).isBetween(0.5, 0.75);
    String sister = known.at("/1").asString();
    String stranger = unknown.at("/0").asString();
    assertThat(spread(sister)).isLessThan(0.75 * spread(stranger));
    long room = addRoom("nylon room", 23, 50);
    assertThat(laterThanLikely(sister, room)).isLessThan(laterThanLikely(stranger, room));
  }

  @Test
  void unknownLotsAndSpoolsAreNotFound() {
    assertThat(api.put("/api/lots/999999", "{\"maker\": \"x\"}").status()).isEqualTo(404);
    assertThat(
            api.put(
                    "/api/lots/" + lot,
                    "{\"version\": %d, \"maker\": \" \"}".formatted(view().get("version").asInt()))
                .field())
        .isEqualTo("maker");
    String code = view().at("/spools/1").asString();
    assertThat(api.post("/api/spools/" + code + "/emptyings", "{\"emptyReelG\": -1}").field())
        .isEqualTo("emptyReelG");
    assertThat(api.post("/api/spools/" + code + "/emptyings", "{}").field())
        .isEqualTo("emptyReelG");
    assertThat(api.post("/api/spools/" + code + "/heat-events", "{\"temperatureC\": 900}").field())
        .isEqualTo("temperatureC");
  }

  @Test
  void aUsedUpSpoolIsNotWeighedAgain() {
    String code = view().at("/spools/0").asString();
    api.post("/api/spools/" + code + "/emptyings", "{\"emptyReelG\": 150}");
    Answer weighed = api.post("/api/spools/" + code + "/weighings", "{\"grossMassG\": 400}");
    assertThat(weighed.status()).isEqualTo(422);
    assertThat(weighed.detail()).contains("used up");
  }
}
