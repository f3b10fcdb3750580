package mindspool.server.devices;

import java.time.Instant;
import java.util.List;
import mindspool.core.device.ReadingUnit;

/** What a person says about devices. */
final class DeviceRequests {

  private DeviceRequests() {}

  /**
   * How one quantity is read.
   *
   * @param pointer JSON pointer to the number; empty for a plain number
   * @param timePointer JSON pointer to the time; empty where the arrival counts
   */
  record ChannelRequest(String topicFilter, String pointer, ReadingUnit unit, String timePointer) {}

  /** {@code version} as it was read, for a change; a new device has none. */
  record DeviceRequest(
      String name,
      Device.Kind kind,
      Long placeId,
      Double resolution,
      Integer checkEveryDays,
      List<ChannelRequest> channels,
      Integer version) {}

  record CheckPointRequest(String salt, Double temperatureC, Double readingPercent) {}

  record HygrometerCheckRequest(List<CheckPointRequest> points, Instant at) {}
}
