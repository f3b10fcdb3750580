package mindspool.server.keep;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.TestPropertySource;

/** As if the disk were nearly full: no disk has so much free as is wanted here. */
@TestPropertySource(properties = "mindspool.least-free-mb=1000000000")
class LowDiskTest extends ServerTest {

  @Test
  void nothingIsStoredAndAllCanBeRead() {
    Answer refused = api.post("/api/places", "{\"name\": \"late\", \"kind\": \"ROOM\"}");
    assertThat(refused.status()).isEqualTo(507);
    assertThat(refused.detail())
        .contains("MB are free")
        .contains("1000000000 MB are needed")
        .contains("Nothing was changed");
    assertThat(api.get("/api/places").body()).isEmpty();
    assertThat(api.get("/api/shelf").status()).isEqualTo(200);
    assertThat(
            api.post(
                    "/api/calc/isotherm",
                    "{\"material\": \"PLA\", \"relativeHumidityPercent\": 50}")
                .status())
        .isEqualTo(200);
    Answer file =
        api.upload("/api/part-files", "a.stl", "solid a\nendsolid".getBytes(UTF_8), "UTC");
    assertThat(file.status()).as(file.raw().body()).isEqualTo(507);
    assertThat(api.get("/api/space").body().get("neededMb").asLong()).isEqualTo(1_000_000_000);
    assertThat(api.get("/api/alerts").raw().body()).contains("disk is nearly full");
  }
}
