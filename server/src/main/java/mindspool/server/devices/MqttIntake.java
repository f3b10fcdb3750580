package mindspool.server.devices;

import com.hivemq.client.mqtt.MqttClientState;
import com.hivemq.client.mqtt.MqttGlobalPublishFilter;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt5.Mqtt5AsyncClient;
import com.hivemq.client.mqtt.mqtt5.Mqtt5Client;
import com.hivemq.client.mqtt.mqtt5.Mqtt5ClientBuilder;
import com.hivemq.client.mqtt.mqtt5.message.publish.Mqtt5Publish;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import mindspool.server.keep.DiskSpace;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Takes messages from the broker into the database. A message is acknowledged only once its
 * readings are on the disk, so that the broker sends again whatever was not; a session that
 * outlives restarts makes it keep what arrives meanwhile.
 */
@Component
class MqttIntake implements SmartLifecycle {

  private static final Logger LOG = LoggerFactory.getLogger(MqttIntake.class);

  static final String CLIENT_ID = "mind-spool";

  /** Not much longer: brokers that count it in milliseconds of 32 bits end it at once. */
  private static final long KEEP_SESSION_S = 20L * 86_400;

  private static final int MOST_WAITING = 20_000;
  private static final int MOST_AT_ONCE = 2_000;
  private static final long LOOK_UP_MS = 200;
  private static final long GATHER_MS = 100;
  private static final long RETRY_MS = 2_000;
  private static final long STOP_MS = 1_500;

  /** After the web server's, which finishes its requests first. */
  private static final int STOP_PHASE = SmartLifecycle.DEFAULT_PHASE - 4096;

  private static final long RECONNECT_AFTER_S = 1;
  private static final long RECONNECT_WITHIN_S = 15;

  private final MqttSettings settings;
  private final EmbeddedBroker broker;
  private final MessageIntake messages;
  private final DiskSpace disk;
  private final Clock clock;
  private final BlockingQueue<Mqtt5Publish> waiting = new LinkedBlockingQueue<>(MOST_WAITING);
  private volatile Mqtt5AsyncClient client;
  private volatile boolean running;
  private volatile String problem = "";

  /** Since when nothing can be stored, epoch ms; 0 while it can. */
  private volatile long stalledSinceMs;

  private Thread starter;
  private volatile Thread writer;

  MqttIntake(
      MqttSettings settings,
      EmbeddedBroker broker,
      MessageIntake messages,
      DiskSpace disk,
      Clock clock) {
    this.disk = disk;
    this.clock = clock;
    this.settings = settings;
    this.broker = broker;
    this.messages = messages;
  }

  boolean isConnected() {
    Mqtt5AsyncClient current = client;
    return current != null && current.getState() == MqttClientState.CONNECTED;
  }

  /** Why nothing arrives or is stored; empty while all is well. */
  String problem() {
    return stalledSinceMs == 0
        ? problem
        : ("Readings cannot be stored since %s. They wait in the broker and are tried again;"
                + " check that the disk of the data has room.")
            .formatted(Instant.ofEpochMilli(stalledSinceMs).truncatedTo(ChronoUnit.SECONDS));
  }

  /** Starts broker and intake beside everything else, so that pages need not wait for them. */
  @Override
  public void start() {
    running = true;
    starter = new Thread(this::begin, "mqtt-start");
    starter.setDaemon(true);
    starter.start();
  }

  private void begin() {
    broker.start();
    if (settings.embedded() && !broker.isRunning()) {
      return;
    }
    writer = new Thread(this::write, "mqtt-intake");
    writer.setDaemon(true);
    writer.start();
    Mqtt5ClientBuilder builder =
        Mqtt5Client.builder()
            .identifier(CLIENT_ID)
            .serverHost(settings.host())
            .serverPort(broker.port())
            .automaticReconnect()
            .initialDelay(RECONNECT_AFTER_S, TimeUnit.SECONDS)
            .maxDelay(RECONNECT_WITHIN_S, TimeUnit.SECONDS)
            .applyAutomaticReconnect();
    builder.addConnectedListener(context -> connected());
    builder.addDisconnectedListener(
        context -> {
          disconnected(context.getCause());
          context.getReconnector().reconnect(running);
        });
    // Given to the client, not to its first connection, so that it is sent on every new one.
    if (settings.embedded()) {
      builder.simpleAuth().username(CLIENT_ID).password(broker.ownSecret()).applySimpleAuth();
    } else if (!settings.user().isEmpty()) {
      builder
          .simpleAuth()
          .username(settings.user())
          .password(settings.password().getBytes(StandardCharsets.UTF_8))
          .applySimpleAuth();
    }
    Mqtt5AsyncClient connecting = builder.buildAsync();
    client = connecting;
    connecting.publishes(MqttGlobalPublishFilter.ALL, this::take, true);
    connecting.connectWith().cleanStart(false).sessionExpiryInterval(KEEP_SESSION_S).send();
  }

  private void connected() {
    problem = "";
    subscribe();
  }

  private void disconnected(Throwable cause) {
    if (!running) {
      // It left by itself, because the program stops.
      return;
    }
    problem =
        "The broker at %s:%d does not answer or refuses (%s). It is tried again every %d s; check that it runs, and host, port, user and password."
            .formatted(settings.host(), broker.port(), cause.getMessage(), RECONNECT_WITHIN_S);
    LOG.info("Not connected to the broker: {}", cause.getMessage());
  }

  /** Publishes once; done when the broker has acknowledged it. */
  CompletableFuture<?> publish(String topic, byte[] payload) {
    Mqtt5AsyncClient current = client;
    return current == null
        ? CompletableFuture.failedFuture(new IllegalStateException("not connected yet"))
        : current.publishWith().topic(topic).qos(MqttQos.AT_LEAST_ONCE).payload(payload).send();
  }

  private void subscribe() {
    client
        .subscribeWith()
        .topicFilter(settings.topics())
        .qos(MqttQos.AT_LEAST_ONCE)
        .send()
        .whenComplete(
            (done, failed) -> {
              if (failed != null) {
                LOG.warn("The broker refused the subscription", failed);
              }
            });
  }

  /** Waits when too much is waiting already, which slows the broker down rather than losing any. */
  private void take(Mqtt5Publish message) {
    try {
      waiting.put(message);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void write() {
    Batch<Mqtt5Publish> batch =
        new Batch<>(
            all -> messages.take(all.stream().map(MqttIntake::of).toList()),
            (message, why) -> messages.setAside(of(message), why),
            Mqtt5Publish::acknowledge);
    while (running) {
      try {
        if (batch.isEmpty()) {
          Mqtt5Publish first = waiting.poll(LOOK_UP_MS, TimeUnit.MILLISECONDS);
          if (first == null) {
            continue;
          }
          batch.add(first);
          Thread.sleep(GATHER_MS);
          List<Mqtt5Publish> more = new ArrayList<>();
          waiting.drainTo(more, MOST_AT_ONCE - 1);
          more.forEach(batch::add);
        }
        disk.refuseWhenLow();
        batch.settle();
        stalledSinceMs = 0;
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return;
      } catch (RuntimeException e) {
        if (stalledSinceMs == 0) {
          stalledSinceMs = clock.millis();
          LOG.warn("Readings cannot be stored; trying again until they are", e);
        }
        pause();
      }
    }
  }

  private static MessageIntake.Message of(Mqtt5Publish message) {
    return new MessageIntake.Message(
        message.getTopic().toString(), message.getPayloadAsBytes(), message.isRetain());
  }

  private void pause() {
    try {
      Thread.sleep(RETRY_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      running = false;
    }
  }

  @Override
  public void stop() {
    running = false;
    try {
      starter.join(STOP_MS);
      // What is stored is also acknowledged before leaving, or the broker would send it again.
      if (writer != null) {
        writer.join(STOP_MS);
        writer.interrupt();
      }
      if (client != null) {
        client.disconnect().get(STOP_MS, TimeUnit.MILLISECONDS);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException | TimeoutException e) {
      LOG.debug("It was not connected any more", e);
    }
    broker.stop();
  }

  @Override
  public int getPhase() {
    return STOP_PHASE;
  }

  /** Has the broker started again where it ended, once there is room. */
  @Scheduled(fixedDelay = 5_000)
  void look() {
    if (running && !disk.isLow()) {
      broker.revive();
    }
  }

  @Override
  public boolean isRunning() {
    return running;
  }
}
