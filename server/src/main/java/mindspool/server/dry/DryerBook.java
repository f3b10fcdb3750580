package mindspool.server.dry;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.Dryer.DesiccantInside;
import mindspool.core.drying.DryerBehaviour;
import mindspool.core.drying.ReelFit;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.shelf.Spools.CurrentSpool;
import org.springframework.stereotype.Service;

/** The workshop's dryers as core knows them. */
@Service
class DryerBook {

  /** Standard atmosphere of ISO 291. */
  static final MoistAir ASSUMED_ROOM = new MoistAir(23, 50);

  private static final double DAY_S = 86_400;

  private final DryStore.Dryers dryers;
  private final DryStore.Measurements measurements;
  private final Climates climates;

  DryerBook(DryStore.Dryers dryers, DryStore.Measurements measurements, Climates climates) {
    this.dryers = dryers;
    this.measurements = measurements;
    this.climates = climates;
  }

  /** All places that are dryers. */
  List<PlaceInfo> places() {
    return climates.places().stream().filter(place -> place.kind() == PlaceKind.DRYER).toList();
  }

  /** A place that must be a dryer. */
  PlaceInfo place(long placeId) {
    PlaceInfo place = climates.place(placeId);
    if (place.kind() != PlaceKind.DRYER) {
      throw new InvalidValueException(
          "dryerId", place.name(), "a place that is a dryer", "Choose a dryer, or add one.");
    }
    return place;
  }

  /** A dryer that was not removed. */
  PlaceInfo present(long placeId) {
    climates.presentPlace(placeId);
    return place(placeId);
  }

  /** What was said of it; the usual where nothing was. */
  DryerDescription description(long placeId) {
    return dryers.findById(placeId).orElseGet(() -> new DryerDescription(placeId));
  }

  /** The latest measured run that holds. */
  Optional<DryerMeasurement> measurement(long placeId) {
    return measurements.findByPlaceIdOrderByAtSDescIdDesc(placeId).stream()
        .filter(each -> each.holds())
        .findFirst();
  }

  /** The dryer as it behaves: as measured, else as its kind usually does. */
  Dryer dryer(long placeId) {
    PlaceInfo place = place(placeId);
    DryerDescription said = description(placeId);
    DryerBehaviour behaviour =
        measurement(placeId)
            .map(measured -> measured.found().behaviour())
            .orElseGet(() -> said.kind.usual());
    return new Dryer(
        said.kind,
        place.ratedMaxC() == null ? said.kind.usualRatedMaxC() : place.ratedMaxC(),
        behaviour,
        place.airChangesPerHour() == null
            ? OptionalDouble.empty()
            : OptionalDouble.of(place.airChangesPerHour()),
        place.volumeL() == null ? Dryer.USUAL_VOLUME_L : place.volumeL(),
        said.desiccant == null
            ? Optional.empty()
            : Optional.of(
                new DesiccantInside(said.desiccant, said.desiccantDryG, said.desiccantWaterG)));
  }

  ReelFit fit(long placeId) {
    DryerDescription said = description(placeId);
    return new ReelFit(
        said.slots,
        Optional.ofNullable(said.maxReelDiameterMm),
        Optional.ofNullable(said.maxReelWidthMm));
  }

  /** Room whose air a dryer takes in; null where none is known. */
  Long roomId(long placeId) {
    return climates.roomOf(place(placeId));
  }

  /** Air that a dryer takes in: of the room it stands in, mean of the last day. */
  MoistAir roomAir(long placeId, double nowS) {
    Long room = roomId(placeId);
    return room == null ? ASSUMED_ROOM : meanAir(room, nowS);
  }

  /** Mean air of a place over the last day: a cycle sees the room for hours, not for an instant. */
  MoistAir meanAir(long placeId, double nowS) {
    return climates.climate(placeId).series().mean(nowS - DAY_S, nowS);
  }

  /** Why a spool cannot go into a dryer; none where it can. */
  Optional<String> objection(long placeId, CurrentSpool spool) {
    Dryer dryer = dryer(placeId);
    return dryer
        .kind()
        .refuses(spool.material(), dryer.behaviour().measured())
        .or(
            () ->
                fit(placeId)
                    .objection(spool.reelDiameterMm(), spool.reelWidthMm())
                    .map(why -> spool.code() + ": " + why + "."));
  }
}
