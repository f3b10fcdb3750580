package mindspool.server.calc;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.trouble.CauseRanking;
import mindspool.core.trouble.Circumstances;
import mindspool.core.trouble.Evidence;
import mindspool.core.trouble.Sign;
import mindspool.core.trouble.TroubleKnowledge;
import mindspool.server.http.Asks;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** What went wrong with a print. */
@Asks
@RestController
@Tag(name = "calculators")
class TroubleCalculator {

  private static final int MOST_KEYS = 200;

  /** What ships with the program; calculators know nothing of a workshop's own cases. */
  @Configuration
  static class Knowledge {
    @Bean
    TroubleKnowledge troubleKnowledge() {
      return TroubleKnowledge.standard();
    }
  }

  private final MaterialCatalogue catalogue;
  private final TroubleKnowledge knowledge;

  TroubleCalculator(MaterialCatalogue catalogue, TroubleKnowledge knowledge) {
    this.catalogue = catalogue;
    this.knowledge = knowledge;
  }

  /**
   * A case.
   *
   * @param context ids of facts with true or false, and what facts follow from: {@code material},
   *     {@code daysOpen}, {@code roomRelativeHumidityPercent}, {@code roomTemperatureC}, {@code
   *     chamberTemperatureC}, {@code nozzleDiameterMm}, {@code nozzleHours}, {@code
   *     printsSinceWash}, {@code ageMonths}, {@code moisturePercent} (with a material) or {@code
   *     moistureRatio}
   * @param signs id to yes, no or unsure
   * @param tests id to the outcome's id, or to skipped where it cannot be done
   * @param habit NONE, WET_FIRST or WET_LAST
   */
  record TroubleRequest(
      Map<String, JsonNode> context,
      Map<String, String> signs,
      Map<String, String> tests,
      Evidence.Habit habit) {}

  @PostMapping("/api/calc/trouble")
  @Operation(
      summary = "Ranks the causes of a failed print, with the next test and remedies",
      description =
          "Ids of signs, causes, tests, outcomes and facts as in GET /api/trouble-knowledge. A"
              + " test's outcome is one of its own, or no where these do not cover everything.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"context": {"material": "PA-CF", "daysOpen": 20, "filled": true},
                               "signs": {"pop": "yes", "string": "yes", "nothing": "no",
                                         "matte": "unsure"},
                               "tests": {"t_paper_fan": "ok"}}
                              """))))
  TroubleAnswer trouble(@RequestBody TroubleRequest request) {
    return TroubleAnswer.of(CauseRanking.of(knowledge, evidence(request)));
  }

  private Evidence evidence(TroubleRequest request) {
    Map<String, JsonNode> context = orEmpty("context", request.context);
    Map<String, Sign.Answer> signs = new LinkedHashMap<>();
    orEmpty("signs", request.signs)
        .forEach((id, word) -> signs.put(knowledge.sign(id).id(), answer(id, word)));
    return new Evidence(
        facts(context),
        signs,
        orEmpty("tests", request.tests),
        moisture(context),
        request.habit == null ? Evidence.Habit.NONE : request.habit);
  }

  private static <T> Map<String, T> orEmpty(String field, Map<String, T> map) {
    if (map == null) {
      return Map.of();
    }
    if (map.size() > MOST_KEYS) {
      throw new InvalidValueException(
          field, map.size() + " entries", "up to " + MOST_KEYS, "Give each id once.");
    }
    return map;
  }

  private static Sign.Answer answer(String id, String word) {
    for (Sign.Answer answer : Sign.Answer.values()) {
      if (word != null && answer.name().equals(word.toUpperCase(Locale.ROOT))) {
        return answer;
      }
    }
    throw new InvalidValueException("signs." + id, word, "yes, no or unsure", "");
  }

  private Set<String> facts(Map<String, JsonNode> context) {
    Circumstances known = new Circumstances();
    Set<String> not = new LinkedHashSet<>();
    context.forEach(
        (key, value) -> {
          switch (key) {
            case "material" -> known.material(material(value));
            case "daysOpen" -> known.openDays(number(key, value));
            case "roomRelativeHumidityPercent" ->
                known.room(OptionalDouble.of(number(key, value)), OptionalDouble.empty());
            case "roomTemperatureC" ->
                known.room(OptionalDouble.empty(), OptionalDouble.of(number(key, value)));
            case "chamberTemperatureC" ->
                known.chamberTemperature(OptionalDouble.of(number(key, value)));
            case "nozzleDiameterMm" -> known.bore(number(key, value));
            case "nozzleHours" -> known.nozzleHours(number(key, value));
            case "printsSinceWash" -> known.plate(false, (int) number(key, value));
            case "ageMonths" -> known.ageMonths(number(key, value));
            case "moisturePercent", "moistureRatio" -> number(key, value);
            default -> {
              knowledge.fact(key);
              if (!value.isBoolean()) {
                throw new InvalidValueException("context." + key, value, "true or false", "");
              }
              if (value.asBoolean()) {
                known.said(key);
              } else {
                not.add(key);
              }
            }
          }
        });
    return known.held().stream()
        .map(Circumstances.Held::fact)
        .filter(fact -> !not.contains(fact))
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  private Material material(JsonNode name) {
    return catalogue.named(name.isString() ? name.asString() : name.toString());
  }

  private static double number(String key, JsonNode value) {
    if (!value.isNumber()) {
      throw new InvalidValueException("context." + key, value, "a number", "");
    }
    return value.asDouble();
  }

  private OptionalDouble moisture(Map<String, JsonNode> context) {
    if (context.containsKey("moistureRatio")) {
      return OptionalDouble.of(number("moistureRatio", context.get("moistureRatio")));
    }
    if (!context.containsKey("moisturePercent")) {
      return OptionalDouble.empty();
    }
    if (!context.containsKey("material")) {
      throw new InvalidValueException(
          "context.material",
          "missing",
          "a material's name beside moisturePercent",
          "How wet that is depends on the material.");
    }
    double percent = number("moisturePercent", context.get("moisturePercent"));
    return OptionalDouble.of(percent / material(context.get("material")).printLimitPercent());
  }
}
