package mindspool.server.dry;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import mindspool.core.Require;
import mindspool.server.acts.FactBook;
import org.springframework.stereotype.Component;

/** Cycles that were started, in words; what happened in one is undone with its start. */
@Component
class CycleStartBook extends FactBook<DryingCycle> {

  private final DryStore.Facts facts;
  private final DryerBook book;
  private final CycleSettling settling;

  CycleStartBook(
      DryStore.Cycles store, DryStore.Facts facts, DryerBook book, CycleSettling settling) {
    super(store);
    this.facts = facts;
    this.book = book;
    this.settling = settling;
  }

  @Override
  protected Line line(DryingCycle cycle) {
    return new Line(
        book.place(cycle.placeId).name(),
        "/cycle/" + cycle.id,
        "cycle started: %s °C for %s h"
            .formatted(Require.plain(cycle.setpointC), Require.plain(cycle.hours)));
  }

  @Override
  protected Set<Long> leaningOn(List<DryingCycle> cycles) {
    return cycles.stream()
        .flatMap(cycle -> facts.findByCycleIdOrderByAtSAscIdAsc(cycle.id).stream())
        .map(fact -> fact.actId)
        .collect(Collectors.toSet());
  }

  @Override
  protected Runnable change(List<DryingCycle> cycles, boolean undo) {
    List<Runnable> after =
        cycles.stream()
            .map(cycle -> settling.of(cycle.id, facts.findByCycleIdOrderByAtSAscIdAsc(cycle.id)))
            .toList();
    return () -> after.forEach(Runnable::run);
  }
}
