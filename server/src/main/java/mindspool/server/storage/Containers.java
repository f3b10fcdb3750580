package mindspool.server.storage;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Times;
import mindspool.core.climate.MoistAir;
import mindspool.core.stock.Band;
import mindspool.core.storage.Desiccant;
import mindspool.core.storage.MeasuredLeak;
import mindspool.core.storage.StorageForecast;
import mindspool.core.storage.WaterStore;
import mindspool.server.acts.Origin;
import mindspool.server.air.Climates;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceTraits;
import mindspool.server.storage.ContainerController.DesiccantWeighingRequest;
import mindspool.server.storage.ContainerController.OpeningRequest;
import mindspool.server.storage.ContainerController.PutDesiccantRequest;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;

/** What is done to closed containers, and what they promise. */
@Service
class Containers {

  /** Air below this keeps most filaments dry; common practice, %. */
  static final double USUAL_LIMIT_PERCENT = 20;

  private static final double LONGEST_OPEN_MIN = 24 * 60;
  private static final double DAY_S = 86_400;

  /** Desiccant weighings further apart than this tell a leak. */
  private static final double LEAST_LEAK_DAYS = 1;

  private final ContainerFactStore facts;
  private final PlaceTraits traits;
  private final Climates climates;
  private final ComputedClimates computed;
  private final ObjectProvider<PlaceContents> contents;
  private final Clock clock;

  Containers(
      ContainerFactStore facts,
      PlaceTraits traits,
      Climates climates,
      ComputedClimates computed,
      ObjectProvider<PlaceContents> contents,
      Clock clock) {
    this.facts = facts;
    this.traits = traits;
    this.climates = climates;
    this.computed = computed;
    this.contents = contents;
    this.clock = clock;
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  private PlaceInfo closed(long placeId) {
    PlaceInfo place = climates.presentPlace(placeId);
    if (!place.kind().isClosed()) {
      throw new InvalidValueException(
          "placeId",
          place.name(),
          "a closed box or bag",
          "Open places have the air of what they stand in.");
    }
    return place;
  }

  private long time(Instant at) {
    return at == null ? now() : Times.past("at", at, now());
  }

  private ContainerFact fact(long placeId, ContainerFact.Kind kind, Instant at) {
    return new ContainerFact(placeId, kind, time(at), now(), Origin.HAND);
  }

  private ContainerFact store(ContainerFact fact) {
    ContainerFact saved = facts.save(fact);
    climates.contentsChanged();
    return saved;
  }

  ContainerFact open(long placeId, OpeningRequest request) {
    ContainerFact fact = fact(closed(placeId).id(), ContainerFact.Kind.OPENED, request.at());
    fact.minutes =
        Require.within(
            "minutes",
            request.minutes() == null ? 1 : request.minutes(),
            0,
            LONGEST_OPEN_MIN,
            "min",
            "Longer than a day open is a move to the open shelf.");
    return store(fact);
  }

  ContainerFact putDesiccant(long placeId, PutDesiccantRequest request) {
    ContainerFact fact = fact(closed(placeId).id(), ContainerFact.Kind.DESICCANT_PUT, request.at());
    fact.desiccant = Desiccant.ofId(request.kind());
    double mass =
        Require.within(
            "massG",
            Require.present("massG", request.massG(), "its mass on the scale, g"),
            1,
            20_000,
            "g");
    double residual = fact.desiccant.residualFraction();
    double water = request.waterG() == null ? 0 : request.waterG();
    double full = fact.desiccant.isotherm().fraction(1);
    Require.within(
        "waterG",
        water,
        0,
        mass * full / (1 + full),
        "g",
        "What it took up since it was regenerated; that much of it holds no more.");
    fact.dryMassG = (mass - water) / (1 + residual);
    fact.massG = mass;
    return store(fact);
  }

  ContainerFact weighDesiccant(long placeId, DesiccantWeighingRequest request) {
    closed(placeId);
    ContainerFact present =
        desiccant(placeId, time(request.at()))
            .orElseThrow(
                () ->
                    new InvalidValueException(
                        "massG",
                        request.massG(),
                        "a container with desiccant in it",
                        "Say first what was put in."));
    double most = present.dryMassG * (1 + present.desiccant.isotherm().fraction(1));
    double mass =
        Require.within(
            "massG",
            Require.present("massG", request.massG(), "its mass on the scale, g"),
            0.9 * present.dryMassG,
            most,
            "g",
            "That much of it can weigh no less dry and no more wet; is it the same?");
    ContainerFact fact = fact(placeId, ContainerFact.Kind.DESICCANT_WEIGHED, request.at());
    fact.desiccant = present.desiccant;
    fact.dryMassG = Math.min(present.dryMassG, mass);
    fact.massG = mass;
    return store(fact);
  }

  ContainerFact takeOutDesiccant(long placeId, Instant at) {
    closed(placeId);
    return store(fact(placeId, ContainerFact.Kind.DESICCANT_TAKEN_OUT, at));
  }

  /** Sets or forgets a container's own leak. */
  PlaceInfo setLeak(long placeId, Double gPerDay) {
    closed(placeId);
    return traits.keepLeak(
        placeId,
        gPerDay == null ? null : Require.within("leakGPerDay", gPerDay, 1e-4, 1000, "g per day"));
  }

  List<ContainerFact> factsOf(long placeId) {
    return facts.findByPlaceIdOrderByAtSAscIdAsc(placeId);
  }

  private Optional<ContainerFact> desiccant(long placeId, long atS) {
    ContainerFact present = null;
    for (ContainerFact fact : factsOf(placeId)) {
      if (!fact.holds() || fact.atS > atS || fact.kind == ContainerFact.Kind.OPENED) {
        continue;
      }
      present = fact.kind == ContainerFact.Kind.DESICCANT_TAKEN_OUT ? null : fact;
    }
    return Optional.ofNullable(present);
  }

  /**
   * The desiccant in a container now.
   *
   * @param waterG all water in it, followed from when it was put in or last weighed
   */
  record DesiccantNow(Desiccant kind, double dryMassG, double waterG, long sinceS) {

    double humidityPercent() {
      return 100 * kind.isotherm().humidity(waterG / dryMassG);
    }

    /** Whether it keeps the air below a humidity no more. */
    boolean isSpent(double limitPercent) {
      return humidityPercent() >= limitPercent;
    }
  }

  Optional<DesiccantNow> desiccantNow(long placeId) {
    return desiccant(placeId, now())
        .map(
            fact ->
                new DesiccantNow(
                    fact.desiccant,
                    fact.dryMassG,
                    computed.inside(climates, placeId).stream()
                        .filter(store -> store.desiccant() != null)
                        .mapToDouble(WaterStore::waterG)
                        .findFirst()
                        .orElse(fact.massG - fact.dryMassG),
                    fact.atS));
  }

  /** Openings per week over the last eight weeks, or as long as there is a record. */
  double openingsPerWeek(long placeId) {
    double from = now() - 56 * DAY_S;
    List<ContainerFact> all = factsOf(placeId).stream().filter(fact -> fact.holds()).toList();
    if (all.isEmpty()) {
      return 0;
    }
    double since = Math.max(from, all.get(0).atS);
    double weeks = Math.max(1, (now() - since) / (7 * DAY_S));
    long opened =
        all.stream()
            .filter(fact -> fact.kind == ContainerFact.Kind.OPENED && fact.atS >= since)
            .count();
    return opened / weeks;
  }

  /** What a container promises with what is in it now. */
  StorageForecast forecast(long placeId, double limitPercent, double months) {
    PlaceInfo place = closed(placeId);
    List<WaterStore> inside = computed.inside(climates, placeId);
    MoistAir outside = outside(place);
    DesiccantNow desiccant = desiccantNow(placeId).orElse(null);
    StorageForecast.Question question =
        new StorageForecast.Question(
            place.container(),
            openingsPerWeek(placeId),
            outside,
            desiccant == null ? null : desiccant.kind,
            desiccant == null ? 0 : desiccant.dryMassG,
            desiccant == null ? 0 : Math.max(0, desiccant.waterG),
            () ->
                inside.stream()
                    .filter(store -> store.desiccant() == null)
                    .map(WaterStore::copy)
                    .toList(),
            limitPercent,
            months);
    return place.measuredLeakGPerDay() == null
        ? StorageForecast.of(question)
        : StorageForecast.of(question, Band.exactly(place.measuredLeakGPerDay()));
  }

  private MoistAir outside(PlaceInfo place) {
    if (place.withinId() == null) {
      return Climates.ASSUMED;
    }
    double now = now();
    return climates.climate(place.withinId()).series().mean(now - 7 * DAY_S, now);
  }

  /** A leak that two weighings of the desiccant tell. */
  record LeakFound(double gPerDay, double gainedG, double days, double insidePercent) {}

  /** The latest leak that weighings tell; none without two of them, or where they cannot. */
  Optional<LeakFound> leakFound(long placeId, double scaleStepG) {
    PlaceInfo place = closed(placeId);
    if (place.withinId() == null) {
      return Optional.empty();
    }
    ContainerFact from = null;
    LeakFound found = null;
    for (ContainerFact fact : factsOf(placeId)) {
      if (!fact.holds() || fact.kind == ContainerFact.Kind.OPENED) {
        continue;
      }
      if (fact.kind == ContainerFact.Kind.DESICCANT_WEIGHED && from != null) {
        double days = (fact.atS - from.atS) / DAY_S;
        LeakFound here =
            days < LEAST_LEAK_DAYS || somethingPutIn(placeId, from.atS, fact.atS)
                ? null
                : leak(place, from, fact, days, scaleStepG);
        found = here == null ? found : here;
      }
      from = fact.kind == ContainerFact.Kind.DESICCANT_TAKEN_OUT ? null : fact;
    }
    return Optional.ofNullable(found);
  }

  /** Whether a spool came in, whose water the desiccant would have taken too. */
  private boolean somethingPutIn(long placeId, long fromS, long toS) {
    PlaceContents known = contents.getIfAvailable();
    return known != null
        && known.occupants().stream()
            .flatMap(occupant -> occupant.stays().stream())
            .anyMatch(
                stay -> stay.placeId() == placeId && stay.fromS() > fromS && stay.fromS() < toS);
  }

  private LeakFound leak(
      PlaceInfo place, ContainerFact from, ContainerFact to, double days, double scaleStepG) {
    MoistAir outside = climates.climate(place.withinId()).series().mean(from.atS, to.atS);
    double inside =
        climates.hasOwnRecord(place.id())
            ? climates.climate(place.id()).series().mean(from.atS, to.atS).relativeHumidityPercent()
                / 100
            : 0.5 * (balance(from) + balance(to));
    double gained = to.massG - from.massG;
    try {
      MeasuredLeak leak =
          MeasuredLeak.of(
              gained, days, outside.relativeHumidityPercent() / 100, inside, scaleStepG);
      return new LeakFound(leak.conductanceGPerDay(), gained, days, 100 * inside);
    } catch (InvalidValueException e) {
      return null;
    }
  }

  private static double balance(ContainerFact fact) {
    return fact.desiccant.isotherm().humidity((fact.massG - fact.dryMassG) / fact.dryMassG);
  }

  /** When a container was opened last; null where nobody said. */
  Long openedS(long placeId) {
    return factsOf(placeId).stream()
        .filter(fact -> fact.holds() && fact.kind == ContainerFact.Kind.OPENED)
        .map(fact -> fact.atS)
        .max(Long::compare)
        .orElse(null);
  }

  /** When the air in a container passes a limit; null where it does not within some months. */
  Long spentS(long placeId, double limitPercent, double months) {
    OptionalDouble days = forecast(placeId, limitPercent, months).typicalDays();
    return days.isEmpty() ? null : Long.valueOf(Math.round(now() + DAY_S * days.getAsDouble()));
  }

  /** Humidity around a container over the last week, %. */
  double outsidePercent(long placeId) {
    return outside(closed(placeId)).relativeHumidityPercent();
  }

  /** Humidity in a container now, %. */
  double nowPercent(long placeId) {
    return climates.climate(placeId).series().at(now()).relativeHumidityPercent();
  }
}
