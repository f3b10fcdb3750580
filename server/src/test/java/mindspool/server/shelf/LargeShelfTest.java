package mindspool.server.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Four hundred spools: one request, computed in the background, each with its forecast. */
class LargeShelfTest extends ServerTest {

  private static final int COUNT = 400;

  @Test
  void aFullMakerspaceFitsIntoOneRequest() throws InterruptedException {
    long place = addPlace("Long wall", "OPEN_SHELF");
    Instant arrived = Instant.now().minus(20, ChronoUnit.DAYS);
    for (int i = 0; i < COUNT; i++) {
      var answer =
          api.post(
              "/api/spools",
              "{\"material\": \"%s\", \"colourName\": \"no %d\", \"arrival\": \"OPEN\", \"placeId\": %d, \"arrivedAt\": \"%s\"}"
                  .formatted(i % 2 == 0 ? "PETG" : "PA6", i, place, arrived));
      assertThat(answer.status()).isEqualTo(201);
    }
    JsonNode first = api.get("/api/shelf").body();
    assertThat(on(first, place)).as("answers before all is computed").hasSize(COUNT);
    JsonNode shelf = first;
    for (int tries = 0; tries < 600 && shelf.get("pending").asInt() > 0; tries++) {
      Thread.sleep(200);
      shelf = api.get("/api/shelf").body();
    }
    assertThat(shelf.get("pending").asInt()).isZero();
    int frames = shelf.get("frameHours").size();
    assertThat(shelf.get("frameHours").get(frames - 1).asInt()).isEqualTo(14 * 24);
    for (JsonNode spool : on(shelf, place)) {
      assertThat(spool.at("/frames/rings").size()).isEqualTo(frames);
      assertThat(spool.at("/frames/outer/0").asDouble()).isPositive();
      assertThat(spool.at("/printable/state").asString()).isNotBlank();
    }
  }

  private static List<JsonNode> on(JsonNode shelf, long place) {
    return shelf
        .get("spools")
        .valueStream()
        .filter(spool -> spool.get("placeId").asLong() == place)
        .toList();
  }
}
