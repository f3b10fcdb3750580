package mindspool.server.climate;

import java.time.Clock;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.climate.MoistAir;
import mindspool.server.acts.Edits;
import mindspool.server.climate.PlaceController.PlaceRequest;
import mindspool.server.climate.PlaceController.PlannedClimateRequest;
import mindspool.server.climate.PlaceController.TypedClimateRequest;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import org.springframework.stereotype.Service;

/** Changes to places. */
@Service
class PlaceEditing {

  private static final long CLOCK_TOLERANCE_S = 120;

  private final ClimateStore.Places places;
  private final ClimateStore.Typed typed;
  private final ClimateStore.Planned planned;
  private final Climates climates;
  private final Edits edits;
  private final EditablePlace editable;
  private final Clock clock;

  PlaceEditing(
      ClimateStore.Places places,
      ClimateStore.Typed typed,
      ClimateStore.Planned planned,
      Climates climates,
      Edits edits,
      EditablePlace editable,
      Clock clock) {
    this.places = places;
    this.typed = typed;
    this.planned = planned;
    this.climates = climates;
    this.edits = edits;
    this.editable = editable;
    this.clock = clock;
  }

  public PlaceInfo add(PlaceRequest request) {
    PlaceKind kind =
        Require.present("kind", request.kind(), List.of(PlaceKind.values()).toString());
    Place place =
        new Place(
            name(request.name(), null),
            kind,
            (int) places.count(),
            clock.instant().getEpochSecond());
    describe(place, request);
    PlaceInfo added = PlaceInfo.of(places.save(place));
    climates.placesChanged();
    return added;
  }

  public PlaceInfo change(long id, PlaceRequest request) {
    Place place =
        places.findById(id).orElseThrow(() -> new NotFoundException("place with number " + id));
    StaleEditException.refuse(
        "The place " + place.name, request.version(), place.version, PlaceInfo.of(place));
    Edits.Before before = edits.before(editable, place);
    place.name = name(request.name(), id);
    describe(place, request);
    PlaceInfo changed = PlaceInfo.of(places.saveAndFlush(place));
    edits.changed(editable, id, before, place);
    climates.placesChanged();
    climates.changed(id);
    return changed;
  }

  private void describe(Place place, PlaceRequest request) {
    place.withinId = within(place, request.withinId());
    place.capacity =
        request.capacity() == null
            ? null
            : (int) Require.within("capacity", request.capacity(), 1, 1000, "spools");
    if (place.kind.isClosed()) {
      place.volumeL =
          Require.within(
              "volumeL",
              orElse(request.volumeL(), place.kind.container().usualVolumeL()),
              0.1,
              2000,
              "L");
    }
    if (place.kind == PlaceKind.DRYER) {
      describeDryer(place, request);
    }
  }

  /** The place that it stands in; never itself, nor anything that stands in it, nor a dryer. */
  private Long within(Place place, Long withinId) {
    if (withinId == null) {
      return null;
    }
    for (Long id = withinId; id != null; id = climates.place(id).withinId()) {
      if (id.equals(place.id)) {
        throw new InvalidValueException(
            "withinId",
            climates.place(withinId).name(),
            "a place that does not stand in this one",
            "A place cannot stand in itself.");
      }
    }
    PlaceInfo outer = climates.place(withinId);
    if (outer.kind() == PlaceKind.DRYER) {
      throw new InvalidValueException(
          "withinId",
          outer.name(),
          "a place that is not a dryer",
          "Choose the room or rack that it stands in.");
    }
    return withinId;
  }

  private static void describeDryer(Place place, PlaceRequest request) {
    place.ratedMaxC = Require.within("ratedMaxC", orElse(request.ratedMaxC(), 70), 30, 250, "°C");
    place.setpointC =
        Require.within(
            "setpointC",
            orElse(request.setpointC(), 50),
            20,
            Math.min(place.ratedMaxC, 110),
            "°C",
            "The upper end is the dryer's rating, at most 110 °C.");
    place.volumeL = Require.within("volumeL", orElse(request.volumeL(), 12), 1, 2000, "L");
    place.airChangesPerHour =
        request.airChangesPerHour() == null
            ? null
            : Require.within(
                "airChangesPerHour", request.airChangesPerHour(), 0.01, 1000, "per hour");
  }

  private static double orElse(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }

  private String name(String name, Long own) {
    String trimmed = Text.line("name", name, 1, 80, "Call it what is written on it.");
    places
        .findByNameIgnoreCase(trimmed)
        .filter(other -> !other.id.equals(own))
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "name",
                  "\"" + trimmed + "\"",
                  "a name that no other place has",
                  "Add what tells them apart.");
            });
    return trimmed;
  }

  public TypedClimate type(long placeId, TypedClimateRequest request) {
    PlaceInfo place = climates.place(placeId);
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
    long since = request.since() == null ? now : request.since().getEpochSecond();
    if (since > now + CLOCK_TOLERANCE_S) {
      throw new InvalidValueException(
          "since", request.since(), "a time up to now", "The future is the forecast's business.");
    }
    TypedClimate saved =
        typed.save(
            new TypedClimate(
                placeId, since, air.temperatureC(), air.relativeHumidityPercent(), now));
    climates.changed(placeId);
    return saved;
  }

  public PlannedClimate plan(long placeId, PlannedClimateRequest request) {
    PlaceInfo place = climates.place(placeId);
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
