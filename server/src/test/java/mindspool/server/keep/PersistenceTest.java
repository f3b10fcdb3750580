package mindspool.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.context.ConfigurableApplicationContext;

@Tag("long")
class PersistenceTest {

  private static ConfigurableApplicationContext start(Path folder) {
    return SpringApplication.run(
        MindSpoolApplication.class, "--server.port=0", "--mindspool.data-dir=" + folder);
  }

  private static Api api(ConfigurableApplicationContext running) {
    return new Api(running.getEnvironment().getProperty("local.server.port", Integer.class));
  }

  /** The same facts give the same estimate after a restart; nothing else is kept. */
  @Test
  void aRestartFindsEverythingAgain(@TempDir Path folder) {
    String code;
    String before;
    try (ConfigurableApplicationContext running = start(folder)) {
      Api api = api(running);
      long place =
          api.post("/api/places", "{\"name\": \"Shelf\", \"kind\": \"OPEN_SHELF\"}")
              .body()
              .get("id")
              .asLong();
      code =
          api.post(
                  "/api/spools",
                  "{\"material\": \"ASA\", \"colourName\": \"sand\", \"placeId\": %d, \"arrivedAt\": \"2025-01-01T00:00:00Z\", \"arrival\": \"OPEN\"}"
                      .formatted(place))
              .body()
              .get("code")
              .asString();
      before = api.get("/api/spools/" + code).body().at("/spool/frames/mean/0").toString();
    }
    try (ConfigurableApplicationContext running = start(folder)) {
      var page = api(running).get("/api/spools/" + code).body();
      assertThat(page.at("/spool/frames/mean/0").toString()).isEqualTo(before);
      assertThat(page.at("/basis/unrecordedHours").asDouble()).isGreaterThan(1000);
    }
  }

  /** H2 locks its file against other processes only, so its complaint is played here. */
  @Test
  void dataThatIsOpenAlreadyIsSaidPlainly() {
    SQLException locked = new SQLException("Database may be already in use", "90020", 90020);
    FailureAnalysis analysis =
        new DataFailureAnalyzer().analyze(new IllegalStateException("no pool", locked));
    assertThat(analysis.getDescription()).contains("already open in another Mind Spool");
    assertThat(analysis.getAction()).contains("--data DIR");
    SQLException other = new SQLException("disk", "90031", 90031);
    assertThat(new DataFailureAnalyzer().analyze(other)).isNull();
  }
}
