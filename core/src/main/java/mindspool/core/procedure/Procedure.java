package mindspool.core.procedure;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import mindspool.core.InvalidValueException;
import mindspool.core.ResourceTable;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import org.apache.commons.csv.CSVRecord;

/**
 * Work at the bench in steps, as it is done in the trade; common practice.
 *
 * @param minutes of work
 * @param needs things to have at hand
 * @param caution what to mind before it begins
 * @param causes of trouble that it mends or looks for, ids of the table of causes
 * @param testId the test of the table of tests that its answers are the outcome of; empty if none
 * @param reading which measured values it has computed: feed, belts, heater, or empty
 */
public record Procedure(
    String id,
    String title,
    double minutes,
    List<String> needs,
    String caution,
    Set<String> causes,
    String testId,
    String reading,
    List<Step> steps) {

  /** Words that stand in every caution. */
  public static final String DEFERS =
      "Follow the maker's data sheet, local codes and, where work is reserved, a licensed person.";

  private static final Map<String, Procedure> ALL = read();

  /** What one does at a step. */
  public enum StepKind {
    /** Something by hand. */
    DO,
    /** Waiting, with a timer. */
    WAIT,
    /** A value is measured. */
    VALUE,
    /** A stop point: the answer decides how it goes on. */
    ASK
  }

  /**
   * A step.
   *
   * @param seconds to wait
   * @param value measured here; null for none
   * @param answers of a stop point
   */
  public record Step(
      StepKind kind, String words, OptionalDouble seconds, Value value, List<Answer> answers) {

    private Step in(Map<String, String> names) {
      return new Step(kind, filled(words, names), seconds, value, answers);
    }
  }

  /** A value to be measured, and what it may be. */
  public record Value(String field, String unit, double least, double most) {}

  /**
   * An answer at a stop point.
   *
   * @param outcome of the test, empty where it says nothing of it
   * @param goesTo number of the step that comes next, from 1; 0 where the work ends here
   * @param words what it means, or what to do instead
   */
  public record Answer(String label, String outcome, int goesTo, String words) {}

  /** All that ship with the program. */
  public static Collection<Procedure> all() {
    return ALL.values();
  }

  /** One by its id; refuses one that is not known. */
  public static Procedure of(String id) {
    Procedure found = ALL.get(id);
    if (found == null) {
      throw new InvalidValueException(
          "procedure", id, String.join(", ", ALL.keySet()), "Choose one of the list.");
    }
    return found;
  }

  /** The same with the temperatures of a material in its words. */
  public Procedure fittedTo(Material material) {
    return in(
        Map.of(
            "{material}", material.name(),
            "{nozzleC}", whole(material.value(Parameter.NOZZLE)),
            "{coldPullC}", whole(material.value(Parameter.COLD_PULL))));
  }

  /** The same where no material is named. */
  public Procedure forAnyMaterial() {
    return in(
        Map.of(
            "{material}", "the material",
            "{nozzleC} °C", "the nozzle's usual temperature",
            "{coldPullC} °C", "the pull temperature"));
  }

  private Procedure in(Map<String, String> names) {
    return new Procedure(
        id,
        title,
        minutes,
        needs,
        caution,
        causes,
        testId,
        reading,
        steps.stream().map(step -> step.in(names)).toList());
  }

  private static String filled(String words, Map<String, String> names) {
    String filled = words;
    for (Map.Entry<String, String> each : names.entrySet()) {
      filled = filled.replace(each.getKey(), each.getValue());
    }
    return filled;
  }

  private static String whole(double value) {
    return String.format(Locale.ROOT, "%.0f", value);
  }

  private static Map<String, Procedure> read() {
    Map<String, List<CSVRecord>> steps = byProcedure("steps.csv");
    Map<String, List<CSVRecord>> answers = byProcedure("answers.csv");
    Map<String, Procedure> all = new LinkedHashMap<>();
    for (CSVRecord row : ResourceTable.rows(Procedure.class, "procedures.csv")) {
      String id = row.get("procedure");
      List<Step> its = new ArrayList<>();
      for (CSVRecord step : steps.get(id)) {
        its.add(step(step, its.size() + 1, answers.getOrDefault(id, List.of())));
      }
      all.put(
          id,
          new Procedure(
              id,
              row.get("title"),
              Double.parseDouble(row.get("minutes")),
              ResourceTable.texts(row, "needs"),
              row.get("cautions"),
              Set.of(row.get("causes").split(" ")),
              row.get("test"),
              row.get("reading"),
              List.copyOf(its)));
    }
    return all;
  }

  private static Map<String, List<CSVRecord>> byProcedure(String table) {
    Map<String, List<CSVRecord>> rows = new LinkedHashMap<>();
    for (CSVRecord row : ResourceTable.rows(Procedure.class, table)) {
      rows.computeIfAbsent(row.get("procedure"), id -> new ArrayList<>()).add(row);
    }
    return rows;
  }

  private static Step step(CSVRecord row, int number, List<CSVRecord> answers) {
    String field = row.get("field");
    return new Step(
        StepKind.valueOf(row.get("kind").toUpperCase(Locale.ROOT)),
        row.get("words"),
        number(row, "seconds"),
        field.isEmpty()
            ? null
            : new Value(
                field,
                row.get("unit"),
                number(row, "least").orElseThrow(),
                number(row, "most").orElseThrow()),
        answers.stream()
            .filter(answer -> answer.get("step").equals(String.valueOf(number)))
            .map(answer -> answer(answer, number))
            .toList());
  }

  private static OptionalDouble number(CSVRecord row, String column) {
    String text = row.get(column);
    return text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text));
  }

  private static Answer answer(CSVRecord row, int step) {
    String goes = row.get("goes");
    return new Answer(
        row.get("label"),
        row.get("outcome"),
        switch (goes) {
          case "on" -> step + 1;
          case "end" -> 0;
          default -> Integer.parseInt(goes);
        },
        row.get("words"));
  }
}
