package mindspool.server.devices;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.Text;
import org.springframework.stereotype.Component;

/** Counts what arrived and what became of it, and keeps the latest messages to look at. */
@Component
class MessageCounts {

  private static final int MOST_TOPICS = 1000;
  private static final int LATEST = 200;
  private static final int SHOWN_CHARACTERS = 400;

  /** What became of a message or of a value in it. */
  enum Fate {
    RECEIVED,
    STORED,
    DUPLICATE,
    OUT_OF_ORDER,
    DELAYED,
    UNKNOWN_TOPIC,
    OLD_RETAINED,
    MALFORMED,
    IMPOSSIBLE,
    FUTURE_CLOCK,
    TOO_LARGE,
    SET_ASIDE
  }

  /** A message as it came. */
  record Seen(long atMs, String topic, String payload, boolean retained, String fate) {}

  /** A topic and its latest message. */
  record Topic(String topic, long messages, long lastAtMs, String lastPayload) {}

  private final Map<Fate, Long> counts = new EnumMap<>(Fate.class);
  private final Map<String, Topic> topics = new LinkedHashMap<>();
  private final Deque<Seen> latest = new ArrayDeque<>();

  synchronized void count(Fate fate, long times) {
    counts.merge(fate, times, Long::sum);
  }

  synchronized void see(long atMs, String topic, String payload, boolean retained, String fate) {
    String shown =
        payload.length() > SHOWN_CHARACTERS ? Text.cut(payload, SHOWN_CHARACTERS) + " …" : payload;
    Topic before = topics.get(topic);
    if (before != null || topics.size() < MOST_TOPICS) {
      topics.put(topic, new Topic(topic, before == null ? 1 : before.messages + 1, atMs, shown));
    }
    latest.addLast(new Seen(atMs, topic, shown, retained, fate));
    if (latest.size() > LATEST) {
      latest.removeFirst();
    }
  }

  synchronized Map<String, Long> counts() {
    Map<String, Long> named = new LinkedHashMap<>();
    for (Fate fate : Fate.values()) {
      named.put(fate.name(), counts.getOrDefault(fate, 0L));
    }
    return named;
  }

  synchronized List<Topic> topics() {
    return new ArrayList<>(topics.values());
  }

  synchronized List<Seen> latest() {
    return new ArrayList<>(latest);
  }
}
