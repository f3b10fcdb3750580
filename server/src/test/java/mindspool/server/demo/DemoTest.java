package mindspool.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import mindspool.server.support.Api;
import mindspool.server.support.DemoApplication;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Value;
import tools.jackson.databind.JsonNode;

/** The demonstration is what it promises to be. */
@DemoApplication
class DemoTest {

  private static final int DAYS = 60;

  @Value("${local.server.port}")
  private int port;

  private Api api;

  @BeforeEach
  void connect() {
    api = new Api(port);
  }

  /** The shelf once all spools are computed. */
  private JsonNode shelf() throws InterruptedException {
    for (int tries = 0; tries < 300; tries++) {
      JsonNode shelf = api.get("/api/shelf").body();
      if (shelf.get("pending").asInt() == 0) {
        return shelf;
      }
      Thread.sleep(200);
    }
    throw new AssertionError("the background never finished");
  }

  @Test
  void hasManySpoolsOfManyMaterialsInManyPlaces() throws InterruptedException {
    JsonNode shelf = shelf();
    Set<String> materials = new HashSet<>();
    Set<Long> places = new HashSet<>();
    Set<String> codes = new HashSet<>();
    for (JsonNode spool : shelf.get("spools")) {
      materials.add(spool.get("material").asString());
      places.add(spool.get("placeId").asLong());
      codes.add(spool.get("code").asString());
    }
    assertThat(shelf.get("spools").size()).isGreaterThanOrEqualTo(24);
    assertThat(codes).hasSize(shelf.get("spools").size());
    assertThat(materials).hasSize(9);
    assertThat(places).hasSize(8);
  }

  @Test
  void someAreFineSomeWetOutsideSomeWetInside() throws InterruptedException {
    int fine = 0;
    int wetOutside = 0;
    int wetInside = 0;
    for (JsonNode spool : shelf().get("spools")) {
      double limit = spool.get("printLimitPercent").asDouble();
      double outer = spool.at("/frames/outer/0").asDouble() / limit;
      double core = spool.at("/frames/core/0").asDouble() / limit;
      fine += Math.max(outer, core) < 0.7 ? 1 : 0;
      wetOutside += outer > 1 && core < outer - 0.1 ? 1 : 0;
      wetInside += core > 1 && outer < core - 0.1 ? 1 : 0;
    }
    assertThat(fine).isGreaterThanOrEqualTo(5);
    assertThat(wetOutside).isGreaterThanOrEqualTo(2);
    assertThat(wetInside).isGreaterThanOrEqualTo(1);
  }

  @Test
  void hasSixtyDaysOfWeatherWithAHeatingSeason() {
    JsonNode window = api.get("/api/places/1").body();
    JsonNode log = window.get("files").get(window.get("files").size() - 1);
    double days = (log.get("lastS").asLong() - log.get("firstS").asLong()) / 86_400.0;
    assertThat(days).isBetween(DAYS - 0.1, DAYS + 0.1);
    assertThat(window.at("/now/timeS").asLong() - log.get("lastS").asLong()).isLessThan(7200);
    JsonNode curve = window.get("curve");
    double early = 0;
    double late = 0;
    for (int i = 0; i < 100; i++) {
      early += curve.get(i).get("relativeHumidityPercent").asDouble() / 100;
      late += curve.get(curve.size() - 1 - i).get("relativeHumidityPercent").asDouble() / 100;
    }
    assertThat(late).as("heating dries the air").isLessThan(early - 5);
  }
}
