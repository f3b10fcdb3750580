package mindspool.server.acts;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import mindspool.server.http.MayBeNull;

/**
 * The facts of one kind: how they read, and what follows when they are undone or hold again.
 *
 * @param <F> the kind
 */
public abstract class FactBook<F extends Fact> {

  private final FactStore<F> store;

  protected FactBook(FactStore<F> store) {
    this.store = store;
  }

  /**
   * A fact in words.
   *
   * @param subject what it happened to
   * @param link page of that; null where there is none
   * @param what what happened
   */
  public record Line(String subject, @MayBeNull String link, String what) {}

  /** A fact in words. */
  protected abstract Line line(F fact);

  /** Whether it is shown in the list of acts; one that only completes another is not. */
  protected boolean isShown(F fact) {
    return true;
  }

  /**
   * Called before facts change their state. Refuses, with an exception, what cannot be.
   *
   * @param undo whether they are to be undone, or else to hold again
   * @return what to do once all facts of the act have changed; may refuse as well
   */
  protected abstract Runnable change(List<F> facts, boolean undo);

  /** Acts that mean nothing without these facts, and are undone with them. */
  protected Set<Long> leaningOn(List<F> facts) {
    return Set.of();
  }

  final List<F> of(Collection<Long> acts) {
    return store.findByActIdInOrderById(acts);
  }

  final Set<Long> leaning(Collection<Long> acts) {
    List<F> facts = of(acts);
    return facts.isEmpty() ? Set.of() : leaningOn(facts);
  }

  /** Prepares a change; the first runnable sets the state, the second is run after all are set. */
  final Change prepare(Collection<Long> acts, Long undoneBy) {
    List<F> facts = of(acts);
    if (facts.isEmpty()) {
      return new Change(() -> {}, () -> {});
    }
    Runnable after = change(facts, undoneBy != null);
    return new Change(
        () -> {
          facts.forEach(fact -> fact.undoneBy = undoneBy);
          store.saveAllAndFlush(facts);
        },
        after);
  }

  /** Two steps of a change. */
  record Change(Runnable set, Runnable follow) {}
}
