package mindspool.server.http;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.headers.Header;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.DateTimeSchema;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.web.bind.annotation.GetMapping;

/**
 * Makes the API document exact enough to generate front-end types from: in answers every property
 * is present, and those of a boxed type may be null; in requests everything may be left out.
 */
@Configuration
class ApiDocument {

  private static final Set<Class<?>> NULLABLE =
      Set.of(Double.class, Integer.class, Long.class, Boolean.class);

  private final Map<String, Class<?>> named = new ConcurrentHashMap<>();
  private final Set<String> doubled = ConcurrentHashMap.newKeySet();

  @Bean
  OpenAPI title() {
    return new OpenAPI()
        .servers(List.of(new Server().url("/")))
        .info(
            new Info()
                .title("Mind Spool")
                .version("1")
                .description(
                    "Water in filament: how wet each spool is by depth, and how long it must dry."
                        + " Numbers are in the unit that their name carries."));
  }

  @Bean
  PropertyCustomizer nullableProperties() {
    return (property, type) -> {
      if (!mayBeNull(type)) {
        return property;
      }
      if (property.get$ref() != null) {
        return new JsonSchema().anyOf(List.of(property, new JsonSchema().types(Set.of("null"))));
      }
      if (property.getTypes() != null) {
        Set<String> types = new LinkedHashSet<>(property.getTypes());
        types.add("null");
        property.setTypes(types);
        if (property.getEnum() != null) {
          nullIsOneOf(property);
        }
      }
      return property;
    };
  }

  /** What changes something is answered with the number of its act. */
  @Bean
  OperationCustomizer actsAreNumbered() {
    return (operation, method) -> {
      boolean reads =
          AnnotatedElementUtils.hasAnnotation(method.getMethod(), GetMapping.class)
              || method.hasMethodAnnotation(Asks.class)
              || method.getBeanType().isAnnotationPresent(Asks.class);
      if (!reads) {
        operation
            .getResponses()
            .forEach(
                (status, answer) -> {
                  if (status.startsWith("2")) {
                    answer.addHeaderObject(
                        ActGate.ACT,
                        new Header()
                            .description(
                                "Number of the act, by which it is undone; none where it left"
                                    + " nothing to undo")
                            .schema(new JsonSchema().types(Set.of("integer"))));
                  }
                });
      }
      return operation;
    };
  }

  private static boolean mayBeNull(AnnotatedType type) {
    boolean said =
        type.getCtxAnnotations() != null
            && Arrays.stream(type.getCtxAnnotations()).anyMatch(MayBeNull.class::isInstance);
    return said
        || (type.getType() instanceof JavaType java
            ? NULLABLE.contains(java.getRawClass())
            : NULLABLE.contains(type.getType()));
  }

  @SuppressWarnings("unchecked")
  private static void nullIsOneOf(Schema<?> property) {
    List<Object> values = new ArrayList<>(property.getEnum());
    values.add(null);
    ((Schema<Object>) property).setEnum(values);
  }

  /**
   * Schemas are named by the class's simple name, so two classes of one name would publish each
   * other's properties: then there is no document at all. The library that makes the document goes
   * on after a converter has failed, so what was found is kept and said at the end.
   */
  @Bean
  ModelConverter namesAreUnique() {
    return (type, context, chain) -> {
      if (type.getType() != null) {
        Class<?> of = Json31.mapper().constructType(type.getType()).getRawClass();
        Class<?> other = of.isEnum() ? of : named.putIfAbsent(of.getSimpleName(), of);
        if (other != null && other != of && of.getName().startsWith("mindspool")) {
          doubled.add(of.getName() + " and " + other.getName());
        }
      }
      return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
    };
  }

  @Bean
  OpenApiCustomizer answersAreComplete() {
    return document -> {
      if (!doubled.isEmpty()) {
        throw new IllegalStateException("two schemas of one name: " + doubled);
      }
      TreeMap<String, Schema> schemas = new TreeMap<>(document.getComponents().getSchemas());
      Set<String> answered = answered(document, schemas);
      schemas.forEach(
          (name, schema) -> {
            if (schema.getProperties() != null) {
              if (answered.contains(name)) {
                schema.setRequired(new ArrayList<>(propertyNames(schema)));
              }
              elementsAreNeverNull(schema);
            }
          });
      document.getComponents().setSchemas(schemas);
    };
  }

  /** Names of the schemas that are a part of some answer; the others are only asked with. */
  private static Set<String> answered(OpenAPI document, Map<String, Schema> schemas) {
    Set<String> found = new HashSet<>();
    document.getPaths().values().stream()
        .flatMap(path -> path.readOperations().stream())
        .flatMap(operation -> operation.getResponses().values().stream())
        .filter(answer -> answer.getContent() != null)
        .flatMap(answer -> answer.getContent().values().stream())
        .forEach(content -> follow(content.getSchema(), schemas, found));
    return found;
  }

  private static void follow(Schema<?> schema, Map<String, Schema> schemas, Set<String> found) {
    if (schema == null) {
      return;
    }
    if (schema.get$ref() != null) {
      String name = schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1);
      if (found.add(name)) {
        follow(schemas.get(name), schemas, found);
      }
    }
    follow(schema.getItems(), schemas, found);
    if (schema.getAdditionalProperties() instanceof Schema<?> values) {
      follow(values, schemas, found);
    }
    if (schema.getAnyOf() != null) {
      schema.getAnyOf().forEach(each -> follow(each, schemas, found));
    }
    if (schema.getProperties() != null) {
      schema.getProperties().values().forEach(each -> follow(each, schemas, found));
    }
  }

  /** Lists and maps hold boxed numbers only because Java must; none of them is ever null. */
  private static void elementsAreNeverNull(Schema<?> schema) {
    for (Schema<?> property : schema.getProperties().values()) {
      for (Schema<?> items = property.getItems(); items != null; items = items.getItems()) {
        notNull(items);
      }
      if (property.getAdditionalProperties() instanceof Schema<?> values) {
        notNull(values);
      }
    }
  }

  private static void notNull(Schema<?> schema) {
    if (schema.getTypes() != null) {
      Set<String> types = new LinkedHashSet<>(schema.getTypes());
      types.remove("null");
      schema.setTypes(types);
    }
  }

  private static Set<String> propertyNames(Schema<?> schema) {
    return new LinkedHashSet<>(schema.getProperties().keySet());
  }

  static {
    SpringDocUtils.getConfig().replaceWithSchema(Instant.class, new DateTimeSchema());
  }
}
