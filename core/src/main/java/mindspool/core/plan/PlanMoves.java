package mindspool.core.plan;

import ai.timefold.solver.core.api.score.director.ScoreDirector;
import ai.timefold.solver.core.impl.heuristic.selector.move.factory.MoveIteratorFactory;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Iterator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import mindspool.core.plan.PlanMove.Change;
import mindspool.core.plan.PlanOptions.Option;

/**
 * Moves as a person at the plan would try them: put it in with another, move a whole load, throw
 * two loads together, let two change places. Only what could serve the job by itself is tried; of
 * all combinations of spool, dryer and hour that is a small part.
 */
public class PlanMoves implements MoveIteratorFactory<PlanDraft, PlanMove> {

  /** What the search asks for as the number of moves; they are drawn anew each time. */
  private static final int MOST_ORIGINAL = 100_000;

  @Override
  public long getSize(ScoreDirector<PlanDraft> director) {
    return MOST_ORIGINAL;
  }

  /** The search is random only. */
  @Override
  public Iterator<PlanMove> createOriginalMoveIterator(ScoreDirector<PlanDraft> director) {
    throw new UnsupportedOperationException();
  }

  @Override
  public Iterator<PlanMove> createRandomMoveIterator(
      ScoreDirector<PlanDraft> director, Random random) {
    return new Moves(director.getWorkingSolution(), random);
  }

  private static final class Moves implements Iterator<PlanMove> {

    private final PlanDraft draft;
    private final List<PlannedJob> movable;
    private final Random random;

    Moves(PlanDraft draft, Random random) {
      this.draft = draft;
      this.random = random;
      this.movable = draft.jobs().stream().filter(job -> !job.isPinned()).toList();
    }

    @Override
    public boolean hasNext() {
      return !movable.isEmpty();
    }

    @Override
    public PlanMove next() {
      PlannedJob job = any(movable);
      return switch (random.nextInt(10)) {
        case 0, 1, 2 -> new PlanMove(List.of(elsewhere(job)));
        case 3, 4 -> new PlanMove(List.of(withAnother(job)));
        case 5, 6 -> wholeLoad(job);
        case 7 -> twoLoads(job);
        case 8 -> changePlaces(job, any(movable));
        default -> makeRoom(job, any(movable));
      };
    }

    private <T> T any(List<T> from) {
      return from.get(random.nextInt(from.size()));
    }

    /** Another spool or slot that could serve it, or where it was; now and then no spool. */
    private Change elsewhere(PlannedJob job) {
      if (job.before() != null && random.nextInt(10) == 0) {
        return new Change(job, spoolFor(job), job.before());
      }
      List<Option> options = draft.options(job.job());
      if (options.isEmpty() || random.nextInt(20) == 0) {
        return new Change(job, null, Slot.NONE);
      }
      Option option = any(options);
      return job.job().isReadyAsIs(option.spool()) && random.nextBoolean()
          ? new Change(job, option.spool(), Slot.NONE)
          : new Change(job, option.spool(), option.slot());
    }

    private PlanSpool spoolFor(PlannedJob job) {
      return job.spool() != null && random.nextBoolean()
          ? job.spool()
          : any(job.job().candidates());
    }

    /** Into the load of another, or with the spool that was dried for another. */
    private Change withAnother(PlannedJob job) {
      PlannedJob other = any(draft.jobs());
      if (other.isDried()
          && job.job().mayTake(other.spool())
          && other.job().startH() < job.job().startH()
          && random.nextBoolean()) {
        return new Change(job, other.spool(), Slot.NONE);
      }
      return other.isDried() ? new Change(job, spoolFor(job), other.slot()) : elsewhere(job);
    }

    private List<PlannedJob> loadOf(PlannedJob job) {
      return job.isDried()
          ? movable.stream().filter(other -> job.slot().equals(other.slot())).toList()
          : List.of(job);
    }

    private PlanMove wholeLoad(PlannedJob job) {
      return allTo(loadOf(job), elsewhere(job).slot());
    }

    private PlanMove twoLoads(PlannedJob job) {
      PlannedJob other = any(movable);
      List<PlannedJob> both =
          Stream.concat(loadOf(job).stream(), loadOf(other).stream()).distinct().toList();
      return allTo(both, random.nextBoolean() ? other.slot() : elsewhere(job).slot());
    }

    private PlanMove allTo(List<PlannedJob> jobs, Slot slot) {
      List<Change> changes = new ArrayList<>();
      for (PlannedJob job : jobs) {
        PlanSpool spool = job.spool() == null ? spoolFor(job) : job.spool();
        changes.add(new Change(job, spool, slot));
      }
      return new PlanMove(changes);
    }

    private PlanMove changePlaces(PlannedJob a, PlannedJob b) {
      boolean spoolsToo = a.job().mayTake(b.spool()) && b.job().mayTake(a.spool());
      return spoolsToo && random.nextBoolean()
          ? new PlanMove(
              List.of(new Change(a, b.spool(), a.slot()), new Change(b, a.spool(), b.slot())))
          : new PlanMove(
              List.of(new Change(a, a.spool(), b.slot()), new Change(b, b.spool(), a.slot())));
    }

    /** Takes another's place, which goes elsewhere. */
    private PlanMove makeRoom(PlannedJob job, PlannedJob other) {
      if (job == other) {
        return new PlanMove(Collections.singletonList(elsewhere(job)));
      }
      return new PlanMove(List.of(new Change(job, spoolFor(job), other.slot()), elsewhere(other)));
    }
  }
}
