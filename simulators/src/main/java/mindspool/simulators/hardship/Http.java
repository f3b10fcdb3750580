package mindspool.simulators.hardship;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.MissingNode;

/** A plain client of one program on this machine. */
final class Http {

  private static final Duration PATIENCE = Duration.ofSeconds(60);

  private final HttpClient client =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
  private final String base;

  Http(int port) {
    this.base = "http://127.0.0.1:" + port;
  }

  /** An answer; {@code json} is missing where there is none. */
  record Answer(int status, String type, String body, JsonNode json, String act) {

    boolean isDone() {
      return status >= 200 && status < 300;
    }
  }

  Answer send(String method, String path, String type, byte[] body) throws IOException {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(base + path))
            .timeout(PATIENCE)
            .method(
                method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body));
    if (type != null) {
      request.header("Content-Type", type);
    }
    try {
      HttpResponse<String> raw = client.send(request.build(), BodyHandlers.ofString());
      String said = raw.headers().firstValue("Content-Type").orElse("");
      JsonNode json =
          said.contains("json") && !raw.body().isBlank()
              ? JsonMapper.shared().readTree(raw.body())
              : MissingNode.getInstance();
      return new Answer(
          raw.statusCode(), said, raw.body(), json, raw.headers().firstValue("Act").orElse(""));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("interrupted", e);
    }
  }

  Answer get(String path) throws IOException {
    return send("GET", path, null, null);
  }

  Answer post(String path, String json) throws IOException {
    return send(
        "POST", path, "application/json", json.getBytes(java.nio.charset.StandardCharsets.UTF_8));
  }

  Answer put(String path, String json) throws IOException {
    return send(
        "PUT", path, "application/json", json.getBytes(java.nio.charset.StandardCharsets.UTF_8));
  }
}
