package mindspool.server.air;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.server.places.PlaceInfo;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/places")
@Tag(name = "shelf")
class AirController {

  private static final int CURVE_POINTS = 600;
  private static final double FIRST_LOOK_BACK_S = 60 * 86_400.0;

  private final Climates climates;
  private final AirEditing editing;
  private final ClimateStore.Files files;
  private final ClimateStore.Typed typed;
  private final Clock clock;

  AirController(
      Climates climates,
      AirEditing editing,
      ClimateStore.Files files,
      ClimateStore.Typed typed,
      Clock clock) {
    this.climates = climates;
    this.editing = editing;
    this.files = files;
    this.typed = typed;
    this.clock = clock;
  }

  record TypedClimateRequest(Double temperatureC, Double relativeHumidityPercent, Instant since) {}

  /** Air expected for a while. */
  record PlannedClimateRequest(
      String name,
      Double temperatureC,
      Double relativeHumidityPercent,
      Instant from,
      Instant until) {}

  record PlannedClimateView(
      long id,
      long actId,
      String name,
      long fromS,
      long untilS,
      double temperatureC,
      double relativeHumidityPercent) {}

  /** A point of a place's climate. */
  record ClimatePoint(long timeS, double temperatureC, double relativeHumidityPercent) {}

  record ImportedFile(
      long id, String name, Instant importedAt, int rowsTaken, Long firstS, Long lastS) {}

  record TypedClimateView(
      long id, long actId, Instant since, double temperatureC, double relativeHumidityPercent) {}

  record GapView(Long fromS, Long toS) {}

  record PlaceView(
      PlaceInfo place,
      PlaceClimate.Source climateSource,
      ClimatePoint now,
      Long staleSinceS,
      Double dewPointC,
      List<ClimatePoint> curve,
      List<GapView> gaps,
      List<ImportedFile> files,
      List<TypedClimateView> typed,
      String assumption,
      List<PlannedClimateView> planned) {}

  @GetMapping("/{id}")
  @Operation(summary = "A place with its climate")
  PlaceView place(@PathVariable long id) {
    PlaceInfo place = climates.presentPlace(id);
    PlaceClimate climate = climates.climate(id);
    long now = clock.instant().getEpochSecond();
    MoistAir air = climate.series().at(now);
    return new PlaceView(
        place,
        climate.source(),
        new ClimatePoint(now, air.temperatureC(), air.relativeHumidityPercent()),
        stale(climate),
        air.dewPointC().isPresent() ? air.dewPointC().getAsDouble() : null,
        curve(climate.series(), now),
        climate.gaps().stream().map(AirController::gap).toList(),
        files.findByPlaceIdOrderByImportedSDesc(id).stream().map(AirController::file).toList(),
        typed.findByPlaceIdAndUndoneByIsNullOrderByAtSAscIdAsc(id).stream()
            .map(AirController::typed)
            .toList(),
        climates.assumption(id),
        climates.plans().stream()
            .filter(plan -> plan.placeId == id && plan.untilS > now)
            .map(AirController::planned)
            .toList());
  }

  private static Long stale(PlaceClimate climate) {
    return climate.staleSinceS().isPresent() ? climate.staleSinceS().getAsLong() : null;
  }

  private static PlannedClimateView planned(PlannedClimate plan) {
    return new PlannedClimateView(
        plan.id,
        plan.actId,
        plan.name,
        plan.fromS(),
        plan.untilS,
        plan.temperatureC,
        plan.relativeHumidityPercent);
  }

  @PostMapping("/{id}/outlooks")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Says what air to expect of a place for a while")
  PlannedClimateView plan(@PathVariable long id, @RequestBody PlannedClimateRequest request) {
    return planned(editing.plan(id, request));
  }

  private static GapView gap(PlaceClimate.Gap gap) {
    return new GapView(
        Double.isInfinite(gap.fromS()) ? null : (long) gap.fromS(),
        Double.isInfinite(gap.toS()) ? null : (long) gap.toS());
  }

  private static ImportedFile file(ClimateFile file) {
    return new ImportedFile(
        file.id,
        file.name,
        Instant.ofEpochSecond(file.importedS),
        file.rowsTaken,
        file.firstS,
        file.lastS);
  }

  private static TypedClimateView typed(TypedClimate climate) {
    return new TypedClimateView(
        climate.id,
        climate.actId,
        Instant.ofEpochSecond(climate.sinceS()),
        climate.temperatureC,
        climate.relativeHumidityPercent);
  }

  /** Means over even spans, so that a year of minutes is drawn as quickly as a week of hours. */
  private static List<ClimatePoint> curve(ClimateSeries series, long now) {
    double from =
        series.isConstant()
            ? now - FIRST_LOOK_BACK_S
            : Math.min(series.firstTimeS(), now - 86_400.0);
    double width = (now - from) / CURVE_POINTS;
    List<ClimatePoint> points = new ArrayList<>();
    for (int i = 0; i < CURVE_POINTS; i++) {
      double start = from + i * width;
      MoistAir mean = series.mean(start, start + width);
      points.add(
          new ClimatePoint(
              Math.round(start + width / 2), mean.temperatureC(), mean.relativeHumidityPercent()));
    }
    return points;
  }

  @PostMapping("/{id}/typed-climates")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Says that a place has a constant climate from a time on")
  TypedClimateView type(@PathVariable long id, @RequestBody TypedClimateRequest request) {
    return typed(editing.type(id, request));
  }
}
