package mindspool.server.plan;

import java.time.Clock;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolState;
import mindspool.core.print.JobMetres;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.plan.SetupsOfJobs.Holder;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.stereotype.Service;

/** Water of the metres that a job uses: one answer for the sheet, the plan and Today. */
@Service
public class WaterOfJobs {

  private final Spools spools;
  private final Climates climates;
  private final Clock clock;

  WaterOfJobs(Spools spools, Climates climates, Clock clock) {
    this.spools = spools;
    this.climates = climates;
    this.clock = clock;
  }

  /**
   * Follows the metres from a spool as it lies until the job starts, and where it hangs from then.
   *
   * @param startS when the job starts, epoch seconds; now or later
   * @param hours how long it prints, {@code grams} what it takes; brought within what can be
   *     followed
   */
  public List<JobMetres.Point> metres(
      CurrentSpool spool, Holder holder, double startS, double hours, double grams) {
    PlaceInfo place = climates.place(holder.placeId());
    double within = Math.max(0.05, Math.min(1000, hours));
    ClimateSeries air = climates.outlook(place.id(), startS, startS + 3600 * within);
    AirContact contact = holder.feedId() == null ? AirContact.STILL : place.contact();
    return JobMetres.of(
        spool.material(),
        stateAt(spool, startS),
        air,
        contact,
        startS,
        within,
        Math.max(0.1, grams));
  }

  /** The wettest of a job's metres, % of dry polymer. */
  double wettestPercent(
      CurrentSpool spool, Holder holder, double startS, double hours, double grams) {
    return wettest(metres(spool, holder, startS, hours, grams));
  }

  /** The wettest of these, % of dry polymer; 0 of none. */
  public static double wettest(List<JobMetres.Point> metres) {
    return metres.stream().mapToDouble(JobMetres.Point::percent).max().orElse(0);
  }

  /** Water at a start to come: what it takes up until then, in the shape that it has now. */
  private SpoolState stateAt(CurrentSpool spool, double startS) {
    if (startS <= clock.instant().getEpochSecond() + 60) {
      return spool.state();
    }
    double mean = spool.state().profile().meanPercent();
    double then = spools.profileAhead(spool.code(), startS).meanPercent();
    return mean > 0 ? spool.state().withContentScaled(then / mean) : spool.state();
  }
}
