package mindspool.core.plan;

import ai.timefold.solver.core.api.score.director.ScoreDirector;
import ai.timefold.solver.core.impl.heuristic.selector.common.decorator.SelectionFilter;
import ai.timefold.solver.core.impl.heuristic.selector.move.generic.ChangeMove;

/** Lets a job change only to spools that can serve it, so that no time is spent on others. */
public class ServingSpools implements SelectionFilter<PlanDraft, ChangeMove<PlanDraft>> {

  @Override
  public boolean accept(ScoreDirector<PlanDraft> director, ChangeMove<PlanDraft> move) {
    PlannedJob job = (PlannedJob) move.getEntity();
    return job.job().candidates().contains((PlanSpool) move.getToPlanningValue());
  }
}
