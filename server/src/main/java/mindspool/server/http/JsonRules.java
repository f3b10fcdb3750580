package mindspool.server.http;

import com.fasterxml.jackson.annotation.Nulls;
import java.util.Set;
import mindspool.core.InvalidValueException;
import mindspool.core.Text;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.json.JsonWriteFeature;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * What JSON may say: numbers are finite numbers, not words; enumerations are names, not positions;
 * lists hold no null; text can be shown. Written JSON is plain ASCII, so that it can be read
 * whatever was stored by an earlier version.
 */
@Configuration
class JsonRules {

  /** Smaller numbers are not meant by anybody, and their inverse is infinite. */
  private static final double NOTHING = 1e-100;

  private static final double MOST = 1e100;

  /** What other programs write where they have no number. */
  private static final Set<String> NO_NUMBERS = Set.of("NaN", "Infinity", "-Infinity");

  @Bean
  JsonMapperBuilderCustomizer strictJson() {
    return builder ->
        builder
            .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
            .enable(EnumFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
            .enable(JsonWriteFeature.ESCAPE_NON_ASCII)
            .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL))
            .addModule(
                new SimpleModule("rules")
                    .addDeserializer(Double.class, new FiniteNumber())
                    .addDeserializer(double.class, new FiniteNumber())
                    .addDeserializer(String.class, new PrintableText()));
  }

  /** A number that can be computed with; smallest ones count as zero. */
  private static final class FiniteNumber extends StdScalarDeserializer<Double> {

    FiniteNumber() {
      super(Double.class);
    }

    @Override
    public Double deserialize(JsonParser json, DeserializationContext context) {
      if (json.currentToken() == JsonToken.VALUE_STRING && NO_NUMBERS.contains(json.getString())) {
        throw context.weirdNumberException(
            Double.valueOf(json.getString()), Double.class, "not finite");
      }
      if (json.currentToken() != JsonToken.VALUE_NUMBER_INT
          && json.currentToken() != JsonToken.VALUE_NUMBER_FLOAT) {
        return (Double) context.handleUnexpectedToken(getValueType(context), json);
      }
      double value = json.getDoubleValue();
      if (!(Math.abs(value) <= MOST)) {
        throw context.weirdNumberException(value, Double.class, "too large");
      }
      return Math.abs(value) < NOTHING ? 0 : value;
    }
  }

  /** Text without control characters and halves of characters; line breaks are allowed. */
  private static final class PrintableText extends StdScalarDeserializer<String> {

    PrintableText() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser json, DeserializationContext context) {
      if (json.currentToken() != JsonToken.VALUE_STRING) {
        return (String) context.handleUnexpectedToken(getValueType(context), json);
      }
      String text = json.getString();
      try {
        Text.refuseUnprintable("text", text, true);
      } catch (InvalidValueException e) {
        throw context.weirdStringException(Text.cut(text, 40), String.class, e.value());
      }
      return text;
    }
  }
}
