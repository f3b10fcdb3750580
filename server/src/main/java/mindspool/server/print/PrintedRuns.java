package mindspool.server.print;

import java.util.List;
import java.util.Optional;
import mindspool.server.http.NotFoundException;
import org.springframework.stereotype.Service;

/** Prints for those who ask what became of them. */
@Service
public class PrintedRuns {

  private final PrintStore.Runs runs;

  PrintedRuns(PrintStore.Runs runs) {
    this.runs = runs;
  }

  /**
   * A print that began.
   *
   * @param moisturePercent of the wettest of its metres; null where nobody could tell
   * @param chamberMeanC around the part; null where nothing measured it, as is {@code roomMeanC}
   * @param failed whether it failed or has flaws
   * @param signs ids of what was seen
   * @param lostG filament in it
   */
  public record Printed(
      long id,
      long jobId,
      String name,
      long printerId,
      Long plateId,
      String code,
      String material,
      long startedS,
      Long endedS,
      Double moisturePercent,
      Double chamberMeanC,
      Double roomMeanC,
      boolean failed,
      List<String> signs,
      double lostG,
      double hours) {}

  /** A print that must be there. */
  public Printed print(long id) {
    return find(id).orElseThrow(() -> new NotFoundException("print with number " + id));
  }

  /** A print; none where its start was undone. */
  public Optional<Printed> find(long id) {
    return runs.findById(id).filter(run -> run.removedS == null).map(PrintedRuns::printed);
  }

  /** The last good print on a printer that began before a time. */
  public Optional<Printed> lastGoodOn(long printerId, long beforeS) {
    return runs.findFirstByPrinterIdAndOutcomeAndStartedSLessThanAndRemovedSIsNullOrderByStartedSDesc(
            printerId, PrintRun.Outcome.GOOD, beforeS)
        .map(PrintedRuns::printed);
  }

  /** The print on a printer that began last before a time. */
  public Optional<Printed> lastOn(long printerId, long beforeS) {
    return runs.findFirstByPrinterIdAndStartedSLessThanAndRemovedSIsNullOrderByStartedSDesc(
            printerId, beforeS)
        .map(PrintedRuns::printed);
  }

  /** What a print that ended wore; {@code grams} of its material. */
  public record Worn(
      long printerId,
      Long plateId,
      long startedS,
      long endedS,
      String code,
      String material,
      double grams,
      boolean good) {}

  /** What all prints that ended wore. */
  public List<Worn> worn() {
    return runs.worn();
  }

  /** Prints on a printer that began after a time, in the order of time. */
  public List<Printed> on(long printerId, long sinceS) {
    return runs
        .findByPrinterIdAndStartedSGreaterThanAndRemovedSIsNullOrderByStartedSAsc(printerId, sinceS)
        .stream()
        .map(PrintedRuns::printed)
        .toList();
  }

  /** The last prints that ended, the last one first. */
  public List<Printed> ended() {
    return runs.findTop200ByRemovedSIsNullAndEndedSIsNotNullOrderByEndedSDescIdDesc().stream()
        .map(PrintedRuns::printed)
        .toList();
  }

  private static Printed printed(PrintRun run) {
    return new Printed(
        run.id,
        run.jobId,
        run.name,
        run.printerId,
        run.plateId,
        run.code,
        run.material,
        run.startedS,
        run.endedS,
        run.moisturePercent,
        run.chamberMeanC,
        run.roomMeanC,
        run.outcome == PrintRun.Outcome.FAILED || run.outcome == PrintRun.Outcome.FLAWED,
        run.signs.isEmpty() ? List.of() : List.of(run.signs.split(",")),
        run.usedG == null ? run.grams : run.usedG,
        run.endedS == null ? run.hours : (run.endedS - run.startedS) / 3600.0);
  }
}
