package mindspool.server.trouble;

import java.util.List;
import mindspool.core.Text;
import mindspool.core.trouble.TroubleKnowledge;
import mindspool.server.upkeep.FoundTroubles;
import org.springframework.stereotype.Component;

/** Cases that were closed, for the history of the printer that they were about. */
@Component
class TroublesOfMachines implements FoundTroubles {

  private final TroubleStore.Troubles troubles;
  private final TroubleKnowledge table;

  TroublesOfMachines(TroubleStore.Troubles troubles, TroubleKnowledge table) {
    this.troubles = troubles;
    this.table = table;
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
    return trouble.title + ": " + cause(trouble.cause) + done;
  }

  private String cause(String id) {
    return id == null
        ? "no cause found"
        : id.equals(Troubles.OTHER) ? "something else" : Text.lowerFirst(table.cause(id).title());
  }
}
