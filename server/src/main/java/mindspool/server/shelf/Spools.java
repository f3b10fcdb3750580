package mindspool.server.shelf;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import mindspool.core.drying.Belief;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingProof;
import mindspool.core.learning.CalibratedBand;
import mindspool.core.learning.Weighed;
import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Band;
import mindspool.core.stock.LooseEnd;
import mindspool.core.stock.ReelKind;
import mindspool.server.acts.Origin;
import mindspool.server.air.Climates;
import mindspool.server.estimates.SpoolEstimate;
import mindspool.server.estimates.SpoolEstimates;
import mindspool.server.http.MayBeNull;
import mindspool.server.places.PlaceKind;
import mindspool.server.stock.Lot.LabelRange;
import mindspool.server.stock.LotBook;
import mindspool.server.stock.SpoolActs;
import mindspool.server.stock.SpoolRecord;
import mindspool.server.stock.SpoolRecords;
import mindspool.server.stock.SpoolRequests.EndRequest;
import mindspool.server.stock.SpoolRequests.MoveRequest;
import mindspool.server.stock.SpoolRequests.OpenRequest;
import mindspool.server.stock.SpoolRequests.WeighRequest;
import org.springframework.stereotype.Service;

/** The stock, for other stations. */
@Service
public class Spools {

  private static final double DAY_S = 86_400;

  private static final double USUAL_STEP_G = 1;

  private final SpoolRecords records;
  private final SpoolEstimates estimates;
  private final SpoolActs acts;
  private final LotBook lots;
  private final Climates climates;
  private final Clock clock;

  Spools(
      SpoolRecords records,
      SpoolEstimates estimates,
      SpoolActs acts,
      LotBook lots,
      Climates climates,
      Clock clock) {
    this.records = records;
    this.climates = climates;
    this.clock = clock;
    this.estimates = estimates;
    this.acts = acts;
    this.lots = lots;
  }

  /**
   * A spool as it is now.
   *
   * @param material its own as far as weighings taught it, else the table's
   * @param state water by depth; a copy that may be changed
   */
  public record CurrentSpool(
      String code,
      Material material,
      ReelKind reelKind,
      double reelDiameterMm,
      double reelWidthMm,
      boolean sealed,
      long placeId,
      double netG,
      double scaleStepG,
      SpoolState state) {}

  /** How well a spool is known: by its own weighings, by its lot's, else as any lot. */
  public Belief belief(String code) {
    SpoolEstimate estimate = estimates.of(records.byCode(code));
    return estimate.band().get() instanceof CalibratedBand learned
        ? Belief.learned(estimate.learned().calibration().members(), learned.profiles())
        : Belief.ofLot(estimate.lot(), waterSpread(estimate));
  }

  /**
   * Moisture of the wettest stretch in the next grams, where the spool lies now, %.
   *
   * @param atS from now to two weeks ahead
   */
  public double wettestAhead(String code, double grams, double atS) {
    SpoolEstimate estimate = estimates.of(records.byCode(code));
    double share = grams / (1000 * estimate.state().winding().dryMassKg());
    return estimate.profileAt(atS).wettestPercentInNext(share);
  }

  /** Moisture by depth where the spool lies now, from now to two weeks ahead. */
  public MoistureProfile profileAhead(String code, double atS) {
    return estimates.of(records.byCode(code)).profileAt(atS);
  }

  /** Codes of the spools in a place. */
  public List<String> codesIn(long placeId) {
    long now = clock.instant().getEpochSecond();
    return records.inStock().stream()
        .filter(spool -> spool.placeAt(now) == placeId)
        .map(spool -> spool.spool().code)
        .toList();
  }

  /** Where a spool lies when no dryer has it; none where it never lay anywhere else. */
  public OptionalLong homeOf(String code) {
    return lastLain(code, Set.of(PlaceKind.DRYER));
  }

  /** Where a spool lies when it is neither dried nor printed; none where it never lay so. */
  public OptionalLong shelfOf(String code) {
    return lastLain(code, Set.of(PlaceKind.DRYER, PlaceKind.PRINTER_HOLDER, PlaceKind.FEEDER));
  }

  private OptionalLong lastLain(String code, Set<PlaceKind> except) {
    List<SpoolRecord.PlacedStay> stays = records.byCode(code).stays();
    for (int i = stays.size() - 1; i >= 0; i--) {
      if (!except.contains(climates.place(stays.get(i).placeId()).kind())) {
        return OptionalLong.of(stays.get(i).placeId());
      }
    }
    return OptionalLong.empty();
  }

  /** Puts a spool somewhere; returns the fact's number. */
  public long move(String code, long placeId, Instant at) {
    return acts.moved(code, new MoveRequest(placeId, at, null), Origin.HAND, false).id;
  }

  /** Moves a spool as by hand, now; a cycle that it is in follows. */
  public void moveByHand(String code, long placeId) {
    acts.move(code, new MoveRequest(placeId, null, null), Origin.HAND);
  }

  /** Records that filament was printed from it without weighing. */
  public void used(String code, double grams) {
    acts.used(code, grams, Origin.HAND);
  }

  /** Records a gross mass; refuses what cannot be. */
  public void weighed(String code, double grossMassG) {
    acts.weigh(code, new WeighRequest(grossMassG, null, null, null, null), Origin.HAND);
  }

  /** Records that its bag was opened where it still lies in it. */
  public void openIfSealed(String code) {
    if (current(code).sealed()) {
      acts.open(code, new OpenRequest(null), Origin.HAND);
    }
  }

  /** Records what is done with its end where that can be done now. */
  public void endIfAllowed(String code, LooseEnd.Act act) {
    if (records.byCode(code).end().allowed().contains(act)) {
      acts.end(code, new EndRequest(act, null), Origin.HAND);
    }
  }

  /** What a job has to know of a spool besides its water. */
  public record SpoolHandling(
      String colourName,
      String colourHex,
      Long lotId,
      @MayBeNull LabelRange label,
      double filamentDiameterMm,
      Band leftG,
      LooseEnd end,
      double smallestNozzleMm) {}

  /** How a spool may be used. */
  public SpoolHandling handling(String code) {
    SpoolRecord spool = records.byCode(code);
    return new SpoolHandling(
        spool.spool().colourName,
        spool.spool().colourHex,
        spool.spool().lotId,
        spool.spool().lotId == null ? null : lots.lot(spool.spool().lotId).labelRange(),
        spool.spool().diameterMm,
        spool.remaining().massG(),
        spool.end(),
        spool.smallestNozzleMm());
  }

  /**
   * How long a spool has been what it is.
   *
   * @param openDays since it was opened; null while it is closed
   * @param ageDays since it came
   * @param lotId null where it belongs to none
   */
  public record SpoolAge(Double openDays, double ageDays, Long lotId) {}

  /** How old a spool was at a time. */
  public SpoolAge ageOf(String code, long atS) {
    SpoolRecord spool = records.byCode(code);
    return new SpoolAge(
        spool
            .openedS()
            .filter(opened -> opened <= atS)
            .map(opened -> (atS - opened) / DAY_S)
            .orElse(null),
        Math.max(0, (atS - spool.spool().arrivedS) / DAY_S),
        spool.spool().lotId);
  }

  /** What the lot of a spool is called; none where it belongs to none. */
  public Optional<String> lotOf(String code) {
    return Optional.ofNullable(records.byCode(code).spool().lotId)
        .map(lots::lot)
        .map(lot -> lot.maker() + " " + lot.batch());
  }

  /** Whether a code is that of a spool, in stock or used up. */
  public boolean isKnown(String code) {
    return records.find(code).isPresent();
  }

  /** Moisture at a past time. */
  public record PastMoisture(
      long timeS, double outerPercent, double meanPercent, double corePercent) {}

  /** How a spool's moisture went since a time. */
  public List<PastMoisture> past(String code, long fromS) {
    return estimates.of(records.byCode(code)).past().stream()
        .filter(point -> point.timeS() >= fromS)
        .map(
            point ->
                new PastMoisture(
                    Math.round(point.timeS()),
                    point.outerPercent(),
                    point.meanPercent(),
                    point.corePercent()))
        .toList();
  }

  /** What the last row of weighings proves of a spool's dryness; none where nothing compares. */
  public Optional<DryingProof> proof(String code) {
    SpoolRecord spool = records.byCode(code);
    return SpoolViews.proof(spool, estimates.of(spool).material(), climates);
  }

  private static double waterSpread(SpoolEstimate estimate) {
    double mean = estimate.state().profile().meanPercent();
    double half = estimate.band().get().halfWidth(MoistureProfile::meanPercent);
    return mean <= 0 ? 0 : Math.min(1, half / ProfileBand.EIGHTY_PERCENT_SD / mean);
  }

  /** A spool as one of a load, to be dried to its material's target. */
  public LoadedSpool loaded(CurrentSpool spool) {
    return new LoadedSpool(
        spool.code(),
        spool.material(),
        spool.state(),
        spool.reelKind(),
        spool.material().dryTargetPercent(),
        belief(spool.code()),
        spool.scaleStepG());
  }

  /** The spool with a code. */
  public CurrentSpool current(String code) {
    return current(records.byCode(code));
  }

  /** All spools in stock. */
  public List<CurrentSpool> current() {
    return records.inStock().stream().map(this::current).toList();
  }

  /** All spools of a material in stock. */
  public List<CurrentSpool> currentOf(String material) {
    return records.inStock().stream()
        .filter(spool -> spool.material().name().equals(material))
        .map(this::current)
        .toList();
  }

  private CurrentSpool current(SpoolRecord spool) {
    SpoolEstimate estimate = estimates.of(spool);
    return new CurrentSpool(
        spool.spool().code,
        estimate.material(),
        spool.spool().reelKind,
        2 * spool.spool().rimRadiusMm,
        spool.spool().widthMm,
        spool.sealedAt(estimate.nowS()),
        spool.placeAt(estimate.nowS()),
        1000 * estimate.state().winding().dryMassKg(),
        scaleStepG(spool),
        estimate.state().copy());
  }

  /** Step of the scale that it was weighed on last; a usual one where it never was. */
  private static double scaleStepG(SpoolRecord spool) {
    return spool.weighings().stream()
        .reduce((before, after) -> after)
        .map(Weighed::stepG)
        .orElse(USUAL_STEP_G);
  }
}
