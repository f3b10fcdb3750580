package mindspool.server.print;

import java.util.Objects;
import java.util.Optional;
import mindspool.server.dry.SpoolsThatPrint;
import org.springframework.stereotype.Component;

/** A spool that prints is dried only where it prints from. */
@Component
class SpoolsOfPrints implements SpoolsThatPrint {

  private final PrintStore.Runs runs;
  private final PrintStore.Sheets sheets;

  SpoolsOfPrints(PrintStore.Runs runs, PrintStore.Sheets sheets) {
    this.runs = runs;
    this.sheets = sheets;
  }

  @Override
  public Optional<String> printingElsewhere(String code, long dryerId) {
    return runs.findByRemovedSIsNullAndEndedSIsNullOrderByStartedSAsc().stream()
        .filter(run -> code.equals(run.code) && !isFedFrom(run, dryerId))
        .findFirst()
        .map(run -> run.name + " prints from it");
  }

  /** Whether a print takes its filament out of a dryer. */
  boolean isFedFrom(PrintRun run, long dryerId) {
    return sheets
        .findById(run.jobId)
        .filter(sheet -> Objects.equals(sheet.feedId, dryerId))
        .isPresent();
  }
}
