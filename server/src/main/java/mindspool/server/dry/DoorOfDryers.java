package mindspool.server.dry;

import java.util.Optional;
import java.util.function.LongConsumer;
import mindspool.core.InvalidValueException;
import mindspool.server.places.PlaceKind;
import mindspool.server.stock.DryerDoor;
import org.springframework.stereotype.Component;

/** Keeps cycles right when spools are carried into and out of dryers by hand. */
@Component
class DoorOfDryers implements DryerDoor {

  private final Cycles cycles;
  private final CycleActs acts;

  DoorOfDryers(Cycles cycles, CycleActs acts) {
    this.cycles = cycles;
    this.acts = acts;
  }

  @Override
  public LongConsumer moving(Move move) {
    LongConsumer out = leaving(move);
    LongConsumer in = move.to().kind() == PlaceKind.DRYER ? entering(move) : fact -> {};
    return out.andThen(in);
  }

  private LongConsumer leaving(Move move) {
    Optional<CycleCourse> from =
        cycles
            .openWith(move.code())
            .filter(course -> course.cycle().placeId == move.from().id())
            .filter(course -> course.inside().get(move.code()) <= move.atS());
    if (from.isEmpty()) {
      return fact -> {};
    }
    if (move.visit()) {
      throw new InvalidValueException(
          "until",
          "a visit",
          "a move without an end",
          "It leaves the cycle of " + move.from().name() + "; put it back in when it comes back.");
    }
    return acts.leaving(from.get(), move.code(), move.atS());
  }

  private LongConsumer entering(Move move) {
    String name = move.to().name();
    Optional<CycleCourse> running =
        cycles
            .openIn(move.to().id())
            .filter(course -> !course.isStopped() && course.cycle().startedS() <= move.atS());
    if (running.isPresent() && move.entry() != Entry.JOIN) {
      throw new InvalidValueException(
          "entry",
          said(move),
          "JOIN: it joins the cycle that runs in " + name,
          name + " heats: whatever goes in is dried. Join the cycle, or choose another place.");
    }
    if (running.isEmpty() && move.entry() != Entry.COLD) {
      throw new InvalidValueException(
          "entry",
          said(move),
          "COLD: it only lies in " + name,
          "No cycle runs in " + name + ". Start one with it, or say that it only lies there.");
    }
    return running.isPresent() ? acts.joining(running.get(), move.code(), move.atS()) : fact -> {};
  }

  private static String said(Move move) {
    return move.entry() == null ? "missing" : move.entry().name();
  }
}
