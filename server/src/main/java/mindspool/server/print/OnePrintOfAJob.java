package mindspool.server.print;

import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.server.acts.ThingChanged;
import mindspool.server.plan.PrintJobs;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * A job that prints has one print that runs, and a print that runs has such a job: looked at before
 * anything is stored, whatever was done, undone or done again.
 */
@Component
class OnePrintOfAJob {

  private final PrintStore.Runs runs;
  private final PrintJobs jobs;
  private final EditableRun prints;

  OnePrintOfAJob(PrintStore.Runs runs, PrintJobs jobs, EditableRun prints) {
    this.runs = runs;
    this.jobs = jobs;
    this.prints = prints;
  }

  @TransactionalEventListener(phase = TransactionPhase.BEFORE_COMMIT)
  void changed(ThingChanged change) {
    if (change.word().equals(prints.word())) {
      runs.findById(change.id()).ifPresent(run -> check(run.jobId));
    } else if (change.word().equals(PrintJobs.WORD)) {
      check(change.id());
    }
  }

  private void check(long jobId) {
    List<PrintRun> running =
        runs.findByJobIdAndRemovedSIsNullOrderByStartedSAsc(jobId).stream()
            .filter(PrintRun::isRunning)
            .toList();
    boolean printing = jobs.isPrinting(jobId);
    if (running.size() > 1 || (running.size() == 1 && !printing)) {
      throw new InvalidValueException(
          "job",
          running.get(0).name + (printing ? ", twice on a printer" : ", on a printer"),
          "a job that prints once, and is neither done nor taken off meanwhile",
          "Something else was done with it since: undo that first.");
    }
  }
}
