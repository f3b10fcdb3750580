package mindspool.server.devices;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.device.Quantity;
import mindspool.core.hygrometer.Plausibility;
import mindspool.core.hygrometer.Plausibility.Flag;
import mindspool.core.hygrometer.Plausibility.Sample;
import mindspool.server.air.Climates;
import mindspool.server.air.LiveReadings;
import mindspool.server.devices.ReadingStore.Kept;
import mindspool.server.http.KeptValue;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * What hygrometers say of the places they are in: raw readings per minute, their flags, and the
 * corrected air without what is flagged. New readings are appended; older ones that come late have
 * the device read anew.
 */
@Service
class DeviceSeries implements LiveReadings {

  /** A humidity goes with a temperature at most this much older, s. */
  private static final double PAIR_S = 30 * 60;

  /** How far back new readings can change what is flagged, s. */
  private static final double FLAG_REACH_S = 2 * 86_400.0;

  private static final double USUAL_RESOLUTION = 0.1;

  private final DeviceStore.Devices devices;
  private final DeviceStore.Stays stays;
  private final DeviceStore.Channels channels;
  private final DeviceStore.Checks checks;
  private final ReadingStore store;
  private final ObjectProvider<Climates> climates;
  private final Clock clock;
  private final Map<Long, KeptValue<Air>> known = new ConcurrentHashMap<>();
  private final Map<Long, Twins> twins = new ConcurrentHashMap<>();
  private final Map<Long, Long> arrivedMs = new ConcurrentHashMap<>();

  DeviceSeries(
      DeviceStore.Devices devices,
      DeviceStore.Stays stays,
      DeviceStore.Channels channels,
      DeviceStore.Checks checks,
      ReadingStore store,
      ObjectProvider<Climates> climates,
      Clock clock) {
    this.devices = devices;
    this.stays = stays;
    this.channels = channels;
    this.checks = checks;
    this.store = store;
    this.climates = climates;
    this.clock = clock;
  }

  /** Raw readings of one hygrometer and what is wrong with them. */
  record Air(List<Sample> raw, List<Flag> flags) {

    double lastS() {
      return raw.isEmpty() ? Double.NEGATIVE_INFINITY : raw.get(raw.size() - 1).timeS();
    }
  }

  /** A reading was stored. */
  void arrived(long deviceId, long timeMs) {
    arrivedMs.merge(deviceId, timeMs, Math::min);
  }

  /** A device, its place or its correction is another. */
  void changed(long deviceId) {
    kept(deviceId).forget();
    twins.clear();
    placesOf(deviceId).forEach(place -> climates.getObject().liveChanged(place));
  }

  private Set<Long> placesOf(long deviceId) {
    Set<Long> places = new HashSet<>();
    stays
        .findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(deviceId)
        .forEach(stay -> places.add(stay.placeId));
    return places;
  }

  /** Takes what arrived since into the climate of its places. */
  @Scheduled(fixedDelayString = "${mindspool.live.refresh-ms:60000}")
  void refresh() {
    for (Long deviceId : List.copyOf(arrivedMs.keySet())) {
      Long earliest = arrivedMs.remove(deviceId);
      if (earliest == null || devices.findById(deviceId).filter(Device::isPresent).isEmpty()) {
        continue;
      }
      take(deviceId, earliest);
      double fromS = earliest / 1000.0;
      placesOf(deviceId).forEach(place -> climates.getObject().liveArrived(place, fromS));
    }
  }

  /** Appends what arrived, or has all read anew where some of it is older than what is known. */
  private void take(long deviceId, long earliestMs) {
    Air air = kept(deviceId).peek();
    if (air != null && !air.raw.isEmpty() && earliestMs / 1000.0 > air.lastS() - 60) {
      kept(deviceId).replace(air, appended(deviceId, air));
    } else {
      kept(deviceId).forget();
    }
  }

  private KeptValue<Air> kept(long deviceId) {
    return known.computeIfAbsent(deviceId, id -> new KeptValue<>());
  }

  Air air(long deviceId) {
    return kept(deviceId).get(() -> flagged(deviceId, load(deviceId, 0), List.of(), 0));
  }

  private Air appended(long deviceId, Air air) {
    double from = air.lastS() - 60;
    List<Sample> raw = new ArrayList<>(air.raw);
    raw.removeIf(sample -> sample.timeS() >= from);
    raw.addAll(load(deviceId, Math.round(1000 * from)));
    return flagged(deviceId, raw, air.flags, from - FLAG_REACH_S);
  }

  /** Flags anew from a time on; earlier flags stay. */
  private Air flagged(long deviceId, List<Sample> raw, List<Flag> before, double fromS) {
    double resolution =
        devices.findById(deviceId).map(device -> device.resolution).orElse(USUAL_RESOLUTION);
    List<Flag> flags = new ArrayList<>();
    before.stream().filter(flag -> flag.toS() < fromS).forEach(flags::add);
    List<Sample> recent = raw.stream().filter(sample -> sample.timeS() >= fromS).toList();
    flags.addAll(Plausibility.check(recent, resolution, false));
    return new Air(raw, flags);
  }

  /** Pairs temperature and humidity of a device by time. */
  private List<Sample> load(long deviceId, long fromMs) {
    List<Kept> temperatures = new ArrayList<>();
    List<Kept> humidities = new ArrayList<>();
    for (Channel channel : channels.findByDeviceId(deviceId)) {
      if (channel.quantity == Quantity.TEMPERATURE) {
        temperatures.addAll(store.perMinute(channel.id, fromMs - Math.round(1000 * PAIR_S)));
      } else if (channel.quantity == Quantity.HUMIDITY) {
        humidities.addAll(store.perMinute(channel.id, fromMs));
      }
    }
    temperatures.sort(Comparator.comparingLong(Kept::timeMs));
    humidities.sort(Comparator.comparingLong(Kept::timeMs));
    List<Sample> samples = new ArrayList<>();
    int j = 0;
    for (Kept humidity : humidities) {
      while (j + 1 < temperatures.size()
          && Math.abs(temperatures.get(j + 1).timeMs() - humidity.timeMs())
              <= Math.abs(temperatures.get(j).timeMs() - humidity.timeMs())) {
        j++;
      }
      if (j < temperatures.size()
          && Math.abs(temperatures.get(j).timeMs() - humidity.timeMs()) <= 1000 * PAIR_S) {
        samples.add(
            new Sample(humidity.timeMs() / 1000.0, temperatures.get(j).value(), humidity.value()));
      }
    }
    return samples;
  }

  /** What corrects a device's readings. */
  Corrections corrections(long deviceId) {
    return new Corrections(checks.findByDeviceIdOrderByAtSAscIdAsc(deviceId));
  }

  @Override
  public List<LiveReading> readings(long placeId) {
    List<LiveReading> all = new ArrayList<>();
    Set<Long> here = new HashSet<>();
    stays.findAllByOrderByFromSAscIdAsc().stream()
        .filter(stay -> stay.placeId == placeId)
        .forEach(stay -> here.add(stay.deviceId));
    for (Long deviceId : here) {
      devices
          .findById(deviceId)
          .filter(device -> device.kind != Device.Kind.SCALE)
          .ifPresent(device -> addReadings(device, placeId, all));
    }
    all.sort(Comparator.comparingLong(LiveReading::timeS));
    return all;
  }

  @Override
  public List<LiveTemperature> temperatures(long placeId) {
    List<LiveTemperature> all = new ArrayList<>();
    Set<Long> here = new HashSet<>();
    stays.findAllByOrderByFromSAscIdAsc().stream()
        .filter(stay -> stay.placeId == placeId)
        .forEach(stay -> here.add(stay.deviceId));
    for (Long deviceId : here) {
      List<Channel> of = channels.findByDeviceId(deviceId);
      if (of.stream().anyMatch(channel -> channel.quantity == Quantity.HUMIDITY)) {
        continue;
      }
      List<DeviceStay> where = stays.findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(deviceId);
      for (Channel channel : of) {
        if (channel.quantity == Quantity.TEMPERATURE) {
          store.perMinute(channel.id, 0).stream()
              .filter(kept -> placeAt(where, kept.timeMs() / 1000.0) == placeId)
              .forEach(kept -> all.add(new LiveTemperature(kept.timeMs() / 1000, kept.value())));
        }
      }
    }
    all.sort(Comparator.comparingLong(LiveTemperature::timeS));
    return all;
  }

  private void addReadings(Device device, long placeId, List<LiveReading> all) {
    Long arrived = arrivedMs.get(device.id);
    if (arrived != null) {
      take(device.id, arrived);
    }
    Air air = air(device.id);
    Corrections corrections = corrections(device.id);
    List<DeviceStay> where = stays.findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(device.id);
    List<Flag> masks =
        new ArrayList<>(air.flags.stream().filter(flag -> flag.kind().masks()).toList());
    masks.addAll(twinFlags(device, placeId).stream().filter(flag -> flag.kind().masks()).toList());
    double now = clock.millis() / 1000.0 + 300;
    for (Sample sample : air.raw) {
      if (placeAt(where, sample.timeS()) != placeId
          || sample.timeS() > now
          || masks.stream()
              .anyMatch(mask -> mask.fromS() <= sample.timeS() && sample.timeS() <= mask.toS())) {
        continue;
      }
      all.add(
          new LiveReading(
              (long) sample.timeS(),
              sample.temperatureC(),
              corrections.at(sample.timeS()).corrected(sample.relativeHumidityPercent())));
    }
  }

  private static long placeAt(List<DeviceStay> where, double timeS) {
    long place = -1;
    for (DeviceStay stay : where) {
      if (stay.fromS <= timeS) {
        place = stay.placeId;
      }
    }
    return place;
  }

  /** What was found when a device was held against those beside it, and from which readings. */
  private record Twins(long placeId, List<Air> airs, List<Flag> flags) {

    boolean holds(long place, List<Air> of) {
      // The same objects, not equal ones: to compare the readings would take as long as the rest.
      boolean same = placeId == place && airs.size() == of.size();
      for (int i = 0; same && i < of.size(); i++) {
        same = airs.get(i) == of.get(i);
      }
      return same;
    }
  }

  /** What a second hygrometer in the same place says against this one. */
  List<Flag> twinFlags(Device device, long placeId) {
    List<Device> others = othersIn(placeId, device);
    List<Air> airs = new ArrayList<>();
    airs.add(air(device.id));
    others.forEach(other -> airs.add(air(other.id)));
    Twins found = twins.get(device.id);
    if (found == null || !found.holds(placeId, airs)) {
      found = new Twins(placeId, airs, compared(device, others));
      twins.put(device.id, found);
    }
    return found.flags;
  }

  private List<Device> othersIn(long placeId, Device device) {
    Map<Long, Long> placeOf = new HashMap<>();
    double now = clock.millis() / 1000.0;
    stays.findAllByOrderByFromSAscIdAsc().stream()
        .filter(stay -> stay.fromS <= now)
        .forEach(stay -> placeOf.put(stay.deviceId, stay.placeId));
    return devices.findByRemovedSIsNullOrderByName().stream()
        .filter(other -> other.kind == Device.Kind.HYGROMETER && !other.id.equals(device.id))
        .filter(other -> Objects.equals(placeOf.get(other.id), placeId))
        .toList();
  }

  private List<Flag> compared(Device device, List<Device> others) {
    List<Flag> flags = new ArrayList<>();
    Corrections own = corrections(device.id);
    for (Device other : others) {
      Corrections theirs = corrections(other.id);
      double bound =
          Math.hypot(own.latest().uncertaintyPercent(50), theirs.latest().uncertaintyPercent(50));
      flags.addAll(
          Plausibility.against(
              corrected(air(device.id).raw, own), corrected(air(other.id).raw, theirs), bound));
    }
    return flags;
  }

  private static List<Sample> corrected(List<Sample> raw, Corrections corrections) {
    return raw.stream()
        .map(
            sample ->
                new Sample(
                    sample.timeS(),
                    sample.temperatureC(),
                    corrections.at(sample.timeS()).corrected(sample.relativeHumidityPercent())))
        .toList();
  }
}
