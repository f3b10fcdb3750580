package mindspool.server.http;

import java.util.Map;
import org.springdoc.webmvc.api.OpenApiResource;
import org.springframework.core.MethodParameter;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyAdvice;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Fills the placeholders of the document's examples with what is there now. The document itself is
 * made once: that takes seconds, while its examples change with every act.
 */
@ControllerAdvice
class FilledExamples implements ResponseBodyAdvice<byte[]> {

  private static final String MARK = "@";
  private static final String EXAMPLE = "example";

  private final LiveExamples live;
  private final JsonMapper json;

  FilledExamples(LiveExamples live, JsonMapper json) {
    this.live = live;
    this.json = json;
  }

  @Override
  public boolean supports(
      MethodParameter returned, Class<? extends HttpMessageConverter<?>> converter) {
    return OpenApiResource.class.isAssignableFrom(returned.getContainingClass())
        && returned.getParameterType() == byte[].class;
  }

  @Override
  public byte[] beforeBodyWrite(
      byte[] document,
      MethodParameter returned,
      MediaType type,
      Class<? extends HttpMessageConverter<?>> converter,
      ServerHttpRequest request,
      ServerHttpResponse response) {
    JsonNode tree = json.readTree(document);
    fillExamples(tree, live.values());
    return json.writeValueAsBytes(tree);
  }

  private void fillExamples(JsonNode node, Map<String, Object> values) {
    if (node instanceof ObjectNode object && object.has(EXAMPLE)) {
      object.set(EXAMPLE, filled(object.get(EXAMPLE), values));
    }
    node.forEach(child -> fillExamples(child, values));
  }

  private JsonNode filled(JsonNode example, Map<String, Object> values) {
    if (example instanceof ObjectNode object) {
      object.propertyNames().forEach(name -> object.set(name, filled(object.get(name), values)));
    } else if (example instanceof ArrayNode list) {
      for (int i = 0; i < list.size(); i++) {
        list.set(i, filled(list.get(i), values));
      }
    } else if (example.isString() && example.asString().startsWith(MARK)) {
      return value(example.asString().substring(MARK.length()), values);
    }
    return example;
  }

  private JsonNode value(String name, Map<String, Object> values) {
    Object value = values.get(name);
    if (value == null) {
      throw new IllegalStateException("An example asks for @" + name + ", which there is not");
    }
    return json.valueToTree(value instanceof Number ? value : value.toString());
  }
}
