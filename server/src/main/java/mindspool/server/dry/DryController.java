package mindspool.server.dry;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryingForecast;
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
    MoistAir room = room(request);
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

  private MoistAir room(DryingForecastRequest request) {
    if (request.roomPlaceId != null) {
      double now = clock.instant().getEpochSecond();
      return climates.climate(request.roomPlaceId).series().mean(now - ROOM_MEAN_S, now);
    }
    return new MoistAir(
        Require.present("roomTemperatureC", request.roomTemperatureC, "-40 to 150 °C"),
        Require.present(
            "roomRelativeHumidityPercent", request.roomRelativeHumidityPercent, "0 to 100 %"));
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
