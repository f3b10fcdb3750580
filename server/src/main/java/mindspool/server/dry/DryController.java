package mindspool.server.dry;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Charge;
import mindspool.core.drying.ChargeForecast;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryingForecast;
import mindspool.server.calc.ChargeAnswer;
import mindspool.server.calc.DryerRequest;
import mindspool.server.calc.DryingAnswer;
import mindspool.server.climate.Climates;
import mindspool.server.shelf.Spools;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "dry")
class DryController {

  /** Mean of the last day: a cycle sees the room for hours, not for an instant. */
  private static final double ROOM_MEAN_S = 86_400;

  private final Spools spools;
  private final Climates climates;
  private final Clock clock;

  DryController(Spools spools, Climates climates, Clock clock) {
    this.spools = spools;
    this.climates = climates;
    this.clock = clock;
  }

  /**
   * A cycle to think through.
   *
   * @param roomPlaceId place whose air the dryer takes, mean of the last day; or typed instead
   */
  record DryingForecastRequest(
      DryerRequest dryer,
      Long roomPlaceId,
      Double roomTemperatureC,
      Double roomRelativeHumidityPercent,
      Double targetPercent) {}

  record DryingForecastView(
      double roomTemperatureC,
      double roomRelativeHumidityPercent,
      boolean sealed,
      DryingAnswer forecast) {}

  @PostMapping("/api/spools/{code}/drying-forecast")
  @Operation(summary = "What a cycle in a dryer would do to this spool, from its present state")
  DryingForecastView forecast(
      @PathVariable String code, @RequestBody DryingForecastRequest request) {
    CurrentSpool spool = spools.current(code);
    DryerRequest dryer =
        Require.present("dryer", request.dryer, "an object with setpointC, ratedMaxC");
    Dryer described = dryer.toDryer();
    MoistAir room =
        room(request.roomPlaceId, request.roomTemperatureC, request.roomRelativeHumidityPercent);
    DryingForecast forecast =
        DryingForecast.of(
            spool.material(),
            spool.state(),
            spool.reelKind(),
            described,
            room,
            optional(dryer.setpointC()),
            optional(request.targetPercent));
    return new DryingForecastView(
        room.temperatureC(),
        room.relativeHumidityPercent(),
        spool.sealed(),
        DryingAnswer.of(forecast));
  }

  /**
   * Spools to dry together.
   *
   * @param codes of the spools, in the order in which they are shown
   */
  record ChargeForecastRequest(
      List<String> codes,
      DryerRequest dryer,
      Long roomPlaceId,
      Double roomTemperatureC,
      Double roomRelativeHumidityPercent) {}

  /** {@code sealed}: codes of spools that are still in their bags. */
  record ChargeForecastView(
      double roomTemperatureC,
      double roomRelativeHumidityPercent,
      List<String> sealed,
      ChargeAnswer forecast) {}

  @PostMapping("/api/charge-forecast")
  @Operation(summary = "What a cycle would do to several spools together, from their present state")
  ChargeForecastView charge(@RequestBody ChargeForecastRequest request) {
    DryerRequest dryer =
        Require.present("dryer", request.dryer, "an object with setpointC, ratedMaxC");
    MoistAir room =
        room(request.roomPlaceId, request.roomTemperatureC, request.roomRelativeHumidityPercent);
    List<String> codes = Require.present("codes", request.codes, "codes of spools in stock");
    if (codes.stream().distinct().count() < codes.size()) {
      throw new InvalidValueException(
          "codes", codes, "each spool once", "Take the second of the same out.");
    }
    List<CurrentSpool> charged = codes.stream().map(spools::current).toList();
    List<Charge.Load> loads =
        charged.stream()
            .map(
                spool ->
                    new Charge.Load(
                        spool.code(),
                        spool.material(),
                        spool.state(),
                        spool.reelKind(),
                        spool.material().dryTargetPercent(),
                        spools.waterSpread(spool.code())))
            .toList();
    return new ChargeForecastView(
        room.temperatureC(),
        room.relativeHumidityPercent(),
        charged.stream().filter(CurrentSpool::sealed).map(CurrentSpool::code).toList(),
        ChargeAnswer.of(
            ChargeForecast.of(
                new Charge(loads), dryer.toDryer(), room, optional(dryer.setpointC()))));
  }

  private MoistAir room(Long placeId, Double temperatureC, Double relativeHumidityPercent) {
    if (placeId != null) {
      double now = clock.instant().getEpochSecond();
      return climates.climate(placeId).series().mean(now - ROOM_MEAN_S, now);
    }
    return new MoistAir(
        Require.present("roomTemperatureC", temperatureC, "-40 to 150 °C"),
        Require.present("roomRelativeHumidityPercent", relativeHumidityPercent, "0 to 100 %"));
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
