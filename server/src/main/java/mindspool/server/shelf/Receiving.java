package mindspool.server.shelf;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.random.RandomGenerator;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.moisture.StartMoisture.Arrival;
import mindspool.core.stock.Band;
import mindspool.core.stock.Filament;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.ReelSize;
import mindspool.core.stock.RemainingFilament;
import mindspool.core.stock.SpoolCode;
import mindspool.server.climate.Climates;
import mindspool.server.shelf.SpoolRequests.ReceiveRequest;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes a spool into stock. */
@Service
class Receiving {

  private static final int MOST_NAME = 60;

  /** A reel carries at most this much more than its label says; PVA can hold a third of water. */
  static final double MOST_OVER_NOMINAL = 1.3;

  private final SpoolStore.Spools spools;
  private final SpoolStore.Facts facts;
  private final MaterialCatalogue catalogue;
  private final Climates climates;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final RandomGenerator random = RandomGenerator.getDefault();

  Receiving(
      SpoolStore.Spools spools,
      SpoolStore.Facts facts,
      MaterialCatalogue catalogue,
      Climates climates,
      ApplicationEventPublisher events,
      Clock clock) {
    this.spools = spools;
    this.facts = facts;
    this.catalogue = catalogue;
    this.climates = climates;
    this.events = events;
    this.clock = clock;
  }

  /** What a receipt would make, before it is stored. */
  record Draft(
      Spool spool, Material material, Double grossMassG, Long openedS, RemainingFilament left) {}

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
    RemainingFilament left = weighed(spool, request.grossMassG(), filament);
    Long opened = opened(spool, request.openedAt());
    SpoolRecord record = new SpoolRecord(spool, material, List.of());
    // Fails here, naming the field, when so much filament cannot be on such a reel.
    record.winding(Math.max(1, left.massG().typical()));
    record.winding(spool.nominalNetG);
    return new Draft(spool, material, request.grossMassG(), opened, left);
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
        request.arrivedAt() == null
            ? now
            : Times.past("arrivedAt", request.arrivedAt(), now).getEpochSecond();
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
              "More than that " + material.title() + " does not hold.");
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
    Times.past("openedAt", openedAt, clock.instant().getEpochSecond());
    return Times.notBefore("openedAt", openedAt, spool.arrivedS, "its arrival").getEpochSecond();
  }

  private static double or(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }

  private static String colourName(String name) {
    String trimmed = name == null ? "" : name.strip();
    if (trimmed.isEmpty() || trimmed.length() > MOST_NAME) {
      throw new InvalidValueException(
          "colourName",
          trimmed.isEmpty() ? "missing" : trimmed.length() + " characters",
          "1 to " + MOST_NAME + " characters",
          "A word that tells it from its neighbours.");
    }
    return trimmed;
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
  public String receive(ReceiveRequest request, SpoolFact.Origin origin) {
    Draft draft = draft(request);
    long placeId =
        climates.place(Require.present("placeId", request.placeId(), "the number of a place")).id();
    Spool spool = draft.spool();
    spool.code = freshCode();
    spools.save(spool);
    long now = clock.instant().getEpochSecond();
    SpoolFact received =
        new SpoolFact(spool.id, SpoolFact.Kind.RECEIVED, spool.arrivedS, now, origin);
    received.placeId = placeId;
    received.grossMassG = draft.grossMassG();
    facts.save(received);
    if (draft.openedS() != null) {
      facts.save(new SpoolFact(spool.id, SpoolFact.Kind.OPENED, draft.openedS(), now, origin));
    }
    events.publishEvent(new SpoolChanged(spool.id, spool.arrivedS));
    return spool.code;
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
