package mindspool.server.storage;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.storage.Desiccant;
import mindspool.core.storage.StorageForecast;
import mindspool.server.air.Climates;
import mindspool.server.http.MayBeNull;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.storage.Containers.DesiccantNow;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "shelf")
class ContainerController {

  private static final double USUAL_MONTHS = 6;
  private static final double USUAL_SCALE_STEP_G = 0.1;

  private final Containers containers;
  private final Climates climates;

  ContainerController(Containers containers, Climates climates) {
    this.containers = containers;
    this.climates = climates;
  }

  record OpeningRequest(Double minutes, Instant at) {}

  /** {@code massG} on the scale; {@code waterG} of it taken up since it was regenerated. */
  record PutDesiccantRequest(String kind, Double massG, Double waterG, Instant at) {}

  record DesiccantWeighingRequest(Double massG, Instant at) {}

  record DesiccantRemovalRequest(Instant at) {}

  record LeakRequest(Double leakGPerDay) {}

  /** Something done to a container, in words; {@code undone} ones stay visible. */
  record ContainerFactView(
      long id, long actId, long atS, String what, @MayBeNull String person, boolean undone) {}

  /** How a desiccant is made dry again, and which of the dryers here can. */
  record RegenerationView(
      double lowC,
      double highC,
      double shortHours,
      double longHours,
      String how,
      String caution,
      List<String> dryers) {}

  record DesiccantView(
      String kind,
      String title,
      double dryMassG,
      double waterG,
      double loadingPercent,
      double fullPercent,
      double humidityPercent,
      long sinceS,
      boolean regenerateNow,
      String why,
      RegenerationView regeneration) {}

  record MeasuredLeakView(double gPerDay, double gainedG, double days, double insidePercent) {}

  /** What a closed container promises; days are null where the limit is not passed. */
  record StorageView(
      double limitPercent,
      double months,
      double outsidePercent,
      double nowPercent,
      Double tightDays,
      Double typicalDays,
      Double leakyDays,
      Double desiccantG,
      double leakGPerDay,
      boolean leakMeasured,
      double openingsPerWeek,
      String advice,
      @MayBeNull DesiccantView desiccant,
      @MayBeNull MeasuredLeakView leakFound,
      List<ContainerFactView> facts) {}

  /**
   * A closed container among the others, for a walk along all of them.
   *
   * @param openedS when it was opened last; null where nobody said
   * @param weighedS when its desiccant was put in or weighed last
   * @param spentS when the air inside passes the limit; null where it does not within the months
   *     looked ahead
   * @param due whether the desiccant keeps the air below the limit no more
   */
  record ContainerView(
      long placeId,
      String name,
      String kind,
      double nowPercent,
      double outsidePercent,
      double limitPercent,
      Long openedS,
      @MayBeNull String desiccant,
      Double waterG,
      Double usedPercent,
      Long weighedS,
      Long spentS,
      boolean due) {}

  @GetMapping("/containers")
  @Operation(summary = "All closed containers, with when the desiccant of each is due")
  List<ContainerView> all() {
    return climates.places().stream()
        .filter(place -> place.kind().isClosed())
        .map(this::container)
        .toList();
  }

  private ContainerView container(PlaceInfo place) {
    DesiccantNow desiccant = containers.desiccantNow(place.id()).orElse(null);
    Double used =
        desiccant == null
            ? null
            : 100
                * desiccant.waterG()
                / desiccant.dryMassG()
                / desiccant.kind().isotherm().fraction(Containers.USUAL_LIMIT_PERCENT / 100);
    return new ContainerView(
        place.id(),
        place.name(),
        place.kind().title(),
        containers.nowPercent(place.id()),
        containers.outsidePercent(place.id()),
        Containers.USUAL_LIMIT_PERCENT,
        containers.openedS(place.id()),
        desiccant == null ? null : desiccant.kind().title(),
        desiccant == null ? null : desiccant.waterG(),
        used,
        desiccant == null ? null : desiccant.sinceS(),
        desiccant == null
            ? null
            : containers.spentS(place.id(), Containers.USUAL_LIMIT_PERCENT, USUAL_MONTHS),
        desiccant != null && desiccant.isSpent(Containers.USUAL_LIMIT_PERCENT));
  }

  @GetMapping("/places/{id}/storage")
  @Operation(summary = "How long a closed container stays dry with what is in it")
  StorageView storage(
      @PathVariable long id,
      @RequestParam(required = false) Double limitPercent,
      @RequestParam(required = false) Double months) {
    double limit = limitPercent == null ? Containers.USUAL_LIMIT_PERCENT : limitPercent;
    double span = months == null ? USUAL_MONTHS : months;
    Require.within("limitPercent", limit, 1, 99, "%");
    StorageForecast forecast = containers.forecast(id, limit, span);
    PlaceInfo place = climates.presentPlace(id);
    DesiccantNow desiccant = containers.desiccantNow(id).orElse(null);
    return new StorageView(
        limit,
        span,
        containers.outsidePercent(id),
        containers.nowPercent(id),
        orNull(forecast.tightDays()),
        orNull(forecast.typicalDays()),
        orNull(forecast.leakyDays()),
        orNull(forecast.desiccantG()),
        forecast.conductanceGPerDay().typical(),
        place.measuredLeakGPerDay() != null,
        containers.openingsPerWeek(id),
        forecast.advice(),
        desiccant == null ? null : view(desiccant, limit),
        containers
            .leakFound(id, USUAL_SCALE_STEP_G)
            .map(
                leak ->
                    new MeasuredLeakView(
                        leak.gPerDay(), leak.gainedG(), leak.days(), leak.insidePercent()))
            .orElse(null),
        containers.factsOf(id).stream().map(ContainerController::view).toList());
  }

  private static Double orNull(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }

  private static ContainerFactView view(ContainerFact fact) {
    return new ContainerFactView(
        fact.id,
        fact.actId,
        fact.atS,
        ContainerFactBook.sentence(fact),
        fact.person,
        !fact.holds());
  }

  private DesiccantView view(DesiccantNow now, double limit) {
    double humidity = now.humidityPercent();
    boolean spent = now.isSpent(limit);
    Desiccant kind = now.kind();
    return new DesiccantView(
        kind.id(),
        kind.title(),
        now.dryMassG(),
        now.waterG(),
        100 * now.waterG() / now.dryMassG(),
        100 * kind.isotherm().fraction(limit / 100),
        humidity,
        now.sinceS(),
        spent,
        String.format(
            Locale.ROOT,
            "It holds %.1f g of water, which is in balance with %.0f %% humidity; at %.0f %% it"
                + " would hold %.1f g.",
            now.waterG(),
            humidity,
            limit,
            now.dryMassG() * kind.isotherm().fraction(limit / 100)),
        kind.regeneration() == null ? null : view(kind.regeneration()));
  }

  private RegenerationView view(Desiccant.Regeneration regeneration) {
    List<String> dryers =
        climates.places().stream()
            .filter(place -> place.kind() == PlaceKind.DRYER && place.ratedMaxC() != null)
            .map(place -> ability(place, regeneration))
            .filter(text -> !text.isEmpty())
            .toList();
    return new RegenerationView(
        regeneration.lowC(),
        regeneration.highC(),
        regeneration.shortHours(),
        regeneration.longHours(),
        regeneration.how(),
        regeneration.caution(),
        dryers);
  }

  private static String ability(PlaceInfo dryer, Desiccant.Regeneration regeneration) {
    if (dryer.ratedMaxC() >= regeneration.lowC()) {
      return String.format(
          Locale.ROOT,
          "%s: %.0f °C, %.1f to %.1f h",
          dryer.name(),
          regeneration.lowC(),
          regeneration.shortHours(),
          regeneration.longHours());
    }
    return dryer.ratedMaxC() >= regeneration.slowFromC()
        ? String.format(
            Locale.ROOT, "%s: at its %.0f °C, overnight", dryer.name(), dryer.ratedMaxC())
        : "";
  }

  @PostMapping("/places/{id}/openings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that a container stood open for some minutes")
  void open(@PathVariable long id, @RequestBody OpeningRequest request) {
    containers.open(id, request);
  }

  @PostMapping("/places/{id}/desiccant")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records desiccant put into a container, replacing what was there")
  void putDesiccant(@PathVariable long id, @RequestBody PutDesiccantRequest request) {
    containers.putDesiccant(id, request);
  }

  @PostMapping("/places/{id}/desiccant/weighings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records the mass of a container's desiccant")
  void weighDesiccant(@PathVariable long id, @RequestBody DesiccantWeighingRequest request) {
    containers.weighDesiccant(id, request);
  }

  @PostMapping("/places/{id}/desiccant/removals")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records that a container's desiccant was taken out")
  void takeOut(@PathVariable long id, @RequestBody DesiccantRemovalRequest request) {
    containers.takeOutDesiccant(id, request.at());
  }

  @PutMapping("/places/{id}/leak")
  @Operation(summary = "Sets a container's own leak, or forgets it")
  PlaceInfo setLeak(@PathVariable long id, @RequestBody LeakRequest request) {
    return containers.setLeak(id, request.leakGPerDay());
  }
}
