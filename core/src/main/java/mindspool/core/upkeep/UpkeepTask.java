package mindspool.core.upkeep;

import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.ResourceTable;
import mindspool.core.print.Printer;
import mindspool.core.print.Printer.HotEndKind;
import org.apache.commons.csv.CSVRecord;

/**
 * Work that comes again.
 *
 * @param fits which machines it is for
 * @param every how much of each counter may pass; the one that is used up most decides
 * @param firstHours hours after which it is due for the first time, where that is sooner
 * @param minutes of work
 * @param state of the machine while it is done: what is in one state is done together
 * @param procedureId where it is walked through step by step; empty for none
 * @param sign by which one sees that it is overdue; may be empty
 */
public record UpkeepTask(
    String id,
    Subject subject,
    Fits fits,
    String title,
    Map<Counter, Double> every,
    OptionalDouble firstHours,
    double minutes,
    State state,
    String procedureId,
    String sign,
    List<String> needs,
    String caution,
    List<String> steps) {

  private static final Map<String, UpkeepTask> ALL = read();

  /** What it is done to. */
  public enum Subject {
    PRINTER,
    PLATE,
    DRYER,
    WORKSHOP
  }

  /** What it is done in. */
  public enum State {
    OFF("switched off and cool"),
    HOT("hot"),
    PLATE_OFF("plate taken off"),
    ANY("as it is");

    private final String title;

    State(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  /** Which machines it is for. */
  public enum Fits {
    ANY,
    BRASS,
    HARDENED,
    LINED,
    ENCLOSED;

    /** Whether a printer is one of them. */
    public boolean includes(Printer printer) {
      return switch (this) {
        case ANY -> true;
        case BRASS -> !printer.nozzle().standsFibres();
        case HARDENED -> printer.nozzle().standsFibres();
        case LINED -> printer.hotEnd() == HotEndKind.LINED;
        case ENCLOSED -> printer.chamber().isClosed();
      };
    }
  }

  /** All that ship with the program, by their ids. */
  public static Map<String, UpkeepTask> all() {
    return ALL;
  }

  private static Map<String, UpkeepTask> read() {
    Map<String, UpkeepTask> all = new LinkedHashMap<>();
    for (CSVRecord row : ResourceTable.rows(UpkeepTask.class, "tasks.csv")) {
      Map<Counter, Double> every = new EnumMap<>(Counter.class);
      add(every, Counter.HOURS, row, "hours");
      add(every, Counter.PRINTS, row, "prints");
      add(every, Counter.FILAMENT, row, "kg");
      add(every, Counter.ABRASIVE, row, "abrasiveKg");
      add(every, Counter.BORE, row, "borePercent");
      add(every, Counter.RESIDUE, row, "residue");
      add(every, Counter.DAYS, row, "days");
      all.put(
          row.get("task"),
          new UpkeepTask(
              row.get("task"),
              Subject.valueOf(row.get("subject").toUpperCase(Locale.ROOT)),
              Fits.valueOf(row.get("fits").toUpperCase(Locale.ROOT)),
              row.get("title"),
              every,
              number(row, "firstHours"),
              number(row, "minutes").orElseThrow(),
              State.valueOf(row.get("state").toUpperCase(Locale.ROOT).replace(' ', '_')),
              row.get("procedure"),
              row.get("sign"),
              ResourceTable.texts(row, "needs"),
              row.get("caution"),
              ResourceTable.texts(row, "steps")));
    }
    return Collections.unmodifiableMap(all);
  }

  private static void add(
      Map<Counter, Double> every, Counter counter, CSVRecord row, String column) {
    number(row, column).ifPresent(amount -> every.put(counter, amount));
  }

  private static OptionalDouble number(CSVRecord row, String column) {
    String text = row.get(column);
    return text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text));
  }
}
