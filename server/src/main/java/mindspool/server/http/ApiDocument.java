package mindspool.server.http;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.DateTimeSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Makes the API document exact enough to generate front-end types from: in answers every property
 * is present, and those of a boxed type may be null; in requests everything may be left out.
 */
@Configuration
class ApiDocument {

  private static final Set<Class<?>> NULLABLE =
      Set.of(Double.class, Integer.class, Long.class, Boolean.class);

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
      boolean boxed =
          type.getType() instanceof JavaType java
              ? NULLABLE.contains(java.getRawClass())
              : NULLABLE.contains(type.getType());
      if (boxed && property.getTypes() != null) {
        Set<String> types = new LinkedHashSet<>(property.getTypes());
        types.add("null");
        property.setTypes(types);
      }
      return property;
    };
  }

  @Bean
  OpenApiCustomizer answersAreComplete() {
    return document -> {
      TreeMap<String, Schema> schemas = new TreeMap<>(document.getComponents().getSchemas());
      schemas.forEach(
          (name, schema) -> {
            if (!name.endsWith("Request") && schema.getProperties() != null) {
              schema.setRequired(new ArrayList<>(propertyNames(schema)));
            }
            if (schema.getProperties() != null) {
              elementsAreNeverNull(schema);
            }
          });
      document.getComponents().setSchemas(schemas);
    };
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
