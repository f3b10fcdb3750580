package mindspool.server.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.print.GripLearning;
import mindspool.server.machines.Machines.KnownPlate;
import org.springframework.stereotype.Service;

/**
 * What the prints of a plate taught of it. Its last two hundred count: a plate that was printed on
 * more often is no longer what it was.
 */
@Service
class Learning {

  private final PrintStore.Runs runs;
  private final Map<Long, Remembered> remembered = new ConcurrentHashMap<>();

  Learning(PrintStore.Runs runs) {
    this.runs = runs;
  }

  /** What a plate's prints taught, with the prints, the first one first. */
  record Taught(GripLearning learned, List<PrintRun> prints) {}

  /** What was learned, and a digest of the prints that it was learned from. */
  private record Remembered(long digest, GripLearning learned) {}

  Taught of(KnownPlate plate) {
    List<PrintRun> counted = new ArrayList<>();
    List<GripLearning.Outcome> outcomes = new ArrayList<>();
    long digest = 17;
    for (PrintRun run :
        runs.findTop200ByPlateIdAndRemovedSIsNullAndEndedSIsNotNullOrderByStartedSDesc(
            plate.id())) {
      if (run.ending != null && run.startedS > plate.learnsFromS()) {
        counted.add(0, run);
        outcomes.add(new GripLearning.Outcome(run.adhesionRatio, run.plateRatio, run.ending));
        digest = 31 * (31 * digest + run.id) + run.version;
      }
    }
    long now = digest;
    Remembered known =
        remembered.compute(
            plate.id(),
            (id, before) ->
                before != null && before.digest == now
                    ? before
                    : new Remembered(now, GripLearning.from(outcomes)));
    return new Taught(known.learned, counted);
  }
}
