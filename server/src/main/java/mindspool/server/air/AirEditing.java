package mindspool.server.air;

import java.time.Clock;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.Times;
import mindspool.core.climate.MoistAir;
import mindspool.server.air.AirController.PlannedClimateRequest;
import mindspool.server.air.AirController.TypedClimateRequest;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import org.springframework.stereotype.Service;

/** What people type of the air of places: how it is, and what to expect of it. */
@Service
class AirEditing {

  private final ClimateStore.Typed typed;
  private final ClimateStore.Planned planned;
  private final Climates climates;
  private final Clock clock;

  AirEditing(
      ClimateStore.Typed typed, ClimateStore.Planned planned, Climates climates, Clock clock) {
    this.typed = typed;
    this.planned = planned;
    this.climates = climates;
    this.clock = clock;
  }

  public TypedClimate type(long placeId, TypedClimateRequest request) {
    PlaceInfo place = climates.presentPlace(placeId);
    if (place.kind() == PlaceKind.DRYER && place.withinId() != null) {
      throw new InvalidValueException(
          "placeId",
          place.name(),
          "a place whose air is not made from a room's",
          "A dryer's air follows from its room and setpoint.");
    }
    MoistAir air =
        new MoistAir(
            Require.present("temperatureC", request.temperatureC(), "-40 to 110 °C"),
            Require.present(
                "relativeHumidityPercent", request.relativeHumidityPercent(), "0 to 100 %"));
    Require.within("temperatureC", air.temperatureC(), -40, 110, "°C");
    long now = clock.instant().getEpochSecond();
    long since = request.since() == null ? now : Times.past("since", request.since(), now);
    TypedClimate saved =
        typed.save(
            new TypedClimate(
                placeId, since, air.temperatureC(), air.relativeHumidityPercent(), now));
    climates.changed(placeId);
    return saved;
  }

  public PlannedClimate plan(long placeId, PlannedClimateRequest request) {
    PlaceInfo place = climates.presentPlace(placeId);
    MoistAir air =
        new MoistAir(
            Require.present("temperatureC", request.temperatureC(), "-40 to 110 °C"),
            Require.present(
                "relativeHumidityPercent", request.relativeHumidityPercent(), "0 to 100 %"));
    Require.within("temperatureC", air.temperatureC(), -40, 110, "°C");
    long now = clock.instant().getEpochSecond();
    long from = request.from() == null ? now : request.from().getEpochSecond();
    long until = Require.present("until", request.until(), "a time to come").getEpochSecond();
    if (until <= Math.max(now, from)) {
      throw new InvalidValueException(
          "until",
          request.until(),
          "a time to come, after the beginning",
          "What was before belongs into the record.");
    }
    String name = Text.line("name", request.name(), 1, 80, "Such as: closed, heating off.");
    PlannedClimate saved =
        planned.save(new PlannedClimate(place.id(), name, from, until, air, now));
    climates.plansChanged(placeId);
    return saved;
  }
}
