package mindspool.server.print;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.PrePersist;
import jakarta.persistence.PreUpdate;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Objects;
import java.util.Optional;
import mindspool.core.print.GripLearning.Ending;
import mindspool.core.print.Printer;

/** A print: what it was started with, what was foretold, what came of it. */
@Entity
@Table(name = "print_run")
class PrintRun {

  /** How it came out. */
  enum Outcome {
    GOOD("good"),
    FLAWED("usable, with flaws"),
    FAILED("failed"),
    CANCELLED("stopped by hand");

    private final String title;

    Outcome(String title) {
      this.title = title;
    }

    String title() {
      return title;
    }
  }

  /** Where the used mass comes from. */
  enum UsedBy {
    COMPUTED,
    WEIGHED,
    FILE
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long jobId;
  String name;
  long printerId;
  Long plateId;
  String code;

  /** Spools that it was printed from before this one, joined by commas, and what they gave, g. */
  String earlierCodes = "";

  double earlierG;
  String material;

  /** Null for a print that was started without a setup sheet, as is all that is foretold. */
  String part;

  String choices;
  String interfaceLayer;
  long startedS;
  double hours;
  double grams;

  /** As the table foretold, without what earlier prints taught: from this plates learn. */
  Double adhesionRatio;

  Double plateRatio;
  Double tipRatio;

  /** As the sheet told it at the start, with what earlier prints taught. */
  Double toldAdhesionRatio;

  Double toldPlateRatio;
  Double bond;

  /** Of the wettest metres, at start or end; null where nobody could tell. */
  Double moisturePercent;

  /** Hard checks that were started against, with their reasons; JSON. */
  String overrides = "[]";

  double progressPercent;

  /** When it ended; null while it prints. */
  Long endedS;

  @Enumerated(EnumType.STRING)
  Outcome outcome;

  /** What was seen at the plate; null where nobody said. */
  @Enumerated(EnumType.STRING)
  Ending ending;

  Double failedAtMm;

  /** Ids of what was seen, joined by commas. */
  String signs = "";

  String note;
  Double usedG;

  @Enumerated(EnumType.STRING)
  UsedBy usedBy;

  /** Bed that it was set up with, °C; null for prints from before it was kept. */
  Double bedC;

  /** What was around the part; null for prints from before it was kept. */
  @Enumerated(EnumType.STRING)
  Printer.ChamberKind chamber;

  Double chamberMeanC;
  Double roomMeanC;
  long recordedS;
  Long removedS;

  @Version int version;

  /**
   * Printer, spool and plate that it has for itself while it runs: the database knows each once.
   */
  Long openPrinterId;

  String openCode;
  Long openPlateId;

  boolean isRunning() {
    return endedS == null && removedS == null;
  }

  /** Takes its printer, spool and plate for itself while it runs, and gives them back after. */
  @PrePersist
  void holdPlaces() {
    openPrinterId = isRunning() ? Long.valueOf(printerId) : null;
    openCode = isRunning() ? code : null;
    openPlateId = isRunning() ? plateId : null;
  }

  @PreUpdate
  void giveBack() {
    if (!isRunning()) {
      holdPlaces();
    }
  }

  /** What two prints would have at once, as a word; none where they can run side by side. */
  Optional<String> sharedWith(PrintRun other) {
    if (Objects.equals(id, other.id)) {
      return Optional.empty();
    }
    if (printerId == other.printerId) {
      return Optional.of("printer");
    }
    if (code != null && code.equals(other.code)) {
      return Optional.of("spool");
    }
    return plateId != null && plateId.equals(other.plateId)
        ? Optional.of("plate")
        : Optional.empty();
  }
}
