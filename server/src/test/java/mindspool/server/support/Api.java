package mindspool.server.support;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A plain HTTP client of the running application. */
public final class Api {

  private final HttpClient client = HttpClient.newHttpClient();
  private final String base;

  public Api(int port) {
    this.base = "http://127.0.0.1:" + port;
  }

  /** An answer; {@code body} is missing where there is none. */
  public record Answer(int status, JsonNode body, HttpResponse<String> raw) {

    /** The field that the first error names. */
    public String field() {
      return body.at("/errors/0/field").asString();
    }

    public String detail() {
      return body.get("detail").asString();
    }

    /** Number of the act that it answers. */
    public long act() {
      return raw.headers().firstValueAsLong("Act").orElseThrow();
    }
  }

  public Answer undo(long act) {
    return post("/api/acts/" + act + "/undo", "");
  }

  public Answer redo(long act) {
    return post("/api/acts/" + act + "/redo", "");
  }

  public Answer get(String path) {
    return send(HttpRequest.newBuilder(URI.create(base + path)).GET());
  }

  public Answer post(String path, String json) {
    return send(json(path).POST(BodyPublishers.ofString(json)));
  }

  /** As somebody. */
  public Answer postAs(String person, String path, String json) {
    return send(json(path).header("X-Person", person).POST(BodyPublishers.ofString(json)));
  }

  /** Changes something as it is now: with the version that it has. */
  public Answer change(String path, String json) {
    return put(path, withVersion(json, versionOf(path)));
  }

  private int versionOf(String path) {
    JsonNode shown = get(path).body();
    JsonNode version = shown.at("/place/version");
    return (version.isMissingNode() ? shown.path("version") : version).asInt();
  }

  private static String withVersion(String json, int version) {
    String inner = json.strip().substring(1).strip();
    return "{\"version\": " + version + (inner.equals("}") ? "" : ", ") + inner;
  }

  public Answer put(String path, String json) {
    return send(json(path).PUT(BodyPublishers.ofString(json)));
  }

  public Answer delete(String path) {
    return send(HttpRequest.newBuilder(URI.create(base + path)).DELETE());
  }

  private HttpRequest.Builder json(String path) {
    return HttpRequest.newBuilder(URI.create(base + path))
        .header("Content-Type", "application/json");
  }

  /** Sends a file as a form does. */
  public Answer upload(String path, String fileName, byte[] content, String zone) {
    String boundary = UUID.randomUUID().toString();
    String head =
        "--%s\r\nContent-Disposition: form-data; name=\"zone\"\r\n\r\n%s\r\n--%s\r\n"
            .formatted(boundary, zone, boundary);
    String part =
        "Content-Disposition: form-data; name=\"file\"; filename=\"%s\"\r\n\r\n"
            .formatted(fileName);
    byte[] before = (head + part).getBytes(StandardCharsets.UTF_8);
    byte[] after = ("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8);
    return send(
        HttpRequest.newBuilder(URI.create(base + path))
            .header("Content-Type", "multipart/form-data; boundary=" + boundary)
            .POST(
                BodyPublishers.concat(
                    BodyPublishers.ofByteArray(before),
                    BodyPublishers.ofByteArray(content),
                    BodyPublishers.ofByteArray(after))));
  }

  /** Two files of one request, named file and second. */
  public Answer uploadTwo(String path, byte[] file, byte[] second) {
    String boundary = UUID.randomUUID().toString();
    String head = "--%s\r\nContent-Disposition: form-data; name=\"%s\"; filename=\"%s\"\r\n\r\n";
    return send(
        HttpRequest.newBuilder(URI.create(base + path))
            .header("Content-Type", "multipart/form-data; boundary=" + boundary)
            .POST(
                BodyPublishers.concat(
                    BodyPublishers.ofString(head.formatted(boundary, "file", "first")),
                    BodyPublishers.ofByteArray(file),
                    BodyPublishers.ofString("\r\n" + head.formatted(boundary, "second", "second")),
                    BodyPublishers.ofByteArray(second),
                    BodyPublishers.ofString("\r\n--" + boundary + "--\r\n"))));
  }

  public Answer send(HttpRequest.Builder request) {
    try {
      HttpResponse<String> raw = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
      boolean json = raw.headers().firstValue("Content-Type").orElse("").contains("json");
      JsonNode body = json ? JsonMapper.shared().readTree(raw.body()) : null;
      return new Answer(raw.statusCode(), body, raw);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** A file as it comes. */
  public byte[] bytes(String path) {
    try {
      HttpRequest request = HttpRequest.newBuilder(URI.create(base + path)).GET().build();
      return client.send(request, HttpResponse.BodyHandlers.ofByteArray()).body();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  public String address(String path) {
    return base + path;
  }
}
