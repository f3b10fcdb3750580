package mindspool.server.places;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class PlaceApiTest extends ServerTest {

  private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.SECONDS);

  private Answer upload(long place, String csv) {
    return api.upload(
        "/api/places/" + place + "/climate-files",
        "log.csv",
        csv.getBytes(StandardCharsets.UTF_8),
        "UTC");
  }

  private Answer store(long place, Answer preview, String answers) {
    return api.post(
        "/api/places/%d/climate-files/%s/import"
            .formatted(place, preview.body().get("uploadId").asString()),
        answers);
  }

  private static String log(int hours) {
    StringBuilder csv = new StringBuilder("time,temperature °C,humidity %\n");
    for (int i = hours; i >= 0; i--) {
      csv.append(
          "%s,%.1f,%.1f%n".formatted(NOW.minusSeconds(3600L * i), 20 + i % 5 * 0.5, 40.0 + i % 7));
    }
    return csv.toString();
  }

  @Test
  void aLogIsPreviewedStoredOnceAndTakenOutAgain() {
    long place = addPlace("Rack for logs", "OPEN_SHELF");
    Answer preview = upload(place, log(48));
    assertThat(preview.body().get("readings").asInt()).isEqualTo(49);
    assertThat(api.get("/api/places/" + place).body().get("climateSource").asString())
        .as("nothing is stored by a preview")
        .isEqualTo("ASSUMED");

    Answer stored = store(place, preview, "{}");
    assertThat(stored.body().get("rowsTaken").asInt()).isEqualTo(49);
    JsonNode view = api.get("/api/places/" + place).body();
    assertThat(view.get("climateSource").asString()).isEqualTo("MEASURED");
    assertThat(view.at("/now/temperatureC").asDouble()).isCloseTo(20, within(0.01));

    Answer again = upload(place, log(48));
    assertThat(again.body().get("newReadings").asInt()).isZero();
    Answer twice = store(place, again, "{}");
    assertThat(twice.body().get("rowsTaken").asInt()).isZero();
    assertThat(twice.body().get("rowsKnown").asInt()).isEqualTo(49);

    long file = stored.body().get("fileId").asLong();
    assertThat(api.delete("/api/places/%d/climate-files/%d".formatted(place, file)).status())
        .isEqualTo(200);
    assertThat(api.get("/api/places/" + place).body().get("climateSource").asString())
        .isEqualTo("ASSUMED");
  }

  @Test
  void aQuestionMustBeAnsweredFirst() {
    long place = addPlace("Rack with questions", "OPEN_SHELF");
    Answer preview =
        upload(place, "time,temp °C,rh\n03/04/2025 10:00,21,0.44\n04/04/2025 10:00,21,0.5\n");
    assertThat(preview.body().get("questions").size()).isEqualTo(2);
    Answer refused = store(place, preview, "{\"dateOrder\": \"DAY_FIRST\"}");
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.field()).isEqualTo("humidityUnit");
    assertThat(api.get("/api/places/" + place).body().get("files").size()).isZero();
    Answer looked =
        api.post(
            "/api/places/%d/climate-files/%s/preview"
                .formatted(place, preview.body().get("uploadId").asString()),
            "{\"dateOrder\": \"DAY_FIRST\", \"humidityUnit\": \"FRACTION\"}");
    assertThat(looked.body().get("questions").size()).isZero();
    assertThat(looked.body().at("/firstRows/0/relativeHumidityPercent").asDouble()).isEqualTo(44);
    Answer stored =
        store(place, preview, "{\"dateOrder\": \"DAY_FIRST\", \"humidityUnit\": \"FRACTION\"}");
    assertThat(stored.body().get("rowsTaken").asInt()).isEqualTo(2);
  }

  @Test
  void badRowsAreListedAndTheRestTaken() {
    long place = addPlace("Rack with bad rows", "OPEN_SHELF");
    Answer preview =
        upload(
            place,
            "time,temp °C,rh %%\n2025-03-04 10:00,21,44\n2025-03-04 11:00,,44\n%s,21,44\n"
                .formatted(NOW.plus(2, ChronoUnit.DAYS)));
    assertThat(preview.body().get("rejectedCount").asInt()).isEqualTo(2);
    assertThat(preview.body().at("/rejected/0/line").asInt()).isEqualTo(3);
    assertThat(preview.body().at("/rejected/1/reason").asString()).contains("future");
    assertThat(store(place, preview, "{}").body().get("rowsTaken").asInt()).isEqualTo(1);
  }

  @Test
  void filesThatAreNoLogsAreRefusedAndNothingIsStored() {
    long place = addPlace("Rack for refusals", "OPEN_SHELF");
    String path = "/api/places/" + place + "/climate-files";
    assertThat(upload(place, "").field()).isEqualTo("file");
    assertThat(api.upload(path, "x.zip", new byte[] {80, 75, 3, 4, 0, 0, 1}, "UTC").detail())
        .contains("binary");
    Answer huge = api.upload(path, "year.csv", new byte[50_000_000], "UTC");
    assertThat(huge.status()).isEqualTo(413);
    assertThat(huge.detail()).contains("up to 20 MB").contains("nothing was stored");
    assertThat(upload(place, "time,temp\n2025-03-04 10:00,21\n").status()).isEqualTo(422);
    assertThat(api.upload(path, "a.csv", "x".getBytes(), "Mars/Base").field()).isEqualTo("zone");
    assertThat(api.get("/api/places/" + place).body().get("files").size()).isZero();
    assertThat(store(place, notWaiting(), "{}").status()).isEqualTo(404);
  }

  /** An upload that is not waiting. */
  private static Answer notWaiting() {
    return new Answer(
        200,
        tools.jackson.databind.json.JsonMapper.shared().readTree("{\"uploadId\": \"gone\"}"),
        null);
  }

  @Test
  void aTypedClimateHoldsUntilItIsTakenBack() {
    long place = addPlace("Cupboard", "GASKET_BOX");
    String path = "/api/places/" + place + "/typed-climates";
    Answer typed =
        api.post(
            path,
            "{\"temperatureC\": 21, \"relativeHumidityPercent\": 33, \"since\": \"%s\"}"
                .formatted(NOW.minus(3, ChronoUnit.DAYS)));
    assertThat(typed.status()).isEqualTo(201);
    JsonNode view = api.get("/api/places/" + place).body();
    assertThat(view.get("climateSource").asString()).isEqualTo("TYPED");
    assertThat(view.at("/now/relativeHumidityPercent").asDouble()).isCloseTo(33, within(1e-6));
    assertThat(api.undo(typed.body().get("actId").asLong()).status()).isEqualTo(200);
    assertThat(api.get("/api/places/" + place).body().get("climateSource").asString())
        .isEqualTo("ASSUMED");
    assertThat(api.post(path, "{\"temperatureC\": 21, \"relativeHumidityPercent\": 133}").field())
        .isEqualTo("relativeHumidityPercent");
    assertThat(
            api.post(
                    path,
                    "{\"temperatureC\": 21, \"relativeHumidityPercent\": 33, \"since\": \"%s\"}"
                        .formatted(NOW.plus(3, ChronoUnit.DAYS)))
                .field())
        .isEqualTo("since");
  }

  @Test
  void aDryerHeatsItsRoom() {
    long room = addPlace("Room of the dryer", "OPEN_SHELF");
    api.post(
        "/api/places/" + room + "/typed-climates",
        "{\"temperatureC\": 23, \"relativeHumidityPercent\": 50}");
    Answer dryer =
        api.post(
            "/api/places",
            "{\"name\": \"Hot box\", \"kind\": \"DRYER\", \"withinId\": %d, \"setpointC\": 65, \"ratedMaxC\": 70}"
                .formatted(room));
    JsonNode view = api.get("/api/places/" + dryer.body().get("id").asLong()).body();
    assertThat(view.at("/now/temperatureC").asDouble()).isCloseTo(65, within(1e-6));
    assertThat(view.at("/now/relativeHumidityPercent").asDouble()).isCloseTo(5.61, within(0.01));
  }

  @Test
  void badPlacesAreRefused() {
    addPlace("Twice", "GASKET_BOX");
    assertThat(api.post("/api/places", "{\"name\": \"twice\", \"kind\": \"GASKET_BOX\"}").field())
        .isEqualTo("name");
    assertThat(api.post("/api/places", "{\"name\": \" \", \"kind\": \"GASKET_BOX\"}").field())
        .isEqualTo("name");
    assertThat(api.post("/api/places", "{\"name\": \"x\", \"kind\": \"HOLE\"}").detail())
        .contains("OPEN_SHELF");
    assertThat(
            api.post(
                    "/api/places",
                    "{\"name\": \"d\", \"kind\": \"DRYER\", \"setpointC\": 90, \"ratedMaxC\": 70}")
                .field())
        .isEqualTo("setpointC");
    assertThat(api.get("/api/places/99999").status()).isEqualTo(404);
  }
}
