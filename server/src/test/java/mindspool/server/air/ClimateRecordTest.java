package mindspool.server.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** How logs, typed climates and silence make up one record, and what that means for a spool. */
class ClimateRecordTest extends ServerTest {

  private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.SECONDS);

  private static Instant hoursAgo(double hours) {
    return NOW.minusSeconds(Math.round(3600 * hours));
  }

  private void importLog(long place, double fromHoursAgo, double toHoursAgo, double humidity) {
    StringBuilder csv = new StringBuilder("time,temp °C,rh %\n");
    for (double hour = fromHoursAgo; hour >= toHoursAgo; hour--) {
      csv.append("%s,21,%s%n".formatted(hoursAgo(hour), humidity));
    }
    String path = "/api/places/" + place + "/climate-files";
    Answer preview =
        api.upload(path, "log.csv", csv.toString().getBytes(StandardCharsets.UTF_8), "UTC");
    String id = preview.body().get("uploadId").asString();
    assertThat(api.post(path + "/" + id + "/import", "{}").status()).isEqualTo(200);
  }

  private void type(long place, double sinceHoursAgo, double humidity) {
    Answer answer =
        api.post(
            "/api/places/" + place + "/typed-climates",
            "{\"temperatureC\": 21, \"relativeHumidityPercent\": %s, \"since\": \"%s\"}"
                .formatted(humidity, hoursAgo(sinceHoursAgo)));
    assertThat(answer.status()).isEqualTo(201);
  }

  private String receiveOpen(long place, double hoursAgo) {
    return api.post(
            "/api/spools",
            "{\"material\": \"PLA\", \"colourName\": \"grey\", \"arrival\": \"OPEN\", \"placeId\": %d, \"arrivedAt\": \"%s\"}"
                .formatted(place, hoursAgo(hoursAgo)))
        .body()
        .get("code")
        .asString();
  }

  private double unrecordedHours(String code) {
    return api.get("/api/spools/" + code).body().at("/basis/unrecordedHours").asDouble();
  }

  private double outer(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/frames/outer/0").asDouble();
  }

  @Test
  void silenceIsCountedAsSuch() {
    long place = addPlace("Silent", "OPEN_SHELF");
    String code = receiveOpen(place, 100);
    assertThat(unrecordedHours(code)).isCloseTo(100, within(0.1));
    importLog(place, 100, 60, 45);
    assertThat(unrecordedHours(code)).as("the log ends 60 h ago").isCloseTo(60, within(1.1));
    importLog(place, 30, 0, 45);
    assertThat(unrecordedHours(code)).as("a gap of 30 h").isCloseTo(30, within(1.1));
    JsonNode gaps = api.get("/api/places/" + place).body().get("gaps");
    assertThat(gaps.size()).isEqualTo(2);
    importLog(place, 59, 31, 45);
    assertThat(unrecordedHours(code)).isCloseTo(0, within(1.1));
  }

  @Test
  void aTypedClimateHoldsUntilTheNextReading() {
    long place = addPlace("Mixed", "GASKET_BOX");
    type(place, 200, 20);
    importLog(place, 50, 0, 60);
    JsonNode view = api.get("/api/places/" + place).body();
    assertThat(view.get("climateSource").asString()).isEqualTo("MEASURED");
    JsonNode curve = view.get("curve");
    for (JsonNode point : curve) {
      double age = (NOW.getEpochSecond() - point.get("timeS").asLong()) / 3600.0;
      double expected = age > 51 ? 20 : age < 49 ? 60 : Double.NaN;
      if (!Double.isNaN(expected)) {
        assertThat(point.get("relativeHumidityPercent").asDouble())
            .as("%.0f h ago".formatted(age))
            .isCloseTo(expected, within(0.01));
      }
    }
    type(place, 10, 5);
    type(place, 5, 30);
    assertThat(api.get("/api/places/" + place).body().at("/gaps").size()).isZero();
  }

  @Test
  void aLaterTypedClimateAfterTheLastReadingHolds() {
    long place = addPlace("Logger taken away", "GASKET_BOX");
    importLog(place, 90, 40, 60);
    type(place, 30, 10);
    JsonNode view = api.get("/api/places/" + place).body();
    assertThat(view.get("climateSource").asString()).isEqualTo("TYPED");
    assertThat(view.at("/now/relativeHumidityPercent").asDouble()).isCloseTo(10, within(1e-6));
  }

  @Test
  void aLogImportedLateChangesTheSpoolsThatLayThere() {
    long place = addPlace("Late log", "OPEN_SHELF");
    String code = receiveOpen(place, 240);
    double assumed = outer(code);
    importLog(place, 240, 0, 80);
    double measured = outer(code);
    assertThat(measured).isGreaterThan(1.4 * assumed);
    long file = api.get("/api/places/" + place).body().at("/files/0/id").asLong();
    api.delete("/api/places/%d/climate-files/%d".formatted(place, file));
    assertThat(outer(code)).isCloseTo(assumed, within(1e-3));
  }

  @Test
  void theOutlookRepeatsTheRecentDays() {
    long place = addPlace("Damp lately", "OPEN_SHELF");
    importLog(place, 400, 200, 30);
    importLog(place, 199, 0, 70);
    String code = receiveOpen(place, 400);
    JsonNode air = api.get("/api/spools/" + code).body().get("air");
    int last = air.get("timeS").size() - 1;
    assertThat(air.get("timeS").get(last).asLong()).isGreaterThan(NOW.getEpochSecond() + 86_400);
    assertThat(air.get("relativeHumidityPercent").get(last).asDouble()).isCloseTo(70, within(0.5));
    assertThat(air.get("relativeHumidityPercent").get(0).asDouble()).isCloseTo(30, within(0.5));
  }

  @Test
  void changingADryersSetpointChangesItsSpools() {
    long room = addPlace("Dryer's room", "OPEN_SHELF");
    type(room, 500, 50);
    Answer dryer =
        api.post(
            "/api/places",
            "{\"name\": \"Dial\", \"kind\": \"DRYER\", \"withinId\": %d, \"setpointC\": 40, \"ratedMaxC\": 70}"
                .formatted(room));
    long id = dryer.body().get("id").asLong();
    String code = receiveOpen(id, 48);
    double cool = outer(code);
    Answer changed =
        api.change(
            "/api/places/" + id,
            "{\"name\": \"Dial\", \"withinId\": %d, \"setpointC\": 50, \"ratedMaxC\": 70}"
                .formatted(room));
    assertThat(changed.status()).isEqualTo(200);
    assertThat(outer(code)).isLessThan(0.8 * cool);
    assertThat(
            api.post(
                    "/api/places/" + id + "/typed-climates",
                    "{\"temperatureC\": 21, \"relativeHumidityPercent\": 5}")
                .field())
        .isEqualTo("placeId");
  }

  @Test
  void aWaitingFileCanBeCancelled() {
    long place = addPlace("Cancelled", "GASKET_BOX");
    String path = "/api/places/" + place + "/climate-files";
    Answer preview =
        api.upload(
            path,
            "log.csv",
            "time,temp °C,rh\n2025-01-01 10:00,21,40\n".getBytes(StandardCharsets.UTF_8),
            "UTC");
    String id = preview.body().get("uploadId").asString();
    assertThat(api.get(path + "/" + id + "/progress").body().get("readingsDone").asInt()).isZero();
    assertThat(api.delete(path + "/" + id + "/upload").status()).isEqualTo(200);
    assertThat(api.post(path + "/" + id + "/import", "{}").status()).isEqualTo(404);
    assertThat(api.get("/api/places/" + place).body().get("files").size()).isZero();
  }
}
