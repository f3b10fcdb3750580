package mindspool.simulators;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a server says is printing, by the printer's name. */
public final class RunningPrints {

  private static final Duration PATIENCE = Duration.ofSeconds(5);

  private final HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
  private final URI server;
  private Map<String, Running> latest = Map.of();

  /** A print. */
  public record Running(double startedS, double hours, String material) {}

  public RunningPrints(URI server) {
    this.server = server;
  }

  /** What runs now; what ran at the last look where the server does not answer. */
  public Map<String, Running> look() throws InterruptedException {
    try {
      HttpResponse<String> answer =
          client.send(
              HttpRequest.newBuilder(server.resolve("/api/prints")).timeout(PATIENCE).build(),
              HttpResponse.BodyHandlers.ofString());
      if (answer.statusCode() == 200) {
        Map<String, Running> found = new HashMap<>();
        for (JsonNode run : JsonMapper.shared().readTree(answer.body()).get("running")) {
          found.put(
              run.get("printer").asString(),
              new Running(
                  run.get("startedS").asDouble(),
                  run.get("hours").asDouble(),
                  run.get("material").asString()));
        }
        latest = found;
      }
    } catch (IOException | JacksonException e) {
      // The server is starting or gone; what was known holds.
      return latest;
    }
    return latest;
  }
}
