package mindspool.server;

import static org.assertj.core.api.Assertions.assertThat;

import mindspool.server.Api.Answer;
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
