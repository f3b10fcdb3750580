package mindspool.server.dry;

import java.util.List;
import java.util.stream.Collectors;
import mindspool.core.Require;
import mindspool.server.acts.FactBook;
import org.springframework.stereotype.Component;

/** What happened in cycles, in words, and what follows when it is undone. */
@Component
class CycleFactBook extends FactBook<CycleFact> {

  private final DryStore.Cycles cycles;
  private final DryerBook book;
  private final CycleSettling settling;

  CycleFactBook(
      DryStore.Facts store, DryStore.Cycles cycles, DryerBook book, CycleSettling settling) {
    super(store);
    this.cycles = cycles;
    this.book = book;
    this.settling = settling;
  }

  @Override
  protected Line line(CycleFact fact) {
    long placeId = cycles.findById(fact.cycleId).orElseThrow().placeId;
    return new Line(book.place(placeId).name(), "/cycle/" + fact.cycleId, sentence(fact));
  }

  /** A fact in words, without the dryer. */
  static String sentence(CycleFact fact) {
    return switch (fact.kind) {
      case ADDED -> fact.code + " put in";
      case REMOVED -> fact.code + " taken out";
      case PAUSED -> "paused";
      case RESUMED -> "resumed";
      case SETPOINT -> "set to " + Require.plain(fact.amount) + " °C";
      case HOURS -> "to run " + Require.plain(fact.amount) + " h in all";
      case STOPPED -> "stopped";
      case TOO_HOT -> "too hot: " + fact.detail;
      case SWITCHED_OFF -> "switched off " + fact.detail;
      case NOT_SWITCHED_OFF -> "not switched off: " + fact.detail;
      case UNSEEN -> "the program was off";
      case WITHOUT_POWER -> "without power";
      case RAN_ON -> "ran on meanwhile";
    };
  }

  /** A spool that is put in or taken out is shown as its move. */
  @Override
  protected boolean isShown(CycleFact fact) {
    return fact.spoolFactId == null;
  }

  @Override
  protected Runnable change(List<CycleFact> facts, boolean undo) {
    List<Runnable> after =
        facts.stream().collect(Collectors.groupingBy(fact -> fact.cycleId)).entrySet().stream()
            .map(of -> settling.of(of.getKey(), of.getValue()))
            .toList();
    return () -> after.forEach(Runnable::run);
  }
}
