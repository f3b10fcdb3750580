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
import mindspool.core.stock.SpoolChoice;
import mindspool.server.air.Climates;
import mindspool.server.air.PlaceClimate;
import mindspool.server.estimates.SpoolEstimate;
import mindspool.server.estimates.SpoolEstimates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.shelf.SpoolViews.SpoolPage;
import mindspool.server.shelf.SpoolViews.SpoolView;
import mindspool.server.shelf.WrittenSpools.Written;
import mindspool.server.stock.KnownSpools;
import mindspool.server.stock.SpoolInUse;
import mindspool.server.stock.SpoolRecord;
import mindspool.server.stock.SpoolRecords;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "shelf")
public class ShelfController {

  private static final double USUAL_JOB_G = 100;

  private final SpoolRecords records;
  private final KnownSpools known;
  private final WrittenSpools written;
  private final SpoolEstimates estimates;
  private final Climates climates;
  private final MaterialCatalogue catalogue;
  private final ObjectProvider<SpoolInUse> uses;
  private final Clock clock;

  ShelfController(
      SpoolRecords records,
      KnownSpools known,
      WrittenSpools written,
      SpoolEstimates estimates,
      Climates climates,
      MaterialCatalogue catalogue,
      ObjectProvider<SpoolInUse> uses,
      Clock clock) {
    this.records = records;
    this.known = known;
    this.written = written;
    this.estimates = estimates;
    this.climates = climates;
    this.catalogue = catalogue;
    this.uses = uses;
    this.clock = clock;
  }

  /** A place on the shelf with its air now; {@code staleSinceS} once readings have stopped. */
  record ShelfPlace(
      PlaceInfo place,
      PlaceClimate.Source climateSource,
      double temperatureC,
      double relativeHumidityPercent,
      Long staleSinceS) {}

  /** The whole shelf in one answer; {@code pending} spools are still being computed. */
  record ShelfView(
      long nowS,
      List<Integer> frameHours,
      int pending,
      List<ShelfPlace> places,
      @ArraySchema(schema = @Schema(implementation = SpoolView.class)) List<Written> spools) {}

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
        place,
        climate.source(),
        air.temperatureC(),
        air.relativeHumidityPercent(),
        climate.staleSinceS().isPresent() ? climate.staleSinceS().getAsLong() : null);
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
}
