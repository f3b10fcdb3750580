package mindspool.server.climate;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.climate.ClimateOutlook;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.server.climate.ClimateStore.Sample;
import mindspool.server.climate.PlaceClimate.Gap;
import mindspool.server.climate.PlaceClimate.Source;
import mindspool.server.http.NotFoundException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** Places and their air, for other stations. */
@Service
public class Climates {

  /** Assumed where nothing is known: the standard atmosphere of ISO 291. */
  static final MoistAir ASSUMED = new MoistAir(23, 50);

  /** Readings further apart leave a gap. */
  private static final double GAP_S = 6 * 3600;

  private final ClimateStore.Places places;
  private final ClimateStore.Typed typed;
  private final ClimateStore.Readings readings;
  private final Clock clock;
  private final ApplicationEventPublisher events;
  private final Map<Long, PlaceClimate> cache = new ConcurrentHashMap<>();

  Climates(
      ClimateStore.Places places,
      ClimateStore.Typed typed,
      ClimateStore.Readings readings,
      Clock clock,
      ApplicationEventPublisher events) {
    this.places = places;
    this.typed = typed;
    this.readings = readings;
    this.clock = clock;
    this.events = events;
  }

  /** All places in the order of the room. */
  public List<PlaceInfo> places() {
    return places.findAllByOrderByPositionInRoomAscIdAsc().stream().map(PlaceInfo::of).toList();
  }

  /** A place that must exist. */
  public PlaceInfo place(long id) {
    return PlaceInfo.of(
        places.findById(id).orElseThrow(() -> new NotFoundException("place with number " + id)));
  }

  /** The place with a name, if there is one. */
  public Optional<PlaceInfo> placeNamed(String name) {
    return places.findByNameIgnoreCase(name).map(PlaceInfo::of);
  }

  /** The recorded air of a place. */
  public PlaceClimate climate(long placeId) {
    PlaceClimate known = cache.get(placeId);
    if (known == null) {
      known = assemble(place(placeId));
      cache.put(placeId, known);
    }
    return known;
  }

  /** The air to expect of a place from now on. */
  public ClimateSeries outlook(long placeId, double nowS, double untilS) {
    PlaceInfo place = place(placeId);
    if (place.kind() == PlaceKind.DRYER && place.roomId() != null && place.setpointC() != null) {
      return outlook(place.roomId(), nowS, untilS).heatedTo(place.setpointC());
    }
    PlaceClimate climate = climate(placeId);
    return climate.source() == Source.MEASURED
        ? ClimateOutlook.dailyCycle(climate.series(), nowS, untilS)
        : ClimateSeries.constant(climate.series().at(nowS));
  }

  void changed(long placeId) {
    cache.remove(placeId);
    events.publishEvent(new ClimateChanged(placeId));
    for (PlaceInfo place : places()) {
      if (place.roomId() != null && place.roomId() == placeId) {
        cache.remove(place.id());
        events.publishEvent(new ClimateChanged(place.id()));
      }
    }
  }

  private PlaceClimate assemble(PlaceInfo place) {
    if (place.kind() == PlaceKind.DRYER && place.roomId() != null && place.setpointC() != null) {
      PlaceClimate room = climate(place.roomId());
      return new PlaceClimate(
          place.id(), room.series().heatedTo(place.setpointC()), Source.HEATED_ROOM, room.gaps());
    }
    return merged(
        place.id(),
        readings.samples(place.id()),
        typed.findByPlaceIdAndUndoneSIsNullOrderBySinceS(place.id()));
  }

  /** Readings and typed climates in one: a typed one holds until the next reading, or for ever. */
  private PlaceClimate merged(long placeId, List<Sample> samples, List<TypedClimate> spans) {
    if (samples.isEmpty() && spans.isEmpty()) {
      return new PlaceClimate(
          placeId,
          ClimateSeries.constant(ASSUMED),
          Source.ASSUMED,
          List.of(new Gap(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY)));
    }
    ClimateSeries.Builder series = ClimateSeries.builder();
    List<Gap> gaps = new ArrayList<>();
    double last = Double.NaN;
    MoistAir held = null;
    int next = 0;
    for (Sample sample : samples) {
      while (next < spans.size() && spans.get(next).sinceS < sample.getTimeS()) {
        held = hold(series, held, spans.get(next));
        last = spans.get(next).sinceS;
        next++;
      }
      if (held != null) {
        series.reading(sample.getTimeS(), held);
        held = null;
      } else {
        double before = Double.isNaN(last) ? Double.NEGATIVE_INFINITY : last;
        if (sample.getTimeS() - before > GAP_S) {
          gaps.add(new Gap(before, sample.getTimeS()));
        }
      }
      series.reading(
          sample.getTimeS(), new MoistAir(sample.getTemperatureC(), sample.getHumidity()));
      last = sample.getTimeS();
    }
    for (; next < spans.size(); next++) {
      held = hold(series, held, spans.get(next));
    }
    boolean typedNow = held != null;
    if (!typedNow && clock.instant().getEpochSecond() - last > GAP_S) {
      gaps.add(new Gap(last, Double.POSITIVE_INFINITY));
    }
    if (samples.isEmpty() && !spans.isEmpty()) {
      gaps.add(new Gap(Double.NEGATIVE_INFINITY, spans.get(0).sinceS));
    }
    return new PlaceClimate(
        placeId, series.build(), typedNow ? Source.TYPED : Source.MEASURED, gaps);
  }

  private static MoistAir hold(ClimateSeries.Builder series, MoistAir held, TypedClimate span) {
    if (held != null) {
      series.reading(span.sinceS, held);
    }
    MoistAir air = new MoistAir(span.temperatureC, span.relativeHumidityPercent);
    series.reading(span.sinceS, air);
    return air;
  }
}
