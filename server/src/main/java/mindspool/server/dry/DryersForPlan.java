package mindspool.server.dry;

import java.util.List;
import java.util.Optional;
import mindspool.core.climate.MoistAir;
import mindspool.core.plan.PlanDryer;
import mindspool.server.places.PlaceInfo;
import org.springframework.stereotype.Service;

/** The dryers as a plan sees them, for other stations. */
@Service
public class DryersForPlan {

  private final DryerBook book;
  private final Cycles cycles;

  DryersForPlan(DryerBook book, Cycles cycles) {
    this.book = book;
    this.cycles = cycles;
  }

  /** All dryers; what runs in them now ends first. */
  public List<PlanDryer> all(long startS) {
    return book.places().stream().map(place -> dryer(place, startS)).toList();
  }

  private PlanDryer dryer(PlaceInfo place, long startS) {
    double free =
        cycles
            .openIn(place.id())
            .filter(course -> !course.isStopped())
            .map(course -> (course.plannedEndS(startS) - startS) / 3600.0)
            .orElse(0.0);
    return new PlanDryer(
        place.id(),
        place.name(),
        book.dryer(place.id()),
        book.fit(place.id()),
        Math.max(0, free),
        book.description(place.id()).outOfOrder,
        book.description(place.id()).feedsOut);
  }

  /** Whether a spool is in a dryer in a cycle that nobody stopped yet. */
  public boolean isDrying(String code, long dryerId) {
    return dryingIn(code).filter(place -> place.id() == dryerId).isPresent();
  }

  /** The dryer in which a cycle that nobody stopped yet has a spool. */
  public Optional<PlaceInfo> dryingIn(String code) {
    return cycles
        .openWith(code)
        .filter(course -> !course.isStopped())
        .map(course -> book.place(course.cycle().placeId));
  }

  /** Air that the dryers take in: of the room that the first stands in, mean of the last day. */
  public MoistAir room(long nowS) {
    return book.places().stream()
        .findFirst()
        .map(place -> book.roomAir(place.id(), nowS))
        .orElse(DryerBook.ASSUMED_ROOM);
  }
}
