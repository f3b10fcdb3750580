package mindspool.server.print;

import java.util.List;
import java.util.Optional;
import mindspool.core.print.Printer;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Repositories of this station. */
final class PrintStore {

  private PrintStore() {}

  interface PartFiles extends JpaRepository<StoredPartFile, Long> {
    Optional<StoredPartFile> findFirstByJobIdAndRemovedSIsNullOrderByIdDesc(long jobId);

    List<StoredPartFile> findTop20BySha256AndRemovedSIsNullAndJobIdNotOrderByIdDesc(
        String sha256, long jobId);

    @Query(
        "select count(f) > 0 from StoredPartFile f where f.sha256 = :sha256"
            + " and (f.removedS is null or f.removedS > :since)")
    boolean isWanted(String sha256, long since);
  }

  interface Sheets extends JpaRepository<JobSheet, Long> {}

  interface Runs extends JpaRepository<PrintRun, Long> {
    List<PrintRun> findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc();

    boolean existsByOpenPrinterId(long printerId);

    List<PrintRun> findTop200ByRemovedSIsNullAndEndedSIsNotNullOrderByEndedSDescIdDesc();

    Optional<PrintRun>
        findFirstByMaterialAndOutcomeAndPartIsNotNullAndRemovedSIsNullOrderByEndedSDescIdDesc(
            String material, PrintRun.Outcome outcome);

    Optional<PrintRun>
        findFirstByPrinterIdAndOutcomeAndStartedSLessThanAndRemovedSIsNullOrderByStartedSDesc(
            long printerId, PrintRun.Outcome outcome, long beforeS);

    Optional<PrintRun> findFirstByPrinterIdAndStartedSLessThanAndRemovedSIsNullOrderByStartedSDesc(
        long printerId, long beforeS);

    List<PrintRun> findByJobIdAndRemovedSIsNullOrderByStartedSAsc(long jobId);

    @Query(
        "select r from PrintRun r where r.printerId = :printerId and r.chamber = :chamber"
            + " and r.chamberMeanC is not null and r.roomMeanC is not null"
            + " and r.endedS - r.startedS >= :leastS"
            + " and r.removedS is null order by r.startedS desc")
    List<PrintRun> withAirAround(
        long printerId, Printer.ChamberKind chamber, long leastS, Limit limit);

    @Query(
        "select new mindspool.server.print.PrintedRuns$Worn(r.printerId, r.plateId, r.startedS,"
            + " r.endedS, r.code, r.material, coalesce(r.usedG, r.grams), case when r.outcome ="
            + " mindspool.server.print.PrintRun$Outcome.GOOD then true else false end)"
            + " from PrintRun r"
            + " where r.endedS is not null and r.removedS is null")
    List<PrintedRuns.Worn> worn();

    List<PrintRun> findByPrinterIdAndStartedSGreaterThanAndRemovedSIsNullOrderByStartedSAsc(
        long printerId, long sinceS);

    /** By columns: whole prints take several times as long to load. */
    @Query(
        "select new mindspool.server.print.PrintLesson(r.id, r.version, r.name, r.startedS,"
            + " r.adhesionRatio, r.plateRatio, r.ending) from PrintRun r"
            + " where r.plateId = :plateId and r.adhesionRatio is not null and r.startedS > :sinceS and r.ending is not null"
            + " and r.endedS is not null and r.removedS is null order by r.startedS desc")
    List<PrintLesson> lessons(long plateId, long sinceS, Limit limit);
  }
}
