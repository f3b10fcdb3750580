package mindspool.server.dry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import mindspool.server.support.DemoApplication;
import mindspool.server.support.ServerTest;
import mindspool.server.support.TestClock;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;

/** What a cycle does while time goes by and nobody says anything. */
@TestPropertySource(properties = DemoApplication.BEGINS)
class TimePassesTest extends ServerTest {

  @Autowired private TestClock clock;

  private long dryer(String name, Long room) {
    String within = room == null ? "" : ", \"withinId\": " + room;
    return posted(
            "/api/places",
            "{\"name\": \"%s\", \"kind\": \"DRYER\", \"ratedMaxC\": 95%s}".formatted(name, within))
        .get("id")
        .asLong();
  }

  private String dried(long room, long dryer) {
    String code =
        posted(
                "/api/spools",
                ("{\"material\": \"PA6\", \"colourName\": \"smoke\", \"placeId\": %d,"
                        + " \"arrival\": \"OPEN\"}")
                    .formatted(room))
            .get("code")
            .asString();
    posted(
        "/api/cycles",
        "{\"dryerId\": %d, \"codes\": [\"%s\"], \"setpointC\": 65, \"hours\": 20}"
            .formatted(dryer, code));
    return code;
  }

  private double moisture(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/frames/mean/0").asDouble();
  }

  /** The computer may have slept meanwhile; and a dryer heats in whichever room it stands. */
  @Test
  void aCycleDriesWhileNobodySaysAnything() {
    long room = addPlace("hall", "ROOM");
    posted(
        "/api/places/" + room + "/typed-climates",
        "{\"temperatureC\": 21, \"relativeHumidityPercent\": 48}");
    String inRoom = dried(room, dryer("dryer in the hall", room));
    String inNone = dried(room, dryer("dryer somewhere", null));
    double wet = moisture(inRoom);
    assertThat(moisture(inNone)).isCloseTo(wet, within(0.002));
    double before = wet;
    for (int hours = 5; hours <= 20; hours += 5) {
      clock.pass(Duration.ofHours(5));
      double now = moisture(inRoom);
      assertThat(now).as("after %d h", hours).isLessThan(0.9 * before);
      assertThat(moisture(inNone)).as("in no room").isCloseTo(now, within(0.002));
      before = now;
    }
    assertThat(before).isLessThan(0.4 * wet);
    clock.pass(Duration.ofHours(30));
    assertThat(moisture(inRoom)).as("left in the cold dryer").isGreaterThan(1.1 * before);
  }
}
