package mindspool.server.plan;

import java.util.Optional;
import mindspool.core.climate.ClimateSeries;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.plan.HoldersOfJobs.Holder;
import org.springframework.stereotype.Service;

/** Air around a spool while it prints: where its job is set up, else at a printer. */
@Service
class PrintingAir {

  private final Climates climates;
  private final HoldersOfJobs holders;
  private final PrintJobs jobs;

  PrintingAir(Climates climates, HoldersOfJobs holders, PrintJobs jobs) {
    this.climates = climates;
    this.holders = holders;
    this.jobs = jobs;
  }

  /** Where a job's spool hangs; in the room while there is no printer. */
  Holder holder(long jobId) {
    Holder holder = holders.of(jobs.job(jobId));
    return holder.placeId() != null
        ? holder
        : new Holder(first(PlaceKind.ROOM).map(PlaceInfo::id).orElse(null), null, false);
  }

  /** Whether a file of its part tells how much filament and time a job takes. */
  boolean isToldByFile(long jobId) {
    return holders.isToldByFile(jobId);
  }

  /** Whether a job prints out of something that keeps its spool dry. */
  boolean isDryHolder(Holder holder) {
    return holder.feedId() != null && climates.place(holder.feedId()).kind().isClosed();
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
