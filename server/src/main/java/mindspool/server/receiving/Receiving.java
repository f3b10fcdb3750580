package mindspool.server.receiving;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.random.RandomGenerator;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.Times;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.moisture.StartMoisture.Arrival;
import mindspool.core.stock.Band;
import mindspool.core.stock.Filament;
import mindspool.core.stock.LooseEnd;
import mindspool.core.stock.ReceivingCheck;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.ReelSize;
import mindspool.core.stock.RemainingFilament;
import mindspool.core.stock.SpoolCode;
import mindspool.server.acts.Origin;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.stock.LotBook;
import mindspool.server.stock.Occupancy;
import mindspool.server.stock.Spool;
import mindspool.server.stock.SpoolChanged;
import mindspool.server.stock.SpoolFact;
import mindspool.server.stock.SpoolRecord;
import mindspool.server.stock.SpoolRecords;
import mindspool.server.stock.SpoolRequests.ArrivalCheckRequest;
import mindspool.server.stock.SpoolRequests.DeliveryRequest;
import mindspool.server.stock.SpoolRequests.LotRequest;
import mindspool.server.stock.SpoolRequests.ReceiveRequest;
import mindspool.server.stock.SpoolRequests.ReelRequest;
import mindspool.server.stock.SpoolStore;
import mindspool.server.stock.Weighing;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes a spool into stock. */
@Service
public class Receiving {

  private static final int MOST_NAME = 60;
  private static final int MOST_REELS = 100;

  private final SpoolStore.Spools spools;
  private final SpoolStore.Facts facts;
  private final LotBook lotBook;
  private final Occupancy occupancy;
  private final SpoolRecords records;
  private final MaterialCatalogue catalogue;
  private final Climates climates;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final RandomGenerator random = RandomGenerator.getDefault();

  Receiving(
      SpoolStore.Spools spools,
      SpoolStore.Facts facts,
      LotBook lotBook,
      Occupancy occupancy,
      SpoolRecords records,
      MaterialCatalogue catalogue,
      Climates climates,
      ApplicationEventPublisher events,
      Clock clock) {
    this.spools = spools;
    this.facts = facts;
    this.lotBook = lotBook;
    this.occupancy = occupancy;
    this.records = records;
    this.catalogue = catalogue;
    this.climates = climates;
    this.events = events;
    this.clock = clock;
  }

  /** What a receipt would make, before it is stored. */
  record Draft(
      Spool spool,
      Material material,
      Double grossMassG,
      Long openedS,
      RemainingFilament left,
      ReceivingCheck check) {}

  Draft draft(ReceiveRequest request) {
    Material material = catalogue.named(request.material());
    Spool spool = Spool.blank();
    spool.material = material.name();
    spool.colourName = colourName(request.colourName());
    spool.colourHex = colourHex(request.colourHex());
    spool.diameterMm = Require.within("diameterMm", or(request.diameterMm(), 1.75), 1, 5, "mm");
    spool.nominalNetG =
        Require.within("nominalNetG", or(request.nominalNetG(), 1000), 10, 10_000, "g");
    spool.reelKind = request.reel() == null ? ReelKind.PLASTIC : ReelKind.ofId(request.reel());
    describeReel(spool, request);
    describeArrival(spool, material, request);
    Filament filament = new Filament(material.densityKgPerM3() / 1000, spool.diameterMm);
    siblings(spool, request.lot());
    RemainingFilament left = weighed(spool, request.grossMassG(), filament);
    Long opened = opened(spool, request.openedAt());
    SpoolRecord record = new SpoolRecord(spool, material, List.of());
    // Fails here, naming the field, when so much filament cannot be on such a reel.
    record.winding(Math.max(1, left.massG().typical()));
    record.winding(spool.nominalNetG);
    ReceivingCheck check =
        request.check() == null ? ReceivingCheck.NONE : request.check().toCheck();
    // Fails here when a diameter cannot be one.
    check.consequences(spool.diameterMm);
    return new Draft(spool, material, request.grossMassG(), opened, left, check);
  }

  /** Own emptied reels of the same maker tell what this one weighs. */
  private void siblings(Spool spool, LotRequest lot) {
    if (lot == null || lot.maker() == null) {
      return;
    }
    lotBook
        .find(lot, spool)
        .or(() -> lotBook.anyOf(lot.maker()))
        .ifPresent(
            known -> {
              spool.lotId = known.id;
              records.emptyReels().tell(spool);
              spool.lotId = null;
            });
  }

  private static void describeReel(Spool spool, ReceiveRequest request) {
    ReelSize size = ReelSize.nearest(spool.nominalNetG);
    spool.hubRadiusMm =
        Require.within("hubRadiusMm", or(request.hubRadiusMm(), size.hubRadiusMm()), 5, 300, "mm");
    spool.rimRadiusMm =
        Require.within("rimRadiusMm", or(request.rimRadiusMm(), size.rimRadiusMm()), 10, 400, "mm");
    spool.widthMm = Require.within("widthMm", or(request.widthMm(), size.widthMm()), 5, 500, "mm");
    if (spool.rimRadiusMm <= spool.hubRadiusMm) {
      throw new InvalidValueException(
          "rimRadiusMm",
          Require.plain(spool.rimRadiusMm) + " mm",
          "more than the hub's " + Require.plain(spool.hubRadiusMm) + " mm",
          "Measure from the axle to the rim.");
    }
    if (request.emptyReelG() != null) {
      spool.ownEmptyReelG = Require.within("emptyReelG", request.emptyReelG(), 0, 5000, "g");
    }
  }

  private void describeArrival(Spool spool, Material material, ReceiveRequest request) {
    long now = clock.instant().getEpochSecond();
    spool.arrival = request.arrival() == null ? Arrival.SEALED_TIGHT : request.arrival();
    spool.arrivedS =
        request.arrivedAt() == null ? now : Times.past("arrivedAt", request.arrivedAt(), now);
    StartMoisture start = spool.arrival.assumed();
    spool.startHumidityPercent = start.humidityPercent();
    spool.startUncertaintyPercent = start.uncertaintyPercent();
    if (request.initialMoisturePercent() != null) {
      double most = 100 * material.sorption().saturationFraction();
      double percent =
          Require.within(
              "initialMoisturePercent",
              request.initialMoisturePercent(),
              0,
              most,
              "%",
              "More than that " + material.name() + " does not hold.");
      spool.startHumidityPercent = Math.min(100, 100 * material.sorption().activity(percent / 100));
      spool.startUncertaintyPercent = Math.min(5, 0.15 * spool.startHumidityPercent);
    }
  }

  private static RemainingFilament weighed(Spool spool, Double grossMassG, Filament filament) {
    if (grossMassG == null) {
      return new RemainingFilament(
          Band.exactly(spool.nominalNetG), Band.exactly(filament.lengthM(spool.nominalNetG)));
    }
    return Weighing.checked(spool, grossMassG, filament);
  }

  private Long opened(Spool spool, Instant openedAt) {
    if (spool.arrival == Arrival.OPEN || openedAt == null) {
      return null;
    }
    long past = Times.past("openedAt", openedAt, clock.instant().getEpochSecond());
    return Times.notBefore("openedAt", Instant.ofEpochSecond(past), spool.arrivedS, "its arrival");
  }

  private static double or(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }

  private static String colourName(String name) {
    return Text.line("colourName", name, 1, MOST_NAME, "A word that tells it from its neighbours.");
  }

  private static String colourHex(String hex) {
    String text = hex == null ? "#8a8f92" : hex.strip().toLowerCase(Locale.ROOT);
    if (!text.matches("#[0-9a-f]{6}")) {
      throw new InvalidValueException(
          "colourHex", "\"" + hex + "\"", "# and six hexadecimal digits", "Such as #c04020.");
    }
    return text;
  }

  /** Stores a spool and its first facts; returns its code. */
  @Transactional
  public String receive(ReceiveRequest request, Origin origin) {
    Draft draft = draft(request);
    PlaceInfo place =
        climates.presentPlace(
            Require.present("placeId", request.placeId(), "the number of a place"));
    occupancy.refuseFull(place);
    long placeId = place.id();
    Spool spool = draft.spool();
    spool.code = freshCode();
    spool.lotId = request.lot() == null ? null : lotBook.findOrAdd(request.lot(), spool).id;
    spools.save(spool);
    SpoolFact received = fact(spool, SpoolFact.Kind.RECEIVED, spool.arrivedS, origin);
    received.placeId = placeId;
    received.grossMassG = draft.grossMassG();
    facts.save(received);
    if (draft.openedS() != null) {
      facts.save(fact(spool, SpoolFact.Kind.OPENED, draft.openedS(), origin));
    }
    storeFindings(spool, draft.check(), origin);
    events.publishEvent(new SpoolChanged(spool.id, spool.arrivedS));
    return spool.code;
  }

  private SpoolFact fact(Spool spool, SpoolFact.Kind kind, long atS, Origin origin) {
    return new SpoolFact(spool.id, kind, atS, clock.instant().getEpochSecond(), origin);
  }

  /** Keeps what was seen, and what it means for the loose end and the heat record. */
  private void storeFindings(Spool spool, ReceivingCheck check, Origin origin) {
    for (ReceivingCheck.Consequence found : check.consequences(spool.diameterMm)) {
      SpoolFact seen = fact(spool, SpoolFact.Kind.CHECKED, spool.arrivedS, origin);
      seen.detail = found.about() + ": " + found.what();
      facts.save(seen);
    }
    if (Boolean.FALSE.equals(check.endSecured())) {
      SpoolFact loose = fact(spool, SpoolFact.Kind.END, spool.arrivedS, origin);
      loose.detail = LooseEnd.Act.DROP.name();
      facts.save(loose);
    }
    if (Boolean.TRUE.equals(check.heatSuspected())) {
      facts.save(fact(spool, SpoolFact.Kind.HEATED, spool.arrivedS, origin));
    }
  }

  /** Stores several reels of one lot, all or none; returns their codes. */
  @Transactional
  public List<String> receiveAll(DeliveryRequest request, Origin origin) {
    ReceiveRequest common = Require.present("common", request.common(), "what the reels share");
    List<ReelRequest> reels = Require.present("reels", request.reels(), "at least one reel");
    if (reels.isEmpty() || reels.size() > MOST_REELS) {
      throw new InvalidValueException(
          "reels", reels.size() + " reels", "1 to " + MOST_REELS, "Enter one row for each reel.");
    }
    List<String> codes = new ArrayList<>();
    for (int i = 0; i < reels.size(); i++) {
      ReelRequest reel = reels.get(i);
      codes.add(Require.inside("reels[" + i + "]", () -> receive(ofReel(common, reel), origin)));
    }
    return codes;
  }

  private static ReceiveRequest ofReel(ReceiveRequest common, ReelRequest reel) {
    ArrivalCheckRequest seen = common.check();
    ArrivalCheckRequest check =
        reel.endSecured() == null
            ? seen
            : new ArrivalCheckRequest(
                seen == null ? null : seen.desiccantPresent(),
                seen == null ? null : seen.cardHumidPercent(),
                seen == null ? null : seen.labelMatches(),
                reel.endSecured(),
                seen == null ? null : seen.windingEven(),
                seen == null ? null : seen.diameterPointsMm(),
                seen == null ? null : seen.bend(),
                seen == null ? null : seen.heatSuspected());
    return new ReceiveRequest(
        common.material(),
        common.colourName(),
        common.colourHex(),
        common.diameterMm(),
        common.nominalNetG(),
        reel.grossMassG(),
        common.reel(),
        common.emptyReelG(),
        common.hubRadiusMm(),
        common.rimRadiusMm(),
        common.widthMm(),
        reel.arrival() == null ? common.arrival() : reel.arrival(),
        common.arrivedAt(),
        common.openedAt(),
        reel.placeId() == null ? common.placeId() : reel.placeId(),
        common.initialMoisturePercent(),
        common.lot(),
        check);
  }

  private String freshCode() {
    for (int tries = 0; tries < 10 * SpoolCode.COUNT; tries++) {
      String code = SpoolCode.random(random).text();
      if (!spools.existsByCode(code)) {
        return code;
      }
    }
    throw new InvalidValueException(
        "code", "none free", SpoolCode.COUNT + " spools", "All codes are in use.");
  }
}
