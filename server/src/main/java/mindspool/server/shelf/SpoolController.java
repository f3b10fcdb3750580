package mindspool.server.shelf;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import mindspool.core.Require;
import mindspool.core.climate.Horizon;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReceivingCheck;
import mindspool.core.stock.SpoolChoice;
import mindspool.server.acts.Origin;
import mindspool.server.climate.Climates;
import mindspool.server.climate.PlaceClimate;
import mindspool.server.climate.PlaceInfo;
import mindspool.server.http.Asks;
import mindspool.server.shelf.SpoolActs.Recorded;
import mindspool.server.shelf.SpoolRequests.CleanRequest;
import mindspool.server.shelf.SpoolRequests.DeliveryRequest;
import mindspool.server.shelf.SpoolRequests.DustRequest;
import mindspool.server.shelf.SpoolRequests.EmptyRequest;
import mindspool.server.shelf.SpoolRequests.EndRequest;
import mindspool.server.shelf.SpoolRequests.HeatRequest;
import mindspool.server.shelf.SpoolRequests.MoveRequest;
import mindspool.server.shelf.SpoolRequests.OpenRequest;
import mindspool.server.shelf.SpoolRequests.ReceiveRequest;
import mindspool.server.shelf.SpoolRequests.WeighRequest;
import mindspool.server.shelf.SpoolViews.SpoolPage;
import mindspool.server.shelf.SpoolViews.SpoolView;
import mindspool.server.shelf.WrittenSpools.Written;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "shelf")
class SpoolController {

  private static final double USUAL_JOB_G = 100;

  private final SpoolRecords records;
  private final KnownSpools known;
  private final WrittenSpools written;
  private final SpoolEstimates estimates;
  private final Receiving receiving;
  private final SpoolActs acts;
  private final Climates climates;
  private final MaterialCatalogue catalogue;
  private final ObjectProvider<SpoolInUse> uses;
  private final Clock clock;

  SpoolController(
      SpoolRecords records,
      KnownSpools known,
      WrittenSpools written,
      SpoolEstimates estimates,
      Receiving receiving,
      SpoolActs acts,
      Climates climates,
      MaterialCatalogue catalogue,
      ObjectProvider<SpoolInUse> uses,
      Clock clock) {
    this.records = records;
    this.known = known;
    this.written = written;
    this.estimates = estimates;
    this.receiving = receiving;
    this.acts = acts;
    this.climates = climates;
    this.catalogue = catalogue;
    this.uses = uses;
    this.clock = clock;
  }

  /** A place on the shelf with its air now. */
  record ShelfPlace(
      PlaceInfo place,
      PlaceClimate.Source climateSource,
      double temperatureC,
      double relativeHumidityPercent) {}

  /** The whole shelf in one answer; {@code pending} spools are still being computed. */
  record ShelfView(
      long nowS,
      List<Integer> frameHours,
      int pending,
      List<ShelfPlace> places,
      @ArraySchema(schema = @Schema(implementation = SpoolView.class)) List<Written> spools) {}

  record ReceivedView(String code) {}

  /** What a receipt would mean, before it is stored. */
  record ReceivePreview(
      Band remainingG,
      Band remainingM,
      Band emptyReelG,
      double windingRadiusMm,
      double startMoisturePercent,
      double startLowPercent,
      double startHighPercent,
      double dryTargetPercent,
      double printLimitPercent,
      String consequence,
      Double siblingEmptyReelG,
      List<ReceivingCheck.Consequence> consequences) {}

  record DeliveryView(List<String> codes) {}

  /** A spool for a job, the one to take first. */
  record ChoiceView(String code, boolean enough, boolean ready, String why) {}

  private static double job(Double grams) {
    return Require.within(
        "grams", grams == null ? USUAL_JOB_G : grams, 1, 10_000, "g", "Mass of the next job.");
  }

  @GetMapping("/shelf")
  @Operation(summary = "All places and spools with their forecast, in one answer")
  ShelfView shelf(@RequestParam(required = false) Double grams) {
    double job = job(grams);
    long now = clock.instant().getEpochSecond();
    List<Written> spools = new ArrayList<>();
    int pending = 0;
    for (SpoolRecord spool : known.inStock()) {
      SpoolEstimate estimate = estimates.ready(spool).orElse(null);
      pending += estimate == null ? 1 : 0;
      spools.add(written.of(spool, estimate, job, now));
    }
    return new ShelfView(
        now,
        Horizon.frameHours(),
        pending,
        climates.places().stream().map(place -> shelfPlace(place, now)).toList(),
        spools);
  }

  private ShelfPlace shelfPlace(PlaceInfo place, long now) {
    PlaceClimate climate = climates.shown(place.id());
    MoistAir air = climate.series().at(now);
    return new ShelfPlace(
        place, climate.source(), air.temperatureC(), air.relativeHumidityPercent());
  }

  @GetMapping("/spools/{code}")
  @Operation(summary = "Everything about a spool")
  SpoolPage spool(@PathVariable String code, @RequestParam(required = false) Double grams) {
    SpoolRecord spool = records.byCode(code);
    return SpoolViews.page(
        spool,
        estimates.of(spool),
        records.factsOf(spool.spool().id),
        climates,
        job(grams),
        clock.instant().getEpochSecond());
  }

  @PostMapping("/spools")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Takes a spool into stock")
  ReceivedView receive(@RequestBody ReceiveRequest request) {
    return new ReceivedView(receiving.receive(request, Origin.HAND));
  }

  @PostMapping("/deliveries")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Takes several reels of one lot into stock, all or none")
  DeliveryView deliver(@RequestBody DeliveryRequest request) {
    return new DeliveryView(receiving.receiveAll(request, Origin.HAND));
  }

  @GetMapping("/shelf/choice")
  @Operation(summary = "Which spool to take for a job: the smallest adequate, driest, oldest")
  List<ChoiceView> choice(@RequestParam String material, @RequestParam double grams) {
    String name = catalogue.named(material).name();
    double job = job(grams);
    long now = clock.instant().getEpochSecond();
    List<SpoolChoice.Candidate> candidates =
        known.inStock().stream()
            .filter(spool -> spool.material().name().equals(name))
            .map(spool -> candidate(spool, now))
            .toList();
    return SpoolChoice.rank(candidates, job).stream()
        .map(
            ranked ->
                new ChoiceView(
                    ranked.spool().code(),
                    ranked.enough(),
                    ranked.ready(),
                    ranked.why() + use(ranked.spool().code())))
        .toList();
  }

  /** What else it is needed for: a spool that is being dried is not simply taken. */
  private String use(String code) {
    return uses.stream()
        .map(each -> each.useOf(code))
        .flatMap(Optional::stream)
        .map(use -> "; " + use)
        .collect(Collectors.joining());
  }

  private SpoolChoice.Candidate candidate(SpoolRecord spool, long now) {
    Band left = spool.remaining().massG();
    double outer = estimates.of(spool).profileAt(now).outerPercent();
    return new SpoolChoice.Candidate(
        spool.spool().code,
        left.low(),
        left.typical(),
        outer / spool.material().printLimitPercent(),
        (now - spool.spool().arrivedS) / 86_400.0,
        spool.end(),
        spool.smallestNozzleMm());
  }

  @Asks
  @PostMapping("/spools/preview")
  @Operation(summary = "What a receipt would mean; nothing is stored")
  ReceivePreview preview(@RequestBody ReceiveRequest request) {
    return ReceiveConsequence.of(receiving.draft(request));
  }

  @PostMapping("/spools/{code}/moves")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that a spool was moved, or visited a place for a while")
  Recorded move(@PathVariable String code, @RequestBody MoveRequest request) {
    return acts.move(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/weighings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records a gross mass")
  Recorded weigh(@PathVariable String code, @RequestBody WeighRequest request) {
    return acts.weigh(
        code, request, Boolean.TRUE.equals(request.fromScale()) ? Origin.DEVICE : Origin.HAND);
  }

  @PostMapping("/spools/{code}/openings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that its bag was opened")
  Recorded open(@PathVariable String code, @RequestBody OpenRequest request) {
    return acts.open(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/end")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records what was done with its loose end")
  Recorded end(@PathVariable String code, @RequestBody EndRequest request) {
    return acts.end(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/heat-events")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that it lay hot")
  Recorded heated(@PathVariable String code, @RequestBody HeatRequest request) {
    return acts.heated(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/quarantine")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Sets it aside for wide nozzles: dusty or dropped")
  Recorded dusty(@PathVariable String code, @RequestBody DustRequest request) {
    return acts.dusty(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/cleanings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Says that it was wiped and is clean again")
  Recorded cleaned(@PathVariable String code, @RequestBody CleanRequest request) {
    return acts.cleaned(code, request, Origin.HAND);
  }

  @PostMapping("/spools/{code}/emptyings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Takes a used-up spool out of stock with its empty reel's mass")
  Recorded emptied(@PathVariable String code, @RequestBody EmptyRequest request) {
    return acts.emptied(code, request, Origin.HAND);
  }
}
