package mindspool.simulators;

import com.hivemq.client.mqtt.MqttClient;
import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Locale;
import java.util.concurrent.Semaphore;

/** Publishes what devices show, as their firmware would. */
public final class DevicePublisher implements AutoCloseable {

  private static final int MOST_IN_FLIGHT = 200;

  private final Mqtt3BlockingClient client;
  private final Semaphore inFlight = new Semaphore(MOST_IN_FLIGHT);

  public DevicePublisher(String host, int port) {
    client =
        MqttClient.builder()
            .useMqttVersion3()
            .identifier("simulated-workshop-" + Long.toString(System.nanoTime(), 36))
            .serverHost(host)
            .serverPort(port)
            .buildBlocking();
  }

  /** Connects, trying again for so long until the broker answers. */
  public DevicePublisher connect(long patienceMs) throws InterruptedException {
    long end = System.currentTimeMillis() + patienceMs;
    while (true) {
      try {
        client.connect();
        return this;
      } catch (RuntimeException e) {
        if (System.currentTimeMillis() > end) {
          throw e;
        }
        Thread.sleep(500);
      }
    }
  }

  /** A hygrometer's reading with its time. */
  public void air(String topic, SimulatedHygrometer.Reading reading, double timeS) {
    publish(
        topic,
        String.format(
            Locale.ROOT,
            "{\"temperature\": %.1f, \"humidity\": %.1f, \"time\": \"%s\"}",
            reading.temperatureC(),
            reading.relativeHumidityPercent(),
            Instant.ofEpochSecond((long) timeS)));
  }

  /** What a printer shows, with its time. */
  public void printer(String topic, SimulatedPrinter.State state) {
    publish(
        topic,
        String.format(
            Locale.ROOT,
            "{\"chamber\": %.1f, \"bed\": %.1f, \"nozzle\": %.1f, \"progress\": %.1f,"
                + " \"filament\": %d, \"time\": \"%s\"}",
            state.chamberC(),
            state.bedC(),
            state.nozzleC(),
            state.progressPercent(),
            state.filament() ? 1 : 0,
            Instant.ofEpochSecond((long) state.timeS())));
  }

  /** A plain number. */
  public void number(String topic, double value, int decimals) {
    publish(topic, String.format(Locale.ROOT, "%." + decimals + "f", value));
  }

  public void publish(String topic, String payload) {
    if (!client.getState().isConnected()) {
      client.connect();
    }
    inFlight.acquireUninterruptibly();
    client
        .toAsync()
        .publishWith()
        .topic(topic)
        .payload(payload.getBytes(StandardCharsets.UTF_8))
        .qos(MqttQos.AT_LEAST_ONCE)
        .send()
        .whenComplete((done, failed) -> inFlight.release());
  }

  /** Waits for what is under way, then leaves. */
  @Override
  public void close() {
    inFlight.acquireUninterruptibly(MOST_IN_FLIGHT);
    client.disconnect();
  }
}
