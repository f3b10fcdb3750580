package mindspool.server.trouble;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.trouble.Circumstances;
import mindspool.core.trouble.ClosedCase;
import mindspool.core.trouble.Evidence;
import mindspool.core.trouble.Sign;
import mindspool.core.trouble.StandOut;
import mindspool.core.trouble.TroubleKnowledge;
import mindspool.server.acts.Edits;
import mindspool.server.http.NotFoundException;
import mindspool.server.machines.Machines;
import mindspool.server.print.PrintedRuns;
import mindspool.server.print.PrintedRuns.Printed;
import mindspool.server.shelf.Spools;
import mindspool.server.trouble.StoredTrouble.Worked;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Opens, answers and closes cases, and learns from those that are closed. */
@Service
class Troubles {

  private static final JsonMapper JSON = JsonMapper.shared();
  private static final int LONGEST_TITLE = 120;
  private static final int LONGEST_NOTE = 1000;
  private static final int LONGEST_REMEDY = 500;
  private static final String NO_LOT = "";

  /** Signs of a print that was ended, in the words of this station. */
  private static final Map<String, String> SEEN_AT_THE_END =
      Map.of(
          "corner-up", "lift_late",
          "sheet-up", "plate_off",
          "came-off", "spaghetti",
          "split", "split",
          "strings", "string",
          "popping", "pop",
          "blobs", "blob",
          "shift", "shift",
          "rough", "matte",
          "clog", "nothing");

  private final TroubleStore.Troubles store;
  private final TroubleStore.Learnings learnings;
  private final CaseRecords records;
  private final PrintedRuns runs;
  private final Machines machines;
  private final Spools spools;
  private final TroubleKnowledge table;
  private final Edits edits;
  private final EditableTrouble editable;
  private final Clock clock;

  Troubles(
      TroubleStore.Troubles store,
      TroubleStore.Learnings learnings,
      CaseRecords records,
      PrintedRuns runs,
      Machines machines,
      Spools spools,
      TroubleKnowledge table,
      Edits edits,
      EditableTrouble editable,
      Clock clock) {
    this.store = store;
    this.learnings = learnings;
    this.records = records;
    this.runs = runs;
    this.machines = machines;
    this.spools = spools;
    this.table = table;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  /** What somebody says of a case; what is null stays. */
  record Answers(
      Map<String, Sign.Answer> signs,
      Map<String, String> tests,
      Set<String> facts,
      Set<String> struck,
      Evidence.Habit habit) {}

  /** How a case ended. */
  record Closing(
      String cause, String remedy, Worked worked, String note, Double lostG, Double lostHours) {}

  StoredTrouble trouble(long id) {
    return store
        .findById(id)
        .filter(trouble -> trouble.removedS == null)
        .orElseThrow(() -> new NotFoundException("trouble with number " + id));
  }

  List<StoredTrouble> open() {
    return store.findByRemovedSIsNullAndClosedSIsNullOrderByOpenedSDesc();
  }

  List<StoredTrouble> closed() {
    return store.findTop200ByRemovedSIsNullAndClosedSIsNotNullOrderByClosedSDescIdDesc();
  }

  /**
   * Opens a case from a print, a spool, a printer, or nothing. A print's case that is open already
   * is gone on with, and learns what was seen at the print's end.
   */
  @Transactional
  public StoredTrouble open(Long runId, String code, Long printerId, String title) {
    StoredTrouble trouble = new StoredTrouble();
    trouble.openedS = now();
    if (runId != null) {
      Printed run = runs.print(runId);
      Optional<StoredTrouble> begun =
          store.findFirstByRunIdAndRemovedSIsNullAndClosedSIsNullOrderByIdDesc(runId);
      if (begun.isPresent()) {
        return goOn(begun.get(), run);
      }
      trouble.runId = runId;
      trouble.code = run.code();
      trouble.printerId = run.printerId();
      trouble.plateId = run.plateId();
      trouble.material = run.material();
      trouble.title = run.name();
      told(trouble, run);
    }
    if (printerId != null) {
      trouble.printerId = machines.printer(printerId).placeId();
      trouble.title = machines.nameOf(printerId);
    }
    if (code != null) {
      trouble.code = spools.current(code).code();
      trouble.material = spools.current(code).material().name();
      trouble.title = trouble.code;
    }
    if (title != null && !title.isBlank()) {
      trouble.title =
          Text.line("title", title, 1, LONGEST_TITLE, "Say in a few words what went wrong.");
    }
    if (trouble.title.isEmpty()) {
      trouble.title = "Trouble";
    }
    StoredTrouble saved = store.saveAndFlush(trouble);
    edits.added(editable, saved.id, saved);
    return saved;
  }

  private StoredTrouble goOn(StoredTrouble begun, Printed run) {
    return run.endedS() == null ? begun : change(begun, it -> told(it, run));
  }

  /** What the print says of its case; what somebody said of a sign stays. */
  private static void told(StoredTrouble trouble, Printed run) {
    trouble.lostG = tenth(run.lostG());
    trouble.lostHours = tenth(run.hours());
    Map<String, Sign.Answer> seen = new LinkedHashMap<>(signs(trouble));
    run.signs().stream()
        .filter(SEEN_AT_THE_END::containsKey)
        .forEach(sign -> seen.putIfAbsent(SEEN_AT_THE_END.get(sign), Sign.Answer.YES));
    trouble.signs = JSON.writeValueAsString(seen);
  }

  /** Stores what somebody says; refuses ids that are not known and a case that is closed. */
  @Transactional
  public StoredTrouble answer(StoredTrouble trouble, Answers answers) {
    refuseClosed(trouble);
    Evidence said =
        new Evidence(
            answers.facts == null ? facts(trouble) : answers.facts,
            answers.signs == null ? signs(trouble) : answers.signs,
            answers.tests == null ? tests(trouble) : answers.tests,
            OptionalDouble.empty(),
            answers.habit == null ? trouble.habit : answers.habit);
    said.checked(table);
    return change(
        trouble,
        it -> {
          it.facts = JSON.writeValueAsString(said.facts());
          it.signs = JSON.writeValueAsString(said.signs());
          it.tests = JSON.writeValueAsString(said.testsTold());
          it.habit = said.habit();
          if (answers.struck != null) {
            answers.struck.stream().filter(id -> !id.equals(MOISTURE)).forEach(table::fact);
            it.struck = JSON.writeValueAsString(answers.struck);
          }
        });
  }

  /** Closes a case with what it was. */
  @Transactional
  public StoredTrouble close(StoredTrouble trouble, Closing closing) {
    refuseClosed(trouble);
    String cause = Require.present("cause", closing.cause, "the id of a cause, or other");
    if (!cause.equals(OTHER)) {
      table.cause(cause);
    }
    Worked worked = Require.present("worked", closing.worked, "YES, NO or NOT_TRIED");
    return change(
        trouble,
        it -> {
          it.closedS = now();
          it.cause = cause;
          it.remedy = text("remedy", closing.remedy, LONGEST_REMEDY);
          it.worked = worked;
          it.note = text("note", closing.note, LONGEST_NOTE);
          it.lostG = amount("lostG", closing.lostG, 20_000, "g");
          it.lostHours = amount("lostHours", closing.lostHours, 2000, "h");
        });
  }

  /** Opens a closed case again. */
  @Transactional
  public StoredTrouble reopen(StoredTrouble trouble) {
    if (trouble.closedS == null) {
      throw new InvalidValueException("id", trouble.title, "a case that is closed", "It is open.");
    }
    return change(trouble, it -> it.closedS = null);
  }

  /** Takes a case out of the record. */
  @Transactional
  public void remove(StoredTrouble trouble) {
    change(trouble, it -> it.removedS = now());
  }

  /** Nobody weighs or times a loss more closely. */
  private static double tenth(double value) {
    return Math.round(10 * value) / 10.0;
  }

  private static String text(String field, String words, int most) {
    return words == null || words.isBlank()
        ? null
        : Text.line(field, words, 1, most, "Say it in a sentence or two.");
  }

  private static Double amount(String field, Double value, double most, String unit) {
    return value == null ? null : Require.within(field, value, 0, most, unit);
  }

  private static void refuseClosed(StoredTrouble trouble) {
    if (trouble.closedS != null) {
      throw new InvalidValueException(
          "id", trouble.title + ", which is closed", "an open case", "Open it again first.");
    }
  }

  private StoredTrouble change(StoredTrouble trouble, Consumer<StoredTrouble> change) {
    Edits.Before before = edits.before(editable, trouble);
    change.accept(trouble);
    StoredTrouble saved = store.saveAndFlush(trouble);
    edits.changed(editable, saved.id, before, saved);
    return saved;
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  /** Stands for the computed moisture among what can be struck out. */
  static final String MOISTURE = "moisture";

  /** A cause that is not in the table. */
  static final String OTHER = "other";

  static Set<String> facts(StoredTrouble trouble) {
    return set(trouble.facts);
  }

  static Set<String> struck(StoredTrouble trouble) {
    return set(trouble.struck);
  }

  static Set<String> set(String json) {
    return new LinkedHashSet<>(List.of(JSON.readValue(json, String[].class)));
  }

  static Map<String, Sign.Answer> signs(StoredTrouble trouble) {
    Map<String, Sign.Answer> signs = new LinkedHashMap<>();
    texts(trouble.signs).forEach((id, word) -> signs.put(id, Sign.Answer.valueOf(word)));
    return signs;
  }

  static Map<String, String> tests(StoredTrouble trouble) {
    return texts(trouble.tests);
  }

  @SuppressWarnings("unchecked")
  static Map<String, String> texts(String json) {
    return JSON.readValue(json, LinkedHashMap.class);
  }

  CaseRecords.Known known(StoredTrouble trouble) {
    return records.of(trouble);
  }

  /** The case as it is ranked, with what the records know now. */
  Evidence evidence(StoredTrouble trouble) {
    return evidence(trouble, known(trouble));
  }

  /** The case as it is ranked: records without what was struck out, and what somebody said. */
  Evidence evidence(StoredTrouble trouble, CaseRecords.Known known) {
    Set<String> struck = struck(trouble);
    Set<String> facts = new LinkedHashSet<>(facts(trouble));
    known.held().stream().map(Circumstances.Held::fact).forEach(facts::add);
    facts.removeAll(struck);
    Optional<Double> ratio = known.moisture().map(CaseRecords.Moisture::ratio);
    return new Evidence(
        facts,
        signs(trouble),
        tests(trouble),
        ratio.isPresent() && !struck.contains(MOISTURE)
            ? OptionalDouble.of(ratio.get())
            : OptionalDouble.empty(),
        trouble.habit);
  }

  /** What the table says, moved by this workshop's closed cases whose remedy worked. */
  TroubleKnowledge knowledge() {
    return table.taughtBy(lessons());
  }

  List<ClosedCase> lessons() {
    return store.findByRemovedSIsNullAndClosedSGreaterThan(learnsSinceS()).stream()
        .filter(trouble -> trouble.worked == Worked.YES && !OTHER.equals(trouble.cause))
        .map(trouble -> new ClosedCase(trouble.cause, signs(trouble)))
        .toList();
  }

  /** What a cause is called. */
  String causeName(String id) {
    return id.equals(OTHER) ? "something else" : table.cause(id).title();
  }

  TroubleKnowledge table() {
    return table;
  }

  long learnsSinceS() {
    return learnings.findById(TroubleLearning.ONLY).map(it -> it.sinceS).orElse(0L);
  }

  /**
   * Plates, printers, materials, spools and lots whose last prints failed more often than the
   * others'.
   */
  List<StandOut> standOuts() {
    List<Printed> prints = runs.ended();
    List<StandOut> found = new ArrayList<>();
    found.addAll(
        among(
            "plate",
            prints.stream().filter(it -> it.plateId() != null).toList(),
            it -> machines.plateName(it.plateId())));
    found.addAll(among("printer", prints, it -> machines.nameOf(it.printerId())));
    found.addAll(among("material", prints, Printed::material));
    found.addAll(among("spool", prints, Printed::code));
    Map<String, String> lots = new LinkedHashMap<>();
    prints.forEach(
        it ->
            lots.computeIfAbsent(
                it.code(),
                code -> spools.isKnown(code) ? spools.lotOf(code).orElse(NO_LOT) : NO_LOT));
    found.addAll(
        among(
            "lot",
            prints.stream().filter(it -> !lots.get(it.code()).equals(NO_LOT)).toList(),
            it -> lots.get(it.code())));
    return found;
  }

  private static List<StandOut> among(
      String kind, List<Printed> prints, Function<Printed, String> name) {
    return StandOut.among(
        kind, prints.stream().map(it -> new StandOut.Print(name.apply(it), it.failed())).toList());
  }

  /** Forgets what closed cases taught; they stay in the record. */
  @Transactional
  public void forget() {
    TroubleLearning learning = new TroubleLearning();
    learning.sinceS = now();
    learnings.save(learning);
  }
}
