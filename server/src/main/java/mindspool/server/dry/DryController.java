package mindspool.server.dry;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerLoad;
import mindspool.core.drying.DryingForecast;
import mindspool.core.drying.LoadForecast;
import mindspool.core.drying.PrintReady;
import mindspool.server.calc.DryerRequest;
import mindspool.server.calc.DryingAnswer;
import mindspool.server.calc.LoadAnswer;
import mindspool.server.http.Asks;
import mindspool.server.http.HeavyWork;
import mindspool.server.http.MayBeNull;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "dry")
class DryController {

  /** How much more humid the room is in which the answer is given once more, %. */
  private static final double MORE_HUMID = 20;

  private static final double MOST_HUMID = 95;

  private final DryerBook book;
  private final Spools spools;
  private final Clock clock;

  private final HeavyWork heavy;

  DryController(DryerBook book, Spools spools, Clock clock, HeavyWork heavy) {
    this.heavy = heavy;
    this.book = book;
    this.spools = spools;
    this.clock = clock;
  }

  /**
   * A cycle to think through.
   *
   * @param dryerId a dryer of the workshop, as it behaves; then only the setpoint of {@code dryer}
   *     counts
   * @param dryer a dryer described here
   * @param roomPlaceId place whose air the dryer takes, mean of the last day; or typed instead
   * @param jobG filament that the next job takes, for when that prints; all of it where left out
   */
  record DryingForecastRequest(
      Long dryerId,
      DryerRequest dryer,
      Long roomPlaceId,
      Double roomTemperatureC,
      Double roomRelativeHumidityPercent,
      Double targetPercent,
      Double jobG) {}

  /**
   * When the next job prints.
   *
   * @param goalPercent that the wettest of its wraps comes down to: below the print limit by what
   *     is taken up while it waits and prints
   * @param likelyHours as likely sooner as later; null where this air never allows it
   * @param sureHours nine times in ten; null where never
   */
  record PrintReadyView(double goalPercent, Double likelyHours, Double sureHours) {

    static PrintReadyView of(PrintReady ready) {
      return new PrintReadyView(
          ready.goalPercent(), orNull(ready.likelyHours()), orNull(ready.sureHours()));
    }

    private static Double orNull(OptionalDouble hours) {
      return hours.isPresent() ? hours.getAsDouble() : null;
    }
  }

  /** After so many hours, as likely sooner as later, so many grams print, from outside. */
  record PrintStepView(double hour, double grams) {}

  /** How the answer changes in a more humid room; hours null where it is never dry there. */
  record HumidRoomView(double relativeHumidityPercent, double floorPercent, Double dryHours) {}

  /**
   * What would come of it.
   *
   * @param sureHours until it is dry to the core nine times in ten; null where never
   * @param objection why the spool does not go into that dryer; null where it does
   * @param printReady when the next job prints; null where no time is offered
   * @param printSteps what each further hour buys; empty where no time is offered
   */
  record DryingForecastView(
      double roomTemperatureC,
      double roomRelativeHumidityPercent,
      boolean sealed,
      @MayBeNull String objection,
      Double sureHours,
      @MayBeNull LoadAnswer.WeighingAdvice nextWeighing,
      HumidRoomView humidRoom,
      @MayBeNull PrintReadyView printReady,
      List<PrintStepView> printSteps,
      DryingAnswer forecast) {}

  @Asks
  @PostMapping("/api/spools/{code}/drying-forecast")
  @Operation(summary = "What a cycle in a dryer would do to this spool, from its present state")
  DryingForecastView forecast(
      @PathVariable String code, @RequestBody DryingForecastRequest request) {
    return heavy.run(() -> computed(code, request));
  }

  private DryingForecastView computed(String code, DryingForecastRequest request) {
    CurrentSpool spool = spools.current(code);
    Dryer dryer = dryer(request.dryerId, request.dryer);
    OptionalDouble setpoint = setpoint(request.dryer);
    MoistAir room =
        room(request.roomPlaceId, request.roomTemperatureC, request.roomRelativeHumidityPercent);
    OptionalDouble target = optional(request.targetPercent);
    DryingForecast forecast = forecast(spool, dryer, room, setpoint, target);
    DryerLoad.LoadedSpool loaded = spools.loaded(spool);
    DryerLoad.LoadedSpool aimed =
        target.isPresent() ? loaded.withTarget(target.getAsDouble()) : loaded;
    LoadAnswer alone =
        LoadAnswer.of(LoadForecast.of(new DryerLoad(List.of(aimed)), dryer, room, setpoint));
    boolean offered = forecast.ceiling().refusal().isEmpty();
    MoistAir humid =
        new MoistAir(
            room.temperatureC(), Math.min(MOST_HUMID, room.relativeHumidityPercent() + MORE_HUMID));
    DryingForecast there = forecast(spool, dryer, humid, setpoint, target);
    return new DryingForecastView(
        room.temperatureC(),
        room.relativeHumidityPercent(),
        spool.sealed(),
        objection(request.dryerId, spool),
        offered ? alone.sureLastHours() : null,
        offered ? alone.spools().get(0).nextWeighing() : null,
        new HumidRoomView(
            humid.relativeHumidityPercent(),
            there.floorPercent(),
            there.hours().all().isPresent() ? there.hours().all().getAsDouble() : null),
        offered
            ? printReady(
                    List.of(spool),
                    List.of(aimed),
                    request.jobG,
                    dryer,
                    room,
                    alone.startC(),
                    alone.setpointC())
                .get(0)
            : null,
        offered ? printSteps(aimed, spool.netG(), dryer, room, alone) : List.of(),
        DryingAnswer.of(forecast));
  }

  private static List<PrintStepView> printSteps(
      DryerLoad.LoadedSpool loaded, double netG, Dryer dryer, MoistAir room, LoadAnswer alone) {
    return PrintReady.steps(loaded, dryer, room, alone.startC(), alone.setpointC()).stream()
        .map(step -> new PrintStepView(step.hour(), step.share() * netG))
        .toList();
  }

  private static List<PrintReadyView> printReady(
      List<CurrentSpool> spools,
      List<DryerLoad.LoadedSpool> loadedSpools,
      Double jobG,
      Dryer dryer,
      MoistAir room,
      double startC,
      double setpointC) {
    List<Double> shares =
        spools.stream()
            .map(
                spool ->
                    jobG == null
                        ? 1.0
                        : Math.min(1, Require.within("jobG", jobG, 1, 10_000, "g") / spool.netG()))
            .toList();
    return PrintReady.of(new DryerLoad(loadedSpools), shares, dryer, room, startC, setpointC)
        .stream()
        .map(PrintReadyView::of)
        .toList();
  }

  private static DryingForecast forecast(
      CurrentSpool spool,
      Dryer dryer,
      MoistAir room,
      OptionalDouble setpoint,
      OptionalDouble target) {
    return DryingForecast.of(
        spool.material(), spool.state(), spool.reelKind(), dryer, room, setpoint, target);
  }

  /**
   * Spools to dry together; {@code codes} in the order in which they are shown.
   *
   * @param jobG filament that the next job takes of each; all of it where left out
   */
  record LoadForecastRequest(
      List<String> codes,
      Long dryerId,
      DryerRequest dryer,
      Long roomPlaceId,
      Double roomTemperatureC,
      Double roomRelativeHumidityPercent,
      Double jobG) {}

  /**
   * What would come of it.
   *
   * @param sealed codes of spools that are still in their bags
   * @param objections why spools do not go into that dryer
   * @param printReady when the next job of each prints, in their order
   */
  record LoadForecastView(
      double roomTemperatureC,
      double roomRelativeHumidityPercent,
      List<String> sealed,
      List<String> objections,
      List<PrintReadyView> printReady,
      LoadAnswer forecast) {}

  @Asks
  @PostMapping("/api/load-forecast")
  @Operation(summary = "What a cycle would do to several spools together, from their present state")
  LoadForecastView load(@RequestBody LoadForecastRequest request) {
    return heavy.run(() -> computed(request));
  }

  private LoadForecastView computed(LoadForecastRequest request) {
    Dryer dryer = dryer(request.dryerId, request.dryer);
    MoistAir room =
        room(request.roomPlaceId, request.roomTemperatureC, request.roomRelativeHumidityPercent);
    List<CurrentSpool> loaded = loaded(request.codes);
    List<DryerLoad.LoadedSpool> loadedSpools = loaded.stream().map(spools::loaded).toList();
    LoadForecast together =
        LoadForecast.of(new DryerLoad(loadedSpools), dryer, room, setpoint(request.dryer));
    return new LoadForecastView(
        room.temperatureC(),
        room.relativeHumidityPercent(),
        loaded.stream().filter(CurrentSpool::sealed).map(CurrentSpool::code).toList(),
        objections(request.dryerId, loaded),
        printReady(
            loaded,
            loadedSpools,
            request.jobG,
            dryer,
            room,
            together.startC(),
            together.setpointC()),
        LoadAnswer.of(together));
  }

  private List<CurrentSpool> loaded(List<String> asked) {
    List<String> codes = Require.present("codes", asked, "codes of spools in stock");
    if (codes.stream().distinct().count() < codes.size()) {
      throw new InvalidValueException(
          "codes", codes, "each spool once", "Take the second of the same out.");
    }
    return codes.stream().map(spools::current).toList();
  }

  private List<String> objections(Long dryerId, List<CurrentSpool> loaded) {
    List<String> lines = new ArrayList<>();
    if (dryerId == null) {
      return lines;
    }
    int slots = book.fit(dryerId).slots();
    if (loaded.size() > slots) {
      lines.add(
          "%s has %d slots, these are %d spools."
              .formatted(book.place(dryerId).name(), slots, loaded.size()));
    }
    loaded.forEach(spool -> book.objection(dryerId, spool).ifPresent(lines::add));
    return lines;
  }

  private String objection(Long dryerId, CurrentSpool spool) {
    return dryerId == null ? null : book.objection(dryerId, spool).orElse(null);
  }

  private Dryer dryer(Long dryerId, DryerRequest described) {
    return dryerId != null
        ? book.dryer(dryerId)
        : Require.present("dryer", described, "an object with setpointC, ratedMaxC").toDryer();
  }

  private static OptionalDouble setpoint(DryerRequest dryer) {
    return dryer == null ? OptionalDouble.empty() : optional(dryer.setpointC());
  }

  private MoistAir room(Long placeId, Double temperatureC, Double relativeHumidityPercent) {
    if (placeId != null) {
      return book.meanAir(placeId, clock.instant().getEpochSecond());
    }
    return new MoistAir(
        Require.present("roomTemperatureC", temperatureC, "-40 to 150 °C"),
        Require.present("roomRelativeHumidityPercent", relativeHumidityPercent, "0 to 100 %"));
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
