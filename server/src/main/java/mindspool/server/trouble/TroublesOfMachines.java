package mindspool.server.trouble;

import java.util.List;
import mindspool.core.Text;
import mindspool.server.upkeep.FoundTroubles;
import org.springframework.stereotype.Component;

/** Cases that were closed, for the history of the printer that they were about. */
@Component
class TroublesOfMachines implements FoundTroubles {

  private final TroubleStore.Troubles troubles;
  private final EditableTrouble told;

  TroublesOfMachines(TroubleStore.Troubles troubles, EditableTrouble told) {
    this.troubles = troubles;
    this.told = told;
  }

  @Override
  public List<Found> on(long printerId, long sinceS) {
    return troubles.findByRemovedSIsNullAndClosedSGreaterThan(sinceS).stream()
        .filter(trouble -> trouble.printerId != null && trouble.printerId == printerId)
        .map(trouble -> new Found(trouble.closedS, words(trouble)))
        .toList();
  }

  private String words(StoredTrouble trouble) {
    String done = trouble.remedy == null || trouble.remedy.isBlank() ? "" : "; " + trouble.remedy;
    String cause =
        trouble.cause == null ? "no cause found" : Text.lowerFirst(told.cause(trouble.cause));
    return trouble.title + ": " + cause + done;
  }
}
