package mindspool.server.acts;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.server.acts.FactBook.Change;
import mindspool.server.acts.FactBook.Line;
import mindspool.server.http.ActNumber;
import mindspool.server.http.NotFoundException;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All acts, newest first, and the one way to undo them and to do them again. */
@Service
class ActLog {

  private final Act.Store acts;
  private final List<FactBook<?>> books;
  private final ActNumber number;

  ActLog(Act.Store acts, List<FactBook<?>> books, ActNumber number) {
    this.acts = acts;
    this.books = books;
    this.number = number;
  }

  /** An act with its facts in words. */
  record Entry(Act act, Origin origin, long atS, List<Line> lines, Act undoing) {}

  /** The latest acts before one. */
  List<Entry> before(long actId, int most) {
    return entries(acts.findByUndoesIsNullAndIdLessThanOrderByIdDesc(actId, Limit.of(most)));
  }

  Entry one(long actId) {
    return entries(List.of(act(actId))).get(0);
  }

  private Act act(long actId) {
    return acts.findById(actId)
        .filter(act -> act.undoes == null)
        .orElseThrow(() -> new NotFoundException("act with number " + actId));
  }

  private List<Entry> entries(List<Act> some) {
    Set<Long> ids = some.stream().map(act -> act.id).collect(Collectors.toSet());
    Map<Long, List<Fact>> facts = new HashMap<>();
    Map<Long, List<Line>> lines = new HashMap<>();
    for (FactBook<?> book : books) {
      tell(book, ids, facts, lines);
    }
    Map<Long, Act> undoing =
        acts
            .findAllById(some.stream().map(act -> act.undoneBy).filter(id -> id != null).toList())
            .stream()
            .collect(Collectors.toMap(act -> act.id, act -> act));
    return some.stream()
        .filter(act -> lines.containsKey(act.id))
        .map(
            act ->
                new Entry(
                    act,
                    facts.get(act.id).get(0).origin,
                    facts.get(act.id).stream().mapToLong(fact -> fact.atS).min().orElseThrow(),
                    lines.get(act.id),
                    undoing.get(act.undoneBy)))
        .toList();
  }

  private static <F extends Fact> void tell(
      FactBook<F> book, Set<Long> ids, Map<Long, List<Fact>> facts, Map<Long, List<Line>> lines) {
    for (F fact : book.of(ids)) {
      if (book.isShown(fact)) {
        facts.computeIfAbsent(fact.actId, id -> new ArrayList<>()).add(fact);
        lines.computeIfAbsent(fact.actId, id -> new ArrayList<>()).add(book.line(fact));
      }
    }
  }

  /** Undoes an act with all its facts, and with it the acts that mean nothing without it. */
  @Transactional
  public Entry undo(long actId) {
    Act act = act(actId);
    if (act.undoneBy != null) {
      throw new InvalidValueException("id", actId, "an act that holds", "It is undone already.");
    }
    long undoing = number.current();
    acts.findById(undoing).orElseThrow().undoes = actId;
    set(holding(withLeaning(actId)), undoing);
    return one(actId);
  }

  /** Lets an undone act hold again, with those that were undone with it. */
  @Transactional
  public Entry redo(long actId) {
    Act act = act(actId);
    if (act.undoneBy == null) {
      throw new InvalidValueException("id", actId, "an act that was undone", "It holds already.");
    }
    set(acts.findByUndoneBy(act.undoneBy).stream().map(each -> each.id).toList(), null);
    return one(actId);
  }

  private Set<Long> withLeaning(long actId) {
    Set<Long> all = new HashSet<>(Set.of(actId));
    Set<Long> latest = all;
    while (!latest.isEmpty()) {
      Set<Long> leaning = new HashSet<>();
      for (FactBook<?> book : books) {
        leaning.addAll(book.leaning(latest));
      }
      leaning.removeAll(all);
      all.addAll(leaning);
      latest = leaning;
    }
    return all;
  }

  private List<Long> holding(Collection<Long> ids) {
    return acts.findAllById(ids).stream()
        .filter(act -> act.undoneBy == null)
        .map(act -> act.id)
        .toList();
  }

  private void set(List<Long> ids, Long undoneBy) {
    List<Change> changes = books.stream().map(book -> book.prepare(ids, undoneBy)).toList();
    List<Act> changed = acts.findAllById(ids);
    changed.forEach(act -> act.undoneBy = undoneBy);
    acts.saveAllAndFlush(changed);
    changes.forEach(change -> change.set().run());
    changes.forEach(change -> change.follow().run());
  }
}
