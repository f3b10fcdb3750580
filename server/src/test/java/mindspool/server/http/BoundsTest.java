package mindspool.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Value;

/** What is too much is refused before it is begun, and ends when nobody waits for it. */
class BoundsTest extends ServerTest {

  private static final String WINDING =
      "\"winding\": {\"hubRadiusMm\": 40, \"widthMm\": 60, \"netMassG\": 1000}";

  @Value("${local.server.port}")
  private int port;

  private static String plan(int spools, int dryers) {
    String spool =
        "{\"code\": \"s%d\", \"material\": \"PLA\", \"initialMoisturePercent\": 0.3, "
            + WINDING
            + "}";
    StringBuilder all = new StringBuilder();
    for (int i = 0; i < spools; i++) {
      all.append(i == 0 ? "" : ",").append(spool.formatted(i));
    }
    return "{\"room\": {\"temperatureC\": 23, \"relativeHumidityPercent\": 50}, \"seconds\": 0.1,"
        + " \"dryers\": ["
        + "{\"dryer\": {\"ratedMaxC\": 70}},".repeat(dryers - 1)
        + "{\"dryer\": {\"ratedMaxC\": 70}}], \"spools\": ["
        + all
        + "], \"jobs\": [{\"material\": \"PLA\", \"grams\": 10, \"startHour\": 30}]}";
  }

  @Test
  void plansAndLoadsThatNoWorkshopHasAreRefused() {
    assertThat(api.post("/api/calc/drying-plan", plan(1000, 1)).field()).isEqualTo("spools");
    assertThat(api.post("/api/calc/drying-plan", plan(1, 51)).field()).isEqualTo("dryers");
    assertThat(api.post("/api/calc/drying-plan", plan(150, 40)).field())
        .isEqualTo("spools times dryers");
    String spool = "{\"material\": \"PLA\", \"initialMoisturePercent\": 0.3, " + WINDING + "}";
    Answer load =
        api.post(
            "/api/calc/drying-charge",
            "{\"spools\": ["
                + (spool + ",").repeat(16)
                + spool
                + "], \"room\": {\"temperatureC\": 23, \"relativeHumidityPercent\": 50},"
                + " \"dryer\": {\"ratedMaxC\": 70}}");
    assertThat(load.status()).isEqualTo(422);
    assertThat(load.field()).isEqualTo("spools");
  }

  @Test
  void twoThingsOfOneNumberAreRefused() {
    String twice =
        plan(1, 2)
            .replace(
                "{\"dryer\": {\"ratedMaxC\": 70}}", "{\"id\": 4, \"dryer\": {\"ratedMaxC\": 70}}");
    assertThat(api.post("/api/calc/drying-plan", twice).field()).isEqualTo("dryers[1].id");
  }

  @Test
  void aLineOfAMillionColumnsIsNoLog() {
    long room = addPlace("room of columns", "ROOM");
    String path = "/api/places/" + room + "/climate-files";
    byte[] wide =
        ("time,t,h\n2026-01-01 00:00" + ",5".repeat(1_000_000)).getBytes(StandardCharsets.UTF_8);
    Answer answer = api.upload(path, "wide.csv", wide, "UTC");
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.detail()).contains("columns");
  }

  /** Alternating air of ten years: more than anybody waits for. */
  private static String longHistory() {
    String warm = "{\"hours\": 0.4, \"temperatureC\": 40, \"relativeHumidityPercent\": 80},";
    String cold = "{\"hours\": 0.4, \"temperatureC\": 5, \"relativeHumidityPercent\": 20},";
    String all = (warm + cold).repeat(90_000);
    return "{\"material\": \"PETG\", \"initialMoisturePercent\": 0.2, "
        + WINDING
        + ", \"climate\": ["
        + all.substring(0, all.length() - 1)
        + "]}";
  }

  private Socket asked(String body) throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    Socket socket = new Socket("127.0.0.1", port);
    socket
        .getOutputStream()
        .write(
            ("POST /api/calc/moisture HTTP/1.1\r\nHost: 127.0.0.1:%d\r\nContent-Type: application/json\r\nContent-Length: %d\r\n\r\n"
                    .formatted(port, bytes.length))
                .getBytes(StandardCharsets.UTF_8));
    socket.getOutputStream().write(bytes);
    socket.getOutputStream().flush();
    return socket;
  }

  /** Both places for long computations are taken by callers who leave; then there is room again. */
  @Test
  void workEndsWhenTheCallerIsGone() throws Exception {
    String history = longHistory();
    for (int round = 0; round < 2; round++) {
      Socket first = asked(history);
      Socket second = asked(history);
      // Until both are read and begun.
      Thread.sleep(1_500);
      first.close();
      second.close();
      Answer small =
          api.post(
              "/api/calc/moisture",
              "{\"material\": \"PETG\", \"initialMoisturePercent\": 0.2, "
                  + WINDING
                  + ", \"climate\": [{\"hours\": 4, \"temperatureC\": 23, \"relativeHumidityPercent\": 50}]}");
      assertThat(small.status()).as(small.raw().body()).isEqualTo(200);
    }
  }
}
