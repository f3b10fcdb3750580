package mindspool.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import mindspool.simulators.hardship.ContractFuzz;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Value;

/** What no page would send: refused with the field's name, never with the program's inside. */
class FuzzTest extends ServerTest {

  @Value("${local.server.port}")
  private int port;

  private void prepare() {
    long room = addRoom("fuzzed room", 21, 50);
    addPlaceIn(room, "fuzzed box", "GASKET_BOX", "");
    addPlaceIn(room, "fuzzed dryer", "DRYER", "");
    posted(
        "/api/spools",
        "{\"material\": \"PETG\", \"colourName\": \"fuzzed\", \"placeId\": %d}".formatted(room));
  }

  @Test
  void everyOperationRefusesWhatIsWrong() throws IOException {
    prepare();
    ContractFuzz fuzz = new ContractFuzz(port, 2026);
    assertThat(fuzz.operations()).isGreaterThan(90);
    fuzz.run(700);
    assertThat(String.join("\n", fuzz.faults().stream().limit(5).toList())).isEmpty();
    assertThat(fuzz.statuses()).containsKeys(200, 400, 422);
    assertThat(api.get("/api/shelf").status()).isEqualTo(200);
  }

  private Answer sent(String path, String type, String body) {
    return api.send(
        HttpRequest.newBuilder(URI.create(api.address(path)))
            .header("Content-Type", type)
            .POST(BodyPublishers.ofString(body)));
  }

  @Test
  void textIsCheckedWhereItEnters() {
    long room = addPlace("room of texts", "ROOM");
    String spool = "{\"material\": \"PLA\", \"colourName\": \"%s\", \"placeId\": %d}";
    Answer half = api.post("/api/spools", spool.formatted("half \\ud800 of one", room));
    assertThat(half.status()).isEqualTo(400);
    assertThat(half.field()).isEqualTo("colourName");
    Answer control = api.post("/api/spools", spool.formatted("bell \\u0007", room));
    assertThat(control.field()).isEqualTo("colourName");
    // Composed and decomposed are the same name.
    posted("/api/places", "{\"name\": \"Caf\\u00e9\", \"kind\": \"ROOM\"}");
    Answer same = api.post("/api/places", "{\"name\": \"Cafe\\u0301\", \"kind\": \"ROOM\"}");
    assertThat(same.field()).isEqualTo("name");
    // A pair is a character like any other.
    assertThat(api.post("/api/spools", spool.formatted("\\ud83d\\ude00".repeat(30), room)).status())
        .isEqualTo(201);
    assertThat(api.post("/api/spools", spool.formatted("\\ud83d\\ude00".repeat(31), room)).field())
        .isEqualTo("colourName");
    assertThat(api.get("/api/shelf").status()).isEqualTo(200);
  }

  @Test
  void numbersAreNumbersAndListsHoldNoNull() {
    String loads =
        "{\"spools\": [{\"material\": \"PLA\", \"initialMoisturePercent\": 0.3, \"startSpread\": %s,"
            + " \"winding\": {\"hubRadiusMm\": 40, \"widthMm\": 60, \"netMassG\": 1000}}],"
            + " \"room\": {\"temperatureC\": 23, \"relativeHumidityPercent\": 50},"
            + " \"dryer\": {\"ratedMaxC\": 70}}";
    for (String wrong : new String[] {"\"NaN\"", "-0.1", "2", "\"Infinity\""}) {
      Answer answer = api.post("/api/calc/drying-charge", loads.formatted(wrong));
      assertThat(answer.status()).as(wrong).isEqualTo(422);
      assertThat(answer.field()).as(wrong).endsWith("startSpread");
    }
    // Too small to be meant by anybody: as good as none.
    assertThat(api.post("/api/calc/drying-charge", loads.formatted("4.9e-324")).status())
        .isEqualTo(200);
    Answer nothing = api.post("/api/cycles", "{\"dryerId\": 1, \"codes\": [null], \"hours\": 4}");
    assertThat(nothing.status()).isEqualTo(400);
    assertThat(nothing.field()).startsWith("codes");
    Answer ordinal = api.post("/api/places", "{\"name\": \"by number\", \"kind\": 0}");
    assertThat(ordinal.status()).isEqualTo(400);
    assertThat(ordinal.field()).isEqualTo("kind");
  }

  @Test
  void onlyJsonIsTakenAndNothingLongIsEchoed() {
    for (String type :
        new String[] {"application/*+json", "application/x+json", "multipart/form-data", "*/*"}) {
      Answer answer = sent("/api/calc/air", type, "{}");
      assertThat(answer.status()).as(type).isEqualTo(415);
      assertThat(answer.field()).isEqualTo("Content-Type");
    }
    String name = "A".repeat(5_000);
    Answer echo = api.post("/api/calc/isotherm", "{\"material\": \"" + name + "\"}");
    assertThat(echo.status()).isEqualTo(422);
    assertThat(echo.raw().body()).doesNotContain("A".repeat(201));
    assertThat(api.get("/api/spools/" + name).raw().body()).doesNotContain("A".repeat(201));
    assertThat(api.get("/error").status()).isEqualTo(404);
    Answer large = api.post("/api/places", "{\"name\": \"" + "x".repeat(3 << 20) + "\"}");
    assertThat(large.status()).isEqualTo(413);
    assertThat(large.field()).isEqualTo("body");
  }

  @Test
  void answersAreNotKeptByCaches() {
    assertThat(api.get("/api/places").raw().headers().firstValue("Cache-Control"))
        .hasValue("no-store");
    assertThat(api.get("/api/openapi.json").raw().headers().firstValue("Cache-Control"))
        .isPresent();
  }
}
