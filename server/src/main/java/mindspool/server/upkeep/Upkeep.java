package mindspool.server.upkeep;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.Times;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.print.Changeover;
import mindspool.core.print.PlateUse;
import mindspool.core.upkeep.Counter;
import mindspool.core.upkeep.UpkeepDue;
import mindspool.core.upkeep.UpkeepDue.Count;
import mindspool.core.upkeep.UpkeepTask;
import mindspool.core.upkeep.UpkeepTask.Subject;
import mindspool.core.upkeep.Use;
import mindspool.server.acts.Edits;
import mindspool.server.dry.DryerChecks;
import mindspool.server.http.NotFoundException;
import mindspool.server.machines.Machines;
import mindspool.server.machines.Machines.KnownPlate;
import mindspool.server.machines.Machines.KnownPrinter;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.places.Places;
import mindspool.server.print.PrintedRuns;
import mindspool.server.print.PrintedRuns.Worn;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is due. Counters are counted anew from the prints on record, so that one that is undone or
 * corrected counts as it is now.
 */
@Service
public class Upkeep {

  private static final int LONGEST_TITLE = 120;
  private static final int LONGEST_NOTE = 500;
  private static final int LONGEST_STEP = 300;
  private static final int LONGEST_STEPS = 1000;
  private static final int LONGEST_UNIT = 20;
  private static final long LONGEST_BACK_S = 10L * 366 * 86_400;
  private static final double GRAMS_PER_KG = 1000;

  /** These change what a machine is, besides being done. */
  private static final String WASH = "plate_wash";

  private static final String COAT = "plate_coat";

  private static final String CHECK = "dryer_check";

  private static final String PULL = "cold_pull";

  private static final Set<String> NEW_NOZZLE = Set.of("nozzle", "nozzle_worn");

  private final UpkeepStore.Done done;
  private final UpkeepStore.Tasks tasks;
  private final Machines machines;
  private final Places places;
  private final PrintedRuns runs;
  private final Edits edits;
  private final EditableDone editableDone;
  private final EditableTask editableTask;
  private final DryerChecks checks;
  private final MaterialCatalogue catalogue;
  private final Clock clock;

  Upkeep(
      UpkeepStore.Done done,
      UpkeepStore.Tasks tasks,
      Machines machines,
      Places places,
      PrintedRuns runs,
      Edits edits,
      EditableDone editableDone,
      EditableTask editableTask,
      DryerChecks checks,
      MaterialCatalogue catalogue,
      Clock clock) {
    this.done = done;
    this.tasks = tasks;
    this.machines = machines;
    this.places = places;
    this.runs = runs;
    this.edits = edits;
    this.editableDone = editableDone;
    this.editableTask = editableTask;
    this.checks = checks;
    this.catalogue = catalogue;
    this.clock = clock;
  }

  /** Something that is kept up. */
  record Thing(Subject subject, long id, String name) {

    String key() {
      return subject + "-" + id;
    }
  }

  /**
   * A task on a thing.
   *
   * @param lastS when it was last done; null where nobody said
   * @param sinceS since when it is counted
   */
  record Item(Thing thing, UpkeepTask task, UpkeepDue due, Long lastS, long sinceS, Long ownId) {}

  /** All tasks on all things, what is used up most first. */
  List<Item> items() {
    return items(nowS());
  }

  /** All tasks on all things at a time, what is used up most first. */
  List<Item> items(long nowS) {
    Map<String, List<Use>> uses = uses();
    Map<String, Long> last = new HashMap<>();
    for (DoneUpkeep each : done.findByRemovedSIsNullOrderByAtSDescIdDesc()) {
      last.putIfAbsent(key(each.subject, each.subjectId, each.taskId), each.atS);
    }
    List<OwnTask> own = tasks.findByRemovedSIsNullOrderByTitle();
    List<Item> items = new ArrayList<>();
    for (KnownPrinter printer : machines.printers()) {
      Thing thing = new Thing(Subject.PRINTER, printer.placeId(), printer.name());
      for (Chosen chosen : chosen(thing, own)) {
        if (chosen.task.fits().includes(printer.printer())) {
          Item item = item(thing, chosen, uses, last, places.place(thing.id).createdS(), nowS);
          items.add(
              chosen.task.every().containsKey(Counter.BORE)
                  ? with(item, Counter.BORE, 100 * printer.printer().boreGrowth(), nowS)
                  : item);
        }
      }
    }
    for (KnownPlate plate : machines.plates()) {
      Thing thing = new Thing(Subject.PLATE, plate.id(), plate.name());
      for (Chosen chosen : chosen(thing, own)) {
        Item item = item(thing, chosen, uses, last, plate.createdS(), nowS);
        if (chosen.task.id().equals(COAT)) {
          coat(plate).ifPresent(used -> items.add(with(item, Counter.PRINTS, used, nowS)));
        } else {
          items.add(
              chosen.task.id().equals(WASH)
                  ? with(item, Counter.PRINTS, plate.printsSinceWash(), nowS)
                  : item);
        }
      }
    }
    for (PlaceInfo place : places.all()) {
      if (place.kind() != PlaceKind.DRYER) {
        continue;
      }
      Thing thing = new Thing(Subject.DRYER, place.id(), place.name());
      // Probes whose log was read in are that check, whether or not somebody said so here.
      checks
          .lastS(place.id())
          .ifPresent(atS -> last.merge(key(Subject.DRYER, place.id(), CHECK), atS, Math::max));
      for (Chosen chosen : chosen(thing, own)) {
        items.add(item(thing, chosen, uses, last, place.createdS(), nowS));
      }
    }
    Thing workshop = new Thing(Subject.WORKSHOP, 0, "Workshop");
    long firstS = places.all().stream().mapToLong(it -> it.createdS()).min().orElse(nowS);
    chosen(workshop, own)
        .forEach(chosen -> items.add(item(workshop, chosen, uses, last, firstS, nowS)));
    items.sort((a, b) -> Double.compare(b.due.binding().share(), a.due.binding().share()));
    return items;
  }

  /** Prints on the coat of a plate; none where nothing is spread that lasts for several. */
  private static OptionalDouble coat(KnownPlate plate) {
    int fresh = PlateUse.freshCoatPrints(plate.mounted().plate().interfaceLayer());
    return fresh > 1 && plate.coatPrintsLeft() != null
        ? OptionalDouble.of(fresh - plate.coatPrintsLeft())
        : OptionalDouble.empty();
  }

  /** A task and the own one that it comes from; null where it is the table's. */
  private record Chosen(UpkeepTask task, Long ownId) {}

  /** Tasks of a thing: the table's, or this workshop's in their stead. */
  private static List<Chosen> chosen(Thing thing, List<OwnTask> own) {
    List<OwnTask> its = own.stream().filter(it -> it.isFor(thing.subject, thing.id)).toList();
    Set<String> replaced =
        its.stream().map(it -> it.replaces).filter(it -> it != null).collect(Collectors.toSet());
    List<Chosen> all = new ArrayList<>();
    UpkeepTask.all().values().stream()
        .filter(task -> task.subject() == thing.subject && !replaced.contains(task.id()))
        .forEach(task -> all.add(new Chosen(task, null)));
    its.stream()
        .filter(it -> !it.every().isEmpty())
        .forEach(it -> all.add(new Chosen(it.toTask(), it.id)));
    return all;
  }

  private static Item item(
      Thing thing,
      Chosen chosen,
      Map<String, List<Use>> uses,
      Map<String, Long> last,
      long beganS,
      long nowS) {
    UpkeepTask task = chosen.task;
    List<Use> its = uses.getOrDefault(thing.key(), List.of());
    Long lastS = last.get(key(thing.subject, thing.id, task.id()));
    // Prints may have been entered that are older than the machine's entry.
    long firstS = its.stream().mapToLong(Use::endS).min().orElse(beganS) - 1;
    long sinceS = lastS == null ? Math.min(beganS, firstS) : lastS;
    Map<Counter, Double> every = new EnumMap<>(task.every());
    if (lastS == null && task.firstHours().isPresent()) {
      every.put(Counter.HOURS, task.firstHours().getAsDouble());
    }
    return new Item(
        thing, task, UpkeepDue.of(every, its, sinceS, nowS), lastS, sinceS, chosen.ownId);
  }

  /** With a counter that the machine itself keeps. */
  private static Item with(Item item, Counter counter, double used, long nowS) {
    return new Item(
        item.thing,
        item.task,
        item.due.with(counter, used, nowS),
        item.lastS,
        item.sinceS,
        item.ownId);
  }

  private static String key(Subject subject, long id, String task) {
    return subject + "-" + id + "-" + task;
  }

  /** Prints of each machine and plate. */
  private Map<String, List<Use>> uses() {
    Map<String, List<Use>> uses = new HashMap<>();
    Map<Long, Worn> next = new HashMap<>();
    List<Worn> latestFirst = new ArrayList<>(runs.worn());
    latestFirst.sort(Comparator.comparingLong(Worn::startedS).reversed());
    for (Worn print : latestFirst) {
      double residue = residue(print, next.put(print.printerId(), print));
      uses.computeIfAbsent(Subject.PRINTER + "-" + print.printerId(), it -> new ArrayList<>())
          .add(use(print, residue));
      if (print.plateId() != null) {
        uses.computeIfAbsent(Subject.PLATE + "-" + print.plateId(), it -> new ArrayList<>())
            .add(use(print, 0));
      }
    }
    return uses;
  }

  private Use use(Worn print, double residue) {
    double kg = print.grams() / GRAMS_PER_KG;
    return new Use(
        print.endedS(),
        (print.endedS() - print.startedS()) / 3600.0,
        kg,
        kg * abrasive(print.material()),
        0,
        residue);
  }

  /**
   * What a print left in the nozzle for the next one. It counts as of the print that left it: a
   * nozzle that is pulled clean between the two starts the next one clean.
   */
  private double residue(Worn print, Worn next) {
    if (next == null) {
      return 0;
    }
    Optional<Material> from = catalogue.find(print.material());
    Optional<Material> to = catalogue.find(next.material());
    return from.isPresent() && to.isPresent() ? Changeover.of(from.get(), to.get()).residue() : 0;
  }

  /** How abrasive a material is, 1 as carbon fibre; one that is no longer known counts as 0. */
  private double abrasive(String material) {
    return catalogue.find(material).map(it -> it.value(Parameter.ABRASIVE)).orElse(0.0);
  }

  /** What somebody says of upkeep that was done; {@code at} null for now. */
  record Said(
      String taskId,
      Subject subject,
      Long subjectId,
      Long atS,
      String note,
      Double measured,
      String measuredUnit) {}

  /** Records that a task was done. */
  @Transactional
  public DoneUpkeep done(Said said) {
    Subject subject = Require.present("subject", said.subject, "PRINTER, PLATE, DRYER or WORKSHOP");
    long id =
        subject == Subject.WORKSHOP ? 0 : Require.present("subjectId", said.subjectId, "a number");
    String taskId = Require.present("task", said.taskId, "the id of a task");
    Item item =
        items().stream()
            .filter(
                it ->
                    it.thing.subject == subject && it.thing.id == id && it.task.id().equals(taskId))
            .findFirst()
            .orElseThrow(
                () ->
                    new InvalidValueException(
                        "task", taskId, "a task of that thing", "Choose one of the list."));
    long nowS = nowS();
    long atS = said.atS == null ? nowS : Times.past("at", Instant.ofEpochSecond(said.atS), nowS);
    if (atS < nowS - LONGEST_BACK_S) {
      throw new InvalidValueException(
          "at", atS, "a time in the past ten years", "Say when it was done.");
    }
    DoneUpkeep kept = new DoneUpkeep();
    kept.taskId = taskId;
    kept.title = item.task.title();
    kept.subject = subject;
    kept.subjectId = id;
    kept.atS = atS;
    kept.note = text("note", said.note, LONGEST_NOTE);
    kept.measured =
        said.measured == null
            ? null
            : Double.valueOf(Require.within("measured", said.measured, -1e6, 1e6, ""));
    kept.measuredUnit = text("measuredUnit", said.measuredUnit, LONGEST_UNIT);
    DoneUpkeep saved = done.saveAndFlush(kept);
    edits.added(editableDone, saved.id, saved);
    // Said of the past it tells when it was done, not how the machine is now.
    if (said.atS == null) {
      if (taskId.equals(WASH)) {
        machines.washed(id);
      } else if (taskId.equals(COAT)) {
        machines.spread(id, machines.plate(id).mounted().plate().interfaceLayer());
      } else if (NEW_NOZZLE.contains(taskId)) {
        machines.newNozzle(id);
      }
    }
    return saved;
  }

  /** Takes upkeep out of the record. */
  @Transactional
  public void remove(long id) {
    DoneUpkeep kept =
        done.findById(id)
            .filter(it -> it.removedS == null)
            .orElseThrow(() -> new NotFoundException("upkeep with number " + id));
    Edits.Before before = edits.before(editableDone, kept);
    kept.removedS = nowS();
    DoneUpkeep saved = done.saveAndFlush(kept);
    edits.changed(editableDone, saved.id, before, saved);
  }

  /** What was done, the latest first. */
  List<DoneUpkeep> history(Subject subject, long id) {
    return done.findBySubjectAndSubjectIdAndRemovedSIsNullOrderByAtSDescIdDesc(subject, id);
  }

  /** When a printer's nozzle was last pulled clean or changed; none where nobody said. */
  OptionalLong cleanNozzleS(long printerId) {
    return history(Subject.PRINTER, printerId).stream()
        .filter(it -> it.taskId.equals(PULL) || NEW_NOZZLE.contains(it.taskId))
        .mapToLong(it -> it.atS)
        .findFirst();
  }

  /** Upkeep of a printer that was done between two times, in the order of time. */
  public record DoneAt(long atS, String title) {}

  /** What was done to a printer between two times. */
  public List<DoneAt> between(long printerId, long fromS, long toS) {
    return history(Subject.PRINTER, printerId).stream()
        .filter(it -> it.atS > fromS && it.atS <= toS)
        .map(it -> new DoneAt(it.atS, it.title))
        .sorted(Comparator.comparingLong(DoneAt::atS))
        .toList();
  }

  /** What somebody says of an own task. */
  record OwnSaid(
      String title,
      Subject subject,
      Long subjectId,
      String replaces,
      Double everyHours,
      Double everyPrints,
      Double everyFilamentKg,
      Double everyDays,
      Double minutes,
      List<String> steps) {}

  List<OwnTask> own() {
    return tasks.findByRemovedSIsNullOrderByTitle();
  }

  Optional<OwnTask> own(long id) {
    return tasks.findById(id).filter(it -> it.removedS == null);
  }

  /** Adds an own task. */
  @Transactional
  public OwnTask add(OwnSaid said) {
    OwnTask task = new OwnTask();
    task.createdS = nowS();
    describe(task, said);
    OwnTask saved = tasks.saveAndFlush(task);
    edits.added(editableTask, saved.id, saved);
    return saved;
  }

  /** Describes an own task anew, or removes it. */
  @Transactional
  public OwnTask change(OwnTask task, OwnSaid said) {
    return changed(task, it -> describe(it, said));
  }

  /** Removes an own task; what was done of it stays in the record. */
  @Transactional
  public void remove(OwnTask task) {
    changed(task, it -> it.removedS = nowS());
  }

  private OwnTask changed(OwnTask task, Consumer<OwnTask> change) {
    Edits.Before before = edits.before(editableTask, task);
    change.accept(task);
    OwnTask saved = tasks.saveAndFlush(task);
    edits.changed(editableTask, saved.id, before, saved);
    return saved;
  }

  private void describe(OwnTask task, OwnSaid said) {
    UpkeepTask standard = null;
    if (said.replaces != null) {
      standard = UpkeepTask.all().get(said.replaces);
      if (standard == null) {
        throw new InvalidValueException(
            "replaces",
            said.replaces,
            String.join(", ", UpkeepTask.all().keySet()),
            "Leave it out for a task of its own.");
      }
    }
    task.replaces = said.replaces;
    task.title =
        standard != null && said.title == null
            ? standard.title()
            : Text.line("title", said.title, 1, LONGEST_TITLE, "Say what is to be done.");
    task.subject =
        standard != null
            ? standard.subject()
            : Require.present("subject", said.subject, "PRINTER, PLATE, DRYER or WORKSHOP");
    task.subjectId = task.subject == Subject.WORKSHOP ? null : said.subjectId;
    if (task.subjectId != null) {
      check(task.subject, task.subjectId);
    }
    task.everyHours = every("everyHours", said.everyHours, 100_000);
    task.everyPrints = every("everyPrints", said.everyPrints, 100_000);
    task.everyFilamentKg = every("everyFilamentKg", said.everyFilamentKg, 10_000);
    task.everyDays = every("everyDays", said.everyDays, 3660);
    if (standard == null && task.every().isEmpty()) {
      throw new InvalidValueException(
          "everyDays",
          "missing, and so are the others",
          "an amount of days, hours, prints or filament",
          "Say after how much it is due.");
    }
    task.minutes =
        said.minutes == null
            ? standard == null ? 10 : standard.minutes()
            : Require.within("minutes", said.minutes, 0, 1440, "min");
    task.steps =
        said.steps == null
            ? ""
            : said.steps.stream()
                .map(step -> Text.line("steps", step, 1, LONGEST_STEP, "One step a line."))
                .collect(Collectors.joining("\n"));
    Require.within("steps", task.steps.length(), 0, LONGEST_STEPS, "characters");
  }

  private void check(Subject subject, long id) {
    switch (subject) {
      case PRINTER -> machines.printer(id);
      case PLATE -> machines.plate(id);
      default -> places.present(id);
    }
  }

  private static Double every(String field, Double amount, double most) {
    return amount == null ? null : Double.valueOf(Require.within(field, amount, 0.1, most, ""));
  }

  private static String text(String field, String words, int most) {
    return words == null || words.isBlank()
        ? null
        : Text.line(field, words, 1, most, "Say it in a sentence or two.");
  }

  long nowS() {
    return clock.instant().getEpochSecond();
  }

  /** Words of a count. */
  static String words(Count count) {
    return count.counter().words(count.used(), count.every());
  }
}
