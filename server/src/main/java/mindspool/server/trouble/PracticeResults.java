package mindspool.server.trouble;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.Text;
import mindspool.server.acts.Edits;
import mindspool.server.http.PersonAtWork;
import mindspool.server.trouble.PracticeResult.Kind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what people made of practice cases; a case counts once for each person. */
@Service
class PracticeResults {

  private static final int MOST_CHARACTERS = 60;

  private final TroubleStore.Results store;
  private final Edits edits;
  private final EditablePracticeResult editable;
  private final Clock clock;

  PracticeResults(
      TroubleStore.Results store, Edits edits, EditablePracticeResult editable, Clock clock) {
    this.store = store;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  /** What came of a case, to be kept. */
  record Came(Kind kind, long seed, String level, boolean right, double minutes, double lostG) {}

  /**
   * Keeps a result; the first of a case stays.
   *
   * @param name who practised; null for who works at the browser
   */
  @Transactional
  public void keep(String name, Came came) {
    String person =
        Text.line(
            "person",
            name == null ? PersonAtWork.name().orElse("") : name,
            1,
            MOST_CHARACTERS,
            "Say who practised.");
    boolean known =
        store.findByPersonAndRemovedSIsNull(person).stream()
            .anyMatch(
                it -> it.kind == came.kind && it.seed == came.seed && it.level.equals(came.level));
    if (known) {
      return;
    }
    PracticeResult result = new PracticeResult();
    result.person = person;
    result.kind = came.kind;
    result.seed = came.seed;
    result.level = came.level;
    result.doneS = clock.instant().getEpochSecond();
    result.wasRight = came.right;
    result.minutes = came.minutes;
    result.lostG = came.lostG;
    PracticeResult saved = store.saveAndFlush(result);
    edits.added(editable, saved.id, saved);
  }

  /** Takes out all that is kept of a person. */
  @Transactional
  public void forget(String person) {
    for (PracticeResult result : store.findByPersonAndRemovedSIsNull(person)) {
      Edits.Before before = edits.before(editable, result);
      result.removedS = clock.instant().getEpochSecond();
      PracticeResult saved = store.saveAndFlush(result);
      edits.changed(editable, saved.id, before, saved);
    }
  }

  /** All that is kept, by person, the latest last. */
  Map<String, List<PracticeResult>> byPerson() {
    Map<String, List<PracticeResult>> all = new LinkedHashMap<>();
    for (PracticeResult result : store.findByRemovedSIsNullOrderByPersonAscDoneSAsc()) {
      all.computeIfAbsent(result.person, person -> new ArrayList<>()).add(result);
    }
    return all;
  }
}
