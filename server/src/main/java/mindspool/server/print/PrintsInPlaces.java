package mindspool.server.print;

import java.util.Optional;
import mindspool.server.places.PlaceInUse;
import org.springframework.stereotype.Component;

/** A printer that prints is needed. */
@Component
class PrintsInPlaces implements PlaceInUse {

  private final PrintStore.Runs runs;

  PrintsInPlaces(PrintStore.Runs runs) {
    this.runs = runs;
  }

  @Override
  public Optional<String> useOf(long placeId) {
    return runs.findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc().stream()
        .filter(run -> run.printerId == placeId)
        .findFirst()
        .map(run -> run.name + " prints there");
  }
}
