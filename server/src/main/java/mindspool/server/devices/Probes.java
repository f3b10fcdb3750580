package mindspool.server.devices;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import mindspool.core.device.Quantity;
import mindspool.core.drying.ProbeLog;
import org.springframework.stereotype.Service;

/** What thermometers in a place show, for other stations. */
@Service
public class Probes {

  private static final long MINUTE_MS = 60_000;

  private final DeviceStore.Devices devices;
  private final DeviceStore.Stays stays;
  private final DeviceStore.Channels channels;
  private final ReadingStore readings;

  Probes(
      DeviceStore.Devices devices,
      DeviceStore.Stays stays,
      DeviceStore.Channels channels,
      ReadingStore readings) {
    this.devices = devices;
    this.stays = stays;
    this.channels = channels;
    this.readings = readings;
  }

  /** A temperature with the device that showed it. */
  public record Shown(String device, long timeMs, double temperatureC) {}

  /** A quantity with the device that showed it last. */
  public record Latest(String device, long timeMs, double value) {}

  /** The latest reading of a quantity in a place that is not older than a time. */
  public Optional<Latest> latest(long placeId, Quantity quantity, long sinceMs) {
    Latest latest = null;
    for (Device device : in(placeId)) {
      for (Channel channel : channels.findByDeviceId(device.id)) {
        boolean fresh =
            channel.quantity == quantity && channel.lastMs != null && channel.lastMs >= sinceMs;
        if (fresh && (latest == null || channel.lastMs > latest.timeMs)) {
          latest = new Latest(device.name, channel.lastMs, channel.lastReading);
        }
      }
    }
    return Optional.ofNullable(latest);
  }

  /** Readings of a quantity in a place from a time on, each as it came, rising. */
  public List<Latest> readings(long placeId, Quantity quantity, long fromMs) {
    List<Latest> all = new ArrayList<>();
    for (Device device : in(placeId)) {
      for (Channel channel : channels.findByDeviceId(device.id)) {
        if (channel.quantity == quantity) {
          readings
              .since(channel.id, fromMs)
              .forEach(kept -> all.add(new Latest(device.name, kept.timeMs(), kept.value())));
        }
      }
    }
    all.sort(Comparator.comparingLong(Latest::timeMs));
    // Of two that report at the same time the first stays.
    for (int i = all.size() - 1; i > 0; i--) {
      if (all.get(i).timeMs == all.get(i - 1).timeMs) {
        all.remove(i);
      }
    }
    return all;
  }

  /** Readings of a quantity in a place from a time on, as means of minutes, rising. */
  public List<Latest> minutes(long placeId, Quantity quantity, long fromMs) {
    return in(placeId).stream()
        .flatMap(
            device ->
                channels.findByDeviceId(device.id).stream()
                    .filter(channel -> channel.quantity == quantity)
                    .flatMap(channel -> readings.perMinute(channel.id, fromMs).stream())
                    .map(kept -> new Latest(device.name, kept.timeMs(), kept.value())))
        .sorted(Comparator.comparingLong(Latest::timeMs))
        .toList();
  }

  /** Mean of a quantity in a place over a span; none where nothing showed it. */
  public OptionalDouble mean(long placeId, Quantity quantity, long fromMs, long toMs) {
    return in(placeId).stream()
        .flatMap(device -> channels.findByDeviceId(device.id).stream())
        .filter(channel -> channel.quantity == quantity)
        .flatMap(channel -> readings.perMinute(channel.id, fromMs).stream())
        .filter(kept -> kept.timeMs() <= toMs)
        .mapToDouble(kept -> kept.value())
        .average();
  }

  /** The highest of the latest temperatures in a place that are not older than a time. */
  public Optional<Shown> hottest(long placeId, long sinceMs) {
    Shown hottest = null;
    for (Device device : in(placeId)) {
      for (Channel channel : thermometers(device)) {
        boolean fresh = channel.lastMs != null && channel.lastMs >= sinceMs;
        if (fresh && (hottest == null || channel.lastReading > hottest.temperatureC)) {
          hottest = new Shown(device.name, channel.lastMs, channel.lastReading);
        }
      }
    }
    return Optional.ofNullable(hottest);
  }

  /** Temperatures of the thermometers that are in a place now, per minute, from a time on. */
  public List<Shown> since(long placeId, long fromMs) {
    List<Shown> all = new ArrayList<>();
    for (Device device : in(placeId)) {
      for (Channel channel : thermometers(device)) {
        readings
            .perMinute(channel.id, fromMs)
            .forEach(kept -> all.add(new Shown(device.name, kept.timeMs(), kept.value())));
      }
    }
    all.sort((a, b) -> Long.compare(a.timeMs, b.timeMs));
    return all;
  }

  /**
   * A log of all thermometers that are in a place, minute by minute, where each showed something.
   */
  public ProbeLog log(long placeId, long fromMs, long toMs) {
    List<Channel> probes = in(placeId).stream().flatMap(d -> thermometers(d).stream()).toList();
    Map<Long, double[]> byMinute = new TreeMap<>();
    for (int i = 0; i < probes.size(); i++) {
      for (var kept : readings.perMinute(probes.get(i).id, fromMs)) {
        if (kept.timeMs() <= toMs) {
          byMinute.computeIfAbsent(kept.timeMs() / MINUTE_MS, minute -> empty(probes.size()))[i] =
              kept.value();
        }
      }
    }
    List<ProbeLog.Row> rows = new ArrayList<>();
    byMinute.forEach(
        (minute, values) -> {
          if (isComplete(values)) {
            rows.add(new ProbeLog.Row(60.0 * minute, values));
          }
        });
    return new ProbeLog(rows);
  }

  private static double[] empty(int count) {
    double[] values = new double[count];
    Arrays.fill(values, Double.NaN);
    return values;
  }

  private static boolean isComplete(double[] values) {
    return Arrays.stream(values).noneMatch(Double::isNaN);
  }

  private List<Device> in(long placeId) {
    return devices.findByRemovedSIsNullOrderByName().stream()
        .filter(device -> device.kind != Device.Kind.SCALE)
        .filter(device -> isIn(device, placeId))
        .toList();
  }

  private boolean isIn(Device device, long placeId) {
    return stays.findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(device.id).stream()
        .reduce((before, after) -> after)
        .filter(stay -> stay.placeId == placeId)
        .isPresent();
  }

  private List<Channel> thermometers(Device device) {
    return channels.findByDeviceId(device.id).stream()
        .filter(channel -> channel.quantity == Quantity.TEMPERATURE)
        .toList();
  }
}
