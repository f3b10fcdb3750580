package mindspool.server.dry;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerBehaviour;
import mindspool.core.drying.DryerCharacterisation;
import mindspool.core.drying.DryerKind;
import mindspool.core.drying.ProbeLog;
import mindspool.core.drying.ReelFit;
import mindspool.core.storage.Desiccant;
import mindspool.server.devices.Probes;
import mindspool.server.devices.Switches;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.StaleEditException;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceTraits;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "dry")
class DryerController {

  private static final double MOST_POWER_W = 10_000;
  private static final int LONGEST_TEXT = 200;

  /** Above this many changes an hour a kind counts as vented freely. */
  private static final double FREE_FROM_PER_HOUR = 20;

  private final DryerBook book;
  private final DryStore.Dryers dryers;
  private final DryStore.Measurements measurements;
  private final PlaceTraits places;
  private final Probes probes;
  private final Clock clock;

  DryerController(
      DryerBook book,
      DryStore.Dryers dryers,
      DryStore.Measurements measurements,
      PlaceTraits places,
      Probes probes,
      Clock clock) {
    this.book = book;
    this.dryers = dryers;
    this.measurements = measurements;
    this.places = places;
    this.probes = probes;
    this.clock = clock;
  }

  /** A kind of dryer and what one that nobody measured is taken for. */
  record DryerKindView(
      DryerKind kind,
      String id,
      String title,
      double usualRatedMaxC,
      double hottestAboveSetK,
      double uncertaintyK,
      double biasK,
      double heatUpMin,
      double airChangesLow,
      double airChangesHigh,
      List<String> cautions) {}

  /** How it behaves, measured or by its kind. */
  record BehaviourView(
      boolean measured,
      double biasK,
      double hottestAboveSetK,
      double uncertaintyK,
      double heatUpMin) {}

  /** A measured run. */
  record MeasurementView(
      Long id,
      Long actId,
      Long atS,
      double setpointC,
      double biasK,
      double overshootK,
      double rippleK,
      double uniformityK,
      double heatUpMin,
      double hottestAboveSetK,
      double instrumentUncertaintyK,
      List<String> remarks) {}

  /** A dryer; {@code airChangesPerHour} null where it is vented freely. */
  record DryerView(
      long placeId,
      String name,
      Long roomId,
      DryerKind kind,
      String kindTitle,
      double ratedMaxC,
      double volumeL,
      Double airChangesPerHour,
      int slots,
      Double maxReelDiameterMm,
      Double maxReelWidthMm,
      Double powerW,
      boolean feedsOut,
      boolean turnsItselfOff,
      boolean outOfOrder,
      @MayBeNull String desiccant,
      Double desiccantDryG,
      Double desiccantWaterG,
      @MayBeNull String switchTopic,
      @MayBeNull String switchOffPayload,
      boolean maySwitchOff,
      BehaviourView behaviour,
      @MayBeNull MeasurementView measurement,
      List<String> cautions,
      String generalCaution,
      int version) {}

  /**
   * What is said of a dryer; what is left out takes the usual value of its kind.
   *
   * @param version as it was read
   */
  record DescribeDryerRequest(
      DryerKind kind,
      Double ratedMaxC,
      Double volumeL,
      Double insideLengthMm,
      Double insideWidthMm,
      Double insideHeightMm,
      Boolean ventedFreely,
      Double airChangesPerHour,
      Integer slots,
      Double maxReelDiameterMm,
      Double maxReelWidthMm,
      Double powerW,
      Boolean feedsOut,
      Boolean turnsItselfOff,
      Boolean outOfOrder,
      String desiccant,
      Double desiccantDryG,
      Double desiccantWaterG,
      String switchTopic,
      String switchOffPayload,
      Boolean maySwitchOff,
      Integer version) {}

  /**
   * A run with probes: a log as text, or the span in which the devices in the dryer showed it.
   *
   * @param keep whether it is to count; otherwise only what it tells is answered
   */
  record MeasureRequest(
      Double setpointC,
      Double instrumentUncertaintyK,
      String log,
      Instant from,
      Instant to,
      Boolean keep) {}

  /** Power with vent open and closed, steady and hot. */
  record VentRequest(Double openW, Double closedW, Double insideC, Double roomC, Boolean keep) {}

  record VentView(double airChangesPerHour) {}

  @GetMapping("/dryer-kinds")
  @Operation(summary = "Kinds of dryer, how each behaves until it is measured, and cautions")
  List<DryerKindView> kinds() {
    return Arrays.stream(DryerKind.values()).map(DryerController::view).toList();
  }

  private static DryerKindView view(DryerKind kind) {
    DryerBehaviour usual = kind.usual();
    return new DryerKindView(
        kind,
        kind.id(),
        kind.title(),
        kind.usualRatedMaxC(),
        usual.hottestAboveSetC(),
        usual.uncertaintyK(),
        usual.biasC(),
        usual.heatUpMin(),
        kind.airChangesPerHour().low(),
        kind.airChangesPerHour().high(),
        kind.cautions());
  }

  @GetMapping("/dryers")
  @Operation(summary = "All dryers, as they behave")
  List<DryerView> all() {
    return book.places().stream().map(place -> view(place.id())).toList();
  }

  @GetMapping("/dryers/{placeId}")
  @Operation(summary = "A dryer, as it behaves")
  DryerView one(@PathVariable long placeId) {
    return view(placeId);
  }

  private DryerView view(long placeId) {
    PlaceInfo place = book.present(placeId);
    DryerDescription said = book.description(placeId);
    Dryer dryer = book.dryer(placeId);
    DryerBehaviour behaviour = dryer.behaviour();
    return new DryerView(
        placeId,
        place.name(),
        book.roomId(place.id()),
        said.kind,
        said.kind.title(),
        dryer.ratedMaxC(),
        dryer.volumeL(),
        place.airChangesPerHour(),
        said.slots,
        said.maxReelDiameterMm,
        said.maxReelWidthMm,
        said.powerW,
        said.feedsOut,
        said.turnsItselfOff,
        said.outOfOrder,
        said.desiccant == null ? null : said.desiccant.id(),
        said.desiccantDryG,
        said.desiccantWaterG,
        said.switchTopic,
        said.switchOffPayload,
        said.maySwitchOff,
        new BehaviourView(
            behaviour.measured(),
            behaviour.biasC(),
            behaviour.hottestAboveSetC(),
            behaviour.uncertaintyK(),
            behaviour.heatUpMin()),
        book.measurement(placeId).map(DryerController::view).orElse(null),
        said.kind.cautions(),
        DryerKind.GENERAL_CAUTION,
        said.version);
  }

  private static MeasurementView view(DryerMeasurement measured) {
    return view(measured.id, measured.actId, measured.atS, measured.found());
  }

  private static MeasurementView view(Long id, Long actId, Long atS, DryerCharacterisation found) {
    return new MeasurementView(
        id,
        actId,
        atS,
        found.setpointC(),
        found.biasK(),
        found.overshootK(),
        found.rippleK(),
        found.uniformityK(),
        found.heatUpMin(),
        found.hottestAboveSetK(),
        found.instrumentUncertaintyK(),
        found.remarks());
  }

  @PutMapping("/dryers/{placeId}")
  @Operation(summary = "Describes a dryer: kind, inside, slots, vent, desiccant, switch")
  @Transactional
  public DryerView describe(@PathVariable long placeId, @RequestBody DescribeDryerRequest request) {
    book.present(placeId);
    DryerKind kind = Require.present("kind", request.kind, Arrays.toString(DryerKind.values()));
    DryerDescription said = book.description(placeId);
    StaleEditException.refuse(
        "The dryer " + book.place(placeId).name(), request.version, said.version, view(placeId));
    said.kind = kind;
    said.slots = request.slots == null ? said.slots : request.slots;
    said.maxReelDiameterMm = request.maxReelDiameterMm;
    said.maxReelWidthMm = request.maxReelWidthMm;
    new ReelFit(
        said.slots,
        Optional.ofNullable(said.maxReelDiameterMm),
        Optional.ofNullable(said.maxReelWidthMm));
    said.powerW =
        request.powerW == null
            ? null
            : Double.valueOf(Require.within("powerW", request.powerW, 1, MOST_POWER_W, "W"));
    said.feedsOut = Boolean.TRUE.equals(request.feedsOut);
    said.turnsItselfOff = !Boolean.FALSE.equals(request.turnsItselfOff);
    said.outOfOrder = Boolean.TRUE.equals(request.outOfOrder);
    describeDesiccant(said, request);
    describeSwitch(said, request);
    double rated =
        Require.within(
            "ratedMaxC",
            request.ratedMaxC == null ? kind.usualRatedMaxC() : request.ratedMaxC,
            30,
            250,
            "°C");
    Double airChanges = airChanges(kind, request);
    double volume = volumeL(request);
    dryers.saveAndFlush(said);
    places.describeDryer(placeId, rated, airChanges, volume, said.slots);
    book.dryer(placeId);
    return view(placeId);
  }

  private static double volumeL(DescribeDryerRequest request) {
    List<Double> sides =
        Stream.of(request.insideLengthMm, request.insideWidthMm, request.insideHeightMm)
            .filter(Objects::nonNull)
            .toList();
    if (sides.size() == 3) {
      return Require.within("insideLengthMm", request.insideLengthMm, 50, 3000, "mm")
          * Require.within("insideWidthMm", request.insideWidthMm, 50, 3000, "mm")
          * Require.within("insideHeightMm", request.insideHeightMm, 50, 3000, "mm")
          / 1e6;
    }
    if (!sides.isEmpty() && request.volumeL == null) {
      throw new InvalidValueException(
          "insideLengthMm",
          sides.size() + " of three inside dimensions",
          "length, width and height, or volumeL instead",
          "Measure the missing ones, or give the volume.");
    }
    return Require.within(
        "volumeL", request.volumeL == null ? Dryer.USUAL_VOLUME_L : request.volumeL, 1, 2000, "L");
  }

  private static Double airChanges(DryerKind kind, DescribeDryerRequest request) {
    if (Boolean.TRUE.equals(request.ventedFreely)) {
      return null;
    }
    if (request.airChangesPerHour != null) {
      return Require.within("airChangesPerHour", request.airChangesPerHour, 0.01, 1000, "per hour");
    }
    double usual = kind.airChangesPerHour().middle();
    return usual >= FREE_FROM_PER_HOUR ? null : Double.valueOf(usual);
  }

  private static void describeDesiccant(DryerDescription said, DescribeDryerRequest request) {
    if (request.desiccant == null) {
      said.desiccant = null;
      said.desiccantDryG = null;
      said.desiccantWaterG = null;
      return;
    }
    Desiccant kind = Desiccant.ofId(request.desiccant);
    double dry =
        Require.within(
            "desiccantDryG",
            Require.present("desiccantDryG", request.desiccantDryG, "a mass in g"),
            1,
            20_000,
            "g");
    said.desiccant = kind;
    said.desiccantDryG = dry;
    said.desiccantWaterG =
        Require.within(
            "desiccantWaterG",
            request.desiccantWaterG == null
                ? kind.residualFraction() * dry
                : request.desiccantWaterG,
            0,
            6 * dry,
            "g");
  }

  private static void describeSwitch(DryerDescription said, DescribeDryerRequest request) {
    said.switchTopic = text("switchTopic", request.switchTopic);
    said.switchOffPayload = text("switchOffPayload", request.switchOffPayload);
    said.maySwitchOff = Boolean.TRUE.equals(request.maySwitchOff);
    if (said.switchTopic != null) {
      Switches.checkTopic("switchTopic", said.switchTopic);
    }
    if (said.maySwitchOff && (said.switchTopic == null || said.switchOffPayload == null)) {
      throw new InvalidValueException(
          said.switchTopic == null ? "switchTopic" : "switchOffPayload",
          "missing",
          "a topic and a message",
          "Without them the program cannot switch it off.");
    }
  }

  private static String text(String field, String text) {
    if (text == null || text.isBlank()) {
      return null;
    }
    return Text.line(field, text, 1, LONGEST_TEXT, "Shorten it.");
  }

  @PostMapping("/dryers/{placeId}/measurements")
  @Operation(
      summary = "Characterises a dryer from a run with probes",
      description =
          "The log is a table as text: minutes or times first, then a column per probe, in °C."
              + " Without a log, what the devices in the dryer showed from 'from' to 'to' is taken.")
  @Transactional
  public MeasurementView measure(@PathVariable long placeId, @RequestBody MeasureRequest request) {
    book.present(placeId);
    double setpoint = Require.present("setpointC", request.setpointC, "20 to 250 °C");
    double unsure = request.instrumentUncertaintyK == null ? 1 : request.instrumentUncertaintyK;
    DryerCharacterisation found = DryerCharacterisation.of(log(placeId, request), setpoint, unsure);
    if (!Boolean.TRUE.equals(request.keep)) {
      return view(null, null, null, found);
    }
    long now = clock.instant().getEpochSecond();
    DryerMeasurement kept = measurements.save(new DryerMeasurement(placeId, now, found));
    return view(kept);
  }

  private ProbeLog log(long placeId, MeasureRequest request) {
    if (request.log != null && !request.log.isBlank()) {
      return ProbeLog.read(request.log);
    }
    Instant from =
        Require.present("from", request.from, "a log, or the time at which it was switched on");
    Instant to = request.to == null ? clock.instant() : request.to;
    return probes.log(placeId, from.toEpochMilli(), to.toEpochMilli());
  }

  @PostMapping("/dryers/{placeId}/air-exchange")
  @Operation(summary = "Air exchange from the power with vent open and closed")
  @Transactional
  public VentView vent(@PathVariable long placeId, @RequestBody VentRequest request) {
    PlaceInfo place = book.present(placeId);
    Dryer dryer = book.dryer(placeId);
    double changes =
        DryerCharacterisation.airChangesPerHour(
            Require.present("openW", request.openW, "a power in W"),
            Require.present("closedW", request.closedW, "a power in W"),
            Require.present("insideC", request.insideC, "a temperature in °C"),
            Require.present("roomC", request.roomC, "a temperature in °C"),
            dryer.volumeL());
    if (Boolean.TRUE.equals(request.keep)) {
      places.describeDryer(
          placeId,
          dryer.ratedMaxC(),
          Math.min(1000, changes),
          dryer.volumeL(),
          book.description(place.id()).slots);
    }
    return new VentView(changes);
  }
}
