package mindspool.server.plan;

import java.util.Optional;
import java.util.OptionalLong;
import mindspool.core.climate.ClimateSeries;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.plan.SetupsOfJobs.Holder;
import org.springframework.stereotype.Service;

/** Where spools hang while they print, and the air there. */
@Service
class PrintingPlaces {

  private final Climates climates;
  private final SetupsOfJobs setups;
  private final PrintJobs jobs;

  PrintingPlaces(Climates climates, SetupsOfJobs setups, PrintJobs jobs) {
    this.climates = climates;
    this.setups = setups;
    this.jobs = jobs;
  }

  /** Where a job's spool hangs; in the room while there is no printer. */
  Holder holder(long jobId) {
    Holder holder = setups.of(jobs.job(jobId));
    return holder.placeId() != null
        ? holder
        : new Holder(first(PlaceKind.ROOM).map(PlaceInfo::id).orElse(null), null, false);
  }

  /** Whether a job prints out of something that keeps its spool dry. */
  boolean isDryHolder(Holder holder) {
    return holder.feedId() != null && climates.place(holder.feedId()).kind().isClosed();
  }

  /**
   * Where a spool is put for a job to start.
   *
   * @return none where it prints from where it lies, such as out of a feeder or a dry box
   */
  OptionalLong putInto(long jobId, long liesIn) {
    Holder holder = setups.of(jobs.job(jobId));
    boolean stays = holder.feedId() != null || climates.place(liesIn).kind() == PlaceKind.FEEDER;
    return stays || holder.printerId() == null
        ? OptionalLong.empty()
        : OptionalLong.of(holder.printerId());
  }

  /** Whether the printer of a job is taken by another print. */
  boolean isTaken(long jobId) {
    Holder holder = setups.of(jobs.job(jobId));
    return holder.printerId() != null && setups.isPrinting(holder.printerId());
  }

  /** What the place that a spool hangs in is called; null where there is none. */
  String name(Holder holder) {
    return holder.placeId() == null ? null : climates.place(holder.placeId()).name();
  }

  /** The dry box that a spool would be put in; null where there is none. */
  Long dryBoxId() {
    return first(PlaceKind.DRY_BOX).map(PlaceInfo::id).orElse(null);
  }

  /** Outlook of the air in a place for a span. */
  ClimateSeries outlook(long placeId, double fromS, double toS) {
    return climates.outlook(placeId, fromS, toS);
  }

  private Optional<PlaceInfo> first(PlaceKind kind) {
    return climates.places().stream().filter(place -> place.kind() == kind).findFirst();
  }
}
