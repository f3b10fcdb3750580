package mindspool.server.dry;

import java.util.Optional;
import mindspool.server.stock.SpoolInUse;
import org.springframework.stereotype.Component;

/** Spools that are in a cycle which nobody stopped. */
@Component
class SpoolsInCycles implements SpoolInUse {

  private final Cycles cycles;
  private final DryerBook book;

  SpoolsInCycles(Cycles cycles, DryerBook book) {
    this.cycles = cycles;
    this.book = book;
  }

  @Override
  public Optional<String> useOf(String code) {
    return cycles
        .openWith(code)
        .map(course -> "in the cycle of " + book.place(course.cycle().placeId).name());
  }
}
