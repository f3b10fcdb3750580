package mindspool.simulators;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.OptionalDouble;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What truly lies on the demonstration's weighing bench. Somebody who puts a spool there tells the
 * program; this asks the program which one it is, and knows of each how far its water is from what
 * is believed.
 */
final class WeighingBench {

  /** Lots hold more or less water than the table says, one standard deviation. */
  private static final double WATER_SPREAD = 0.15;

  private static final Duration PATIENCE = Duration.ofSeconds(5);

  private final URI server;
  private final HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
  private final JsonMapper json = new JsonMapper();

  /**
   * A bench in the workshop that a server looks after.
   *
   * @param server its address, such as {@code http://127.0.0.1:8090/}
   */
  WeighingBench(URI server) {
    this.server = server;
  }

  /** True mass of the spool that lies there, g; none where none does or nobody answers. */
  OptionalDouble massG() throws InterruptedException {
    try {
      JsonNode shelf = read("/api/shelf");
      long bench = -1;
      for (JsonNode each : shelf.get("places")) {
        if (each.at("/place/name").asString().equals(WeirLane.WEIGHING_BENCH)) {
          bench = each.at("/place/id").asLong();
        }
      }
      for (JsonNode spool : shelf.get("spools")) {
        if (spool.get("placeId").asLong() == bench && spool.get("ready").asBoolean()) {
          return OptionalDouble.of(trueG(spool));
        }
      }
      return OptionalDouble.empty();
    } catch (IOException e) {
      return OptionalDouble.empty();
    }
  }

  /** The true mass of a spool as the shelf lists it, g. */
  static double trueG(JsonNode spool) {
    double waterG =
        spool.at("/remainingG/typical").asDouble() * spool.at("/frames/mean/0").asDouble() / 100;
    Random lot = new Random(spool.get("code").asString().hashCode());
    return spool.get("expectedGrossG").asDouble() + WATER_SPREAD * lot.nextGaussian() * waterG;
  }

  private JsonNode read(String path) throws IOException, InterruptedException {
    HttpResponse<String> answer =
        client.send(
            HttpRequest.newBuilder(server.resolve(path)).timeout(PATIENCE).build(),
            HttpResponse.BodyHandlers.ofString());
    if (answer.statusCode() != 200) {
      throw new IOException(path + " answered " + answer.statusCode());
    }
    return json.readTree(answer.body());
  }
}
