package mindspool.core.plan;

import ai.timefold.solver.core.api.score.director.ScoreDirector;
import ai.timefold.solver.core.impl.heuristic.move.AbstractMove;
import java.util.List;
import java.util.Objects;

/** Gives one or several jobs another spool and another slot at once. */
final class PlanMove extends AbstractMove<PlanDraft> {

  /** What one job becomes. */
  record Change(PlannedJob job, PlanSpool spool, Slot slot) {

    boolean isOne() {
      return !Objects.equals(job.spool(), spool) || !Objects.equals(job.slot(), slot);
    }
  }

  private final List<Change> changes;

  PlanMove(List<Change> changes) {
    this.changes = changes;
  }

  List<Change> changes() {
    return changes;
  }

  @Override
  public boolean isMoveDoable(ScoreDirector<PlanDraft> director) {
    return changes.stream().anyMatch(Change::isOne);
  }

  @Override
  protected void doMoveOnGenuineVariables(ScoreDirector<PlanDraft> director) {
    for (Change change : changes) {
      PlannedJob job = change.job();
      director.beforeVariableChanged(job, "spool");
      director.beforeVariableChanged(job, "slot");
      job.beginningWith(change.spool(), change.slot());
      director.afterVariableChanged(job, "spool");
      director.afterVariableChanged(job, "slot");
    }
  }
}
