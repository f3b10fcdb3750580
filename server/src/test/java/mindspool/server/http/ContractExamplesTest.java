package mindspool.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import mindspool.server.support.DemoApplication;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Value;

/**
 * A client that knows nothing but the API document: it sends every documented example to a running
 * server, in the order in which the document could be followed, and holds each answer against the
 * published schema with a general validator (JSON Schema 2020-12, json-schema-validator). It comes
 * last of all that ask the demo, since it changes everything that can be changed.
 */
@DemoApplication
@Order(Integer.MAX_VALUE)
class ContractExamplesTest {

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final String UPLOAD = "/api/places/{placeId}/climate-files";
  private static final String PHOTO_FILE = "/api/photo-files";
  private static final String PART_FILE = "/api/part-files";
  private static final String LOG =
      "time,temperature,humidity\n2026-01-05T10:00:00,20.5,45\n2026-01-05T10:10:00,20.6,46\n";

  private static final String PRINT_FILE =
      "M104 S210\nM83\nG1 Z0.2 F600\nG1 X40 E2 F1800\nG1 Y40 E2\n";

  @Value("${local.server.port}")
  private int port;

  private final HttpClient client = HttpClient.newHttpClient();
  private String uploadId = "";

  /** An operation of the document. */
  private record Call(String method, String path) {}

  private ObjectNode document() throws IOException, InterruptedException {
    HttpResponse<String> answer =
        client.send(
            HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/openapi.json"))
                .build(),
            BodyHandlers.ofString());
    assertThat(answer.statusCode()).isEqualTo(200);
    return (ObjectNode) JSON.readTree(answer.body());
  }

  /** Questions first; then what is done, in the order of the examples' file. */
  private static List<Call> calls(ObjectNode document) throws IOException {
    List<String> order = new ArrayList<>();
    JSON.readTree(ContractExamplesTest.class.getResourceAsStream("/contract/examples.json"))
        .fieldNames()
        .forEachRemaining(order::add);
    Set<Call> calls = new LinkedHashSet<>();
    document
        .get("paths")
        .fields()
        .forEachRemaining(
            path ->
                path.getValue()
                    .fieldNames()
                    .forEachRemaining(
                        method -> calls.add(new Call(method.toUpperCase(), path.getKey()))));
    return calls.stream()
        .sorted(
            Comparator.comparing((Call call) -> isTransient(call) || !call.method.equals("GET"))
                .thenComparingInt(call -> order.indexOf(call.method + " " + call.path)))
        .toList();
  }

  /** How far an upload is can be asked only once there is one. */
  private static boolean isTransient(Call call) {
    return call.path.contains("{uploadId}") || !fileFor(call).equals(UPLOAD);
  }

  /** Where the file is sent that an operation keeps. */
  private static String fileFor(Call call) {
    if (!call.method.equals("POST")) {
      return UPLOAD;
    }
    return call.path.endsWith("/photos")
        ? PHOTO_FILE
        : call.path.endsWith("/part-file") ? PART_FILE : UPLOAD;
  }

  @Test
  void everyDocumentedExampleSucceedsAndIsAnsweredAsPublished()
      throws IOException, InterruptedException {
    List<String> wrong = new ArrayList<>();
    List<Call> calls = calls(document());
    assertThat(calls.size()).isGreaterThan(90);
    ObjectNode document = document();
    JsonNode examples =
        JSON.readTree(ContractExamplesTest.class.getResourceAsStream("/contract/examples.json"));
    boolean changed = false;
    for (Call call : calls) {
      // What is there now is another; it takes long to ask, and many examples name nothing of it.
      String example = examples.path(call.method + " " + call.path).toString();
      if (changed && (isTransient(call) || example.contains("\"@"))) {
        document = document();
        changed = false;
      }
      if (isTransient(call)) {
        uploadAnew(document, fileFor(call));
      }
      var operation = document.at("/paths/" + pointer(call.path) + "/" + call.method.toLowerCase());
      HttpResponse<byte[]> answer = send(call, operation);
      String body = new String(answer.body(), StandardCharsets.UTF_8);
      String said = call + " answered " + answer.statusCode() + ": ";
      if (call.path.equals("/api/backups") && call.method.equals("POST")) {
        // A demonstration keeps nothing; on a server that does, ApiContractTest sends it.
        assertThat(body).contains("of a demonstration");
      } else if (answer.statusCode() < 200 || answer.statusCode() > 299) {
        wrong.add(said + body + "\n    to " + operation.at("/requestBody/content"));
      } else {
        wrong.addAll(unlikePublished(said, document, operation, answer, body));
      }
      changed |= answer.headers().firstValue("Act").isPresent() || isTransient(call);
    }
    assertThat(wrong).isEmpty();
  }

  /** What waits to be imported is used up by the import. */
  private void uploadAnew(ObjectNode document, String path)
      throws IOException, InterruptedException {
    Call upload = new Call("POST", path);
    HttpResponse<byte[]> answer = send(upload, document.at("/paths/" + pointer(path) + "/post"));
    uploadId = JSON.readTree(answer.body()).path("uploadId").asText();
    assertThat(uploadId).isNotEmpty();
  }

  private static List<String> unlikePublished(
      String said,
      ObjectNode document,
      JsonNode operation,
      HttpResponse<byte[]> answer,
      String body)
      throws IOException {
    var published = operation.at("/responses/" + answer.statusCode());
    if (published.isMissingNode()) {
      return List.of(said + "a status that is not published");
    }
    var schema = published.at("/content/application~1json/schema");
    if (schema.isMissingNode()) {
      return body.isEmpty() || published.has("content")
          ? List.of()
          : List.of(said + "a body that is not published");
    }
    ObjectNode whole = (ObjectNode) schema.deepCopy();
    whole.set("components", needed(schema, document.at("/components/schemas")));
    JsonSchema compiled =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(whole);
    return compiled.validate(JSON.readTree(body)).stream()
        .map(ValidationMessage::toString)
        .limit(5)
        .map(message -> said + message)
        .toList();
  }

  /** Those components that a schema names, and those that they name; all take long to compile. */
  private static ObjectNode needed(JsonNode schema, JsonNode all) {
    ObjectNode schemas = JSON.createObjectNode();
    Deque<JsonNode> open = new ArrayDeque<>(List.of(schema));
    while (!open.isEmpty()) {
      for (String reference : open.pop().findValuesAsText("$ref")) {
        String name = reference.substring(reference.lastIndexOf('/') + 1);
        if (!schemas.has(name)) {
          schemas.set(name, all.get(name));
          open.push(all.get(name));
        }
      }
    }
    ObjectNode components = JSON.createObjectNode();
    components.set("schemas", schemas);
    return components;
  }

  private HttpResponse<byte[]> send(Call call, JsonNode operation)
      throws IOException, InterruptedException {
    String path = call.path;
    StringBuilder query = new StringBuilder();
    for (var parameter :
        StreamSupport.stream(operation.path("parameters").spliterator(), false).toList()) {
      String name = parameter.get("name").asText();
      String value = parameter.path("example").asText();
      if (name.equals("uploadId") && !uploadId.isEmpty()) {
        value = uploadId;
      }
      String encoded = URLEncoder.encode(value, StandardCharsets.UTF_8);
      if (parameter.get("in").asText().equals("path")) {
        path = path.replace("{" + name + "}", encoded);
      } else if (parameter.has("example")) {
        query.append(query.isEmpty() ? "?" : "&").append(name).append("=").append(encoded);
      }
    }
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path + query));
    var content = operation.at("/requestBody/content");
    if (content.has("multipart/form-data")) {
      String boundary = "a-log";
      request
          .header("Content-Type", "multipart/form-data; boundary=" + boundary)
          .method(
              call.method,
              BodyPublishers.concat(
                  BodyPublishers.ofString(
                      "--"
                          + boundary
                          + "\r\nContent-Disposition: form-data; name=\"file\";"
                          + " filename=\"a-file\"\r\n\r\n"),
                  BodyPublishers.ofByteArray(file(call)),
                  BodyPublishers.ofString("\r\n--" + boundary + "--\r\n")));
    } else if (content.has("application/json")) {
      var json = content.get("application/json");
      var example =
          json.has("example")
              ? json.get("example")
              : json.get("examples").elements().next().get("value");
      request
          .header("Content-Type", "application/json")
          .method(
              call.method,
              BodyPublishers.ofString(
                  (example.isTextual() ? example.asText() : example.toString())
                      .replace("from the answer to the upload", uploadId)));
    } else {
      request.method(call.method, BodyPublishers.noBody());
    }
    return client.send(request.build(), BodyHandlers.ofByteArray());
  }

  private static byte[] file(Call call) throws IOException {
    if (call.path.equals(UPLOAD)) {
      return LOG.getBytes(StandardCharsets.UTF_8);
    }
    if (call.path.equals("/api/calc/lines")) {
      return IntStream.range(0, 200)
          .mapToObj(i -> String.valueOf(100 + i % 20))
          .collect(Collectors.joining("\n"))
          .getBytes(StandardCharsets.UTF_8);
    }
    if (!call.path.equals(PHOTO_FILE)) {
      return PRINT_FILE.getBytes(StandardCharsets.UTF_8);
    }
    ByteArrayOutputStream picture = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "jpg", picture);
    return picture.toByteArray();
  }

  private static String pointer(String path) {
    return path.replace("~", "~0").replace("/", "~1");
  }
}
