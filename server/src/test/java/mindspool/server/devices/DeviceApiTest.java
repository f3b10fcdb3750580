package mindspool.server.devices;

import static org.assertj.core.api.Assertions.assertThat;

import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class DeviceApiTest extends ServerTest {

  private static final String CHANNEL =
      "{\"topicFilter\": \"a/b\", \"pointer\": \"/h\", \"unit\": \"PERCENT\"}";

  private Answer add(String name, String more) {
    return api.post(
        "/api/devices", "{\"name\": \"%s\", \"kind\": \"HYGROMETER\" %s}".formatted(name, more));
  }

  private long device(String name) {
    Answer answer = add(name, ", \"channels\": [" + CHANNEL + "]");
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    return answer.body().get("id").asLong();
  }

  @Test
  void aDeviceIsAddedMovedRemovedAndBroughtBack() {
    long place = addPlace("device's place", "ROOM");
    long id = device("sensor 7");
    JsonNode added = api.get("/api/devices/" + id).body();
    assertThat(added.get("placeId").isNull()).isTrue();
    assertThat(added.get("checkOverdue").asBoolean()).as("never checked").isTrue();
    String change =
        "{\"name\": \"sensor 7b\", \"placeId\": %d, \"checkEveryDays\": 90}".formatted(place);
    Answer changed = api.change("/api/devices/" + id, change);
    JsonNode moved = changed.body();
    assertThat(moved.get("name").asString()).isEqualTo("sensor 7b");
    assertThat(moved.get("placeId").asLong()).isEqualTo(place);
    assertThat(moved.get("checkEveryDays").asInt()).isEqualTo(90);
    assertThat(api.undo(changed.act()).status()).isEqualTo(200);
    JsonNode back = api.get("/api/devices/" + id).body();
    assertThat(back.get("name").asString()).isEqualTo("sensor 7");
    assertThat(back.get("placeId").isNull()).as("where it measured is taken back too").isTrue();
    api.redo(changed.act());
    Answer removed = api.delete("/api/devices/" + id);
    assertThat(removed.status()).isEqualTo(204);
    assertThat(api.get("/api/devices/" + id).status()).isEqualTo(404);
    assertThat(api.undo(removed.act()).body().at("/lines/0/what").asString()).isEqualTo("removed");
    assertThat(api.get("/api/devices/" + id).status()).isEqualTo(200);
  }

  @ParameterizedTest
  @CsvSource({
    "'', channels",
    "', \"channels\": []', channels",
    "', \"channels\": [{\"unit\": \"PERCENT\"}]', channels[0].topicFilter",
    "', \"channels\": [{\"topicFilter\": \"a/b\"}]', channels[0].unit",
    "', \"channels\": [{\"topicFilter\": \"a#\", \"unit\": \"GRAM\"}]', channels[0].topicFilter",
    "', \"channels\": [{\"topicFilter\": \"a\", \"unit\": \"GRAM\", \"pointer\": \"x\"}]', channels[0].pointer",
    "', \"channels\": [{\"topicFilter\": \"a\", \"unit\": \"GRAM\", \"timePointer\": \"x\"}]', channels[0].timePointer"
  })
  void mappingsThatCannotWorkNameTheirField(String more, String field) {
    int before = api.get("/api/devices").body().size();
    Answer answer = add("never stored", more);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.field()).isEqualTo(field);
    assertThat(api.get("/api/devices").body().size()).isEqualTo(before);
  }

  @Test
  void namesAreOnesOwn() {
    device("only one");
    assertThat(add("ONLY ONE", ", \"channels\": [" + CHANNEL + "]").field()).isEqualTo("name");
    assertThat(add(" ", ", \"channels\": [" + CHANNEL + "]").field()).isEqualTo("name");
  }

  @Test
  void unknownUnitsAreNamedWithThoseThereAre() {
    Answer answer =
        add("odd unit", ", \"channels\": [{\"topicFilter\": \"a\", \"unit\": \"STONE\"}]");
    assertThat(answer.status()).isBetween(400, 422);
    assertThat(answer.raw().body()).contains("STONE", "KILOGRAM");
    JsonNode units = api.get("/api/reading-units").body();
    assertThat(units.toString()).contains("FAHRENHEIT", "OUNCE");
  }

  @Test
  void onlyHygrometersAreCheckedOverSaltAndOnlyScalesWeighed() {
    long hygrometer = device("sensor for salt");
    Answer scale =
        api.post(
            "/api/devices",
            "{\"name\": \"scale 9\", \"kind\": \"SCALE\", \"channels\": [{\"topicFilter\": \"s\", \"unit\": \"GRAM\"}]}");
    long scaleId = scale.body().get("id").asLong();
    String points =
        "{\"points\": [{\"salt\": \"NaCl\", \"temperatureC\": 23, \"readingPercent\": 77}]}";
    assertThat(api.post("/api/devices/" + scaleId + "/checks", points).status()).isEqualTo(422);
    assertThat(api.get("/api/devices/" + hygrometer + "/scale").status()).isEqualTo(422);
    Answer check = api.post("/api/devices/" + hygrometer + "/checks", points);
    assertThat(check.status()).isEqualTo(201);
    assertThat(check.body().get("verdict").asString()).isEqualTo("ONE_POINT_ONLY");
    assertThat(
            api.post(
                    "/api/devices/" + hygrometer + "/checks",
                    "{\"points\": [{\"salt\": \"NaCl\", \"readingPercent\": 77}]}")
                .field())
        .isEqualTo("points[0].temperatureC");
    assertThat(
            api.post(
                    "/api/devices/" + hygrometer + "/checks",
                    points.replace("}]}", "}], \"at\": \"2999-01-01T00:00:00Z\"}"))
                .field())
        .isEqualTo("at");
  }

  @Test
  void saltsAreListedWithTheirHumidity() {
    JsonNode salts = api.get("/api/salts").body();
    assertThat(salts).hasSize(9);
    assertThat(salts.toString()).contains("Table salt");
  }

  @Test
  void theBrokerTellsItsAddress() {
    JsonNode mqtt = api.get("/api/mqtt").body();
    assertThat(mqtt.get("embedded").asBoolean()).isTrue();
    assertThat(mqtt.get("address").asString()).startsWith("127.0.0.1:");
    assertThat(mqtt.get("problem").asString()).isEmpty();
  }
}
