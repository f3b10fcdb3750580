package mindspool.server.http;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.parameters.Parameter;
import java.io.IOException;
import java.io.InputStream;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Puts an example beside each operation of the API document: body, parameters of the path and of
 * the query. They stand in {@code contract/examples.json}; what begins with {@code @} there is
 * filled in with a thing that this server has ({@link LiveExamples}). An operation that needs an
 * example and has none fails the document.
 */
@Component
@Order
class ApiExamples implements OpenApiCustomizer {

  private static final String FILE = "contract/examples.json";

  private final Map<String, Example> examples;

  /** An operation's example. */
  record Example(Map<String, Object> path, Map<String, Object> query, Object body) {}

  ApiExamples(JsonMapper json) throws IOException {
    try (InputStream file = new ClassPathResource(FILE).getInputStream()) {
      this.examples = json.readValue(file, new TypeReference<>() {});
    }
  }

  @Override
  public void customise(OpenAPI document) {
    Map<String, Example> unused = new LinkedHashMap<>(examples);
    document
        .getPaths()
        .forEach(
            (path, item) ->
                item.readOperationsMap()
                    .forEach((method, operation) -> add(operation, key(method, path), unused)));
    if (!unused.isEmpty()) {
      throw new IllegalStateException(FILE + " has examples of no operation: " + unused.keySet());
    }
  }

  private static String key(PathItem.HttpMethod method, String path) {
    return method.name().toUpperCase(Locale.ROOT) + " " + path;
  }

  private static void add(Operation operation, String key, Map<String, Example> left) {
    Example example = left.remove(key);
    List<Parameter> parameters =
        operation.getParameters() == null ? List.of() : operation.getParameters();
    for (Parameter parameter : parameters) {
      Object value = valueOf(parameter, example);
      if (value == null && Boolean.TRUE.equals(parameter.getRequired())) {
        throw new IllegalStateException(
            FILE + " has no example of " + parameter.getName() + " of " + key);
      }
      parameter.setExample(value);
    }
    if (operation.getRequestBody() != null) {
      operation
          .getRequestBody()
          .getContent()
          .forEach(
              (type, content) -> {
                if (content.getExample() == null
                    && content.getExamples() == null
                    && type.equals("application/json")) {
                  if (example == null || example.body == null) {
                    throw new IllegalStateException(FILE + " has no body for " + key);
                  }
                  content.setExample(example.body);
                }
              });
    }
  }

  private static Object valueOf(Parameter parameter, Example example) {
    if (example == null) {
      return null;
    }
    Map<String, Object> from = parameter.getIn().equals("path") ? example.path : example.query;
    return from == null ? null : from.get(parameter.getName());
  }
}
