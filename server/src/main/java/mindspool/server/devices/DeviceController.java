package mindspool.server.devices;

import com.hivemq.client.mqtt.datatypes.MqttTopic;
import com.hivemq.client.mqtt.datatypes.MqttTopicFilter;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.device.Quantity;
import mindspool.core.device.ReadingUnit;
import mindspool.core.device.ScaleStep;
import mindspool.core.device.StableMass;
import mindspool.core.hygrometer.HygrometerCorrection;
import mindspool.core.hygrometer.Plausibility;
import mindspool.core.hygrometer.Salt;
import mindspool.server.devices.DeviceRequests.ChannelRequest;
import mindspool.server.devices.DeviceRequests.DeviceRequest;
import mindspool.server.devices.DeviceRequests.HygrometerCheckRequest;
import mindspool.server.devices.MessageReader.Found;
import mindspool.server.devices.ReadingStore.Kept;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "devices")
class DeviceController {

  private static final long DAY_S = 86_400;
  private static final long FRESH_MS = 30_000;

  /** Readings of so long tell whether a scale rests, ms. */
  private static final long SETTLING_MS = 30_000;

  private static final int SHOWN_FLAGS = 30;
  private static final int SHOWN_REFUSALS = 50;

  private final DeviceEditing editing;
  private final DeviceStore.Devices devices;
  private final DeviceStore.Stays stays;
  private final DeviceStore.Channels channels;
  private final DeviceStore.Checks checks;
  private final ReadingStore readings;
  private final DeviceSeries series;
  private final MessageCounts counts;
  private final MqttSettings settings;
  private final EmbeddedBroker broker;
  private final MqttIntake intake;
  private final Clock clock;

  DeviceController(
      DeviceEditing editing,
      DeviceStore.Devices devices,
      DeviceStore.Stays stays,
      DeviceStore.Channels channels,
      DeviceStore.Checks checks,
      ReadingStore readings,
      DeviceSeries series,
      MessageCounts counts,
      MqttSettings settings,
      EmbeddedBroker broker,
      MqttIntake intake,
      Clock clock) {
    this.editing = editing;
    this.devices = devices;
    this.stays = stays;
    this.channels = channels;
    this.checks = checks;
    this.readings = readings;
    this.series = series;
    this.counts = counts;
    this.settings = settings;
    this.broker = broker;
    this.intake = intake;
    this.clock = clock;
  }

  /** A channel with its latest value in the unit of its quantity. */
  record ChannelView(
      long id,
      String topicFilter,
      String pointer,
      Quantity quantity,
      String unit,
      String quantityUnit,
      @MayBeNull String timePointer,
      long readings,
      Double latest,
      Long latestMs) {}

  /** A check over salts. */
  record CheckView(
      long id,
      long actId,
      long atS,
      String points,
      double gain,
      double offsetPercent,
      HygrometerCorrection.Verdict verdict,
      @MayBeNull String person,
      boolean undone) {}

  /** A span in which something is wrong. */
  record FlagView(Plausibility.Kind kind, String why, boolean masks, long fromS, long toS) {}

  /** A device. */
  record DeviceView(
      long id,
      String name,
      Device.Kind kind,
      Long placeId,
      Double resolution,
      int checkEveryDays,
      Long checkDueS,
      boolean checkOverdue,
      Double correctedPercent,
      Double uncertaintyPercent,
      List<ChannelView> channels,
      List<CheckView> checks,
      List<FlagView> flags,
      int version) {}

  /** The broker and what became of its messages. */
  record MqttView(
      boolean embedded,
      String address,
      boolean connected,
      @MayBeNull String problem,
      Map<String, Long> counts,
      List<MessageCounts.Topic> topics,
      List<MessageCounts.Seen> latest) {}

  /** What a mapping would read out of the latest messages. */
  record PreviewedMessage(
      String topic, String payload, Double value, Long timeMs, @MayBeNull String refusal) {}

  /** A salt to check with. */
  record SaltView(String id, String title, double humidityPercent, String caution) {}

  /** A scale now; {@code stepG} is its smallest step. */
  record ScaleView(Double massG, Double stableG, double stepG, Long atMs) {}

  record UnitView(ReadingUnit id, Quantity quantity, String title) {}

  /** A kind of device. */
  record DeviceKindView(Device.Kind id, String title) {}

  @GetMapping("/devices")
  @Operation(summary = "All devices with their latest values")
  List<DeviceView> all() {
    return devices.findByRemovedSIsNullOrderByName().stream().map(this::view).toList();
  }

  @GetMapping("/devices/{id}")
  @Operation(summary = "A device with its checks and flags")
  DeviceView one(@PathVariable long id) {
    return view(editing.device(id));
  }

  @PostMapping("/devices")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a device by mapping its messages")
  DeviceView add(@RequestBody DeviceRequest request) {
    return view(editing.add(request));
  }

  @PutMapping("/devices/{id}")
  @Operation(summary = "Renames a device, moves it to another place, or changes its check interval")
  DeviceView change(@PathVariable long id, @RequestBody DeviceRequest request) {
    return view(editing.change(id, request, view(editing.device(id))));
  }

  @DeleteMapping("/devices/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Listens to a device no more; what it measured stays")
  void remove(@PathVariable long id) {
    editing.remove(id);
  }

  @PostMapping("/devices/{id}/checks")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Records what a hygrometer read over one or two salts")
  CheckView check(@PathVariable long id, @RequestBody HygrometerCheckRequest request) {
    return view(editing.check(id, request));
  }

  @GetMapping("/devices/{id}/scale")
  @Operation(summary = "What a scale shows, and whether it has come to rest")
  ScaleView scale(@PathVariable long id) {
    Device device = editing.device(id);
    Channel mass =
        channels.findByDeviceId(id).stream()
            .filter(channel -> channel.quantity == Quantity.MASS)
            .findFirst()
            .orElseThrow(
                () ->
                    new InvalidValueException(
                        "id", device.name, "a scale", "No mass is read from this device."));
    List<Kept> latest =
        mass.lastMs == null ? List.of() : readings.since(mass.id, mass.lastMs - SETTLING_MS);
    double stepG =
        device.resolution == null
            ? ScaleStep.of(latest.stream().map(Kept::value).toList())
            : device.resolution;
    if (latest.isEmpty()) {
      return new ScaleView(null, null, stepG, null);
    }
    Kept last = latest.get(latest.size() - 1);
    boolean fresh = clock.millis() - last.timeMs() < FRESH_MS;
    OptionalDouble stable =
        fresh
            ? StableMass.of(
                latest.stream()
                    .map(kept -> new StableMass.Reading(kept.timeMs() / 1000.0, kept.value()))
                    .toList(),
                stepG)
            : OptionalDouble.empty();
    return new ScaleView(
        fresh ? last.value() : null,
        stable.isPresent() ? stable.getAsDouble() : null,
        stepG,
        last.timeMs());
  }

  @GetMapping("/mqtt")
  @Operation(summary = "The broker, the latest messages, and what became of them")
  MqttView mqtt() {
    return new MqttView(
        settings.embedded(),
        settings.host() + ":" + broker.port(),
        intake.isConnected(),
        broker.problem().isEmpty() ? intake.problem() : broker.problem(),
        counts.counts(),
        counts.topics(),
        counts.latest());
  }

  @GetMapping("/mqtt/refused")
  @Operation(summary = "The latest messages that could not be used, kept as they came")
  List<ReadingStore.Refused> refused() {
    return readings.refused(SHOWN_REFUSALS);
  }

  @Asks
  @PostMapping("/mqtt/preview")
  @Operation(summary = "What a mapping would read out of the latest messages; nothing is stored")
  List<PreviewedMessage> preview(@RequestBody ChannelRequest request) {
    Channel channel = DeviceEditing.channel(request);
    MqttTopicFilter filter = MqttTopicFilter.of(channel.topicFilter);
    List<PreviewedMessage> previews = new ArrayList<>();
    for (MessageCounts.Topic topic : counts.topics()) {
      if (filter.matches(MqttTopic.of(topic.topic()))) {
        Found found =
            MessageReader.read(
                topic.lastPayload(),
                MessageReader.json(topic.lastPayload()),
                channel.pointer,
                channel.unit,
                channel.timePointer);
        previews.add(
            new PreviewedMessage(
                topic.topic(),
                topic.lastPayload(),
                found.refusal() == null ? found.value() : null,
                found.timeMs(),
                found.refusal() == null ? "" : found.refusal().name()));
      }
    }
    return previews;
  }

  @GetMapping("/salts")
  @Operation(summary = "Salts to check a hygrometer with, with their humidity at 23 °C")
  List<SaltView> salts() {
    return Arrays.stream(Salt.values())
        .map(
            salt -> new SaltView(salt.id(), salt.title(), salt.humidityPercent(23), salt.caution()))
        .toList();
  }

  @GetMapping("/device-kinds")
  @Operation(summary = "Kinds of devices")
  List<DeviceKindView> kinds() {
    return Arrays.stream(Device.Kind.values())
        .map(kind -> new DeviceKindView(kind, kind.title()))
        .toList();
  }

  @GetMapping("/reading-units")
  @Operation(summary = "Units in which devices may report")
  List<UnitView> units() {
    return Arrays.stream(ReadingUnit.values())
        .map(
            unit ->
                new UnitView(unit, unit.quantity(), unit.quantity().title() + ", " + unit.sign()))
        .toList();
  }

  private DeviceView view(Device device) {
    List<DeviceStay> where = stays.findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(device.id);
    Long placeId = where.isEmpty() ? null : where.get(where.size() - 1).placeId;
    List<HygrometerCheck> its = checks.findByDeviceIdOrderByAtSAscIdAsc(device.id);
    List<ChannelView> views = channels.findByDeviceId(device.id).stream().map(this::view).toList();
    Double humidity =
        views.stream()
            .filter(view -> view.quantity == Quantity.HUMIDITY && view.latest != null)
            .map(view -> view.latest)
            .findFirst()
            .orElse(null);
    HygrometerCorrection correction = series.corrections(device.id).latest();
    boolean hygrometer = device.kind == Device.Kind.HYGROMETER;
    Long due =
        hygrometer
            ? its.stream()
                    .filter(check -> check.holds())
                    .mapToLong(check -> check.atS)
                    .max()
                    .orElse(device.createdS - DAY_S * device.checkEveryDays)
                + DAY_S * device.checkEveryDays
            : null;
    return new DeviceView(
        device.id,
        device.name,
        device.kind,
        placeId,
        device.resolution,
        device.checkEveryDays,
        due,
        due != null && due <= clock.instant().getEpochSecond(),
        humidity == null ? null : correction.corrected(humidity),
        humidity == null ? null : correction.uncertaintyPercent(humidity),
        views,
        its.stream().map(DeviceController::view).toList(),
        hygrometer ? flags(device, placeId) : List.of(),
        device.version);
  }

  private List<FlagView> flags(Device device, Long placeId) {
    List<Plausibility.Flag> flags = new ArrayList<>(series.air(device.id).flags());
    if (placeId != null) {
      flags.addAll(series.twinFlags(device, placeId));
    }
    return flags.stream()
        .sorted((a, b) -> Double.compare(b.toS(), a.toS()))
        .limit(SHOWN_FLAGS)
        .map(
            flag ->
                new FlagView(
                    flag.kind(),
                    flag.kind().why(),
                    flag.kind().masks(),
                    (long) flag.fromS(),
                    (long) flag.toS()))
        .toList();
  }

  private ChannelView view(Channel channel) {
    return new ChannelView(
        channel.id,
        channel.topicFilter,
        channel.pointer,
        channel.quantity,
        channel.unit.sign(),
        channel.quantity.unit(),
        channel.timePointer,
        channel.readings,
        channel.lastReading,
        channel.lastMs);
  }

  private static CheckView view(HygrometerCheck check) {
    return new CheckView(
        check.id,
        check.actId,
        check.atS,
        check.points,
        check.gain,
        check.offsetPercent,
        check.verdict,
        check.person,
        !check.holds());
  }
}
