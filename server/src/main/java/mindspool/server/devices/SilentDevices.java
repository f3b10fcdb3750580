package mindspool.server.devices;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import mindspool.core.device.SensorHabit;
import mindspool.core.hygrometer.Plausibility.Sample;
import mindspool.server.alerts.AlertSource;
import org.springframework.stereotype.Component;

/** Says so when a hygrometer has been silent for longer than is its habit. */
@Component
class SilentDevices implements AlertSource {

  private final DeviceStore.Devices devices;
  private final DeviceSeries series;
  private final Clock clock;

  SilentDevices(DeviceStore.Devices devices, DeviceSeries series, Clock clock) {
    this.devices = devices;
    this.series = series;
    this.clock = clock;
  }

  @Override
  public List<Alert> alerts() {
    double now = clock.instant().getEpochSecond();
    List<Alert> silent = new ArrayList<>();
    for (Device device : devices.findByRemovedSIsNullOrderByName()) {
      if (device.kind != Device.Kind.HYGROMETER) {
        continue;
      }
      double[] times = series.air(device.id).raw().stream().mapToDouble(Sample::timeS).toArray();
      if (times.length > 0 && now - times[times.length - 1] > SensorHabit.mostSilentS(times)) {
        silent.add(alert(device, now - times[times.length - 1]));
      }
    }
    return silent;
  }

  private static Alert alert(Device device, double silentS) {
    return Alert.soon(
        "silent-" + device.id,
        "%s has been silent for %s. Look at its battery and its network; until it reports again, the air of its place is estimated from the days before."
            .formatted(device.name, words(Duration.ofSeconds(Math.round(silentS)))),
        "/devices");
  }

  private static String words(Duration time) {
    if (time.toHours() >= 48) {
      return time.toDays() + " days";
    }
    return time.toHours() >= 2 ? time.toHours() + " h" : time.toMinutes() + " min";
  }
}
