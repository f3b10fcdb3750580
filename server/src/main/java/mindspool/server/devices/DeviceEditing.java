package mindspool.server.devices;

import com.hivemq.client.mqtt.datatypes.MqttTopicFilter;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.Times;
import mindspool.core.hygrometer.HygrometerCorrection;
import mindspool.core.hygrometer.HygrometerCorrection.Point;
import mindspool.core.hygrometer.Salt;
import mindspool.server.acts.Edits;
import mindspool.server.air.Climates;
import mindspool.server.devices.DeviceRequests.ChannelRequest;
import mindspool.server.devices.DeviceRequests.CheckPointRequest;
import mindspool.server.devices.DeviceRequests.DeviceRequest;
import mindspool.server.devices.DeviceRequests.HygrometerCheckRequest;
import mindspool.server.http.Acts;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.StaleEditException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Adds, moves, checks and removes devices. */
@Service
class DeviceEditing {

  private static final int USUAL_CHECK_DAYS = 182;
  private static final int MOST_CHANNELS = 20;

  private final DeviceStore.Devices devices;
  private final DeviceStore.Stays stays;
  private final DeviceStore.Channels channels;
  private final DeviceStore.Checks checks;
  private final Edits edits;
  private final EditableDevice editable;
  private final EditableStay editableStay;
  private final MessageIntake intake;
  private final DeviceSeries series;
  private final Climates climates;
  private final Clock clock;

  DeviceEditing(
      DeviceStore.Devices devices,
      DeviceStore.Stays stays,
      DeviceStore.Channels channels,
      DeviceStore.Checks checks,
      Edits edits,
      EditableDevice editable,
      EditableStay editableStay,
      MessageIntake intake,
      DeviceSeries series,
      Climates climates,
      Clock clock) {
    this.devices = devices;
    this.stays = stays;
    this.channels = channels;
    this.checks = checks;
    this.edits = edits;
    this.editable = editable;
    this.editableStay = editableStay;
    this.intake = intake;
    this.series = series;
    this.climates = climates;
    this.clock = clock;
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }

  Device device(long id) {
    return devices
        .findById(id)
        .filter(Device::isPresent)
        .orElseThrow(() -> new NotFoundException("device with number " + id));
  }

  Device add(DeviceRequest request) {
    Device.Kind kind =
        Require.present("kind", request.kind(), List.of(Device.Kind.values()).toString());
    Device device = new Device(name(request.name(), null), kind, now());
    List<ChannelRequest> wanted =
        Require.present("channels", request.channels(), "at least one channel");
    if (wanted.isEmpty() || wanted.size() > MOST_CHANNELS) {
      throw new InvalidValueException(
          "channels", wanted.size() + " channels", "1 to " + MOST_CHANNELS, "Map one quantity.");
    }
    List<Channel> mapped = new ArrayList<>();
    for (int i = 0; i < wanted.size(); i++) {
      ChannelRequest channel = wanted.get(i);
      mapped.add(Require.inside("channels[" + i + "]", () -> channel(channel)));
      if (kind == Device.Kind.PRINTER) {
        Channel last = mapped.get(i);
        Require.inside("channels[" + i + "]", () -> refuseClaimed(last));
      }
    }
    describe(device, request);
    long placeId = request.placeId() == null ? -1 : climates.presentPlace(request.placeId()).id();
    devices.save(device);
    if (placeId >= 0) {
      stays.save(new DeviceStay(device.id, placeId, 0));
    }
    for (Channel channel : mapped) {
      channel.deviceId = device.id;
      channels.save(channel);
    }
    edits.added(editable, device.id, device);
    Acts.nowAndAfterwards(intake::channelsChanged);
    return device;
  }

  /** One print would be counted as that of two printers. */
  private Channel refuseClaimed(Channel wanted) {
    for (Device other : devices.findByRemovedSIsNullOrderByName()) {
      boolean claimed =
          other.kind == Device.Kind.PRINTER
              && channels.findByDeviceId(other.id).stream()
                  .anyMatch(
                      channel ->
                          channel.topicFilter.equals(wanted.topicFilter)
                              && channel.pointer.equals(wanted.pointer));
      if (claimed) {
        throw new InvalidValueException(
            "topicFilter",
            wanted.topicFilter + " (" + other.name + " reads it)",
            "a topic that no other printer has",
            "Let each printer publish to a topic of its own, or remove " + other.name + " first.");
      }
    }
    return wanted;
  }

  /** A mapping that can be used; not yet of any device. */
  static Channel channel(ChannelRequest request) {
    String filter = request.topicFilter() == null ? "" : request.topicFilter().strip();
    try {
      MqttTopicFilter.of(filter);
    } catch (IllegalArgumentException e) {
      throw new InvalidValueException(
          "topicFilter",
          filter.isEmpty() ? "missing" : "\"" + filter + "\"",
          "an MQTT topic filter such as workshop/+/air",
          "+ stands for one level, # for all that follow.");
    }
    if (filter.length() > 250) {
      throw new InvalidValueException(
          "topicFilter", filter.length() + " characters", "up to 250", "Use + or #.");
    }
    return new Channel(
        0,
        filter,
        MessageReader.checkedPointer("pointer", request.pointer()),
        Require.present("unit", request.unit(), "the unit in which the device reports"),
        request.timePointer() == null || request.timePointer().isBlank()
            ? null
            : MessageReader.checkedPointer("timePointer", request.timePointer()));
  }

  private void describe(Device device, DeviceRequest request) {
    device.resolution =
        request.resolution() == null
            ? null
            : Require.within("resolution", request.resolution(), 1e-4, 50, "");
    device.checkEveryDays =
        (int)
            Require.within(
                "checkEveryDays",
                request.checkEveryDays() == null ? USUAL_CHECK_DAYS : request.checkEveryDays(),
                7,
                3650,
                "days");
  }

  /**
   * Changes a device.
   *
   * @param current the device as it is shown now
   */
  Device change(long id, DeviceRequest request, Object current) {
    Device device = device(id);
    StaleEditException.refuse(
        "The device " + device.name, request.version(), device.version, current);
    Edits.Before before = edits.before(editable, device);
    device.name = name(request.name(), id);
    describe(device, request);
    devices.saveAndFlush(device);
    edits.changed(editable, id, before, device);
    if (request.placeId() != null) {
      moveTo(device, climates.presentPlace(request.placeId()).id());
    }
    Acts.nowAndAfterwards(() -> series.changed(id));
    return device;
  }

  private void moveTo(Device device, long placeId) {
    List<DeviceStay> its = stays.findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(device.id);
    if (its.isEmpty() || its.get(its.size() - 1).placeId != placeId) {
      DeviceStay stay = stays.save(new DeviceStay(device.id, placeId, its.isEmpty() ? 0 : now()));
      edits.added(editableStay, stay.id, stay);
    }
  }

  /** Listens to it no more; what it measured stays. */
  void remove(long id) {
    Device device = device(id);
    Edits.Before before = edits.before(editable, device);
    device.removedS = now();
    devices.saveAndFlush(device);
    edits.changed(editable, id, before, device);
    Acts.nowAndAfterwards(intake::channelsChanged);
  }

  private String name(String name, Long own) {
    String trimmed = Text.line("name", name, 1, 80, "Call it what is written on it.");
    devices
        .findByNameIgnoreCaseAndRemovedSIsNull(trimmed)
        .filter(other -> !other.id.equals(own))
        .ifPresent(
            other -> {
              throw new InvalidValueException(
                  "name",
                  "\"" + trimmed + "\"",
                  "a name that no other device has",
                  "Add where it is.");
            });
    return trimmed;
  }

  @Transactional
  public HygrometerCheck check(long id, HygrometerCheckRequest request) {
    Device device = device(id);
    if (device.kind != Device.Kind.HYGROMETER) {
      throw new InvalidValueException(
          "id", device.name, "a hygrometer", "Salts check humidity only.");
    }
    List<CheckPointRequest> given = Require.present("points", request.points(), "salt points");
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < given.size(); i++) {
      CheckPointRequest point = given.get(i);
      points.add(
          Require.inside(
              "points[" + i + "]",
              () ->
                  new Point(
                      Salt.ofId(point.salt()),
                      Require.present("temperatureC", point.temperatureC(), "15 to 30 °C"),
                      Require.present("readingPercent", point.readingPercent(), "0 to 100 %"))));
    }
    HygrometerCorrection correction = HygrometerCorrection.through(points);
    long at = request.at() == null ? now() : Times.past("at", request.at(), now());
    HygrometerCheck check = new HygrometerCheck(id, at, now());
    check.points = SaltPoints.text(correction.points());
    check.gain = correction.gain();
    check.offsetPercent = correction.offsetPercent();
    check.verdict = correction.verdict();
    HygrometerCheck saved = checks.save(check);
    Acts.nowAndAfterwards(() -> series.changed(id));
    return saved;
  }
}
