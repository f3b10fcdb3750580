package mindspool.server.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.ColdReel;
import mindspool.core.climate.Horizon;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryingProof;
import mindspool.core.learning.Calibration;
import mindspool.core.learning.Member;
import mindspool.core.learning.Weighed;
import mindspool.core.material.Material;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.moisture.PrintableUntil;
import mindspool.core.moisture.ProfileBand;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Band;
import mindspool.core.stock.LooseEnd;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.RemainingFilament;
import mindspool.server.acts.Origin;
import mindspool.server.air.Climates;
import mindspool.server.estimates.ExpectedMass;
import mindspool.server.estimates.SpoolEstimate;
import mindspool.server.estimates.SpoolEstimate.PastPoint;
import mindspool.server.http.MayBeNull;
import mindspool.server.places.PlaceInfo;
import mindspool.server.stock.Spool;
import mindspool.server.stock.SpoolFact;
import mindspool.server.stock.SpoolFactBook;
import mindspool.server.stock.SpoolRecord;
import mindspool.server.stock.SpoolRecord.PlacedStay;

/** Spools as they are sent to the front end. */
final class SpoolViews {

  private static final int SHELF_RINGS = 8;
  private static final int PAGE_RINGS = 24;
  private static final int CLIMATE_POINTS = 480;
  private static final double DECIMALS = 1e4;

  private SpoolViews() {}

  /**
   * Moisture at every frame, %; {@code rings} hub first.
   *
   * @param rings by frame, then by ring of equal mass
   */
  record Frames(
      List<Double> outer, List<Double> mean, List<Double> core, List<List<Double>> rings) {}

  /** Until when the next grams print well. */
  record PrintableView(PrintableUntil.State state, Long atS, double headroomPercent, double jobG) {}

  /**
   * A spool on the shelf. What is computed is absent until it is.
   *
   * @param ownLimitReason why limit or target are other than the table's; null where they are not
   * @param weighedS when it was weighed last; null where it never was
   * @param expectedGrossG what a scale should show if nothing was used since the last weighing
   */
  record SpoolView(
      String code,
      String material,
      String materialTitle,
      String colourName,
      String colourHex,
      long placeId,
      boolean sealed,
      Band remainingG,
      Band remainingM,
      double nominalNetG,
      double hubRadiusMm,
      double windingRadiusMm,
      double rimRadiusMm,
      double printLimitPercent,
      double dryTargetPercent,
      @MayBeNull String ownLimitReason,
      LooseEnd end,
      double smallestNozzleMm,
      boolean heated,
      boolean empty,
      Long lotId,
      long arrivedS,
      Long weighedS,
      boolean ready,
      @MayBeNull Frames frames,
      @MayBeNull PrintableView printable,
      Double expectedGrossG) {}

  static SpoolView shelf(SpoolRecord spool, SpoolEstimate estimate, double jobG, long nowS) {
    return view(spool, estimate, jobG, nowS, SHELF_RINGS);
  }

  static SpoolView page(SpoolRecord spool, SpoolEstimate estimate, double jobG, long nowS) {
    return view(spool, estimate, jobG, nowS, PAGE_RINGS);
  }

  private static SpoolView view(
      SpoolRecord spool, SpoolEstimate estimate, double jobG, long nowS, int rings) {
    Spool stored = spool.spool();
    RemainingFilament left = spool.remaining();
    return new SpoolView(
        stored.code,
        stored.material,
        spool.material().title(),
        stored.colourName,
        stored.colourHex,
        spool.placeAt(nowS),
        spool.sealedAt(nowS),
        left.massG(),
        left.lengthM(),
        stored.nominalNetG,
        stored.hubRadiusMm,
        1000 * spool.winding(Math.max(1, left.massG().typical())).outerRadiusM(),
        stored.rimRadiusMm,
        spool.material().printLimitPercent(),
        spool.material().dryTargetPercent(),
        spool.material().ownLimitReason().orElse(null),
        spool.end(),
        spool.smallestNozzleMm(),
        spool.facts().stream().anyMatch(fact -> fact.kind == SpoolFact.Kind.HEATED),
        spool.isEmpty(),
        stored.lotId,
        stored.arrivedS,
        lastWeighing(spool),
        estimate != null,
        estimate == null ? null : frames(estimate, nowS, rings),
        estimate == null ? null : printable(estimate, jobG, nowS),
        estimate == null ? null : ExpectedMass.grossG(spool, estimate, nowS));
  }

  private static Long lastWeighing(SpoolRecord spool) {
    return spool.facts().stream()
        .filter(fact -> fact.grossMassG != null)
        .map(fact -> fact.atS)
        .max(Long::compare)
        .orElse(null);
  }

  private static Frames frames(SpoolEstimate estimate, long nowS, int rings) {
    List<Double> outer = new ArrayList<>();
    List<Double> mean = new ArrayList<>();
    List<Double> core = new ArrayList<>();
    List<List<Double>> all = new ArrayList<>();
    for (int hour : Horizon.frameHours()) {
      MoistureProfile profile = estimate.profileAt(nowS + 3600.0 * hour);
      outer.add(rounded(profile.outerPercent()));
      mean.add(rounded(profile.meanPercent()));
      core.add(rounded(profile.corePercent()));
      List<Double> ring = new ArrayList<>();
      for (double percent : profile.grouped(rings)) {
        ring.add(rounded(percent));
      }
      all.add(ring);
    }
    return new Frames(outer, mean, core, all);
  }

  private static double rounded(double percent) {
    return Math.rint(percent * DECIMALS) / DECIMALS;
  }

  static PrintableView printable(SpoolEstimate estimate, double jobG, long nowS) {
    PrintableUntil until = estimate.printable(jobG, nowS);
    return new PrintableView(
        until.state(),
        until.timeS().isPresent() ? Math.round(until.timeS().getAsDouble()) : null,
        until.headroomPercent(),
        jobG);
  }

  /** Moisture against time, %; times in epoch seconds. */
  record MoistureCurve(
      List<Long> timeS, List<Double> outer, List<Double> mean, List<Double> core) {}

  /** Air against time. */
  record AirCurve(
      List<Long> timeS, List<Double> temperatureC, List<Double> relativeHumidityPercent) {}

  /** A stay in a place, until the next. */
  record StayView(long placeId, String placeName, long fromS, long toS, boolean sealed) {}

  /** A fact about a spool in words; {@code undone} ones stay visible. */
  record FactView(
      long id,
      long actId,
      SpoolFact.Kind kind,
      long atS,
      long recordedS,
      Origin origin,
      String what,
      Double grossMassG,
      @MayBeNull String person,
      boolean undone) {}

  /** Half-widths of the 80 % band, %. */
  record BandView(double outer, double mean, double core) {}

  /** A factor on the table's value with its 80 % band. */
  record FactorView(double low, double likely, double high) {}

  /** Something else that was sought, in words, as a factor on the table's value. */
  record OtherFactor(String what, FactorView factor) {}

  /**
   * What the weighings taught.
   *
   * @param doubtful whether they contradict everything that this material does; the estimate then
   *     stays as it was
   * @param doubtfulAtS the weighing that fits least
   * @param fromLot whether a sibling's weighings were the starting point
   * @param others what was sought along with the two
   * @param meanBefore mean moisture now without them, %
   * @param bandBefore and its band
   */
  record LearnedView(
      boolean doubtful,
      long doubtfulAtS,
      boolean fromLot,
      FactorView diffusion,
      FactorView sorption,
      List<OtherFactor> others,
      double meanBefore,
      BandView bandBefore) {}

  /**
   * What the last weighings with nothing used between prove; see {@link DryingProof}.
   *
   * @param reelRemovedG of the water removed, what the reel itself is expected to have lost
   */
  record ProofView(
      DryingProof.Verdict verdict,
      double removedG,
      double reelRemovedG,
      double removedSdG,
      int weighings,
      double stepG,
      double stepNeededG,
      boolean scaleTooCoarse,
      double floorPercent) {}

  private static ProofView proofView(SpoolRecord spool, SpoolEstimate estimate, Climates climates) {
    List<Weighed> row = spool.lastRow();
    return proof(spool, estimate.material(), climates)
        .map(
            proof ->
                new ProofView(
                    proof.verdict(),
                    proof.removedG(),
                    -ExpectedMass.reelGainG(
                        spool, estimate, row.get(0).atS(), row.get(row.size() - 1).atS()),
                    proof.removedSdG(),
                    row.size(),
                    proof.stepG(),
                    proof.stepNeededG(),
                    proof.isScaleTooCoarse(),
                    proof.floorPercent()))
        .orElse(null);
  }

  /** What the last row of weighings proves, in the air that it lay in between the last two. */
  static Optional<DryingProof> proof(SpoolRecord spool, Material material, Climates climates) {
    List<Weighed> row = spool.lastRow();
    if (row.size() < 2) {
      return Optional.empty();
    }
    double from = row.get(row.size() - 2).atS();
    double to = row.get(row.size() - 1).atS();
    long place = spool.placeAt((long) (0.5 * (from + to)));
    MoistAir air = climates.climate(place).series().mean(from, to);
    return DryingProof.of(
        row,
        material,
        spool.remaining().massG().typical(),
        air,
        spool.material().dryTargetPercent());
  }

  private static BandView band(ProfileBand band) {
    return new BandView(
        band.halfWidth(MoistureProfile::outerPercent),
        band.halfWidth(MoistureProfile::meanPercent),
        band.halfWidth(MoistureProfile::corePercent));
  }

  private static LearnedView learned(SpoolEstimate estimate) {
    if (estimate.learned() == null) {
      return null;
    }
    Calibration found = estimate.learned().calibration();
    SpoolEstimate.Untaught before = estimate.untaught().get();
    return new LearnedView(
        found.isDoubtful(),
        Math.round(found.worstAtS()),
        estimate.learned().fromLot(),
        factor(found, Member::diffusionFactor),
        factor(found, Member::sorptionFactor),
        others(found),
        before.profile().meanPercent(),
        band(before.band()));
  }

  private static List<OtherFactor> others(Calibration found) {
    List<OtherFactor> others = new ArrayList<>();
    addOther(others, found, "how fast vapour passes between the wraps", Member::logPack);
    addOther(others, found, "how much water speeds its own way", Member::logWetDiffusivity);
    addOther(others, found, "the heat with which water is bound", Member::logSorptionHeat);
    addOther(others, found, "what the reel itself takes up", Member::logReelWater);
    return others;
  }

  private static void addOther(
      List<OtherFactor> others, Calibration found, String what, ToDoubleFunction<Member> log) {
    if (found.sd(log) > 0) {
      others.add(
          new OtherFactor(what, factor(found, member -> Math.exp(log.applyAsDouble(member)))));
    }
  }

  private static FactorView factor(Calibration found, ToDoubleFunction<Member> quantity) {
    double[] values = found.members().stream().mapToDouble(quantity).toArray();
    return new FactorView(
        found.quantile(values, 0.1),
        quantity.applyAsDouble(found.best()),
        found.quantile(values, 0.9));
  }

  /** What the estimate rests on. */
  record BasisView(
      StartMoisture.Arrival arrival,
      double startHumidityPercent,
      double startUncertaintyPercent,
      double unrecordedHours,
      double voidFraction,
      double dryMassG,
      double coreTemperatureC,
      long computedS) {}

  /** Everything on a spool's page. */
  record SpoolPage(
      long nowS,
      List<Integer> frameHours,
      SpoolView spool,
      ReelKind reelKind,
      String reelTitle,
      Band emptyReelG,
      double diameterMm,
      double widthMm,
      Long openedS,
      long arrivedS,
      MoistureCurve past,
      MoistureCurve forecast,
      AirCurve air,
      List<StayView> stays,
      List<FactView> facts,
      BandView band,
      @MayBeNull LearnedView learned,
      @MayBeNull ProofView proof,
      BasisView basis,
      List<EndActView> endActs,
      String outlookAssumption,
      List<ColdRoomView> coldRooms) {}

  /** A room in which the reel, still closed in, must not be opened before it has warmed up. */
  record ColdRoomView(String room, double reelC, double openFromC) {}

  /** Something that may be done with the loose end now. */
  record EndActView(LooseEnd.Act act, String title) {}

  static SpoolPage page(
      SpoolRecord spool,
      SpoolEstimate estimate,
      List<SpoolFact> facts,
      Climates climates,
      double jobG,
      long nowS) {
    Spool stored = spool.spool();
    return new SpoolPage(
        nowS,
        Horizon.frameHours(),
        page(spool, estimate, jobG, nowS),
        stored.reelKind,
        stored.reelKind.title(),
        stored.emptyReelG(),
        stored.diameterMm,
        stored.widthMm,
        spool.openedS().orElse(null),
        stored.arrivedS,
        past(estimate),
        forecast(estimate),
        air(spool, estimate, climates),
        stays(spool, climates, nowS),
        facts.stream().map(fact -> fact(fact, climates)).toList(),
        band(estimate.band().get()),
        learned(estimate),
        proofView(spool, estimate, climates),
        new BasisView(
            stored.arrival,
            stored.startHumidityPercent,
            stored.startUncertaintyPercent,
            spool.unrecordedHours(climates, nowS),
            estimate.state().winding().voidFraction(),
            1000 * estimate.state().winding().dryMassKg(),
            estimate.state().coreTemperatureC(),
            estimate.nowS()),
        spool.end().allowed().stream().map(act -> new EndActView(act, act.title())).toList(),
        climates.assumption(spool.placeAt(nowS)),
        coldRooms(spool, climates, nowS));
  }

  private static List<ColdRoomView> coldRooms(SpoolRecord spool, Climates climates, long nowS) {
    PlaceInfo place = climates.place(spool.placeAt(nowS));
    if (!spool.sealedAt(nowS) && !place.kind().isClosed()) {
      return List.of();
    }
    double reelC = climates.climate(place.id()).series().temperatureCAt(nowS);
    List<ColdRoomView> rooms = new ArrayList<>();
    for (PlaceInfo room : climates.places()) {
      if (room.withinId() == null && room.id() != place.id()) {
        MoistAir air = climates.climate(room.id()).series().at(nowS);
        ColdReel.openFromC(reelC, air)
            .ifPresent(from -> rooms.add(new ColdRoomView(room.name(), reelC, from)));
      }
    }
    return rooms;
  }

  private static MoistureCurve past(SpoolEstimate estimate) {
    List<PastPoint> past = estimate.past();
    return new MoistureCurve(
        past.stream().map(point -> Math.round(point.timeS())).toList(),
        past.stream().map(point -> rounded(point.outerPercent())).toList(),
        past.stream().map(point -> rounded(point.meanPercent())).toList(),
        past.stream().map(point -> rounded(point.corePercent())).toList());
  }

  private static MoistureCurve forecast(SpoolEstimate estimate) {
    var points = estimate.forecast();
    return new MoistureCurve(
        points.stream().map(point -> Math.round(point.timeS())).toList(),
        points.stream().map(point -> rounded(point.profile().outerPercent())).toList(),
        points.stream().map(point -> rounded(point.profile().meanPercent())).toList(),
        points.stream().map(point -> rounded(point.profile().corePercent())).toList());
  }

  private static AirCurve air(SpoolRecord spool, SpoolEstimate estimate, Climates climates) {
    double start = spool.spool().arrivedS;
    double end = estimate.nowS() + Horizon.SECONDS;
    double width = (end - start) / CLIMATE_POINTS;
    ClimateSeries outlook = climates.outlook(spool.placeAt(estimate.nowS()), estimate.nowS(), end);
    List<Long> times = new ArrayList<>();
    List<Double> temperatures = new ArrayList<>();
    List<Double> humidities = new ArrayList<>();
    for (int i = 0; i < CLIMATE_POINTS; i++) {
      double from = start + i * width;
      double middle = from + width / 2;
      ClimateSeries series =
          middle > estimate.nowS()
              ? outlook
              : climates.climate(spool.placeAt((long) middle)).series();
      MoistAir mean = series.mean(from, from + width);
      times.add(Math.round(middle));
      temperatures.add(Math.rint(mean.temperatureC() * 10) / 10);
      humidities.add(Math.rint(mean.relativeHumidityPercent() * 10) / 10);
    }
    return new AirCurve(times, temperatures, humidities);
  }

  private static List<StayView> stays(SpoolRecord spool, Climates climates, long nowS) {
    List<PlacedStay> stays = spool.stays();
    List<StayView> views = new ArrayList<>();
    for (int i = 0; i < stays.size(); i++) {
      PlacedStay stay = stays.get(i);
      PlaceInfo place = climates.place(stay.placeId());
      long end = i + 1 < stays.size() ? stays.get(i + 1).fromS() : nowS;
      views.add(new StayView(place.id(), place.name(), stay.fromS(), end, stay.sealed()));
    }
    return views;
  }

  private static FactView fact(SpoolFact fact, Climates climates) {
    return new FactView(
        fact.id,
        fact.actId,
        fact.kind,
        fact.atS,
        fact.recordedS,
        fact.origin,
        SpoolFactBook.sentence(fact, climates),
        fact.grossMassG,
        fact.person,
        !fact.holds());
  }
}
