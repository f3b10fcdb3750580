package mindspool.server.estimates;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import mindspool.core.climate.Horizon;
import mindspool.core.learning.CalibratedBand;
import mindspool.core.learning.LotPrior;
import mindspool.core.learning.Member;
import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureBand;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.PrintableUntil;
import mindspool.core.moisture.PrintableUntil.ForecastPoint;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolMoistureModel.StepListener;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import mindspool.server.air.Climates;
import mindspool.server.estimates.Calibrations.Learned;
import mindspool.server.stock.SpoolRecord;
import org.springframework.util.function.SingletonSupplier;

/**
 * What the replay says of a spool: its past, its state now, and the days ahead.
 *
 * @param nowS moment of the estimate, epoch seconds
 * @param history the facts it rests on
 * @param past moisture so far, thinned
 * @param state water by depth now
 * @param forecast from now to the end of the horizon, the first point now
 * @param learned what its weighings taught; null where nothing can be compared
 * @param lot what is known of its lot; any lot where nothing is
 * @param band how sure the estimate is; computed when first asked for
 * @param untaught the estimate and its band as they would be without that; likewise
 */
public record SpoolEstimate(
    SpoolRecord spool,
    long nowS,
    SpoolHistory history,
    List<PastPoint> past,
    SpoolState state,
    List<ForecastPoint> forecast,
    Learned learned,
    LotPrior lot,
    Supplier<ProfileBand> band,
    Supplier<Untaught> untaught) {

  /** Its material: as its weighings taught, or those of its lot, else the table's. */
  public Material material() {
    return isTaught(learned)
        ? learned.calibration().best().of(spool.material())
        : lot.of(spool.material());
  }

  private static boolean isTaught(Learned learned) {
    return learned != null && !learned.calibration().isDoubtful();
  }

  /** What the table's material alone would say. */
  public record Untaught(MoistureProfile profile, ProfileBand band) {}

  /** The forecast is made a little longer, so that it still covers the horizon while it ages. */
  private static final double RESERVE_S = 3600;

  private static final double SETTLED_S = 6 * 3600;

  private static final double PAST_SPACING_S = 3 * 3600;

  /** Moisture at a past time. */
  public record PastPoint(double timeS, float outerPercent, float meanPercent, float corePercent) {}

  /**
   * The moment up to which a replay made now may be kept: what came before it was recorded, not
   * only expected, whenever any of it was last computed.
   */
  static double checkpointAt(long nowS) {
    return SpoolReplay.checkpointBefore(nowS - SETTLED_S);
  }

  /** An estimate, and from where the next one may go on; null where nothing is worth keeping. */
  record Computed(SpoolEstimate estimate, Checkpoint checkpoint) {}

  /**
   * Computes an estimate.
   *
   * @param stored where to go on from; null to begin with the arrival
   * @param calibrations what weighings taught so far
   * @param holds whether the record is still as it was read
   */
  static Computed of(
      SpoolRecord spool,
      Climates climates,
      long nowS,
      Checkpoint stored,
      Calibrations calibrations,
      BooleanSupplier holds) {
    double end = nowS + Horizon.SECONDS + RESERVE_S;
    SpoolHistory history = spool.history(climates, nowS, end);
    Learned learned = calibrations.of(spool, history, holds).orElse(null);
    boolean taught = isTaught(learned);
    LotPrior lot = calibrations.lotPrior(spool).orElse(LotPrior.ANY_LOT);
    Material ofLot = lot.of(spool.material());
    SpoolReplay replay =
        taught
            ? taught(spool, history, learned.calibration().best())
            : new SpoolReplay(ofLot, history);
    // A checkpoint was made with the table's material; what is taught begins with the arrival.
    boolean byTable = !taught && lot.equals(LotPrior.ANY_LOT);
    Checkpoint from = byTable ? stored : null;
    List<PastPoint> past = new ArrayList<>();
    double mark = checkpointAt(nowS);
    boolean resumed = from != null && from.timeS() <= mark && from.timeS() > history.startS();
    SpoolState state = resumed ? from.state().copy() : replay.start();
    double reached = resumed ? from.timeS() : history.startS();
    if (resumed) {
      past.addAll(from.past());
    } else {
      past.add(pastPoint(reached, state.profile()));
    }
    StepListener noting = noting(past, spool.material().printLimitPercent());
    Checkpoint checkpoint = resumed ? from : null;
    if (mark > reached) {
      state = replay.advance(state, reached, mark, noting);
      reached = mark;
      checkpoint = byTable ? new Checkpoint(mark, state.copy(), List.copyOf(past)) : null;
    }
    state = replay.advance(state, reached, nowS, noting);
    past.add(pastPoint(nowS, state.profile()));
    List<ForecastPoint> forecast = new ArrayList<>();
    forecast.add(new ForecastPoint(nowS, state.profile()));
    replay.advance(
        state.copy(),
        nowS,
        end,
        (time, ahead) -> forecast.add(new ForecastPoint(time, ahead.profile())));
    return new Computed(
        new SpoolEstimate(
            spool,
            nowS,
            history,
            past,
            state,
            forecast,
            learned,
            lot,
            SingletonSupplier.of(
                () ->
                    taught
                        ? CalibratedBand.at(spool.material(), history, nowS, learned.calibration())
                        : MoistureBand.at(
                            ofLot, lot.logDiffusionSd(), lot.logSorptionSd(), history, nowS)),
            SingletonSupplier.of(() -> untaught(spool, history, nowS))),
        checkpoint);
  }

  private static SpoolReplay taught(SpoolRecord spool, SpoolHistory history, Member lot) {
    return new SpoolReplay(
        lot.of(spool.material()), history, lot.startShift(), SpoolMoistureModel.Options.STANDARD);
  }

  private static Untaught untaught(SpoolRecord spool, SpoolHistory history, long nowS) {
    SpoolReplay replay = new SpoolReplay(spool.material(), history);
    return new Untaught(
        replay.advance(replay.start(), history.startS(), nowS, null).profile(),
        MoistureBand.at(spool.material(), history, nowS));
  }

  /** Stays change moisture fast at first; those moments are kept whatever the spacing. */
  private static StepListener noting(List<PastPoint> past, double limitPercent) {
    return (time, now) -> {
      PastPoint last = past.get(past.size() - 1);
      MoistureProfile profile = now.profile();
      boolean moved = Math.abs(profile.outerPercent() - last.outerPercent) > 0.02 * limitPercent;
      if (time - last.timeS > PAST_SPACING_S || moved) {
        past.add(pastPoint(time, profile));
      }
    };
  }

  private static PastPoint pastPoint(double time, MoistureProfile profile) {
    return new PastPoint(
        time,
        (float) profile.outerPercent(),
        (float) profile.meanPercent(),
        (float) profile.corePercent());
  }

  /** Moisture by depth at a time between now and the horizon. */
  public MoistureProfile profileAt(double timeS) {
    int low = 1;
    int high = forecast.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (forecast.get(middle).timeS() >= timeS) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    if (low >= forecast.size()) {
      return forecast.get(forecast.size() - 1).profile();
    }
    ForecastPoint before = forecast.get(low - 1);
    ForecastPoint next = forecast.get(low);
    double share = Math.max(0, (timeS - before.timeS()) / (next.timeS() - before.timeS()));
    return between(before.profile(), next.profile(), share);
  }

  private static MoistureProfile between(MoistureProfile a, MoistureProfile b, double share) {
    double[] rings = new double[a.percentByRing().length];
    for (int i = 0; i < rings.length; i++) {
      double start = a.percentByRing()[i];
      rings[i] = start + share * (b.percentByRing()[i] - start);
    }
    return new MoistureProfile(rings);
  }

  /** Until when the next grams print well where the spool lies. */
  public PrintableUntil printable(double jobG, double fromS) {
    List<ForecastPoint> ahead = new ArrayList<>();
    ahead.add(new ForecastPoint(fromS, profileAt(fromS)));
    for (ForecastPoint point : forecast) {
      if (point.timeS() > fromS) {
        ahead.add(point);
      }
    }
    double share = jobG / (1000 * state.winding().dryMassKg());
    return PrintableUntil.of(ahead, share, spool.material().printLimitPercent());
  }
}
