package mindspool.server.print;

import mindspool.server.plan.PrintJobs.KnownJob;
import mindspool.server.plan.SetupsOfJobs;
import org.springframework.stereotype.Component;

/** A job's spool hangs where its sheet has it. */
@Component
class SetupsOfSheets implements SetupsOfJobs {

  private final Sheets sheets;
  private final PrintStore.Sheets store;
  private final PartFiles files;
  private final PrintStore.Runs runs;

  SetupsOfSheets(Sheets sheets, PrintStore.Sheets store, PartFiles files, PrintStore.Runs runs) {
    this.sheets = sheets;
    this.store = store;
    this.files = files;
    this.runs = runs;
  }

  @Override
  public Holder of(KnownJob job) {
    Sheets.Chosen chosen = sheets.chosen(job);
    return new Holder(chosen.printerId(), chosen.feedId(), store.existsById(job.id()));
  }

  @Override
  public boolean isPrinting(long printerId) {
    return runs.existsByOpenPrinterId(printerId);
  }

  @Override
  public boolean isToldByFile(long jobId) {
    return files.ofJob(jobId).isPresent();
  }
}
