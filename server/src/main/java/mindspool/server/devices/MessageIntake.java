package mindspool.server.devices;

import com.hivemq.client.mqtt.datatypes.MqttTopic;
import com.hivemq.client.mqtt.datatypes.MqttTopicFilter;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mindspool.core.Text;
import mindspool.server.devices.MessageCounts.Fate;
import mindspool.server.devices.MessageReader.Found;
import mindspool.server.devices.MessageReader.Refusal;
import mindspool.server.devices.ReadingStore.Reading;
import mindspool.server.devices.ReadingStore.Refused;
import mindspool.server.keep.Durability;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;

/** Makes readings of messages: decodes, checks, counts and stores them. */
@Service
class MessageIntake {

  /** A device's clock may be this much ahead. */
  private static final long FUTURE_MS = 5 * 60_000;

  private static final long DELAYED_MS = 10 * 60_000;
  private static final int KEPT_CHARACTERS = 2_000;
  private static final int TOPIC_CHARACTERS = 250;

  /** A publisher may invent a topic with every message; they are not all remembered. */
  private static final int MOST_TOPICS_KNOWN = 10_000;

  private static final Logger LOG = LoggerFactory.getLogger(MessageIntake.class);

  private final DeviceStore.Channels channelStore;
  private final DeviceStore.Devices devices;
  private final ReadingStore store;
  private final MessageCounts counts;
  private final DeviceSeries series;
  private final Durability durability;
  private final Clock clock;
  private final Map<String, List<Channel>> byTopic = new HashMap<>();
  private final Map<Long, Long> latestMs = new HashMap<>();
  private List<Channel> channels;
  private volatile boolean channelsOutdated;

  MessageIntake(
      DeviceStore.Channels channelStore,
      DeviceStore.Devices devices,
      ReadingStore store,
      MessageCounts counts,
      DeviceSeries series,
      Durability durability,
      Clock clock) {
    this.durability = durability;
    this.channelStore = channelStore;
    this.devices = devices;
    this.store = store;
    this.counts = counts;
    this.series = series;
    this.clock = clock;
  }

  /** A message as the broker delivers it. */
  record Message(String topic, byte[] payload, boolean retained) {}

  private record ReadingKey(long channelId, long timeMs) {}

  /** Channels were added or taken away. */
  void channelsChanged() {
    // Only noted: whoever acts does not wait for messages that are being stored.
    channelsOutdated = true;
  }

  private List<Channel> channelsFor(String topic) {
    if (channelsOutdated) {
      channelsOutdated = false;
      channels = null;
      byTopic.clear();
    }
    if (byTopic.size() > MOST_TOPICS_KNOWN) {
      byTopic.clear();
    }
    if (channels == null) {
      Set<Long> present = new HashSet<>();
      devices.findByRemovedSIsNullOrderByName().forEach(device -> present.add(device.id));
      channels =
          channelStore.findAll().stream()
              .filter(channel -> present.contains(channel.deviceId))
              .toList();
    }
    return byTopic.computeIfAbsent(
        topic,
        name -> {
          MqttTopic parsed = MqttTopic.of(name);
          return channels.stream()
              .filter(channel -> MqttTopicFilter.of(channel.topicFilter).matches(parsed))
              .toList();
        });
  }

  /** Takes a batch; when it returns, whatever could be used is on the disk. */
  synchronized void take(List<Message> messages) {
    Decoding batch = new Decoding(clock.millis());
    messages.forEach(batch::read);
    boolean[] fresh = store.store(batch.readings, batch.refused);
    durability.awaitDisk();
    batch.account(fresh);
    counts.count(Fate.RECEIVED, messages.size());
  }

  /**
   * Keeps a message that cannot be stored with the refused ones, so that it holds up no other.
   *
   * @throws RuntimeException when that fails too: then it is not the message but the database
   */
  synchronized void setAside(Message message, RuntimeException why) {
    long nowS = clock.millis() / 1000;
    String text =
        message.payload.length > MessageReader.MOST_BYTES
            ? message.payload.length + " bytes"
            : new String(message.payload, StandardCharsets.UTF_8);
    store.store(List.of(), List.of(refused(nowS, message.topic, Refusal.NOT_STORED, text)));
    durability.awaitDisk();
    counts.count(Fate.RECEIVED, 1);
    counts.count(Fate.SET_ASIDE, 1);
    LOG.warn("A message of {} could not be stored and was set aside", message.topic, why);
  }

  private static Refused refused(long nowS, String topic, Refusal refusal, String text) {
    return new Refused(
        nowS, Text.cut(topic, TOPIC_CHARACTERS), refusal.name(), Text.cut(text, KEPT_CHARACTERS));
  }

  private final class Decoding {
    private final long nowMs;
    private final Set<ReadingKey> keys = new HashSet<>();
    private final List<Reading> readings = new ArrayList<>();
    private final List<Channel> of = new ArrayList<>();
    private final List<Refused> refused = new ArrayList<>();

    Decoding(long nowMs) {
      this.nowMs = nowMs;
    }

    void read(Message message) {
      String text =
          message.payload.length > MessageReader.MOST_BYTES
              ? null
              : MessageReader.text(message.payload);
      String fate = text == null ? unreadable(message) : decode(message, text);
      counts.see(
          nowMs,
          message.topic,
          text == null ? message.payload.length + " bytes" : text,
          message.retained,
          fate);
    }

    private String unreadable(Message message) {
      boolean large = message.payload.length > MessageReader.MOST_BYTES;
      Refusal refusal = large ? Refusal.TOO_LARGE : Refusal.NOT_TEXT;
      refuse(message.topic, refusal, message.payload.length + " bytes");
      return refusal.name();
    }

    private String decode(Message message, String text) {
      List<Channel> mapped = channelsFor(message.topic);
      if (mapped.isEmpty()) {
        counts.count(Fate.UNKNOWN_TOPIC, 1);
        return Fate.UNKNOWN_TOPIC.name();
      }
      JsonNode json = MessageReader.json(text);
      String fate = Fate.STORED.name();
      for (Channel channel : mapped) {
        Found found =
            MessageReader.read(text, json, channel.pointer, channel.unit, channel.timePointer);
        Refusal refusal = found.refusal();
        if (refusal == null && found.timeMs() == null && message.retained) {
          refusal = Refusal.OLD_RETAINED;
        }
        if (refusal == null && found.timeMs() != null && found.timeMs() > nowMs + FUTURE_MS) {
          refusal = Refusal.FUTURE;
        }
        if (refusal != null) {
          refuse(message.topic, refusal, text);
          fate = refusal.name();
        } else {
          keep(channel, found);
        }
      }
      return fate;
    }

    private void keep(Channel channel, Found found) {
      long time = found.timeMs() == null ? arrival(channel) : found.timeMs();
      Long latest = latestMs.get(channel.id);
      if (found.timeMs() != null && latest != null && time < latest) {
        counts.count(Fate.OUT_OF_ORDER, 1);
      }
      if (time < nowMs - DELAYED_MS) {
        counts.count(Fate.DELAYED, 1);
      }
      latestMs.merge(channel.id, time, Math::max);
      if (!keys.add(new ReadingKey(channel.id, time))) {
        counts.count(Fate.DUPLICATE, 1);
        return;
      }
      readings.add(new Reading(channel.id, time, found.value()));
      of.add(channel);
    }

    /** Messages without a time get that of their arrival, each its own millisecond. */
    private long arrival(Channel channel) {
      Long latest = latestMs.get(channel.id);
      return latest != null && latest >= nowMs && latest < nowMs + FUTURE_MS ? latest + 1 : nowMs;
    }

    private void refuse(String topic, Refusal refusal, String text) {
      counts.count(
          switch (refusal) {
            case TOO_LARGE -> Fate.TOO_LARGE;
            case FUTURE -> Fate.FUTURE_CLOCK;
            case OLD_RETAINED -> Fate.OLD_RETAINED;
            case IMPOSSIBLE -> Fate.IMPOSSIBLE;
            default -> Fate.MALFORMED;
          },
          1);
      if (refusal != Refusal.OLD_RETAINED) {
        refused.add(MessageIntake.refused(nowMs / 1000, topic, refusal, text));
      }
    }

    void account(boolean[] fresh) {
      for (int i = 0; i < fresh.length; i++) {
        counts.count(fresh[i] ? Fate.STORED : Fate.DUPLICATE, 1);
        if (fresh[i]) {
          series.arrived(of.get(i).deviceId, readings.get(i).timeMs());
        }
      }
    }
  }
}
