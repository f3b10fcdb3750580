package mindspool.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class ApiContractTest extends ServerTest {

  private static final Path COMMITTED = Path.of("../web/openapi.json");
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  /**
   * The front end's types are generated from web/openapi.json, so that must be what the server
   * says. After a change of the API: run this test with {@code -Dopenapi.update}.
   */
  @Test
  void committedDocumentIsWhatTheServerSays() throws IOException {
    JsonNode actual = api.get("/api/openapi.json").body();
    if (System.getProperty("openapi.update") != null) {
      Files.writeString(COMMITTED, JSON.writeValueAsString(actual) + "\n");
    }
    assertThat(withoutExamples(JSON.readTree(Files.readString(COMMITTED))))
        .isEqualTo(withoutExamples(actual));
  }

  /** Examples name what a server has; ContractExamplesTest sends them. */
  private static JsonNode withoutExamples(JsonNode node) {
    if (node instanceof ObjectNode object) {
      object.remove("example");
    }
    node.forEach(ApiContractTest::withoutExamples);
    return node;
  }

  /** ContractExamplesTest sends them. */
  @Test
  void everyCalculatorHasAnExample() {
    JsonNode paths = api.get("/api/openapi.json").body().get("paths");
    paths.properties().stream()
        .filter(path -> path.getKey().startsWith("/api/calc/"))
        // A file cannot be written into the document; PartApiTest and ContractExamplesTest send
        // one.
        .filter(path -> !path.getValue().at("/post/requestBody/content").has("multipart/form-data"))
        .forEach(
            path -> {
              JsonNode content = path.getValue().at("/post/requestBody/content/application~1json");
              assertThat(content.has("example") || content.has("examples"))
                  .as(path.getKey())
                  .isTrue();
            });
  }

  /** The one operation that a demonstration refuses. */
  @Test
  void aBackupIsMadeWhereDataIsKept() {
    assertThat(api.post("/api/backups", "").status()).isEqualTo(201);
    JsonNode kept = api.get("/api/backups").body();
    assertThat(kept.size()).isPositive();
  }

  /** Two schemas of one name would publish each other's properties. */
  @Test
  void putsOfDesiccantAndChecksAskForWhatTheyTake() {
    JsonNode document = api.get("/api/openapi.json").body();
    assertThat(asked(document, "/paths/~1api~1places~1{id}~1desiccant/post"))
        .contains("kind", "massG", "at");
    assertThat(asked(document, "/paths/~1api~1devices~1{id}~1checks/post"))
        .contains("points", "at");
  }

  private static Collection<String> asked(JsonNode document, String operation) {
    String ref =
        document.at(operation + "/requestBody/content/application~1json/schema/$ref").asString();
    return document.at(ref.substring(1) + "/properties").propertyNames();
  }
}
