package mindspool.server.print;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.print.GripLearning;
import mindspool.server.machines.Machines.KnownPlate;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;

/**
 * What the prints of a plate taught of it. Its last two hundred count: a plate that was printed on
 * more often is no longer what it was.
 */
@Service
class Learning {

  private static final int MOST_PRINTS = 200;

  private final PrintStore.Runs runs;
  private final Map<Long, Remembered> remembered = new ConcurrentHashMap<>();

  Learning(PrintStore.Runs runs) {
    this.runs = runs;
  }

  /** What a plate's prints taught, with the prints, the first one first. */
  record Taught(GripLearning learned, List<PrintLesson> prints) {}

  /** What was learned, and a digest of the prints that it was learned from. */
  private record Remembered(long digest, GripLearning learned) {}

  Taught of(KnownPlate plate) {
    List<PrintLesson> prints =
        new ArrayList<>(runs.lessons(plate.id(), plate.learnsFromS(), Limit.of(MOST_PRINTS)));
    Collections.reverse(prints);
    List<GripLearning.Outcome> outcomes = new ArrayList<>();
    long digest = 17;
    for (PrintLesson print : prints) {
      outcomes.add(
          new GripLearning.Outcome(print.adhesionRatio(), print.plateRatio(), print.ending()));
      digest = 31 * (31 * digest + print.runId()) + print.version();
    }
    long now = digest;
    Remembered known =
        remembered.compute(
            plate.id(),
            (id, before) ->
                before != null && before.digest == now
                    ? before
                    : new Remembered(now, GripLearning.from(outcomes)));
    return new Taught(known.learned, prints);
  }
}
