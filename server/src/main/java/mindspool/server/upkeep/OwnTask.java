package mindspool.server.upkeep;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import mindspool.core.upkeep.Counter;
import mindspool.core.upkeep.UpkeepTask;
import mindspool.core.upkeep.UpkeepTask.Subject;

/** A task of this workshop, or its own interval for one of the table's. */
@Entity
@Table(name = "upkeep_task")
class OwnTask {

  private static final String PREFIX = "own-";

  private static final Set<Counter> NOT_SET_HERE =
      EnumSet.of(Counter.ABRASIVE, Counter.BORE, Counter.RESIDUE);

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String title = "";

  @Enumerated(EnumType.STRING)
  Subject subject = Subject.WORKSHOP;

  /** The one that it is for; null for all of the kind. */
  Long subjectId;

  /** Id of the table's task in whose stead it is; null for one of its own. */
  String replaces;

  Double everyHours;
  Double everyPrints;
  Double everyFilamentKg;
  Double everyDays;
  double minutes;

  /** A line for each. */
  String steps = "";

  long createdS;
  Long removedS;

  @Version int version;

  Map<Counter, Double> every() {
    Map<Counter, Double> every = new EnumMap<>(Counter.class);
    put(every, Counter.HOURS, everyHours);
    put(every, Counter.PRINTS, everyPrints);
    put(every, Counter.FILAMENT, everyFilamentKg);
    put(every, Counter.DAYS, everyDays);
    return every;
  }

  private static void put(Map<Counter, Double> every, Counter counter, Double amount) {
    if (amount != null) {
      every.put(counter, amount);
    }
  }

  private Map<Counter, Double> with(Map<Counter, Double> ofTable) {
    Map<Counter, Double> both = every();
    for (Counter counter : NOT_SET_HERE) {
      put(both, counter, ofTable.get(counter));
    }
    return both;
  }

  boolean isFor(Subject kind, long of) {
    return subject == kind && (subjectId == null || subjectId == of);
  }

  /**
   * As the table would have it; what it leaves out is that of the task that it replaces, and so are
   * counters that nobody can set here: an own number of hours must not keep wear from being seen.
   */
  UpkeepTask toTask() {
    UpkeepTask standard = replaces == null ? null : UpkeepTask.all().get(replaces);
    List<String> own = steps.isBlank() ? List.of() : Arrays.asList(steps.split("\n"));
    return new UpkeepTask(
        standard == null ? PREFIX + id : standard.id(),
        subject,
        standard == null ? UpkeepTask.Fits.ANY : standard.fits(),
        title,
        standard == null ? every() : with(standard.every()),
        OptionalDouble.empty(),
        minutes,
        standard == null ? UpkeepTask.State.ANY : standard.state(),
        standard == null ? "" : standard.procedureId(),
        standard == null ? "" : standard.sign(),
        standard == null ? List.of() : standard.needs(),
        standard == null ? "" : standard.caution(),
        own.isEmpty() && standard != null ? standard.steps() : own);
  }
}
