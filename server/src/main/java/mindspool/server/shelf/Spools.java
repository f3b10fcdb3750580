package mindspool.server.shelf;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mindspool.core.drying.Belief;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.drying.DryingProof;
import mindspool.core.learning.CalibratedBand;
import mindspool.core.learning.Weighed;
import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.ReelKind;
import mindspool.server.acts.Origin;
import mindspool.server.climate.Climates;
import mindspool.server.shelf.SpoolRequests.MoveRequest;
import mindspool.server.shelf.SpoolRequests.ReceiveRequest;
import mindspool.server.shelf.SpoolRequests.WeighRequest;
import org.springframework.stereotype.Service;

/** The stock, for other stations. */
@Service
public class Spools {

  private static final double USUAL_STEP_G = 1;

  private final SpoolRecords records;
  private final SpoolEstimates estimates;
  private final Receiving receiving;
  private final SpoolActs acts;
  private final Climates climates;
  private final Clock clock;

  Spools(
      SpoolRecords records,
      SpoolEstimates estimates,
      Receiving receiving,
      SpoolActs acts,
      Climates climates,
      Clock clock) {
    this.records = records;
    this.climates = climates;
    this.clock = clock;
    this.estimates = estimates;
    this.receiving = receiving;
    this.acts = acts;
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

  /** Codes of all spools in stock. */
  public List<String> codes() {
    return records.all().stream()
        .filter(spool -> !spool.isEmpty())
        .map(spool -> spool.spool().code)
        .toList();
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
    return records.all().stream()
        .filter(spool -> !spool.isEmpty() && spool.placeAt(now) == placeId)
        .map(spool -> spool.spool().code)
        .toList();
  }

  /** Puts a spool somewhere; returns the fact's number. */
  public long move(String code, long placeId, Instant at) {
    return acts.moved(code, new MoveRequest(placeId, at, null), Origin.HAND).id;
  }

  /** Whether a code is that of a spool in stock. */
  public boolean isInStock(String code) {
    return records.all().stream().anyMatch(spool -> spool.spool().code.equals(code));
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
    SpoolRecord spool = records.byCode(code);
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

  /** Whether there is no spool yet. */
  public boolean isEmpty() {
    return records.all().isEmpty();
  }

  /** A spool of the demonstration with what happened to it. */
  public record DemoSpool(
      String material,
      String colourName,
      String colourHex,
      double nominalNetG,
      String reel,
      Double emptyReelG,
      double grossMassG,
      StartMoisture.Arrival arrival,
      Instant arrivedAt,
      Instant openedAt,
      long placeId,
      List<DemoMove> moves,
      List<DemoWeighing> weighings,
      String maker,
      String batch) {}

  /** A move of the demonstration. */
  public record DemoMove(long placeId, Instant at, Instant until) {}

  /** A weighing of the demonstration. */
  public record DemoWeighing(double grossMassG, Instant at) {}

  /** A polymer that is not quite the table's, of which only a scale of 0.1 g tells. */
  public record DemoLot(double diffusionFactor, double sorptionFactor) {}

  /** Adds a spool of the demonstration by the same acts as a person would. */
  public String addDemo(DemoSpool spool) {
    String code =
        receiving.receive(
            new ReceiveRequest(
                spool.material,
                spool.colourName,
                spool.colourHex,
                1.75,
                spool.nominalNetG,
                spool.grossMassG,
                spool.reel,
                spool.emptyReelG,
                null,
                null,
                null,
                spool.arrival,
                spool.arrivedAt,
                spool.openedAt,
                spool.placeId,
                null,
                new SpoolRequests.LotRequest(
                    spool.maker,
                    spool.batch,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null),
                null),
            Origin.DEMO);
    for (DemoMove move : spool.moves) {
      acts.move(code, new MoveRequest(move.placeId, move.at, move.until), Origin.DEMO);
    }
    for (DemoWeighing weighing : spool.weighings) {
      weighDemo(code, weighing.grossMassG, weighing.at, null, false);
    }
    return code;
  }

  private void weighDemo(String code, double massG, Instant at, Double stepG, boolean nothingUsed) {
    acts.weigh(code, new WeighRequest(massG, at, null, stepG, nothingUsed), Origin.DEMO);
  }

  /** Weighs a spool of the demonstration as often, nothing used between, as its true lot would. */
  public void weighAsTrulyIs(String code, DemoLot lot, List<Instant> times) {
    SpoolRecord spool = records.byCode(code);
    long now = clock.instant().getEpochSecond();
    SpoolHistory history = spool.history(climates, now, now + 1.0);
    SpoolReplay truth =
        new SpoolReplay(
            spool.material().ofLot(lot.diffusionFactor, lot.sorptionFactor),
            history,
            0,
            SpoolMoistureModel.Options.STANDARD);
    SpoolState state = truth.start();
    double time = history.startS();
    boolean first = true;
    for (Instant at : times) {
      state = truth.advance(state, time, at.getEpochSecond(), null);
      time = at.getEpochSecond();
      double gross =
          spool.spool().emptyReelG().typical()
              + 1000 * (state.winding().dryMassKg() + state.waterKg());
      weighDemo(code, Math.rint(10 * gross) / 10, at, 0.1, !first);
      first = false;
    }
  }
}
