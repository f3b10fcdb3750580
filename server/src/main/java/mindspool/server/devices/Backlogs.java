package mindspool.server.devices;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.server.alerts.AlertSource;
import org.apache.activemq.artemis.core.postoffice.QueueBinding;
import org.apache.activemq.artemis.core.server.ActiveMQServer;
import org.apache.activemq.artemis.core.server.Queue;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Bounds what the broker keeps for other subscribers than the program itself: one that never reads,
 * or a session that never comes back, loses its oldest messages instead of filling the disk.
 */
@Component
class Backlogs implements AlertSource {

  private static final Logger LOG = LoggerFactory.getLogger(Backlogs.class);

  private static final long MOST_MESSAGES = 20_000;
  private static final long MOST_BYTES = 16L << 20;
  private static final long SHOWN_MS = 3_600_000;

  private final EmbeddedBroker broker;
  private final Map<String, Long> droppedAtMs = new ConcurrentHashMap<>();

  Backlogs(EmbeddedBroker broker) {
    this.broker = broker;
  }

  @Scheduled(fixedDelayString = "${mindspool.mqtt.backlog-ms:2000}")
  void bound() {
    ActiveMQServer server = broker.server();
    if (server == null || server.getPostOffice() == null) {
      return;
    }
    server
        .getPostOffice()
        .getAllBindings()
        .filter(QueueBinding.class::isInstance)
        .map(binding -> ((QueueBinding) binding).getQueue())
        .filter(queue -> !queue.getName().toString().startsWith(MqttIntake.CLIENT_ID))
        .forEach(this::bound);
  }

  private void bound(Queue queue) {
    if (queue.getMessageCount() <= MOST_MESSAGES && queue.getPersistentSize() <= MOST_BYTES) {
      return;
    }
    String name = queue.getName().toString();
    try {
      int dropped = queue.deleteAllReferences();
      droppedAtMs.put(name, System.currentTimeMillis());
      LOG.warn("Subscriber {} does not read: {} messages were dropped for it", name, dropped);
    } catch (Exception e) {
      LOG.warn("The messages for {} could not be dropped", name, e);
    }
  }

  @Override
  public List<Alert> alerts() {
    long recent = System.currentTimeMillis() - SHOWN_MS;
    droppedAtMs.values().removeIf(at -> at < recent);
    return droppedAtMs.keySet().stream()
        .map(
            name ->
                Alert.soon(
                    "backlog-" + name,
                    "The MQTT subscriber \"%s\" does not read what it asked for; its messages were dropped. Mind Spool itself got them all."
                        .formatted(name),
                    "/devices"))
        .toList();
  }
}
