package mindspool.server.print;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class PrintStore {

  private PrintStore() {}

  interface Sheets extends JpaRepository<JobSheet, Long> {}

  interface Runs extends JpaRepository<PrintRun, Long> {
    List<PrintRun> findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc();

    List<PrintRun> findTop200ByRemovedSIsNullAndEndedSIsNotNullOrderByEndedSDescIdDesc();

    Optional<PrintRun> findFirstByMaterialAndOutcomeAndRemovedSIsNullOrderByEndedSDescIdDesc(
        String material, PrintRun.Outcome outcome);

    List<PrintRun> findByJobIdAndRemovedSIsNullOrderByStartedSAsc(long jobId);

    List<PrintRun> findTop200ByPlateIdAndRemovedSIsNullAndEndedSIsNotNullOrderByStartedSDesc(
        long plateId);
  }
}
