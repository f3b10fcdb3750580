package mindspool.server.plan;

import mindspool.server.plan.PrintJobs.KnownJob;

/** What setups decide of a job: where its spool hangs, and whether a file tells what it takes. */
public interface SetupsOfJobs {

  /**
   * What a job is set up with, or would be by default.
   *
   * @param printerId place of its printer; null while there is none
   * @param feedId place that its spool hangs in instead; null for the printer's own holder
   * @param chosen whether somebody set the job up
   */
  record Holder(Long printerId, Long feedId, boolean chosen) {

    /** None while there is no printer. */
    Long placeId() {
      return feedId == null ? printerId : feedId;
    }
  }

  Holder of(KnownJob job);

  /** Whether something is being printed on a printer. */
  boolean isPrinting(long printerId);

  /** Whether a file of its part tells how much filament and time it takes. */
  boolean isToldByFile(long jobId);
}
