package mindspool.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.SpringBootTest.WebEnvironment;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** The whole application on a free port, with a database file of its own. */
@SpringBootTest(webEnvironment = WebEnvironment.RANDOM_PORT)
abstract class ServerTest {

  @Value("${local.server.port}")
  private int port;

  protected Api api;

  @DynamicPropertySource
  static void ownDatabase(DynamicPropertyRegistry registry) {
    registry.add("mindspool.data-dir", ServerTest::folder);
    registry.add("mindspool.mqtt.port", () -> 0);
    registry.add("mindspool.live.refresh-ms", () -> 300);
    registry.add("mindspool.live.replay-ms", () -> 500);
  }

  private static String folder() {
    try {
      return Files.createTempDirectory("mind-spool-test").toString();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @BeforeEach
  void connect() {
    api = new Api(port);
  }

  /** Adds a place and returns its number. */
  protected long addPlace(String name, String kind) {
    return api.post("/api/places", "{\"name\": \"%s\", \"kind\": \"%s\"}".formatted(name, kind))
        .body()
        .get("id")
        .asLong();
  }
}
